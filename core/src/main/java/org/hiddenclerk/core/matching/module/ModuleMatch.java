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
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
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
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.matching.room.Placement;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.quantity.Amps;
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
    /** A bypass as it is carried, in watts. */
    private static final Watts BYPASS = Watts.of(20);
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

    /** Longest break of a flip, and the shortest: a rocker moved by hand; common practice, no source. */
    private static final int LONGEST_FLIP_MS = 100;

    private static final int SHORTEST_FLIP_MS = 20;

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
    private final Map<List<Object>, Optional<Placement>> placements = new ConcurrentHashMap<>();

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
                ? bypassFor(model, gangs.stream().map(this::loadsOf).toList())
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
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        for (RuleGroup group : RuleGroup.values()) {
            add(judged(group, drawn, places), findings, margins);
        }
        findings.sort(Finding.ORDER);
        return new Candidate(assignment, findings, margins, drawn.plan(), places.atLead());
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
            case DIMMING -> Judged.of(dimming(model, box, assignment.gangs(), planner.loadsOf(assignment)));
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
        minimumLoad(assignment, findings);
        blinkTiming(assignment, findings);
        wiring(plan, assignment, isByRules(assignment.scheme()), findings);
        return new Drawn(assignment, plan, findings);
    }

    /** In a canopy the proof alone knows which channel carries what. */
    public static boolean isByRules(SchemeCode scheme) {
        return !scheme.has(SchemeCode.Trait.CHANNELS_BY_PROOF);
    }

    private static void add(Judged judged, List<Finding> findings, List<Margin> margins) {
        findings.addAll(judged.findings());
        margins.addAll(judged.margins());
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

    private Optional<Placement> placed(Box in, BoxGeometry room, RegionProfile region, List<Body> bodies) {
        return placements.computeIfAbsent(
                List.of(
                        room,
                        in.gangs().stream()
                                .map(gang -> List.of(gang.number(), gang.depth()))
                                .toList(),
                        bodies),
                k -> Placement.of(in, room, region, bodies));
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

    /** A place that is dimmed today, and a lamp that a dimmer module must be able to dim. */
    public static List<Finding> dimming(
            ModuleModel model, Box box, List<Integer> gangs, List<List<SurveyedLoad>> loads) {
        List<Finding> findings = new ArrayList<>();
        for (int gang : gangs) {
            if (box.gang(gang).mechanism() == Mechanism.DIMMER && !model.sheet().dims()) {
                findings.add(Finding.of(
                        FindingCode.NOT_DIMMED,
                        new Subject.Gang(box.label(), gang),
                        Sentence.of(
                                "{0} is dimmed today; this module only switches.",
                                box.gang(gang).name()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a dimmer module and a dimmable lamp")));
            }
        }
        if (model.sheet().dims()) {
            loads.stream().flatMap(List::stream).forEach(load -> load.banks().stream()
                    .filter(bank -> !bank.dimmable().orElse(false))
                    .findFirst()
                    .ifPresent(bank ->
                            findings.add(dimmable(bank, load, new Subject.SurveyedLoad(load.name(), load.number())))));
        }
        return findings;
    }

    private static Finding dimmable(LoadBank bank, SurveyedLoad load, Subject subject) {
        return bank.dimmable().isPresent()
                ? Finding.of(
                        FindingCode.NOT_DIMMABLE,
                        subject,
                        Sentence.of(
                                "The {0} of {1} is surveyed as not dimmable.",
                                bank.kind().label(), load.name()),
                        Source.MAKER,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module that switches"))
                : Finding.of(
                        FindingCode.FIGURE_UNKNOWN,
                        subject,
                        Sentence.of(
                                "Whether the {0} of {1} may be dimmed is not surveyed.",
                                bank.kind().label(), load.name()),
                        Source.COMMON_PRACTICE,
                        new Remedy(
                                Remedy.Kind.FIND_OUT,
                                "read it on the lamp, and add \"dimmable\" or \"not dimmable\" to the load"));
    }

    private void blinkTiming(Assignment assignment, List<Finding> findings) {
        if (!assignment.scheme().has(SchemeCode.Trait.BLINKS)) {
            return;
        }
        Optional<BlinkTiming> blink = assignment.model().blink();
        if (blink.isEmpty()) {
            findings.add(Finding.of(
                    FindingCode.BLINK_NOT_SEEN,
                    SELF,
                    Sentence.of(
                            "The maker states no times for breaks of the supply; a flip takes {0} to {1} ms.",
                            SHORTEST_FLIP_MS, LONGEST_FLIP_MS),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.FIND_OUT, "find out minimum and hold-up time")));
        } else if (blink.get().minimumMs() > SHORTEST_FLIP_MS || blink.get().holdUpMs() < LONGEST_FLIP_MS) {
            findings.add(Finding.of(
                    FindingCode.BLINK_NOT_SEEN,
                    SELF,
                    Sentence.of(
                            "It counts breaks of {0} to {1} ms; a flip takes {2} to {3} ms.",
                            blink.get().minimumMs(), blink.get().holdUpMs(), SHORTEST_FLIP_MS, LONGEST_FLIP_MS),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a longer hold-up time")));
        }
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

    /** The bypass that a two-wire module needs so that each of its lamps draws enough; empty when they do. */
    public static Optional<Watts> bypassFor(ModuleModel model, List<List<SurveyedLoad>> loads) {
        if (!(model.supply() instanceof ModuleSupply.TwoWire supply)) {
            return Optional.empty();
        }
        Watts total = smallest(loads);
        Watts bypass = Watts.ZERO;
        while (total.plus(bypass).asDouble() < supply.minimumLoadWatts()) {
            bypass = bypass.plus(BYPASS);
        }
        return bypass.equals(Watts.ZERO) ? Optional.empty() : Optional.of(bypass);
    }

    private static Watts smallest(List<List<SurveyedLoad>> loads) {
        return loads.stream()
                .map(at -> at.stream().map(SurveyedLoad::total).reduce(Watts.ZERO, Watts::plus))
                .min(Watts::compareTo)
                .orElse(Watts.ZERO);
    }

    /** What the contacts carry: those of one module, or of one for each position. */
    private Judged carried(Assignment assignment) {
        List<List<SurveyedLoad>> loads = planner.loadsOf(assignment);
        if (!assignment.isOneForEach()) {
            return loads(assignment.model(), SELF, loads, volts(), house.region(), terms.estimates());
        }
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        for (int i = 0; i < loads.size(); i++) {
            Subject.Module own = new Subject.Module(RunWiring.moduleOf(i + 1).value());
            add(
                    loads(assignment.model(), own, List.of(loads.get(i)), volts(), house.region(), terms.estimates()),
                    findings,
                    margins);
        }
        return new Judged(findings, margins);
    }

    /** What each channel carries, by its contact and by the sum over all, and the first current. */
    private static Judged loads(
            ModuleModel model,
            Subject.Module self,
            List<List<SurveyedLoad>> loads,
            BigDecimal volts,
            RegionProfile region,
            Estimates estimates) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        for (int i = 0; i < Math.min(loads.size(), model.channels().size()); i++) {
            add(channel(model, self, i, loads.get(i), volts, region, estimates), findings, margins);
        }
        add(allChannels(model, self, loads, volts), findings, margins);
        return new Judged(findings, margins);
    }

    /** What one channel carries, by its contact, and the first current. */
    public static Judged channel(
            ModuleModel model,
            Subject.Module self,
            int index,
            List<SurveyedLoad> loads,
            BigDecimal volts,
            RegionProfile region,
            Estimates estimates) {
        Subject.Channel subject =
                new Subject.Channel(self.key(), model.channels().get(index).id());
        Judged carried = ChannelLoad.of(volts, region, model.channels().get(index), loads, subject, estimates);
        List<Finding> findings = new ArrayList<>(carried.findings());
        findings.addAll(Inrush.judge(model, loads, volts, subject));
        return new Judged(findings, carried.margins());
    }

    /** The sum over all channels, where the maker limits it. */
    public static Judged allChannels(
            ModuleModel model, Subject.Module self, List<List<SurveyedLoad>> loads, BigDecimal volts) {
        if (model.totalAmps().isEmpty()) {
            return Judged.NOTHING;
        }
        Amps limit = model.totalAmps().get();
        BigDecimal amps = loads.stream()
                .flatMap(List::stream)
                .flatMap(load -> load.banks().stream())
                .map(bank -> bank.amps(volts))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        Margin total = new Margin("all channels", amps, limit.asDecimal(), "A");
        List<Finding> findings = !total.isOver()
                ? List.of()
                : List.of(Finding.of(
                        FindingCode.CONTACT_OVERLOAD,
                        self,
                        Sentence.of("All channels together carry {found}; {allowed} is allowed.")
                                .found(ChannelLoad.amount(amps, "A"))
                                .allowed(ChannelLoad.amount(limit.asDecimal(), "A")),
                        Source.MAKER,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module with larger contacts")));
        return new Judged(findings, List.of(total));
    }

    /** Volts of the loads: those of an extra-low-voltage circuit where the lead hangs on one only. */
    public BigDecimal volts() {
        List<Circuit> circuits = planner.run().circuitsIn(planner.run().lead()).stream()
                .map(house.circuits()::get)
                .toList();
        boolean elv = !circuits.isEmpty() && circuits.stream().allMatch(Circuit::isElv);
        return (elv ? circuits.get(0).elvVolts().orElseThrow() : house.region().nominalVolts()).asDecimal();
    }

    private void minimumLoad(Assignment assignment, List<Finding> findings) {
        if (!(assignment.model().supply() instanceof ModuleSupply.TwoWire supply)
                || assignment.gangs().isEmpty()
                || supply.minimumLoadWatts() <= 0) {
            return;
        }
        Watts load = smallest(assignment.gangs().stream().map(this::loadsOf).toList());
        Watts carried = load.plus(assignment.bypass().orElse(Watts.ZERO));
        Sentence.Amount needed = ChannelLoad.amount(BigDecimal.valueOf(supply.minimumLoadWatts()), "W");
        Sentence.Amount there = ChannelLoad.amount(load.asDecimal(), "W");
        if (carried.asDouble() < supply.minimumLoadWatts()) {
            findings.add(Finding.of(
                    FindingCode.BELOW_MINIMUM_LOAD,
                    SELF,
                    Sentence.of("{found} of load; this module needs at least {allowed}.")
                            .found(there)
                            .allowed(needed),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.ADD_BYPASS, "add a bypass at the lamp")));
        } else if (assignment.bypass().isPresent()) {
            findings.add(Finding.of(
                    FindingCode.BYPASS_NEEDED,
                    SELF,
                    Sentence.of(
                                    "{found} of load is under {allowed}; a bypass of {0} at the lamp makes up for it.",
                                    assignment.bypass().get())
                            .found(there)
                            .allowed(needed),
                    Source.MAKER));
        }
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
