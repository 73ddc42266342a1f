package org.hiddenclerk.core.matching.house;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.house.Unit.At;
import org.hiddenclerk.core.matching.module.AtTheWall;
import org.hiddenclerk.core.matching.module.Companions;
import org.hiddenclerk.core.matching.module.MinimumLoad;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.SchemeChooser;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * Runs of a house that are wired alike, and differ in what their loads draw. A plan is proved with the heaviest loads that any of
 * them has and the greediest module: less means less current everywhere. Where something is found, and for two-wire modules, whose
 * supply goes through the lamp, it is proved at the other end too: every finding comes or goes in one direction only, so what is
 * the same at both ends is the same between. Where the ends differ, every run is proved with its own loads and module.
 */
public final class EquivalenceClass {
    private static final Comparator<LoadBank> DRAW = Comparator.comparing(bank -> bank.amps(BigDecimal.ONE));
    private static final BinaryOperator<LoadBank> HEAVIER = (a, b) -> DRAW.compare(a, b) >= 0 ? a : b;
    private static final BinaryOperator<LoadBank> LIGHTER = (a, b) -> DRAW.compare(a, b) <= 0 ? a : b;

    private final HouseSurvey survey;
    private final HouseMemory memory;
    private final String text;
    private final List<Member> members = new ArrayList<>();
    private final Map<String, Side> sides = new HashMap<>();
    private final Map<List<List<Integer>>, List<Slot>> slots = new HashMap<>();

    EquivalenceClass(HouseSurvey survey, HouseMemory memory, String text) {
        this.survey = survey;
        this.memory = memory;
        this.text = text;
    }

    /** A run seen from a box, with the boxes in the run's order. */
    record Member(String lead, List<String> boxes, String draws) {}

    /** Some loads for the boxes of the class, and a planner for them once it is needed. */
    private final class Side {
        private final Map<String, Box> boxes;
        private final String draws;
        private Optional<Planner> planner = Optional.empty();

        private Side(Map<String, Box> boxes) {
            this.boxes = boxes;
            draws = boxes.values().stream()
                    .map(box -> box.loads().stream()
                            .map(SurveyedLoad::banks)
                            .toList()
                            .toString())
                    .toList()
                    .toString();
        }

        private Planner planner() {
            if (planner.isEmpty()) {
                planner = Optional.of(new Planner(
                        survey.house(),
                        ConnectedBoxes.of(boxes, boxes.keySet().iterator().next(), memory.region())));
            }
            return planner.get();
        }
    }

    /**
     * A scheme with modules that are wired alike, drawn and proved.
     *
     * @param fitted  modules that go in, with the index of their box in the run, or -1 for a lamp that is no surveyed box
     */
    record Case(
            SchemeCode scheme,
            Optional<ModuleModel> companion,
            Assignment assignment,
            boolean applies,
            EnumSet<FindingCode> codes,
            List<Fit> fitted,
            List<Integer> opened,
            int minutes,
            int exchanged,
            boolean silent) {
        boolean isSound() {
            return codes.stream().allMatch(code -> code.severity() == Severity.NOTE);
        }

        boolean isCut() {
            return codes.contains(FindingCode.MODULE_CUT_BY_SWITCH);
        }
    }

    /** A case drawn for one member and these modules. */
    record Alone(Case drawn, Shapes.Alike same) {}

    /** A module in a box, with what each connector there holds. @param links inputs of it that command another one */
    record Fit(int box, boolean own, List<Integer> connectors, int links) {}

    /**
     * What switches what, by the index of a box in the run; boxes stand in for their identity.
     *
     * @param controlsOfGang what changes with each gang of the lead; a gang that changes nothing is left out
     * @param controlsOfLoad what changes each load that hangs in the lead
     * @param loadsOfGang    loads that each gang changes
     */
    record Facts(
            Map<Integer, Set<At>> controlsOfGang,
            Map<Integer, Set<At>> controlsOfLoad,
            Map<Integer, List<At>> loadsOfGang,
            BigDecimal volts) {}

    void add(Member member) {
        members.add(member);
    }

    Facts facts() {
        return memory.facts().computeIfAbsent(text, k -> facts(heaviest(members).planner()));
    }

