package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.DIMMER_IN_SERIES;
import static org.hiddenclerk.core.finding.FindingCode.RELAY_INTO_DIMMER;

import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Subject;

/**
 * A wall dimmer before something that needs whole half-waves: a module's supply, an input, a motor, another dimmer. It stands
 * before what it alone takes from a supply, or whose volts fall below half as it alone opens. A relay contact in the path of
 * a dimmed load is told apart: it switches the dimmer hard.
 */
public final class Dimmers {
    private static final double FALL_SHARE = 0.5;
    private static final double MEANT_VOLTS = 1;
    /** Below this a part takes nothing that a dimmer could cut, in amperes. */
    private static final double TAKEN_AMPS = 1e-3;

    private final RegionTable table;
    private final Region region;
    private final FindingLog log;
    private final RowSolver open;
    private final RowSolver closed;

    private Dimmers(RegionTable table, FindingLog log) {
        this.table = table;
        this.region = table.region();
        this.log = log;
        open = new RowSolver(region);
        closed = new RowSolver(region);
    }

    public static void check(RegionTable table, FindingLog log) {
        Region region = table.region();
        Dimmers dimmers = null;
        for (int e = 0; e < region.elements().length; e++) {
            if (region.elements()[e].isSwitch()
                    && region.elements()[e].mechanism().isRegulator()) {
                dimmers = dimmers == null ? new Dimmers(table, log) : dimmers;
                dimmers.check(e);
            }
        }
    }

    private void check(int dimmer) {
        for (int[] pair : table.usablePairs(dimmer)) {
            open.solve(pair[0]);
            closed.solve(pair[1]);
            supplies(dimmer, pair);
            inputs(dimmer, pair[1]);
            otherDimmers(dimmer, pair[1]);
            relayContacts(dimmer, pair);
        }
    }

    /** A fan-speed regulator is made for a motor; a lamp dimmer is not. */
    private void supplies(int dimmer, int[] pair) {
        boolean forMotors = region.elements()[dimmer].mechanism() == Mechanism.FAN_SPEED;
        for (int r = 0; r < region.resistors().length; r++) {
            Part part = region.resistors()[r].part();
            boolean motor = !forMotors
                    && part instanceof Part.Load load
                    && (load.motor().isPresent() || load.kind().isMotor());
            if ((motor || part instanceof Part.FittedModule)
                    && table.amps(pair[1], r) > TAKEN_AMPS
                    && table.volts(pair[0], r) < FALL_SHARE * table.volts(pair[1], r)) {
                report(dimmer, part.subject(), region.called(part), pair[1]);
            }
        }
        for (int d = 0; d < region.devices().length; d++) {
            Part part = region.devices()[d].part();
            if (region.devices()[d].isSender() && table.isPowered(pair[1], d) && !table.isPowered(pair[0], d)) {
                report(dimmer, part.subject(), region.called(part), pair[1]);
            }
        }
    }

    private void inputs(int dimmer, int row) {
        for (Region.InputPin input : region.inputPins()) {
            if (loses(input.pin()) || input.other() >= 0 && loses(input.other())) {
                report(dimmer, region.subjectOf(input), "input " + region.called(input), row);
            }
        }
    }

    private void otherDimmers(int dimmer, int row) {
        for (int e = 0; e < region.elements().length; e++) {
            Region.Element other = region.elements()[e];
            if (e != dimmer
                    && other.isSwitch()
                    && other.mechanism().isRegulator()
                    && other.mechanism().terminals().stream().anyMatch(pin -> loses(region.node(other.part(), pin)))) {
                report(dimmer, other.part().subject(), "the dimmer " + region.called(other), row);
            }
        }
    }

    private void relayContacts(int dimmer, int[] pair) {
        for (int contact = 0; contact < region.elements().length; contact++) {
            int bit = region.bit(contact);
            boolean isClosed =
                    !region.elements()[contact].isSwitch() && (pair[1] & bit) != 0 && table.isUsable(pair[1] & ~bit);
            for (int r = 0; isClosed && r < region.resistors().length; r++) {
                if (region.resistors()[r].kind() == Region.ResistorKind.LOAD
                        && falls(pair, r)
                        && falls(new int[] {pair[1] & ~bit, pair[1]}, r)) {
                    Region.Element element = region.elements()[contact];
                    String load = region.called(region.resistors()[r].part());
                    log.add(
                            RELAY_INTO_DIMMER,
                            new Subject.Together(
                                    region.elements()[dimmer].part().subject(), Region.subjectOf(element)),
                            pair[1],
                            () -> Sentence.of(
                                    "{0} and the dimmer {1} are in the path of {2}.",
                                    region.called(element), region.called(region.elements()[dimmer]), load),
                            REMEDIES);
                }
            }
        }
    }

    /** Whether a node has a supply while the dimmer is closed and none while it is open. */
    private boolean loses(int node) {
        return node >= 0 && closed.firstSource(node) >= 0 && open.firstSource(node) < 0;
    }

    private boolean falls(int[] openAndClosed, int resistor) {
        double whenClosed = table.volts(openAndClosed[1], resistor);
        return whenClosed > MEANT_VOLTS && table.volts(openAndClosed[0], resistor) < FALL_SHARE * whenClosed;
    }

    private void report(int dimmer, Subject subject, String what, int row) {
        Region.Element element = region.elements()[dimmer];
        log.add(
                DIMMER_IN_SERIES,
                new Subject.Together(element.part().subject(), subject),
                row,
                () -> Sentence.of("{0} is fed through the dimmer {1}.", what, region.called(element)),
                REMEDIES);
    }

    private static final Remedy[] REMEDIES = {
        new Remedy(Remedy.Kind.REWIRE, "take the dimmer out and put a plain switch or push button in"),
        new Remedy(Remedy.Kind.OTHER_MODULE, "a dimmer module in place of both")
    };
}
