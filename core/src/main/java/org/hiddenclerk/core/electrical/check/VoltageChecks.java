package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.BORROWED_NEUTRAL;
import static org.hiddenclerk.core.finding.FindingCode.BOTH_DIRECTIONS_ON;
import static org.hiddenclerk.core.finding.FindingCode.LIVE_END_OPEN;
import static org.hiddenclerk.core.finding.FindingCode.LOADS_IN_SERIES;
import static org.hiddenclerk.core.finding.FindingCode.OVER_VOLTAGE;
import static org.hiddenclerk.core.finding.FindingCode.REVERSED_POLARITY;
import static org.hiddenclerk.core.finding.FindingCode.SECOND_FEED;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.electrical.solving.Sets;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.quantity.Tolerance;

/** What a row without a short shows about volts, poles and the ways that current takes. */
public final class VoltageChecks implements RowCheck {
    /** Above this an open end is live, in volts to earth (IEC 61140: 50 V AC). */
    public static final double TOUCH_VOLTS = 50;
    /** Below this nothing flows that matters to a neutral, in amperes. */
    static final double TRACE_AMPS = 0.1e-3;

    private final Region region;
    private final FindingLog log;

    public VoltageChecks(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        for (Region.Resistor resistor : region.resistors()) {
            overVoltage(resistor, row, solver);
            polarity(resistor, row, solver);
        }
        for (Region.InputPin input : region.inputPins()) {
            inputPotential(input, row, solver);
        }
        for (Region.OpenEnd end : region.openEnds()) {
            openEnd(end, row, solver);
        }
        loadsInSeries(row, solver);
        bothDirections(row, solver);
        returnByOwnNeutral(row, solver);
    }

    private void overVoltage(Region.Resistor resistor, int row, RowSolver solver) {
        double volts = solver.volts(resistor.a(), resistor.b());
        if (resistor.part() instanceof Part.FittedModule module) {
            double max = mostVolts(module);
            if (volts > max * (1 + Tolerance.COMPUTED)) {
                tooManyVolts(module, volts, max, row);
            }
        } else if (LoadState.at(volts, resistor.nominalVolts()) == LoadState.OVER) {
            tooManyVolts(resistor.part(), volts, resistor.nominalVolts() * LoadState.OVER_SHARE, row);
        }
    }

    /** Where the maker states no highest volts, a module stands what the mains may rise to, and no more. */
    private double mostVolts(Part.FittedModule module) {
        return module.supply().maxVolts().orElse(region.wiring().supply().nominalVolts() * LoadState.OVER_SHARE);
    }

    private void tooManyVolts(Part part, double found, double allowed, int row) {
        log.add(
                OVER_VOLTAGE,
                part.subject(),
                row,
                found,
                () -> Sentence.of("{0} gets {found}; at most {allowed} is allowed.", region.called(part))
                        .found(found, 1, "V")
                        .allowed(allowed, 1, "V"),
                Remedy.rewire("feed it from a supply of its own voltage"));
    }

    private void polarity(Region.Resistor resistor, int row, RowSolver solver) {
        boolean reversed;
        if (resistor.part() instanceof Part.FittedModule module
                && module.supply() instanceof ModuleSupply.DirectCurrent) {
            reversed = isOnWrongPoles(resistor, solver);
        } else if (resistor.part() instanceof Part.Bypass
                || resistor.part() instanceof Part.FittedModule module2
                        && module2.supply() instanceof ModuleSupply.TwoWire) {
            reversed = false;
        } else {
            reversed = solver.isOn(resistor.a(), Line.N) && solver.isOnLive(resistor.b());
            // A load on direct current has its poles as a mains load has.
            reversed |= resistor.part() instanceof Part.Load && isOnWrongPoles(resistor, solver);
        }
        if (reversed) {
            log.add(
                    REVERSED_POLARITY,
                    resistor.part().subject(),
                    row,
                    () -> Sentence.of(
                            "The two supply conductors of {0} are exchanged.", region.called(resistor.part())),
                    Remedy.rewire("exchange them"));
        }
    }

    private static boolean isOnWrongPoles(Region.Resistor resistor, RowSolver solver) {
        return solver.isOn(resistor.a(), Line.ELV_MINUS) && solver.isOn(resistor.b(), Line.ELV_PLUS);
    }

