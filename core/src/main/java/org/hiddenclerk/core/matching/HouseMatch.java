package org.hiddenclerk.core.matching;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.SchemeCode;
import org.hiddenclerk.core.wiring.WiringPlan;

/**
 * Every module of a stock book judged for every position of a house, in every scheme. The verdicts are those of
 * {@link ModuleMatch}, rule for rule; what many positions or many modules share is judged once.
 *
 * <p>Cost: a plan and its proof for each kind of run, scheme and way in which modules are wired; beyond that a few look-ups for
 * each position and module.
 */
public final class HouseMatch {
    /** Gangs that one module of the stock book may take. */
    private static final int MOST_CHANNELS = 4;
    private static final int WARM_ENOUGH_TO_LOOK = 35;

    private final HouseSurvey survey;
    private final List<ModuleModel> models;
    private final Terms terms;
    private final Shapes shapes;
    private final Map<String, Twin> twins = new HashMap<>();
    private final Map<List<Object>, EnumSet<FindingCode>> rooms = new HashMap<>();
    private final Map<List<Object>, EnumSet<FindingCode>> suitable = new HashMap<>();
    private final List<HouseOption> options = new ArrayList<>();
    private final List<Cell> cells = new ArrayList<>();

    public HouseMatch(HouseSurvey survey, List<ModuleModel> models, Terms terms) {
        this.survey = survey;
        this.models = List.copyOf(models);
        this.terms = terms;
        this.shapes = new Shapes(this.models);
    }

    /**
     * Everything judged.
     *
     * @param units   what there is to settle, in the order of the boxes
     * @param options what may be chosen
     * @param cells   the verdict of every position, scheme and module; those that a scheme rules out whatever the module are left out
     * @param mute    switches that change nothing that is surveyed, in words
     */
    public record Result(List<Unit> units, List<HouseOption> options, List<Cell> cells, List<String> mute) {
        public Result {
            units = List.copyOf(units);
            options = List.copyOf(options);
            cells = List.copyOf(cells);
            mute = List.copyOf(mute);
        }

        /** Options by the units that they do. */
        public List<HouseOption> optionsFor(Unit unit) {
            return options.stream().filter(option -> option.units().contains(unit)).toList();
        }
    }

    /**
     * One module at one position in one scheme.
     *
     * @param codes everything found, notes too
     */
    public record Cell(List<Unit> units, String lead, SchemeCode scheme, ModuleModel model, Verdict verdict, Set<FindingCode> codes) {
    }

    /** A kind of run, seen from one of its boxes. */
    private final class Twin {
        private final Planner planner;
        private final ModuleMatch match;
        private final List<String> boxes;
        private final Map<List<List<Integer>>, List<Case>> cases = new HashMap<>();

        private Twin(Run run, List<String> boxes) {
            planner = new Planner(survey.house(), run);
            match = new ModuleMatch(planner, terms);
            this.boxes = boxes;
        }

        private List<Case> cases(List<Integer> gangs, List<Integer> loads) {
            return cases.computeIfAbsent(List.of(gangs, loads), k -> drawAll(this, gangs, loads));
        }
    }

    /**
     * A scheme with modules that are wired alike, drawn and proved once.
     *
     * @param fitted  modules that go in, with the index of their box in the run, or -1 for a lamp that is no surveyed box
     * @param carried findings of the contacts, by their class
     */
    private record Case(SchemeCode scheme, List<Integer> models, Optional<ModuleModel> companion, Assignment assignment, boolean applies,
                        EnumSet<FindingCode> codes, List<Fit> fitted, List<Integer> opened, int minutes, int exchanged, boolean silent,
                        boolean cut, double contactHeat, Map<Integer, EnumSet<FindingCode>> carried) {
    }

    private record Fit(int box, boolean own, List<Integer> connectors) {
    }

