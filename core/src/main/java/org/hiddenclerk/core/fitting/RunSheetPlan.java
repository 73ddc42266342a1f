package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.hiddenclerk.core.fitting.Step.Reading;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Makes the steps of a box's run sheet from the wiring before and after.
 *
 * <p>The order of proving follows HSE GS38 and HSG85: prove the tester, test dead, prove the tester again. Every core is
 * tested to earth, and every pair of places that hold conductors to each other.
 */
public final class RunSheetPlan {
    /**
     * A dead conductor reads no more than this on a two-pole tester, in volts; common practice, no source. It is far
     * below the 50 V AC of IEC 61140, so a floating conductor that couples does not pass for live.
     */
    static final BigDecimal DEAD_VOLTS = BigDecimal.TEN;
    /** A known source reads within this share of nominal; EN 50160 and its like allow 10 %. */
    private static final BigDecimal SOURCE_LEAST = new BigDecimal("0.85");

    private static final BigDecimal SOURCE_MOST = new BigDecimal("1.15");

    private final HouseContext house;
    private final RunWiring before;
    private final RunWiring after;
    private final List<Place> places;
    private final Set<CircuitId> circuits;
    private final List<Step> steps = new ArrayList<>();
    private final Wiring wiring;

    private RunSheetPlan(HouseContext house, WiringPlan plan) {
        this.house = house;
        before = plan.found();
        after = plan.planned().orElseThrow(() -> new IllegalArgumentException("There is no plan to work by."));
        places = plan.placesOfWork();
        circuits = circuits(plan);
        wiring = plan.wiring();
    }

    public static List<Step> of(HouseContext house, WiringPlan work) {
        RunSheetPlan plan = new RunSheetPlan(house, work);
        plan.isolate();
        plan.open();
        plan.testInsulation();
        plan.wire();
        plan.functionTest();
        plan.isolateAgain();
        plan.close();
        return List.copyOf(plan.steps);
    }

    /** Circuits of every place that is opened. */
    public static Set<CircuitId> circuits(WiringPlan work) {
        Set<CircuitId> circuits = new LinkedHashSet<>();
        work.placesOfWork().forEach(place -> circuits.addAll(work.run().circuitsIn(place)));
        return circuits;
    }

    private void isolate() {
        List<Confirm> known = new ArrayList<>();
        for (CircuitId id : circuits) {
            Circuit circuit = house.circuits().get(id);
            known.add(new Confirm(
                    "circuit-" + circuit.label(),
                    "Circuit " + circuit.label() + ", " + circuit.rating() + ", "
                            + circuit.phase().label() + ": found on the board"));
            if (circuit.alternativelySupplied()) {
                known.add(
                        new Confirm(
                                "alternative-" + circuit.label(),
                                "Circuit " + circuit.label()
                                        + " has another supply (inverter, battery or generator): its isolation point is known"));
            }
        }
        known.add(new Confirm(
                "no-other",
                "No other circuit or supply enters " + (places.size() > 1 ? "any of these boxes" : "this box")));
        steps.add(new Step(
                "identify",
                Phase.ISOLATE,
                places.size() > 1 ? "Identify every circuit in the boxes" : "Identify every circuit in the box",
                "If the breakers are not labelled, the main switch goes off.",
                true,
                known,
                List.of(),
                Effect.NONE));
        steps.add(new Step(
                "switch-off",
                Phase.ISOLATE,
                "Switch off and lock or tag",
                "All circuits of the box, at every isolation point. Nobody else can switch them on.",
                true,
                offConfirms(),
                List.of(),
                Effect.SWITCHED_OFF));
        proveDead("", Phase.ISOLATE, before, "nothing is loosened before this");
    }

    /** Where something is, said only when there is more than one place. */
    private String at(Place place) {
        return places.size() > 1 ? place.label() + ": " : "";
    }

    private List<Confirm> offConfirms() {
        List<Confirm> confirms = new ArrayList<>();
        for (CircuitId id : circuits) {
            Circuit circuit = house.circuits().get(id);
            confirms.add(new Confirm(
                    "off-" + circuit.label(), "Circuit " + circuit.label() + " is off and locked or tagged"));
            if (circuit.alternativelySupplied()) {
                confirms.add(new Confirm(
                        "off-alternative-" + circuit.label(),
                        "The other supply of circuit " + circuit.label() + " is off and locked or tagged"));
            }
        }
        return confirms;
    }