    private Facts facts(Planner planner) {
        Map<Integer, Set<At>> ofGang = new LinkedHashMap<>();
        Map<Integer, List<At>> loads = new LinkedHashMap<>();
        Map<Integer, Set<At>> ofLoad = new LinkedHashMap<>();
        List<ConnectedBoxes.Place> places = planner.run().boxes();
        planner.run().lead().box().gangs().forEach(gang -> {
            List<ConnectedBoxes.LoadRef> changed = planner.loadRefsOfGang(gang.number());
            if (!changed.isEmpty()) {
                ofGang.put(gang.number(), at(planner.controlsOfGang(gang.number()), places));
                loads.put(
                        gang.number(),
                        changed.stream().map(ref -> listedAt(ref, places)).toList());
            }
        });
        planner.run().lead().box().loads().stream()
                .filter(SurveyedLoad::hangsHere)
                .forEach(load -> ofLoad.put(load.number(), at(planner.controlsOfLoad(load.number()), places)));
        return new Facts(ofGang, ofLoad, loads, new ModuleMatch(planner, memory.terms()).volts());
    }

    private static Set<At> at(Iterable<ConnectedBoxes.GangRef> gangs, List<ConnectedBoxes.Place> places) {
        Set<At> at = new java.util.LinkedHashSet<>();
        gangs.forEach(ref -> at.add(new At(String.valueOf(places.indexOf(ref.place())), ref.number())));
        return at;
    }

    /** The box that lists a load, which for a lamp that was not surveyed is the one from where its cable leads. */
    private static At listedAt(ConnectedBoxes.LoadRef ref, List<ConnectedBoxes.Place> places) {
        int owner = 0;
        while (!places.get(owner).prefix().equals(ref.place().owner())) {
            owner++;
        }
        return new At(String.valueOf(owner), ref.number());
    }

    /** What the gangs or loads of the lead switch for one member, position after position. */
    List<List<SurveyedLoad>> loadsOf(Member member, List<Integer> gangs, List<Integer> loads) {
        List<List<SurveyedLoad>> positions = new ArrayList<>();
        gangs.forEach(gang -> positions.add(facts().loadsOfGang().get(gang).stream()
                .map(at -> survey.boxes()
                        .get(member.boxes().get(Integer.parseInt(at.box())))
                        .load(at.number()))
                .toList()));
        loads.forEach(
                load -> positions.add(List.of(survey.boxes().get(member.lead()).load(load))));
        return positions;
    }

    /** Every scheme for some gangs or loads with the modules that may take them, the same for all members. */
    List<Slot> slots(List<Integer> gangs, List<Integer> loads) {
        return slots.computeIfAbsent(List.of(gangs, loads), k -> {
            List<Slot> all = new ArrayList<>();
            // What is in a box already is no choice of the stock book's, and picked by hand.
            for (SchemeCode scheme : Stream.of(SchemeCode.values())
                    .filter(each -> !each.has(SchemeCode.Trait.IN_PLACE))
                    .toList()) {
                for (Shapes.Alike same : memory.shapes().wiredAlike()) {
                    ModuleModel greediest = same.first();
                    if (SchemeChooser.mayTake(scheme, greediest)) {
                        withCompanions(scheme, same, gangs).forEach((companion, those) -> {
                            if (Assignment.most(scheme, greediest, companion) >= gangs.size() + loads.size()) {
                                all.add(new Slot(
                                        scheme, gangs, loads, memory.shapes().alike(those), companion));
                            }
                        });
                    }
                }
            }
            return all;
        });
    }

    /** Modules that are wired alike, by what may go behind the other switches beside them: that depends on their network. */
    private Map<Optional<ModuleModel>, List<Integer>> withCompanions(
            SchemeCode scheme, Shapes.Alike same, List<Integer> gangs) {
        Map<Optional<ModuleModel>, List<Integer>> by = new LinkedHashMap<>();
        boolean others = gangs.stream()
                .allMatch(gang ->
                        facts().controlsOfGang().getOrDefault(gang, Set.of()).size() > 1);
        if (scheme.has(SchemeCode.Trait.COMPANIONS) && !scheme.has(SchemeCode.Trait.COMPANION_READS) && !others) {
            // No other switch, nothing to go behind it: one refusal says so for all.
            by.put(Optional.empty(), Arrays.stream(same.indices()).boxed().toList());
            return by;
        }
        for (int index : same.indices()) {
            Companions.of(scheme, memory.shapes().model(index), memory.models(), gangs.size())
                    .forEach(companion -> by.computeIfAbsent(companion, c -> new ArrayList<>())
                            .add(index));
        }
        return by;
    }

