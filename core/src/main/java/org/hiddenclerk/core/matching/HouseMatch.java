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
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.HouseMemory.Part;
import org.hiddenclerk.core.matching.TwinClass.Case;
import org.hiddenclerk.core.matching.TwinClass.Member;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.SchemeCode;

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
    private static final Part METAL = Part.of(EnumSet.of(FindingCode.METAL_BOX_RADIO));

    private final HouseSurvey survey;
    private final HouseMemory memory;
    private final List<ModuleModel> models;
    private final Terms terms;
    private final Shapes shapes;

    public HouseMatch(HouseSurvey survey, List<ModuleModel> models, Terms terms) {
        this(survey, new HouseMemory(models, terms, survey.house().region()));
    }

    /** @param memory what was judged before; made for the region of this house */
    public HouseMatch(HouseSurvey survey, HouseMemory memory) {
        if (memory.region() != survey.house().region()) {
            throw new IllegalArgumentException("The memory (" + memory.region() + ") must be of the house's region ("
                    + survey.house().region() + ").");
        }
        this.survey = survey;
        this.memory = memory;
        models = memory.models();
        terms = memory.terms();
        shapes = memory.shapes();
    }

    /**
     * Everything judged.
     *
     * @param units    what there is to settle, in the order of the boxes
     * @param cells    the verdict of every position and module in every scheme that applies
     * @param refusals schemes that do not apply to a position with some modules
     * @param mute     switches that change nothing that is surveyed, in words
     */
    public record Result(List<Unit> units, List<Cell> cells, List<Refusal> refusals, List<String> mute) {
        public Result {
            units = List.copyOf(units);
            cells = Collections.unmodifiableList(cells);
            refusals = Collections.unmodifiableList(refusals);
            mute = List.copyOf(mute);
        }

        /** What may be chosen, numbered. */
        public List<HouseOption> options() {
            List<HouseOption> options = new ArrayList<>();
            cells.stream().filter(cell -> cell.verdict == Verdict.OK).forEach(cell -> options.add(cell.option(options.size())));
            return options;
        }
    }

    /** One module at one position in one scheme that applies. */
    public static final class Cell {
        private final Position position;
        private final ModuleModel model;
        private final Verdict verdict;
        private final Part[] parts;

        private Cell(Position position, ModuleModel model, Verdict verdict, Part[] parts) {
            this.position = position;
            this.model = model;
            this.verdict = verdict;
            this.parts = parts;
        }

        public List<Unit> units() {
            return position.group.units();
        }

        public String lead() {
            return position.member.lead();
        }

        public SchemeCode scheme() {
            return position.drawn.scheme();
        }

        public ModuleModel model() {
            return model;
        }

        public Verdict verdict() {
            return verdict;
        }

        /** Everything found, notes too. */
        public Set<FindingCode> codes() {
            EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
            for (Part part : parts) {
                codes.addAll(part.codes());
            }
            return codes;
        }

        /** The option that it is, for choosing. */
        private HouseOption option(int number) {
            Case drawn = position.drawn;
            List<String> boxes = position.member.boxes();
            List<HouseOption.Fitting> fitted = drawn.fitted().stream().map(fit -> new HouseOption.Fitting(fit.box() < 0 ? ""
                    : boxes.get(fit.box()), fit.own() ? model : drawn.companion().orElse(model))).toList();
            int missed = position.wishes.isEmpty() ? 0 : (int) HouseMatch.wishes(position.wishes, model, drawn).stream()
                    .filter(f -> f.severity() == Severity.NOTE).count();
            return new HouseOption(number, units(), lead(), position.group.gangs(), position.group.loads(), drawn.scheme(), model,
                    drawn.companion(), fitted, drawn.opened().stream().filter(i -> i >= 0).map(boxes::get).toList(), drawn.minutes(),
                    drawn.exchanged(), drawn.silent(), drawn.isCut(), missed, drawn.codes().contains(FindingCode.NEUTRAL_PREFERRED) ? 1 : 0,
                    drawn.assignment().bypass(), drawn.assignment().bypass().isPresent() ? position.group.gangs().size() : 0);
        }

        @Override
        public String toString() {
            return lead() + " " + scheme() + " " + model.code() + " " + verdict + " " + codes();
        }
    }

    /** A scheme that does not apply, whatever else these modules are. */
    public record Refusal(List<Unit> units, String lead, SchemeCode scheme, List<ModuleModel> models, Set<FindingCode> codes) {
    }

    /** A drawn scheme at a position. */
    private record Position(Member member, Units.Group group, Case drawn, List<Wish> wishes) {
    }

    /** Judges everything; kinds of runs beside each other on the processors that there are. */
    public Result match() {
        Map<String, TwinClass> classes = new HashMap<>();
        Map<Member, TwinClass> leads = new LinkedHashMap<>();
        for (String id : survey.boxes().keySet()) {
            RunTwin.Key key = RunTwin.of(survey.house(), Run.of(survey.boxes(), id, survey.house().region()));
            TwinClass twins = classes.computeIfAbsent(key.text(), k -> new TwinClass(survey, memory, k));
            Member member = new Member(id, key.boxes(), key.draws());
            twins.add(member);
            leads.put(member, twins);
        }
        List<String> mute = new ArrayList<>();
        Units units = new Units(survey, mute);
        leads.forEach((member, twins) -> units.add(member.lead(), survey.boxes().get(member.lead()), twins.facts(), member.boxes()));
        List<Unit> all = units.all();
        List<Work> works = new ArrayList<>();
        leads.forEach((member, twins) -> units.groups(member.lead(), MOST_CHANNELS).forEach(group ->
                works.add(new Work(member, twins, group))));
        works.stream().collect(Collectors.groupingBy(work -> work.twins)).values().parallelStream().forEach(kind ->
                kind.forEach(this::judge));
        List<Cell> cells = new ArrayList<>();
        List<Refusal> refusals = new ArrayList<>();
        works.forEach(work -> {
            cells.addAll(work.cells);
            refusals.addAll(work.refusals);
        });
        return new Result(all, cells, refusals, mute);
    }

    /** What a lead may switch together, and what comes of it. */
    private static final class Work {
        private final Member member;
        private final TwinClass twins;
        private final Units.Group group;
        private final List<Cell> cells = new ArrayList<>();
        private final List<Refusal> refusals = new ArrayList<>();

        private Work(Member member, TwinClass twins, Units.Group group) {
            this.member = member;
            this.twins = twins;
            this.group = group;
        }
    }

    private void judge(Work work) {
        List<List<SurveyedLoad>> loads = work.twins.loadsOf(work.member, work.group.gangs(), work.group.loads());
        BigDecimal volts = work.twins.facts().volts();
        Switched switched = new Switched(loads, volts, contacts(volts, loads), BoxHeat.contactHeat(loads, volts));
        for (TwinClass.Slot slot : work.twins.slots(work.group.gangs(), work.group.loads())) {
            Optional<Case> drawn = slot.sharedWith(work.member);
            if (drawn.isPresent()) {
                judge(work, switched, drawn.get(), slot.same());
            } else {
                slot.alone(work.member).forEach(alone -> judge(work, switched, alone.drawn(), alone.same()));
            }
        }
    }

    /** What a group switches, with what each class of contacts makes of it and the heat of a contact, in watts. */
    private record Switched(List<List<SurveyedLoad>> loads, BigDecimal volts, Part[] contacts, double contactHeat) {
    }

    private void judge(Work work, Switched switched, Case drawn, Shapes.Alike same) {
        if (!drawn.applies()) {
            work.refusals.add(new Refusal(work.group.units(), work.member.lead(), drawn.scheme(), same.models(),
                    drawn.codes()));
            return;
        }
        Position position = new Position(work.member, work.group, drawn, terms.wishes());
        List<List<SurveyedLoad>> loads = switched.loads();
        Box lead = survey.boxes().get(work.member.lead());
        Part wiring = Part.of(drawn.codes());
        FittedPlaces places = new FittedPlaces(survey, memory, work.member.boxes(), drawn);
        Part[] suitable = memory.table(List.of("suits", drawn.scheme(), drawn.exchanged() == 0, drawn.silent()), models.size());
        Part[] conductors = memory.table(List.of("mm2", places.thickest()), models.size());
        boolean byRules = ModuleMatch.isByRules(drawn.scheme());
        boolean regulated = drawn.assignment().gangs().stream().anyMatch(gang -> lead.gang(gang).mechanism() == Mechanism.DIMMER);
        boolean inMetal = places.isMetal();
        for (int index : same.indices()) {
            ModuleModel model = shapes.model(index);
            Part carried = !byRules ? Part.NOTHING : HouseMemory.entry(switched.contacts(), shapes.contactsOf(index),
                    () -> ModuleMatch.loads(model, loads, switched.volts(), survey.house().region(), terms.estimates()).findings());
            Part suits = HouseMemory.entry(suitable, index, () -> suitability(model, drawn));
            Part thick = HouseMemory.entry(conductors, index, () -> Suitability.conductors(model, places.thickest()));
            Part dims = regulated || model.sheet().dims() ? Part.of(ModuleMatch.dimming(model, lead, drawn.assignment().gangs(), loads))
                    : Part.NOTHING;
            Part metal = Suitability.isShielded(model, inMetal) ? METAL : Part.NOTHING;
            Part[] parts = {wiring, carried, suits, thick, places.room(index), places.warmth(index, switched.contactHeat()), dims, metal};
            work.cells.add(new Cell(position, model, worst(parts), parts));
        }
    }

    private Part[] contacts(BigDecimal volts, List<List<SurveyedLoad>> loads) {
        List<Object> key = new ArrayList<>(List.of("contacts", volts));
        loads.forEach(at -> key.add(at.stream().map(l -> List.of(l.banks(), l.continuous())).toList()));
        return memory.table(key, models.size());
    }

    private static Verdict worst(Part[] parts) {
        Verdict worst = Verdict.OK;
        for (Part part : parts) {
            worst = part.verdict().compareTo(worst) < 0 ? part.verdict() : worst;
        }
        return worst;
    }

    private List<Finding> suitability(ModuleModel model, Case drawn) {
        List<Finding> findings = new ArrayList<>(Suitability.of(model, drawn.scheme(), survey.house().region()));
        findings.addAll(wishes(terms.wishes(), model, drawn));
        return findings;
    }

    private static List<Finding> wishes(List<Wish> wishes, ModuleModel model, Case drawn) {
        return WishCheck.of(wishes, model, new WishCheck.AtTheWall(drawn.exchanged() == 0, !drawn.silent()));
    }
}
