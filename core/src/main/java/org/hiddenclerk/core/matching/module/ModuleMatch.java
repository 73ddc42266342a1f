package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.matching.room.Placement;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * Judges modules for gangs of a box: every rule is asked, so that all reasons stand beside the first.
 *
 * <p>A two-wire module that would see less than its minimum load is judged with the bypass it needs.
 */
public final class ModuleMatch {
    /** Codes for which the rules here have the better words; the proof's own are left out. */
    public static final Set<FindingCode> SAID_HERE = Set.of(
            FindingCode.CONTACT_OVERLOAD,
            FindingCode.RATING_UNKNOWN,
            FindingCode.BELOW_MINIMUM_LOAD,
            FindingCode.NEAR_LIMIT);

    static final Comparator<Candidate> RANKING = Comparator.comparing((Candidate c) -> c.verdict())
            .reversed()
            .thenComparing(c -> c.findings().stream()
                    .filter(f -> f.severity() != Severity.NOTE)
                    .count())
            .thenComparing(ModuleMatch::unknown)
            .thenComparing(c -> c.findings().size())
            .thenComparing(c -> c.priceCents().orElse(Integer.MAX_VALUE))
            .thenComparing(c -> c.assignment().model().code());

    /** The module that is judged, by its id in a plan of its own. */
    public static final Subject.Module SELF =
            new Subject.Module(RunWiring.moduleOf(1).value());

    /** How much of a candidate is not known: it never ranks before one of which it is known, and sufficient. */
    private static long unknown(Candidate candidate) {
        ModuleModel model = candidate.assignment().model();
        long found = candidate.findings().stream()
                .filter(f -> f.code() == FindingCode.INRUSH_UNKNOWN
                        || f.code() == FindingCode.FIGURE_UNKNOWN
                        || f.code() == FindingCode.RATING_UNKNOWN
                        || f.code() == FindingCode.ROOM_UNKNOWN)
                .count();
        boolean minimum = model.supply() instanceof ModuleSupply.TwoWire supply && supply.minimumLoadWatts() == 0;
        return found
                + Stream.of(
                                model.body().isEmpty(),
                                model.sheet().temperatures().isEmpty(),
                                model.sheet().firmware().isEmpty(),
                                minimum)
                        .filter(is -> is)
                        .count();
    }

    private final HouseContext house;
    private final Planner planner;
    private final Box box;
    private final Terms terms;
    private final PickedBeside beside;
    /** Where bodies lie in a box is the same for every scheme and for every module of one size. */
    private final Map<Room, Optional<Placement>> placements = new ConcurrentHashMap<>();

    public ModuleMatch(HouseContext house, Box box) {
        this(new Planner(house, ConnectedBoxes.of(box, house.region())), Terms.USUAL);
    }

    /** For the lead box of a run. */
    public ModuleMatch(Planner planner, Terms terms) {
        this(planner, terms, PickedBeside.NOTHING);
    }

    /** For the lead box of a run in which something was picked already. */
    public ModuleMatch(Planner planner, Terms terms, PickedBeside beside) {
        this.planner = planner;
        this.terms = terms;
        this.beside = beside;
        house = planner.house();
        box = planner.run().lead().box();
    }

    /** Every module judged for the gangs, best first. */
    public List<Candidate> rank(List<Integer> gangs, List<ModuleModel> models) {
        return models.stream().map(model -> judge(gangs, model)).sorted(RANKING).toList();
    }

    /** A contactor for each gang and load that no module carries. */
    public List<Finding> contactorAdvice(List<Integer> gangs, List<Integer> loads, List<ModuleModel> models) {
        List<List<SurveyedLoad>> positions =
                new ArrayList<>(gangs.stream().map(this::loadsOf).toList());
        loads.forEach(load -> positions.add(List.of(box.load(load))));
        return positions.stream()
                .flatMap(here -> ContactorAdvice.of(here, models, volts(), house.region(), terms.estimates()).stream())
                .toList();
    }

    /** Judges one module with its usual behaviours, and with a bypass where one is needed. */
    public Candidate judge(List<Integer> gangs, ModuleModel model) {
        return judge(Assignment.usualScheme(model), gangs, List.of(), model, Optional.empty());
    }

