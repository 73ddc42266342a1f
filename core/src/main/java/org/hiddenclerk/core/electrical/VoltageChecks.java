package org.hiddenclerk.core.electrical;

import static org.hiddenclerk.core.finding.FindingCode.BORROWED_NEUTRAL;
import static org.hiddenclerk.core.finding.FindingCode.BOTH_DIRECTIONS_ON;
import static org.hiddenclerk.core.finding.FindingCode.EARTH_MISSING;
import static org.hiddenclerk.core.finding.FindingCode.LIVE_END_OPEN;
import static org.hiddenclerk.core.finding.FindingCode.LOADS_IN_SERIES;
import static org.hiddenclerk.core.finding.FindingCode.OVER_VOLTAGE;
import static org.hiddenclerk.core.finding.FindingCode.REVERSED_POLARITY;
import static org.hiddenclerk.core.finding.FindingCode.SECOND_FEED;

import java.util.LinkedHashSet;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;

/** What a row without a short shows about volts, poles and the ways that current takes. */
final class VoltageChecks implements RowCheck {
    /** Above this an open end is live, in volts to earth (IEC 61140: 50 V AC). */
    static final double TOUCH_VOLTS = 50;
    /** Below this nothing flows that matters to a neutral, in amperes. */
    static final double TRACE_AMPS = 0.1e-3;

    private final Region region;
    private final FindingLog log;

    VoltageChecks(Region region, FindingLog log) {
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
        earthMissing(row, solver);
        loadsInSeries(row, solver);
        bothDirections(row, solver);
        returnByOwnNeutral(row, solver);
    }

    private void overVoltage(Region.Resistor resistor, int row, RowSolver solver) {
        double volts = solver.volts(resistor.a(), resistor.b());
        if (resistor.part() instanceof Part.FittedModule module) {
            OptionalDouble max = module.supply().maxVolts();
            if (max.isPresent() && volts > max.getAsDouble() * (1 + LoadState.ROUNDING)) {
                tooManyVolts(module.id().value(), volts, max.getAsDouble(), row);
            }
        } else if (LoadState.at(volts, resistor.nominalVolts()) == LoadState.OVER) {
            tooManyVolts(resistor.part().id().value(), volts, resistor.nominalVolts() * LoadState.OVER_SHARE, row);
        }
    }

    private void tooManyVolts(String subject, double found, double allowed, int row) {
        log.add(OVER_VOLTAGE, subject, row, found,
                () -> String.format(java.util.Locale.ROOT, "%s gets %.1f V; at most %.1f V is allowed.", region.called(subject), found,
                        allowed),
                Remedy.rewire("feed it from a supply of its own voltage"));
    }

    private void polarity(Region.Resistor resistor, int row, RowSolver solver) {
        boolean reversed;
        if (resistor.part() instanceof Part.FittedModule module
                && module.supply() instanceof ModuleSupply.DirectCurrent) {
            reversed = solver.isOn(resistor.a(), Line.ELV_MINUS) && solver.isOn(resistor.b(), Line.ELV_PLUS);
        } else if (resistor.part() instanceof Part.Bypass || resistor.part() instanceof Part.FittedModule module2
                && module2.supply() instanceof ModuleSupply.TwoWire) {
            reversed = false;
        } else {
            reversed = solver.isOn(resistor.a(), Line.N) && solver.isOnLive(resistor.b());
        }
        if (reversed) {
            String id = resistor.part().id().value();
            log.add(REVERSED_POLARITY, id, row, () -> "The two supply conductors of " + region.called(id) + " are exchanged.",
                    Remedy.rewire("exchange them"));
        }
    }

    private void inputPotential(Region.InputPin input, int row, RowSolver solver) {
        Region.Device device = region.devices()[input.device()];
        if (input.input().potential() != Input.Potential.MAINS || device.isSender()) {
            return;
        }
        OptionalDouble max = ((Part.FittedModule) device.part()).supply().maxVolts();
        Set<String> own = circuitsFeeding(device, solver);
        for (int pin : new int[] {input.pin(), input.other()}) {
            if (pin < 0) {
                continue;
            }
            double volts = Math.max(solver.volts(pin, device.live()), solver.volts(pin, device.back()));
            if (max.isPresent() && volts > max.getAsDouble() * (1 + LoadState.ROUNDING)) {
                tooManyVolts(device.part().id().value(), volts, max.getAsDouble(), row);
            }
            for (int s = solver.firstSource(pin); s >= 0; s = solver.nextSource(s)) {
                Part.Supply supply = region.sources()[s].supply();
                if (!own.isEmpty() && !own.contains(supply.circuit())) {
                    foreignInput(device.part().id().value(), supply, own, row);
                }
            }
        }
    }