    private void inputPotential(Region.InputPin input, int row, RowSolver solver) {
        Region.Device device = region.devices()[input.device()];
        if (input.input().potential() != Input.Potential.MAINS || device.isSender()) {
            return;
        }
        double max = mostVolts((Part.FittedModule) device.part());
        Set<String> own = circuitsFeeding(device, solver);
        for (int pin : new int[] {input.pin(), input.other()}) {
            if (pin < 0) {
                continue;
            }
            double volts = Math.max(solver.volts(pin, device.live()), solver.volts(pin, device.back()));
            if (volts > max * (1 + Tolerance.COMPUTED)) {
                tooManyVolts(device.part(), volts, max, row);
            }
            for (int s = solver.firstSource(pin); s >= 0; s = solver.nextSource(s)) {
                Part.Supply supply = region.sources()[s].supply();
                if (!own.isEmpty() && !own.contains(supply.circuit())) {
                    foreignInput(device.part(), supply, own, row);
                }
            }
        }
    }

    private void foreignInput(Part module, Part.Supply supply, Set<String> own, int row) {
        if (supply.line().isLive() || supply.line() == Line.N) {
            FindingCode code = supply.line().isLive() ? SECOND_FEED : BORROWED_NEUTRAL;
            log.add(
                    code,
                    module.subject(),
                    row,
                    () -> Sentence.of(
                            "A switch input of {0} (circuit {1}) stands on {2} of circuit {3}.",
                            region.called(module),
                            String.join(", ", own),
                            supply.line().label(),
                            supply.circuit()),
                    Remedy.rewire("take the input's reference from the module's own circuit"));
        }
    }

    /** Circuits of the lives on the module's supply pins, or of anything there when no live is. */
    private Set<String> circuitsFeeding(Region.Device device, RowSolver solver) {
        Set<String> lives = new LinkedHashSet<>();
        Set<String> others = new LinkedHashSet<>();
        for (int pin : new int[] {device.live(), device.back()}) {
            for (int s = solver.firstSource(pin); s >= 0; s = solver.nextSource(s)) {
                Part.Supply supply = region.sources()[s].supply();
                if (supply.line() != Line.PE) {
                    (supply.line().isLive() ? lives : others).add(supply.circuit());
                }
            }
        }
        return lives.isEmpty() ? others : lives;
    }

    private void openEnd(Region.OpenEnd end, int row, RowSolver solver) {
        double volts = solver.voltsToEarth(end.node());
        if (volts > TOUCH_VOLTS) {
            log.add(
                    LIVE_END_OPEN,
                    new Subject.CoreEnd(end.conductor().id().value(), end.end()),
                    row,
                    volts,
                    () -> Sentence.of(
                                    "The {0} core of {1} ends bare with {found} to earth.",
                                    end.conductor().core(), end.conductor().cable())
                            .found(volts, 0, "V")
                            .allowed(TOUCH_VOLTS, 0, "V"),
                    Remedy.rewire("cap it, or connect it"));
        }
    }

    private void loadsInSeries(int row, RowSolver solver) {
        Region.Resistor[] resistors = region.resistors();
        for (int i = 0; i < resistors.length; i++) {
            for (int j = i + 1; j < resistors.length; j++) {
                if (resistors[i].kind() == Region.ResistorKind.LOAD
                        && resistors[j].kind() == Region.ResistorKind.LOAD
                        && inSeries(resistors[i], resistors[j], solver)) {
                    Part a = resistors[i].part();
                    Part b = resistors[j].part();
                    log.add(
                            LOADS_IN_SERIES,
                            new Subject.Together(a.subject(), b.subject()),
                            row,
                            () -> Sentence.of(
                                    "Current passes through {0} and then through {1}.",
                                    region.called(a), region.called(b)),
                            Remedy.rewire("give each load its own way back"));
                }
            }
        }
    }