    private void proveDead(String again, Phase phase, RunWiring wiring, String why) {
        BigDecimal nominal = house.region().nominalVolts().asDecimal();
        Reading source = new Reading(
                "source",
                "known source, live to neutral",
                "V",
                nominal.multiply(SOURCE_LEAST),
                nominal.multiply(SOURCE_MOST));
        steps.add(new Step(
                "prove-tester" + again,
                phase,
                "Prove the tester on a known source",
                "A two-pole tester. A non-contact pen alone is no proof.",
                true,
                List.of(),
                List.of(source),
                Effect.NONE));
        steps.add(new Step(
                "test-dead" + again,
                phase,
                "Test dead, every core",
                "Every core to earth and to each other; " + why + ".",
                true,
                List.of(),
                deadReadings(wiring),
                Effect.NONE));
        steps.add(new Step(
                "prove-tester-after" + again,
                phase,
                "Prove the tester again",
                "On the same source. If it does not read, the dead test is void and the box is treated as live.",
                true,
                List.of(),
                List.of(source),
                Effect.PROVED_DEAD));
    }

    private List<Reading> deadReadings(RunWiring wiring) {
        List<Reading> readings = new ArrayList<>();
        places.forEach(place -> deadReadings(place, wiring.at(place), readings));
        return readings;
    }

    private void deadReadings(Place place, BoxWiring wiring, List<Reading> readings) {
        Map<String, Box.CableCore> ends = new LinkedHashMap<>();
        String earth = isEarthed(place) ? " to earth" : " to a known earth, brought there by a lead";
        for (Box.CableCore core : wiring.box().cores()) {
            if (core.core().role() != Role.EARTH) {
                readings.add(dead(place, "earth-" + place.prefix() + core.key(), core.words() + earth));
                End end = wiring.endOf(core);
                boolean alone = end instanceof End.Capped || end instanceof End.Loose;
                ends.putIfAbsent(alone ? core.key() : end.key(), core);
            }
        }
        List<Box.CableCore> distinct = List.copyOf(ends.values());
        for (int i = 0; i < distinct.size(); i++) {
            for (int j = i + 1; j < distinct.size(); j++) {
                readings.add(dead(
                        place,
                        place.prefix() + distinct.get(i).key() + "-"
                                + distinct.get(j).key(),
                        distinct.get(i).words() + " to " + distinct.get(j).words()));
            }
        }
    }

    private Reading dead(Place place, String id, String text) {
        return new Reading(id, at(place) + text, "V", BigDecimal.ZERO, DEAD_VOLTS, box(place));
    }

    private Confirm confirm(Place place, String id, String text) {
        return new Confirm(id, at(place) + text, box(place));
    }

    private String box(Place place) {
        return before.run().boxOf(place);
    }

    private void open() {
        List<Confirm> labels = new ArrayList<>();
        for (Place place : places) {
            for (Box.CableCore core : place.box().cores()) {
                labels.add(confirm(
                        place,
                        "label-" + place.prefix() + core.key(),
                        core.words() + leadsTo(place, core) + ": labelled, was on "
                                + before.at(place).words(before.at(place).endOf(core))));
            }
            labels.add(confirm(
                    place,
                    "photo" + (place.prefix().isEmpty() ? "" : "-" + place.prefix()),
                    "the open box is photographed with its labels"));
        }
        steps.add(new Step(
                "label",
                Phase.OPEN,
                "Label and photograph every core",
                "Note where each one is before anything is disconnected.",
                true,
                labels,
                List.of(),
                Effect.NONE));
    }

    /** Where a core goes: cores of one colour are told apart by both of their ends. */
    private String leadsTo(Place place, Box.CableCore core) {
        return before.run().spans().stream()
                .filter(span -> span.joins(place)
                        && span.at(place).name().equals(core.cable().name()))
                .findFirst()
                .map(span -> " to " + span.farFrom(place).label())
                .orElse("");
    }