    /** Judges everything. */
    public Result match() {
        Map<String, Twin> leads = new LinkedHashMap<>();
        Map<String, List<String>> boxesOf = new LinkedHashMap<>();
        for (String id : survey.boxes().keySet()) {
            Run run = Run.of(survey.boxes(), id, survey.house().region());
            RunTwin.Key key = RunTwin.of(survey.house(), run);
            leads.put(id, twins.computeIfAbsent(key.text(), k -> new Twin(run, key.boxes())));
            boxesOf.put(id, key.boxes());
        }
        List<String> mute = new ArrayList<>();
        Units units = new Units(survey, mute);
        leads.forEach((id, twin) -> units.add(id, survey.boxes().get(id), twin.planner, boxesOf.get(id), twin.boxes));
        leads.forEach((id, twin) -> judge(id, twin, boxesOf.get(id), units));
        return new Result(units.all(), options, cells, mute);
    }

    private void judge(String lead, Twin twin, List<String> boxes, Units units) {
        for (Units.Group group : units.groups(lead, MOST_CHANNELS)) {
            for (Case drawn : twin.cases(group.gangs(), group.loads())) {
                if (drawn.applies()) {
                    drawn.models().forEach(model -> judge(lead, twin, boxes, group, drawn, model));
                } else {
                    drawn.models().forEach(model -> cells.add(new Cell(group.units(), lead, drawn.scheme(), shapes.model(model),
                            verdict(drawn.codes()), drawn.codes())));
                }
            }
        }
    }

    private void judge(String lead, Twin twin, List<String> boxes, Units.Group group, Case drawn, int index) {
        ModuleModel model = shapes.model(index);
        EnumSet<FindingCode> codes = EnumSet.copyOf(drawn.codes());
        if (ModuleMatch.isByRules(drawn.scheme())) {
            codes.addAll(drawn.carried().computeIfAbsent(shapes.contactsOf(index), c -> codesOf(twin.match.loads(model,
                    twin.planner.loadsOf(drawn.assignment()), twin.match.volts()).findings())));
        }
        codes.addAll(suitability(model, index, drawn));
        codes.addAll(room(boxes, drawn, index));
        if (model.sheet().dims() || !drawn.assignment().gangs().isEmpty()) {
            codes.addAll(dimming(twin, drawn, model));
        }
        Verdict verdict = verdict(codes);
        cells.add(new Cell(group.units(), lead, drawn.scheme(), model, verdict, codes));
        if (verdict == Verdict.OK) {
            options.add(option(lead, boxes, group, drawn, model, codes));
        }
    }

    private EnumSet<FindingCode> dimming(Twin twin, Case drawn, ModuleModel model) {
        return codesOf(twin.match.dimming(with(drawn.assignment(), model)));
    }

    private HouseOption option(String lead, List<String> boxes, Units.Group group, Case drawn, ModuleModel model,
                               Set<FindingCode> codes) {
        List<HouseOption.Fitting> fitted = drawn.fitted().stream().map(fit -> new HouseOption.Fitting(fit.box() < 0 ? "" : boxes.get(fit.box()),
                fit.own() ? model : drawn.companion().orElse(model), fit.connectors().size())).toList();
        int wishesMissed = (int) wishes(model, drawn).stream().filter(f -> f.severity() == Severity.NOTE).count();
        return new HouseOption(options.size(), group.units(), lead, group.gangs(), group.loads(), drawn.scheme(), model, drawn.companion(),
                fitted, drawn.opened().stream().filter(i -> i >= 0).map(boxes::get).toList(), drawn.minutes(), drawn.exchanged(),
                drawn.silent(), drawn.cut(), wishesMissed, codes.contains(FindingCode.NEUTRAL_PREFERRED) ? 1 : 0,
                drawn.assignment().bypass(), drawn.assignment().bypass().isPresent() ? group.gangs().size() : 0);
    }

    private List<Finding> wishes(ModuleModel model, Case drawn) {
        return WishCheck.of(terms.wishes(), model, new WishCheck.AtTheWall(drawn.exchanged() == 0, !drawn.silent()));
    }

    private EnumSet<FindingCode> suitability(ModuleModel model, int index, Case drawn) {
        boolean plain = terms.wishes().isEmpty();
        List<Object> key = List.of(index, drawn.scheme(), plain || drawn.exchanged() == 0, plain || !drawn.silent());
        return suitable.computeIfAbsent(key, k -> {
            List<Finding> findings = new ArrayList<>(Suitability.of(model, drawn.scheme(), survey.house().region()));
            findings.addAll(wishes(model, drawn));
            return codesOf(findings);
        });
    }