    private static boolean inSeries(Region.Resistor first, Region.Resistor second, RowSolver solver) {
        if (solver.volts(first.a(), first.b()) / first.ohms() <= TRACE_AMPS
                || solver.volts(second.a(), second.b()) / second.ohms() <= TRACE_AMPS) {
            return false;
        }
        for (int pinA : new int[] {first.a(), first.b()}) {
            for (int pinB : new int[] {second.a(), second.b()}) {
                if (solver.net(pinA) == solver.net(pinB) && solver.firstSource(pinA) < 0) {
                    int otherA = pinA == first.a() ? first.b() : first.a();
                    int otherB = pinB == second.a() ? second.b() : second.a();
                    if (solver.alignment(pinA, otherA, otherB) < 0) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private void bothDirections(int row, RowSolver solver) {
        Region.Resistor[] resistors = region.resistors();
        for (int i = 0; i < resistors.length; i++) {
            for (int j = i + 1; j < resistors.length; j++) {
                if (resistors[i].part() instanceof Part.Load a
                        && resistors[j].part() instanceof Part.Load b
                        && a.motor().isPresent()
                        && a.motor().equals(b.motor())
                        && !a.direction().equals(b.direction())
                        && !isOff(resistors[i], solver)
                        && !isOff(resistors[j], solver)) {
                    log.add(
                            BOTH_DIRECTIONS_ON,
                            new Subject.Motor(a.motor().get()),
                            row,
                            () -> Sentence.of(
                                    "Both directions of one motor are driven at the same time: {0} and {1}.",
                                    region.called(a), region.called(b)),
                            new Remedy(Remedy.Kind.OTHER_MODULE, "a module whose channels lock each other out"));
                }
            }
        }
    }

    private static boolean isOff(Region.Resistor resistor, RowSolver solver) {
        return LoadState.at(solver.volts(resistor.a(), resistor.b()), resistor.nominalVolts()) == LoadState.OFF;
    }

    /**
     * Current from a live must return by the neutral of the same circuit. Resistances that carry current and hang
     * together by nets without a supply form one path; the circuits at its ends must agree.
     */
    private void returnByOwnNeutral(int row, RowSolver solver) {
        if (!hasSeveralCircuits()) {
            return;
        }
        Region.Resistor[] resistors = region.resistors();
        Sets paths = new Sets(region.nodeCount() + resistors.length);
        boolean[] carries = new boolean[resistors.length];
        for (int r = 0; r < resistors.length; r++) {
            carries[r] = solver.volts(resistors[r].a(), resistors[r].b()) / resistors[r].ohms() > TRACE_AMPS;
            for (int pin : new int[] {resistors[r].a(), resistors[r].b()}) {
                if (carries[r] && solver.firstSource(pin) < 0) {
                    paths.join(solver.net(pin), region.nodeCount() + r);
                }
            }
        }
        for (int r = 0; r < resistors.length; r++) {
            if (carries[r]) {
                judgePath(r, paths, carries, row, solver);
            }
        }
    }

    private void judgePath(int first, Sets paths, boolean[] carries, int row, RowSolver solver) {
        Region.Resistor[] resistors = region.resistors();
        Set<String> lives = new TreeSet<>();
        Set<String> neutrals = new TreeSet<>();
        List<Subject> members = new ArrayList<>();
        int path = paths.find(region.nodeCount() + first);
        for (int r = 0; r < resistors.length; r++) {
            if (carries[r] && paths.find(region.nodeCount() + r) == path) {
                if (r < first) {
                    return;
                }
                members.add(resistors[r].part().subject());
                collectCircuits(resistors[r].a(), lives, neutrals, solver);
                collectCircuits(resistors[r].b(), lives, neutrals, solver);
            }
        }
        if (!lives.isEmpty() && !neutrals.isEmpty() && !lives.equals(neutrals)) {
            log.add(
                    BORROWED_NEUTRAL,
                    new Subject.Together(members),
                    row,
                    () -> Sentence.of(
                            "Current from circuit {0} returns by the neutral of circuit {1}.",
                            String.join(", ", lives), String.join(", ", neutrals)),
                    Remedy.rewire("use the neutral of the circuit that feeds it"));
        }
    }

    private void collectCircuits(int node, Set<String> lives, Set<String> neutrals, RowSolver solver) {
        for (int s = solver.firstSource(node); s >= 0; s = solver.nextSource(s)) {
            Part.Supply supply = region.sources()[s].supply();
            if (supply.line().isLive()) {
                lives.add(supply.circuit());
            } else if (supply.line() == Line.N) {
                neutrals.add(supply.circuit());
            }
        }
    }

    private boolean hasSeveralCircuits() {
        Region.Source[] sources = region.sources();
        for (int i = 1; i < sources.length; i++) {
            if (sources[i].supply().line() != Line.PE
                    && sources[0].supply().line() != Line.PE
                    && !sources[i].supply().circuit().equals(sources[0].supply().circuit())) {
                return true;
            }
        }
        return sources.length > 0 && sources[0].supply().line() == Line.PE;
    }
}