    /** A scheme for some gangs or loads of the lead with modules that are wired alike. */
    final class Slot {
        private final SchemeCode scheme;
        private final List<Integer> gangs;
        private final List<Integer> loads;
        private final Shapes.Alike same;
        private final Optional<ModuleModel> companion;
        private List<Shapes.Alike> apart = List.of();
        private final Map<Member, Optional<Watts>> bypasses = new HashMap<>();
        private final Map<Optional<Watts>, Optional<Case>> shared = new HashMap<>();

        private Slot(
                SchemeCode scheme,
                List<Integer> gangs,
                List<Integer> loads,
                Shapes.Alike same,
                Optional<ModuleModel> companion) {
            this.scheme = scheme;
            this.gangs = gangs;
            this.loads = loads;
            this.same = same;
            this.companion = companion;
        }

        SchemeCode scheme() {
            return scheme;
        }

        Shapes.Alike same() {
            return same;
        }

        /** Drawn once for every member like this one, and every module of the slot; empty where each must be drawn by itself. */
        Optional<Case> sharedWith(Member member) {
            return shared.computeIfAbsent(bypass(member), this::shared);
        }

        /** Drawn for one member, whatever others need: once for all modules that a proof cannot tell apart. */
        List<Alone> alone(Member member) {
            Side own = side(List.of(member), HEAVIER);
            return apart().stream()
                    .map(alike -> {
                        ModuleModel model = alike.first();
                        return new Alone(
                                memory.shared()
                                        .computeIfAbsent(
                                                drawing(model, model, own.draws, "", bypass(member)),
                                                k -> Optional.of(draw(own.planner(), model, bypass(member))))
                                        .orElseThrow(),
                                alike);
                    })
                    .toList();
        }

        /** Modules that differ to a proof: by their supply, and by their contacts where these are not judged by rules. */
        private List<Shapes.Alike> apart() {
            if (apart.isEmpty()) {
                Map<Object, List<Integer>> kinds = new LinkedHashMap<>();
                for (int index : same.indices()) {
                    kinds.computeIfAbsent(
                                    ModuleMatch.isByRules(scheme)
                                            ? memory.shapes().model(index).supply()
                                            : index,
                                    k -> new ArrayList<>())
                            .add(index);
                }
                apart = kinds.values().stream().map(memory.shapes()::alike).toList();
            }
            return apart;
        }

        private HouseMemory.Drawing drawing(
                ModuleModel greediest, ModuleModel modest, String heavy, String light, Optional<Watts> bypass) {
            return new HouseMemory.Drawing(
                    text,
                    scheme,
                    gangs,
                    loads,
                    greediest.code(),
                    modest.code(),
                    companion.map(ModuleModel::code),
                    heavy,
                    light,
                    bypass);
        }

        private Optional<Case> shared(Optional<Watts> bypass) {
            List<Member> alike = bypassMatters(scheme)
                    ? members.stream().filter(m -> bypass(m).equals(bypass)).toList()
                    : members;
            Side heavy = heaviest(alike);
            Side light = lightest(alike);
            return memory.shared()
                    .computeIfAbsent(
                            drawing(same.first(), same.last(), heavy.draws, light.draws, bypass),
                            k -> atTheEnds(heavy, light, bypass));
        }

        private Optional<Case> atTheEnds(Side heavy, Side light, Optional<Watts> bypass) {
            Case most = draw(heavy.planner(), same.first(), bypass);
            if (most.applies() && !ModuleMatch.isByRules(scheme)) {
                // In a canopy the proof looks at the ratings, which are not alike.
                return Optional.empty();
            }
            boolean settled = most.applies()
                    ? most.isSound() && !bypassMatters(scheme)
                    : most.codes().stream().noneMatch(EquivalenceClass::dependsOnLoad);
            ModuleModel modest = same.last();
            boolean oneOnly = heavy.draws.equals(light.draws) && modest == same.first();
            if (settled || oneOnly) {
                return Optional.of(most);
            }
            Case least = draw(light.planner(), modest, bypass);
            return most.applies() == least.applies() && most.codes().equals(least.codes())
                    ? Optional.of(most)
                    : Optional.empty();
        }