    /** Room, warmth, thickness of conductors and metal, box by box. */
    private EnumSet<FindingCode> room(List<String> boxes, Case drawn, int index) {
        EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
        ModuleModel model = shapes.model(index);
        Map<Integer, List<Fit>> byBox = new TreeMap<>();
        drawn.fitted().forEach(fit -> byBox.computeIfAbsent(fit.box(), b -> new ArrayList<>()).add(fit));
        List<Box> real = new ArrayList<>();
        for (Map.Entry<Integer, List<Fit>> entry : byBox.entrySet()) {
            if (entry.getKey() < 0) {
                codes.add(FindingCode.ROOM_UNKNOWN);
                continue;
            }
            Box box = survey.boxes().get(boxes.get(entry.getKey()));
            real.add(box);
            List<ModuleModel> here = entry.getValue().stream().map(fit -> fit.own() ? model : drawn.companion().orElse(model)).toList();
            List<Integer> connectors = entry.getValue().get(0).connectors();
            List<Object> key = List.of(roomKey(box), entry.getValue().stream().map(fit -> fit.own() ? shapes.bodyOf(index)
                    : here.get(0).body()).toList(), connectors, here.stream().anyMatch(m -> m.terminals().stream()
                    .anyMatch(t -> t.lead().isPresent())) ? index : -1);
            codes.addAll(rooms.computeIfAbsent(key, k -> codesOf(RoomInBox.of(box, here, survey.house().region(), connectors).findings())));
            if (entry.getValue().stream().anyMatch(Fit::own)) {
                warmth(box, here, model, drawn, codes);
            }
        }
        BigDecimal thickest = ModuleMatch.thickest(real);
        List<Object> key = List.of("mm2", index, thickest);
        codes.addAll(suitable.computeIfAbsent(key, k -> codesOf(Suitability.conductors(model, thickest))));
        codes.addAll(codesOf(Suitability.metalBox(model, ModuleMatch.isMetal(real))));
        return codes;
    }

    private void warmth(Box box, List<ModuleModel> here, ModuleModel model, Case drawn, Set<FindingCode> codes) {
        if (box.geometry().isEmpty()) {
            return;
        }
        double volts = survey.house().region().nominalVolts().asDouble();
        double heat = here.stream().mapToDouble(m -> BoxHeat.heatOf(m, volts, List.of())).sum() + drawn.contactHeat();
        // Rounding up and the nearness to a limit are within five degrees; below that nothing can be found.
        double inside = BoxHeat.inside(BoxHeat.around(box.kind()), box.geometry().get(), heat);
        int limit = model.sheet().temperatures().map(t -> t.highest() - 6).orElse(WARM_ENOUGH_TO_LOOK);
        if (inside > limit) {
            codes.addAll(codesOf(BoxHeat.judge(box, model, heat).findings()));
        }
    }

    /** What the room in a box depends on beside the modules. */
    private record RoomKey(BoxGeometry geometry, BoxKind kind, List<Object> gangs, List<BigDecimal> cores, List<Object> roles) {
    }

    private final Map<Box, Object> roomKeys = new java.util.IdentityHashMap<>();

    private Object roomKey(Box box) {
        return roomKeys.computeIfAbsent(box, b -> b.geometry().isEmpty() ? "none" : new RoomKey(b.geometry().get(), b.kind(),
                b.gangs().stream().<Object>map(g -> List.of(g.depth(), g.mechanism())).toList(), b.cables().stream().flatMap(c -> Collections.nCopies(c.cores().size(),
                c.mm2()).stream()).toList(), b.cables().stream().flatMap(c -> c.cores().stream()).<Object>map(c -> c.role()).toList()));
    }