    /** Judges a module for a scheme, with its usual behaviours and what goes behind the other switches. */
    public Candidate judge(
            SchemeCode scheme,
            List<Integer> gangs,
            List<Integer> loads,
            ModuleModel model,
            Optional<ModuleModel> companion) {
        int channels = Assignment.most(scheme, model, companion);
        if (gangs.size() + loads.size() > channels) {
            List<Integer> firstGangs = gangs.subList(0, Math.min(channels, gangs.size()));
            List<Integer> firstLoads = loads.subList(0, channels - firstGangs.size());
            return tooFewChannels(gangs.size() + loads.size(), judge(scheme, firstGangs, firstLoads, model, companion));
        }
        return judge(assign(scheme, gangs, loads, model, companion));
    }

    /** An assignment with its usual behaviours and the bypass that it needs; as many channels as positions. */
    public Assignment assign(
            SchemeCode scheme,
            List<Integer> gangs,
            List<Integer> loads,
            ModuleModel model,
            Optional<ModuleModel> companion) {
        Optional<Watts> bypass = scheme.has(SchemeCode.Trait.THROUGH_ITS_LOAD) && !gangs.isEmpty()
                ? MinimumLoad.bypassFor(model, gangs.stream().map(this::loadsOf).toList())
                : Optional.empty();
        return new Assignment(
                scheme,
                model,
                gangs,
                loads,
                usualBehaviours(gangs, Assignment.reader(scheme, model, companion)),
                bypass,
                companion);
    }

    /** Judges an assignment as it stands. */
    public Candidate judge(Assignment assignment) {
        Drawn drawn = draw(assignment);
        Places places = places(drawn.plan(), assignment);
        Judged all = Judged.together(Stream.of(RuleGroup.values())
                .map(group -> judged(group, drawn, places))
                .toList());
        List<Finding> findings = new ArrayList<>(all.findings());
        findings.sort(Finding.ORDER);
        return new Candidate(assignment, findings, all.margins(), drawn.plan(), places.atLead());
    }

    private Judged judged(RuleGroup group, Drawn drawn, Places places) {
        Assignment assignment = drawn.assignment();
        ModuleModel model = assignment.model();
        return switch (group) {
            case WIRING -> Judged.of(drawn.findings());
            case CONTACTS -> isByRules(assignment.scheme()) ? carried(assignment) : Judged.NOTHING;
            case IN_PLACE ->
                assignment.scheme().has(SchemeCode.Trait.IN_PLACE)
                        ? TakingMore.judge(drawn.plan(), volts(), beside)
                        : Judged.NOTHING;
            case PLACES -> places.judged();
            case SUITABILITY -> Judged.of(Suitability.of(model, assignment.scheme(), house.region()));
            case CONDUCTORS -> Judged.of(Suitability.conductors(model, thickest(boxesOf(drawn.plan()))));
            case METAL_BOX -> Judged.of(Suitability.metalBox(model, isMetal(boxesOf(drawn.plan()))));
            case DIMMING -> Judged.of(Dimming.judge(model, box, assignment.gangs(), planner.loadsOf(assignment)));
            case WISHES -> Judged.of(WishCheck.of(terms.wishes(), model, atTheWall(drawn.plan(), assignment)));
        };
    }

    /**
     * The wiring side of a judgement: what depends on how a module is connected and supplied, and not on what its contacts
     * carry, its size or its papers.
     */
    public record Drawn(Assignment assignment, WiringPlan plan, List<Finding> findings) {}

    public Drawn draw(Assignment assignment) {
        List<Finding> findings = new ArrayList<>();
        WiringPlan plan = planner.plan(List.of(assignment));
        findings.addAll(MinimumLoad.judge(
                assignment, assignment.gangs().stream().map(this::loadsOf).toList(), SELF));
        findings.addAll(BlinksSeen.judge(assignment, SELF));
        wiring(plan, assignment, isByRules(assignment.scheme()), findings);
        return new Drawn(assignment, plan, findings);
    }

    /** In a canopy the proof alone knows which channel carries what. */
    public static boolean isByRules(SchemeCode scheme) {
        return !scheme.has(SchemeCode.Trait.CHANNELS_BY_PROOF);
    }

    /** Room and warmth of all places that get a module. @param atLead where modules lie in the lead */
    private record Places(Judged judged, Optional<Placement> atLead) {}