    private void foreignInput(String module, Part.Supply supply, Set<String> own, int row) {
        if (supply.line().isLive() || supply.line() == Line.N) {
            FindingCode code = supply.line().isLive() ? SECOND_FEED : BORROWED_NEUTRAL;
            log.add(code, module, row, () -> "A switch input of " + region.called(module) + " (circuit " + String.join(", ", own)
                            + ") stands on " + supply.line().label() + " of circuit " + supply.circuit() + ".",
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
            log.add(LIVE_END_OPEN, end.conductor().id() + "." + end.end(), row, volts,
                    () -> String.format(java.util.Locale.ROOT,
                            "The %s core of %s ends bare at %s with %.0f V to earth.", end.conductor().core(),
                            end.conductor().cable(), region.nodeId(end.node()), volts),
                    Remedy.rewire("cap it, or connect it"));
        }
    }

    private void earthMissing(int row, RowSolver solver) {
        for (Region.Resistor resistor : region.resistors()) {
            if (resistor.part() instanceof Part.Load load && load.earthRequired()) {
                int pin = region.node(load, "PE");
                if (pin < 0 || !solver.isOn(pin, Line.PE)) {
                    log.add(EARTH_MISSING, load.id().value(), row,
                            () -> region.called(load.id().value()) + " needs earth and has none.", Remedy.rewire("connect its earth"));
                }
            }
        }
    }

    private void loadsInSeries(int row, RowSolver solver) {
        Region.Resistor[] resistors = region.resistors();
        for (int i = 0; i < resistors.length; i++) {
            for (int j = i + 1; j < resistors.length; j++) {
                if (resistors[i].kind() == Region.ResistorKind.LOAD && resistors[j].kind() == Region.ResistorKind.LOAD
                        && inSeries(resistors[i], resistors[j], solver)) {
                    String a = resistors[i].part().id().value();
                    String b = resistors[j].part().id().value();
                    log.add(LOADS_IN_SERIES, a + "+" + b, row,
                            () -> "Current passes through " + region.called(a) + " and then through " + region.called(b) + ".",
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
                if (resistors[i].part() instanceof Part.Load a && resistors[j].part() instanceof Part.Load b
                        && a.motor().isPresent() && a.motor().equals(b.motor())
                        && !a.direction().equals(b.direction())
                        && !isOff(resistors[i], solver) && !isOff(resistors[j], solver)) {
                    log.add(BOTH_DIRECTIONS_ON, a.motor().get(), row,
                            () -> "Motor " + a.motor().get() + " is driven " + a.direction().orElse("one way")
                                    + " and " + b.direction().orElse("the other") + " at the same time.",
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
        Set<String> members = new TreeSet<>();
        int path = paths.find(region.nodeCount() + first);
        for (int r = 0; r < resistors.length; r++) {
            if (carries[r] && paths.find(region.nodeCount() + r) == path) {
                if (r < first) {
                    return;
                }
                members.add(resistors[r].part().id().value());
                collectCircuits(resistors[r].a(), lives, neutrals, solver);
                collectCircuits(resistors[r].b(), lives, neutrals, solver);
            }
        }
        if (!lives.isEmpty() && !neutrals.isEmpty() && !lives.equals(neutrals)) {
            log.add(BORROWED_NEUTRAL, String.join("+", members), row,
                    () -> "Current from circuit " + String.join(", ", lives) + " returns by the neutral of circuit "
                            + String.join(", ", neutrals) + ".",
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
            if (sources[i].supply().line() != Line.PE && sources[0].supply().line() != Line.PE
                    && !sources[i].supply().circuit().equals(sources[0].supply().circuit())) {
                return true;
            }
        }
        return sources.length > 0 && sources[0].supply().line() == Line.PE;
    }
}