    private void wire() {
        int number = 1;
        for (Place place : places) {
            for (Move move : Move.between(before.at(place), after.at(place))) {
                steps.add(new Step(
                        "move-" + number++,
                        Phase.WIRE,
                        at(place) + move.words(),
                        "",
                        false,
                        List.of(new Confirm("done", "Done, strand and screw checked")),
                        List.of(),
                        Effect.NONE,
                        false,
                        box(place)));
            }
        }
        List<Confirm> checks = new ArrayList<>();
        after.fitted()
                .forEach(fitted -> checks.add(confirm(
                        fitted.place(),
                        "module-" + fitted.number(),
                        fitted.inPlace()
                                ? fitted.model().code()
                                        + ", which was here before, is firm in its place, and its label names it"
                                : fitted.model().code() + " is in, and its label names this place")));
        checks.add(new Confirm("pull", "Every terminal is pull-tested"));
        checks.add(new Confirm("copper", "No bare copper shows"));
        places.forEach(place -> checks.add(earths(place)));
        if (places.stream().anyMatch(place -> after.at(place).ends().containsValue(new End.Capped()))) {
            checks.add(new Confirm("caps", "Unused ends are capped at both ends"));
        }
        if (before.boxes().keySet().stream().anyMatch(this::mixesVoltages)) {
            checks.add(new Confirm(
                    "elv", "Mains and extra-low voltage are kept apart, with a barrier or double insulation"));
        }
        steps.add(new Step(
                "check-wiring",
                Phase.WIRE,
                "Check the wiring",
                "Against the terminal table.",
                true,
                checks,
                List.of(),
                Effect.NONE));
        testDeadWiring();
    }

    private boolean isEarthed(Place place) {
        return has(place, Set.of(Role.EARTH));
    }

    private boolean has(Place place, Set<Role> roles) {
        return before.at(place).box().cores().stream()
                .anyMatch(core -> roles.contains(core.core().role()));
    }

    private boolean isMetal(Place place) {
        return place.box().geometry().filter(room -> room.metal()).isPresent();
    }

    /** What is true of earths at a place: where there is none, that is written down, and what follows. */
    private Confirm earths(Place place) {
        if (isEarthed(place)) {
            return confirm(
                    place,
                    "earths" + place.prefix(),
                    "Earths are joined and reach every metal part that has an earth terminal");
        }
        return confirm(
                place,
                "no-earth" + place.prefix(),
                isMetal(place)
                        ? "No earth is here and the box is metal: it is written down, and an earth is to be pulled by a licensed person"
                        : "No earth is here: only insulated parts go in, and it is written down");
    }

    /** Before a module, a bypass or a lamp goes on: then nothing that a test at 500 V could harm hangs between the conductors. */
    private void testInsulation() {
        DeadCircuitTests asked = DeadCircuitTests.of(house.region());
        List<Reading> readings = new ArrayList<>();
        asked.insulationMegohms()
                .ifPresent(least -> places.forEach(place -> between(place)
                        .ifPresent(words -> readings.add(insulation(place, "insulation-", words, least)))));
        if (!readings.isEmpty()) {
            steps.add(new Step(
                    "insulation",
                    Phase.OPEN,
                    "Test the insulation before anything is connected",
                    "At 500 V DC. What has electronics is taken off"
                            + " or bridged: where it can't be, at 250 V, or leave it out with the reason. "
                            + inPlace()
                            + asked.words(),
                    true,
                    List.of(),
                    readings,
                    Effect.NONE,
                    true,
                    ""));
        }
    }

    /** Modules that hang between the conductors before the work, by name; empty where there are none. */
    private String inPlace() {
        List<String> there = places.stream()
                .flatMap(place -> place.box().modules().stream().map(module -> module.name() + " in " + place.label()))
                .toList();
        return there.isEmpty()
                ? ""
                : "Such is " + String.join(" and ", there) + ", which was there before: 500 V may destroy it. ";
    }

    /** Between which conductors of a place insulation can be measured; empty where nothing of mains is there, or one conductor only. */
    private Optional<String> between(Place place) {
        Set<Role> lives = Set.of(Role.PERMANENT_LIVE, Role.SWITCHED_LIVE, Role.TRAVELLER);
        boolean mains = before.run().circuitsIn(place).stream()
                .anyMatch(id -> !house.circuits().get(id).isElv());
        if (!mains || !has(place, lives)) {
            return Optional.empty();
        }
        if (isEarthed(place)) {
            return Optional.of(
                    has(place, Set.of(Role.NEUTRAL))
                            ? "live and neutral joined, to earth"
                            : "all lives joined, to earth");
        }
        if (has(place, Set.of(Role.NEUTRAL))) {
            return Optional.of("live to neutral, lamps out and nothing plugged in");
        }
        return before.at(place).box().cores().stream()
                                .filter(core -> lives.contains(core.core().role()))
                                .count()
                        > 1
                ? Optional.of("one live to the other, the switch open and the lamp out")
                : Optional.empty();
    }