    /** Every place that gets a module must have room for those that go there, and not get too warm. */
    private Places places(WiringPlan plan, Assignment assignment) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        Optional<Placement> atLead = Optional.empty();
        Map<ConnectedBoxes.Place, List<ModuleModel>> byPlace = plan.planned()
                .map(RunWiring::modulesByPlace)
                .orElse(Map.of(planner.run().lead(), List.of(assignment.model())));
        for (var entry : byPlace.entrySet()) {
            ConnectedBoxes.Place place = entry.getKey();
            List<Integer> connectors =
                    plan.planned().map(p -> p.at(place).connectors()).orElse(List.of());
            Box here = plan.planned().map(p -> p.at(place).box()).orElse(place.box());
            List<ModuleModel> all = new ArrayList<>(entry.getValue());
            all.addAll(beside.at(place));
            RoomInBox.Judgement room = RoomInBox.of(here, all, house.region(), connectors, this::placed);
            findings.addAll(room.findings());
            room.margins().forEach(margin -> margins.add(named(margin, place, byPlace.size())));
            atLead = place.equals(planner.run().lead()) ? room.placement() : atLead;
            if (entry.getValue().contains(assignment.model())) {
                Judged heat = BoxHeat.judge(
                        here, assignment.model(), standbyHeat(all) + contactHeat(assignment) + beside.wattsAt(place));
                findings.addAll(heat.findings());
                heat.margins().forEach(margin -> margins.add(named(margin, place, byPlace.size())));
            }
        }
        return new Places(new Judged(findings, margins), atLead);
    }

    /** Of several places each margin says whose it is. */
    private static Margin named(Margin margin, ConnectedBoxes.Place place, int places) {
        return places == 1
                ? margin
                : new Margin(margin.what() + ", " + place.label(), margin.found(), margin.allowed(), margin.unit());
    }

    /** What decides where modules lie in a box. @param mechanisms how deep those of each gang are */
    private record Room(BoxGeometry box, Map<Integer, Millimetres> mechanisms, List<Body> bodies) {}

    private Optional<Placement> placed(Box in, BoxGeometry room, RegionProfile region, List<Body> bodies) {
        Map<Integer, Millimetres> mechanisms = in.gangs().stream().collect(Collectors.toMap(Gang::number, Gang::depth));
        return placements.computeIfAbsent(
                new Room(room, mechanisms, bodies), k -> Placement.of(in, room, region, bodies));
    }

    /** What modules turn into heat with everything off, in watts. */
    public double standbyHeat(List<ModuleModel> models) {
        double nominal = house.region().nominalVolts().asDouble();
        return models.stream()
                .mapToDouble(model -> BoxHeat.standbyHeat(model, nominal))
                .sum();
    }

    /**
     * What the contacts of a module turn into heat when all that it switches is on, in watts; of one for each
     * position, what all of them do.
     */
    public double contactHeat(Assignment assignment) {
        return BoxHeat.contactHeat(planner.loadsOf(assignment), volts());
    }

    private List<Box> boxesOf(WiringPlan plan) {
        return plan.planned()
                .map(p ->
                        p.fitted().stream().map(f -> f.place().box()).distinct().toList())
                .orElse(List.of(box));
    }

    public static BigDecimal thickest(List<Box> boxes) {
        return boxes.stream()
                .flatMap(b -> b.cables().stream())
                .map(cable -> cable.mm2())
                .max(BigDecimal::compareTo)
                .orElse(BigDecimal.ZERO);
    }

    public static boolean isMetal(List<Box> boxes) {
        return boxes.stream()
                .anyMatch(b -> b.geometry().filter(BoxGeometry::metal).isPresent());
    }

    AtTheWall atTheWall(WiringPlan plan, Assignment assignment) {
        if (plan.planned().isEmpty() || terms.wishes().isEmpty()) {
            return new AtTheWall(true, true);
        }
        return new AtTheWall(PartsToAdd.mechanisms(plan) == 0, AtTheWall.switchesWork(planner, plan, assignment));
    }

    private static Candidate tooFewChannels(int positions, Candidate forTheFirst) {
        ModuleModel model = forTheFirst.assignment().model();
        List<Finding> findings = new ArrayList<>(forTheFirst.findings());
        String what = forTheFirst.assignment().loads().isEmpty() ? "gangs" : "loads";
        findings.add(Finding.of(
                FindingCode.TOO_FEW_CHANNELS,
                SELF,
                Sentence.of("{found} {0} need {found} channels; {1} has {allowed}.", what, model.code())
                        .found(positions, 0, "")
                        .allowed(model.channels().size(), 0, ""),
                Source.MAKER,
                new Remedy(Remedy.Kind.OTHER_MODULE, "one module for each gang, or one with more channels")));
        findings.sort(Finding.ORDER);
        List<Margin> margins = new ArrayList<>(forTheFirst.margins());
        margins.add(new Margin(
                "channels",
                BigDecimal.valueOf(positions),
                BigDecimal.valueOf(model.channels().size()),
                ""));
        return new Candidate(forTheFirst.assignment(), findings, margins, forTheFirst.plan(), forTheFirst.placement());
    }

    private Map<Integer, InputBehaviour> usualBehaviours(List<Integer> gangs, ModuleModel model) {
        Map<Integer, InputBehaviour> behaviours = new LinkedHashMap<>();
        for (int gang : gangs) {
            Mechanism mechanism = box.gang(gang).mechanism();
            // What a module has not is wanted nevertheless, and refused by name: a push button that rules by its
            // position is no substitute.
            List<InputBehaviour> suited = mechanism.isPush()
                    ? List.of(InputBehaviour.PRESS_CHANGES, InputBehaviour.SHORT_LONG, InputBehaviour.UP_DOWN)
                    : List.of(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES, InputBehaviour.UP_DOWN);
            behaviours.put(
                    gang,
                    suited.stream()
                            .filter(model.behaviours()::contains)
                            .findFirst()
                            .orElse(suited.get(0)));
        }
        return behaviours;
    }

    /** What the contacts carry: those of one module, or of one for each position. */
    private Judged carried(Assignment assignment) {
        List<List<SurveyedLoad>> loads = planner.loadsOf(assignment);
        if (!assignment.isOneForEach()) {
            return ModuleLoads.all(assignment.model(), SELF, loads, volts(), house.region(), terms.estimates());
        }
        List<Judged> all = new ArrayList<>();
        for (int i = 0; i < loads.size(); i++) {
            Subject.Module own = new Subject.Module(RunWiring.moduleOf(i + 1).value());
            all.add(ModuleLoads.all(
                    assignment.model(), own, List.of(loads.get(i)), volts(), house.region(), terms.estimates()));
        }
        return Judged.together(all);
    }

    /** Volts of the loads: those of an extra-low-voltage circuit where the lead hangs on one only. */
    public BigDecimal volts() {
        List<Circuit> circuits = planner.run().circuitsIn(planner.run().lead()).stream()
                .map(house.circuits()::get)
                .toList();
        boolean elv = !circuits.isEmpty() && circuits.stream().allMatch(Circuit::isElv);
        return (elv ? circuits.get(0).elvVolts().orElseThrow() : house.region().nominalVolts()).asDecimal();
    }

    private void wiring(WiringPlan plan, Assignment assignment, boolean byRules, List<Finding> findings) {
        plan.findings().stream()
                .filter(f -> !byRules || !SAID_HERE.contains(f.code()))
                .forEach(findings::add);
        if (plan.planned().isPresent()) {
            PartsToAdd.connectors(plan)
                    .forEach((size, count) -> findings.add(Finding.of(
                            FindingCode.CONNECTOR_NEEDED,
                            SELF,
                            Sentence.of(
                                            "{found} × {0} in addition: its terminals can't hold them all.",
                                            PartsToAdd.connectorWords(size))
                                    .found(count, 0, ""),
                            Source.COMPUTED)));
            boolean neutralHere =
                    box.cores().stream().anyMatch(core -> core.core().role() == org.hiddenclerk.core.job.Role.NEUTRAL);
            if (neutralHere && assignment.model().supply() instanceof ModuleSupply.TwoWire) {
                findings.add(Finding.of(
                        FindingCode.NEUTRAL_PREFERRED,
                        SELF,
                        "A neutral is in this box: a module that uses it has a better supply and no minimum load.",
                        Source.COMMON_PRACTICE));
            }
        }
    }

    private List<SurveyedLoad> loadsOf(int gang) {
        return planner.loadsOfGang(gang);
    }
}