        /** The bypass is that of the members: of merged loads it may be another. */
        private Case draw(Planner planner, ModuleModel model, Optional<Watts> bypass) {
            ModuleMatch match = new ModuleMatch(planner, memory.terms());
            Assignment assignment =
                    match.assign(scheme, gangs, loads, model, companion).with(bypass);
            ModuleMatch.Drawn drawn = match.draw(assignment);
            EnumSet<FindingCode> codes = FindingCode.of(drawn.findings());
            WiringPlan plan = drawn.plan();
            if (plan.planned().isEmpty()) {
                return new Case(scheme, companion, assignment, false, codes, List.of(), List.of(), 0, 0, false);
            }
            List<ConnectedBoxes.Place> places = planner.run().boxes();
            List<Fit> fitted = plan.planned().get().fitted().stream()
                    .map(fit -> new Fit(
                            places.indexOf(fit.place()),
                            fit.model().equals(model),
                            plan.planned().get().at(fit.place()).connectors(),
                            (int) fit.inputs().stream()
                                    .filter(input -> input.target().isPresent())
                                    .count()))
                    .toList();
            List<Integer> opened =
                    plan.placesOfWork().stream().map(places::indexOf).toList();
            int exchanged = PartsToAdd.mechanisms(plan);
            return new Case(
                    scheme,
                    companion,
                    assignment,
                    true,
                    codes,
                    fitted,
                    opened,
                    SchemeChooser.minutes(fitted.size(), opened.size(), exchanged),
                    exchanged,
                    !AtTheWall.switchesWork(planner, plan, assignment));
        }

        private Optional<Watts> bypass(Member member) {
            return !bypassMatters(scheme) || gangs.isEmpty()
                    ? Optional.empty()
                    : bypasses.computeIfAbsent(
                            member, m -> MinimumLoad.bypassFor(same.first(), loadsOf(m, gangs, List.of())));
        }
    }

    private static boolean bypassMatters(SchemeCode scheme) {
        return scheme.has(SchemeCode.Trait.THROUGH_ITS_LOAD);
    }

    private static boolean dependsOnLoad(FindingCode code) {
        return code == FindingCode.CIRCUIT_OVERLOAD || code == FindingCode.CONDUCTOR_OVERLOAD;
    }

    private Side heaviest(List<Member> alike) {
        return side(alike, HEAVIER);
    }

    private Side lightest(List<Member> alike) {
        return alike.size() == 1 ? heaviest(alike) : side(alike, LIGHTER);
    }

    /** Loads are merged bank by bank over all that are alike. */
    private Side side(List<Member> alike, BinaryOperator<LoadBank> merge) {
        String key = (merge == HEAVIER ? "heavy " : "light ")
                + (alike.size() == members.size()
                        ? "all"
                        : alike.stream().map(Member::lead).toList());
        return sides.computeIfAbsent(key, k -> {
            Map<String, Box> boxes = new LinkedHashMap<>();
            List<String> ids = alike.get(0).boxes();
            for (int i = 0; i < ids.size(); i++) {
                int index = i;
                boxes.put(
                        ids.get(i),
                        merged(
                                alike.stream()
                                        .map(m -> survey.boxes().get(m.boxes().get(index)))
                                        .toList(),
                                merge));
            }
            return new Side(boxes);
        });
    }

    private static Box merged(List<Box> twins, BinaryOperator<LoadBank> merge) {
        Box first = twins.get(0);
        List<SurveyedLoad> loads = new ArrayList<>();
        for (int l = 0; l < first.loads().size(); l++) {
            SurveyedLoad load = first.loads().get(l);
            List<LoadBank> banks = new ArrayList<>();
            for (int b = 0; b < load.banks().size(); b++) {
                LoadBank bank = load.banks().get(b);
                for (Box twin : twins) {
                    bank = merge.apply(bank, twin.loads().get(l).banks().get(b));
                }
                banks.add(bank);
            }
            loads.add(new SurveyedLoad(
                    load.number(), load.name(), load.typed(), banks, load.gang(), load.continuous(), load.drive()));
        }
        return new Box(
                first.label(),
                first.kind(),
                first.geometry(),
                first.gangs(),
                loads,
                first.cables(),
                first.jumpers(),
                first.modules());
    }
}