    private boolean mixesVoltages(Place place) {
        return places.contains(place)
                && before.run().circuitsIn(place).stream()
                                .map(id -> house.circuits().get(id).isElv())
                                .distinct()
                                .count()
                        > 1;
    }

    /** Tests of the new wiring while it is dead: what is there to be measured. */
    private void testDeadWiring() {
        DeadCircuitTests asked = DeadCircuitTests.of(house.region());
        List<Reading> readings = new ArrayList<>();
        List<Reading> again = new ArrayList<>();
        for (Place place : places) {
            if (isEarthed(place)) {
                readings.add(
                        earth(place, "earth-path-" + place.prefix(), "earth core to the main earth terminal", asked));
                if (isMetal(place)) {
                    readings.add(
                            earth(place, "earth-box-" + place.prefix(), "metal of the box to the earth core", asked));
                }
                place.box().loads().stream()
                        .filter(load -> after.at(place).ends().containsValue(new End.AtLoad(load.number(), "PE")))
                        .forEach(load -> readings.add(earth(
                                place,
                                "earth-load-" + place.prefix() + load.number(),
                                "earth terminal of " + load.name() + " to the earth core",
                                asked)));
                asked.insulationMegohms()
                        .filter(least -> between(place).isPresent())
                        .ifPresent(least -> again.add(insulation(
                                place, "insulation-again-", between(place).orElseThrow(), least)));
            }
        }
        steps.add(new Step(
                "test-wiring",
                Phase.WIRE,
                "Test the wiring while it is dead",
                asked.words(),
                true,
                List.of(new Confirm("polarity", "Polarity: every conductor is on the terminal of the table")),
                readings,
                Effect.NONE));
        if (!again.isEmpty()) {
            steps.add(new Step(
                    "insulation-again",
                    Phase.WIRE,
                    "Test the insulation again",
                    "At 250 V DC, the modules being on (IEC 60364-6, 6.4.3.3, from memory)."
                            + " Where a maker forbids it, leave it out with that reason.",
                    true,
                    List.of(),
                    again,
                    Effect.NONE,
                    true,
                    ""));
        }
    }

    private Reading earth(Place place, String id, String text, DeadCircuitTests asked) {
        return new Reading(id, at(place) + text, "\u03a9", BigDecimal.ZERO, asked.earthOhms(), box(place));
    }

    private Reading insulation(Place place, String id, String between, BigDecimal least) {
        return new Reading(
                id + place.prefix(), at(place) + between, "M\u03a9", least, DeadCircuitTests.MOST_MEGOHMS, box(place));
    }

    private void functionTest() {
        steps.add(new Step(
                "energise-open",
                Phase.FUNCTION,
                "Re-energise for the function test",
                "Covers clear of hands, nobody touches the box while it is on.",
                true,
                List.of(new Confirm("clear", "Hands and tools are clear, the lock is removed by its owner")),
                List.of(),
                Effect.LIVE_WHILE_OPEN));
        List<Confirm> functions = new ArrayList<>();
        Set<PartId> byRadio = byRadio();
        for (GangRef gang : switches()) {
            functions.add(
                    byRadio.contains(RunWiring.switchOf(gang))
                            ? new Confirm(
                                    "press-" + key(gang),
                                    gang.words()
                                            + ": what is behind it shows that it was operated; its lamp is tested after joining",
                                    box(gang.place()))
                            : new Confirm(
                                    "hand-" + key(gang),
                                    gang.words() + ": the wall switch changes its lamp",
                                    box(gang.place())));
        }
        for (ConnectedBoxes.LoadRef load : remoteLoads()) {
            functions.add(new Confirm(
                    "remote-" + load.place().owner() + load.number(),
                    load.load().name() + ": the module's button or a command changes it",
                    box(load.place())));
        }
        steps.add(new Step(
                "function-test", Phase.FUNCTION, "Function test", "", true, functions, List.of(), Effect.NONE));
    }