    private List<Case> drawAll(Twin twin, List<Integer> gangs, List<Integer> loads) {
        List<Case> cases = new ArrayList<>();
        int positions = gangs.size() + loads.size();
        for (SchemeCode scheme : SchemeCode.values()) {
            for (List<Integer> alike : shapes.wiredAlike()) {
                ModuleModel first = shapes.model(alike.get(0));
                boolean twoWire = first.supply() instanceof ModuleSupply.TwoWire;
                if (first.channels().size() < positions || first.channels().isEmpty() || twoWire != (scheme == SchemeCode.BEHIND_SWITCH_NO_N)) {
                    continue;
                }
                for (Optional<ModuleModel> companion : companions(scheme, first)) {
                    cases.addAll(draw(twin, scheme, alike, gangs, loads, companion));
                }
            }
        }
        return cases;
    }

    private List<Optional<ModuleModel>> companions(SchemeCode scheme, ModuleModel model) {
        if (scheme != SchemeCode.SPLIT_PAIR) {
            return List.of(Optional.empty());
        }
        List<Optional<ModuleModel>> senders = models.stream().filter(m -> m.isSender() && m.protocol() == model.protocol())
                .map(Optional::of).toList();
        return senders.isEmpty() ? List.of(Optional.empty()) : senders;
    }

    /** Where the proof itself looks at the ratings, modules that are wired alike are not alike enough. */
    private List<Case> draw(Twin twin, SchemeCode scheme, List<Integer> alike, List<Integer> gangs, List<Integer> loads,
                            Optional<ModuleModel> companion) {
        List<Case> cases = new ArrayList<>();
        Case first = draw(twin, scheme, alike, twin.match.assign(scheme, gangs, loads, shapes.model(alike.get(0)), companion));
        if (ModuleMatch.isByRules(scheme) || !first.applies()) {
            return List.of(first);
        }
        for (int index : alike) {
            cases.add(draw(twin, scheme, List.of(index), twin.match.assign(scheme, gangs, loads, shapes.model(index), companion)));
        }
        return cases;
    }

    private Case draw(Twin twin, SchemeCode scheme, List<Integer> alike, Assignment assignment) {
        ModuleMatch.Drawn drawn = twin.match.draw(assignment);
        EnumSet<FindingCode> codes = codesOf(drawn.findings());
        WiringPlan plan = drawn.plan();
        if (plan.planned().isEmpty()) {
            return new Case(scheme, alike, assignment.companion(), assignment, false, codes, List.of(), List.of(), 0, 0, false, false, 0,
                    new HashMap<>());
        }
        List<Run.Place> places = twin.planner.run().boxes();
        List<Fit> fitted = plan.planned().get().fitted().stream().map(fit -> new Fit(places.indexOf(fit.place()),
                fit.model().equals(assignment.model()), plan.planned().get().at(fit.place()).connectors())).toList();
        List<Integer> opened = plan.placesOfWork().stream().map(places::indexOf).toList();
        int exchanged = SchemeChooser.mechanismsChanged(plan);
        double volts = twin.match.volts().doubleValue();
        double heat = twin.planner.loadsOf(assignment).stream().mapToDouble(position -> {
            double amps = position.stream().flatMap(l -> l.banks().stream()).mapToDouble(bank -> bank.amps(BigDecimal.valueOf(volts))
                    .doubleValue()).sum();
            return BoxHeat.contactHeat(amps);
        }).sum();
        return new Case(scheme, alike, assignment.companion(), assignment, true, codes, fitted, opened,
                SchemeChooser.minutes(fitted.size(), opened.size(), exchanged), exchanged,
                !SchemeChooser.switchesWork(twin.planner, plan, assignment), codes.contains(FindingCode.MODULE_CUT_BY_SWITCH), heat,
                new HashMap<>());
    }

    private static Assignment with(Assignment a, ModuleModel model) {
        return new Assignment(a.scheme(), model, a.gangs(), a.loads(), a.behaviours(), a.bypass(), a.companion());
    }

    private static EnumSet<FindingCode> codesOf(List<Finding> findings) {
        EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
        findings.forEach(f -> codes.add(f.code()));
        return codes;
    }

    private static Verdict verdict(Set<FindingCode> codes) {
        Verdict worst = Verdict.OK;
        for (FindingCode code : codes) {
            Verdict own = switch (code.severity()) {
                case STOP -> Verdict.STOP;
                case HOLD -> Verdict.HOLD;
                case NOTE -> Verdict.OK;
            };
            worst = own.compareTo(worst) < 0 ? own : worst;
        }
        return worst;
    }
}