    private void isolateAgain() {
        steps.add(new Step(
                "switch-off-again",
                Phase.ISOLATE_AGAIN,
                "Isolate again",
                "The wires are pushed back only when the box is dead.",
                true,
                offConfirms(),
                List.of(),
                Effect.SWITCHED_OFF));
        proveDead("-2", Phase.ISOLATE_AGAIN, after, "no wire is pushed back before this");
    }

    private void close() {
        List<Confirm> closed = new ArrayList<>();
        places.forEach(place -> PartsToAdd.spacer(before.at(place), after.at(place))
                .ifPresent(mm -> closed.add(new Confirm(
                        "spacer-" + place.label(),
                        place.label() + ": spacer of " + mm + " under the plate",
                        box(place)))));
        after.fitted()
                .forEach(fitted -> closed.add(confirm(
                        fitted.place(),
                        "antenna-" + fitted.number(),
                        "The antenna lead of " + fitted.model().code()
                                + ", where it has one, lies free and whole: away from metal and mains cores, not "
                                + "cut, not under a screw")));
        places.forEach(place -> closed.add(
                new Confirm("closed" + place.prefix(), at(place) + "Closed, plate on, no wire pinched", box(place))));
        steps.add(new Step(
                "close",
                Phase.CLOSE,
                "Push the wires back and close",
                "Module behind or beside the mechanism.",
                true,
                closed,
                List.of(),
                Effect.NONE));
        steps.add(new Step(
                "energise",
                Phase.FINAL,
                "Energise",
                "",
                true,
                List.of(new Confirm("lock", "Locks and tags are removed by their owners")),
                List.of(),
                Effect.LIVE_AND_CLOSED));
        List<Confirm> tests = new ArrayList<>();
        Set<PartId> byRadio = byRadio();
        switches().stream()
                .filter(gang -> !byRadio.contains(RunWiring.switchOf(gang)))
                .forEach(gang -> tests.add(new Confirm(
                        "final-" + key(gang), gang.words() + ": works with the plate on", box(gang.place()))));
        steps.add(new Step("final-tests", Phase.FINAL, "Final tests", "", true, tests, List.of(), Effect.NONE));
    }

    /** Switches that change nothing before modules have joined: what they command is reached by radio. */
    private Set<PartId> byRadio() {
        boolean radio = inputs(wiring).anyMatch(input -> input.target().isPresent());
        if (!radio) {
            return Set.of();
        }
        List<Part> local =
                wiring.parts().stream().map(RunSheetPlan::withoutRadio).toList();
        return WiringCheck.of(new Wiring(wiring.supply(), local, wiring.intents())).findings().stream()
                .filter(f -> f.code() == FindingCode.SWITCH_WITHOUT_EFFECT && f.subject() instanceof Subject.Switch)
                .map(f -> new PartId(f.subject().key()))
                .collect(Collectors.toSet());
    }

    private static Stream<Input> inputs(Wiring wiring) {
        return wiring.parts().stream()
                .flatMap(part -> part instanceof Part.FittedModule module
                        ? module.inputs().stream()
                        : part instanceof Part.Sender sender ? sender.inputs().stream() : Stream.empty());
    }

    private static Part withoutRadio(Part part) {
        if (part instanceof Part.FittedModule module) {
            return new Part.FittedModule(
                    module.id(),
                    module.supply(),
                    module.channels(),
                    local(module.inputs()),
                    module.interlocked(),
                    module.pins());
        }
        return part instanceof Part.Sender sender
                ? new Part.Sender(sender.id(), local(sender.inputs()), sender.pins())
                : part;
    }

    private static List<Input> local(List<Input> inputs) {
        return inputs.stream().filter(input -> input.target().isEmpty()).toList();
    }

    private static String key(GangRef gang) {
        return gang.place().prefix() + gang.number();
    }

    /** Switches of the places that are opened, those taken out excepted. */
    private List<GangRef> switches() {
        return before.run().gangs().stream()
                .filter(gang -> places.contains(gang.place())
                        && after.at(gang.place()).box().gang(gang.number()).mechanism() != Mechanism.FIXED_ON)
                .toList();
    }

    private List<ConnectedBoxes.LoadRef> remoteLoads() {
        return before.run().loads().stream()
                .filter(load -> after.intents().stream()
                        .anyMatch(intent -> intent.remote() && intent.load().equals(RunWiring.loadOf(load, 0))))
                .toList();
    }
}
