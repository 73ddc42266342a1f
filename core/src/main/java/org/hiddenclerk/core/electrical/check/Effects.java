package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.BLINK_NOT_SEEN;
import static org.hiddenclerk.core.finding.FindingCode.GHOST_GLOW;
import static org.hiddenclerk.core.finding.FindingCode.INPUT_STUCK;
import static org.hiddenclerk.core.finding.FindingCode.LOAD_ALWAYS_ON;
import static org.hiddenclerk.core.finding.FindingCode.LOAD_NEVER_ON;
import static org.hiddenclerk.core.finding.FindingCode.MODULE_CUT_BY_SWITCH;
import static org.hiddenclerk.core.finding.FindingCode.MODULE_UNPOWERED;
import static org.hiddenclerk.core.finding.FindingCode.SWITCH_WITHOUT_EFFECT;

import java.util.List;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** What the whole table of a region says about loads, modules, inputs and mechanisms. */
public final class Effects {
    /** From this share of its nominal volts on, a lamp with electronics may show something; common practice, no source. */
    private static final double GLOW_SHARE = 0.03;

    private final RegionTable table;
    private final Region region;
    private final FindingLog log;

    private Effects(RegionTable table, FindingLog log) {
        this.table = table;
        this.region = table.region();
        this.log = log;
    }

    public static void check(RegionTable table, FindingLog log) {
        Effects effects = new Effects(table, log);
        if (effects.usableRows() == 0) {
            return;
        }
        effects.loads();
        effects.modules();
        effects.blinks();
        effects.glow();
        effects.inputs();
        effects.mechanisms();
    }

    private int usableRows() {
        int usable = 0;
        for (int row = 0; row < region.rowCount(); row++) {
            usable += table.isUsable(row) ? 1 : 0;
        }
        return usable;
    }

    private void loads() {
        for (int r = 0; r < region.resistors().length; r++) {
            if (region.resistors()[r].part() instanceof Part.Load load) {
                int on = 0;
                int usable = 0;
                for (int row = 0; row < region.rowCount(); row++) {
                    if (table.isUsable(row)) {
                        usable++;
                        on += table.loadState(row, r).isLit() ? 1 : 0;
                    }
                }
                if (on == 0) {
                    log.addOverall(
                            LOAD_NEVER_ON,
                            load.subject(),
                            Sentence.of("{0} is on in none of {1}.", region.called(load), states(usable)),
                            Remedy.rewire("bring the switched live and its neutral to it"));
                } else if (on == usable && isIntended(load)) {
                    log.addOverall(
                            LOAD_ALWAYS_ON,
                            load.subject(),
                            Sentence.of("{0} is on in all of {1}.", region.called(load), states(usable)),
                            Remedy.rewire("take it off the permanent live"));
                }
            }
        }
    }

    private boolean isIntended(Part.Load load) {
        return region.wiring().intents().stream()
                .anyMatch(intent -> intent.load().equals(load.id()));
    }

    private void modules() {
        for (int d = 0; d < region.devices().length; d++) {
            Region.Device device = region.devices()[d];
            int idle = 0;
            int powered = 0;
            int firstCut = -1;
            for (int row = 0; row < region.rowCount(); row++) {
                if (table.isUsable(row) && (row & device.ownChannels()) == 0) {
                    idle++;
                    if (table.isPowered(row, d)) {
                        powered++;
                    } else {
                        firstCut = firstCut < 0 ? row : firstCut;
                    }
                }
            }
            Part part = device.part();
            if (idle > 0 && powered == 0) {
                log.addOverall(
                        MODULE_UNPOWERED,
                        part.subject(),
                        Sentence.of(
                                "{0} gets its supply in none of {1}"
                                        + (device.isSender() ? "." : " with its contacts open."),
                                region.called(part),
                                states(idle)),
                        Remedy.rewire("feed it from the permanent live"));
            } else if (powered < idle && !device.isSender()) {
                int off = idle - powered;
                log.add(
                        MODULE_CUT_BY_SWITCH,
                        part.subject(),
                        firstCut,
                        () -> Sentence.of(
                                "{0} is without supply in {1}: off at the wall means unreachable.",
                                region.called(part), states(off)),
                        Remedy.rewire("keep its feed permanent"));
            }
        }
    }

    /** A module that counts breaks of its supply, and no flip that makes one. */
    private void blinks() {
        for (int d = 0; d < region.devices().length; d++) {
            if (listensForBlinks(region.devices()[d]) && !isBlinkedBySomeFlip(d)) {
                Part part = region.devices()[d].part();
                log.addOverall(
                        BLINK_NOT_SEEN,
                        part.subject(),
                        Sentence.of(
                                "{0} counts breaks of its supply, and no flip of a switch makes one.",
                                region.called(part)),
                        Remedy.rewire("feed it through a change-over switch with linked throws"));
            }
        }
    }

    private boolean isBlinkedBySomeFlip(int device) {
        RowSolver solver = new RowSolver(region);
        for (int e = 0; e < region.elements().length; e++) {
            Region.Element element = region.elements()[e];
            if (element.isSwitch() && element.mechanism().breaksBeforeMaking()) {
                for (int[] pair : table.usablePairs(e)) {
                    if (isBlink(table, solver, pair[0], pair[1], e, device)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** A lamp with electronics that is off and still has a few volts across it. */
    private static String states(int count) {
        return count == 1 ? "1 state" : count + " states";
    }

    private void glow() {
        for (int r = 0; r < region.resistors().length; r++) {
            Region.Resistor resistor = region.resistors()[r];
            if (resistor.part() instanceof Part.Load load && load.kind().isElectronicLamp()) {
                for (int row = 0; row < region.rowCount(); row++) {
                    if (table.isUsable(row)) {
                        glow(row, r, load);
                    }
                }
            }
        }
    }

    private void glow(int row, int resistor, Part.Load load) {
        double volts = table.volts(row, resistor);
        double share = volts / region.resistors()[resistor].nominalVolts();
        if (share >= GLOW_SHARE && table.loadState(row, resistor) == LoadState.OFF) {
            log.add(
                    GHOST_GLOW,
                    load.subject(),
                    row,
                    share,
                    () -> Sentence.of(
                                    "{0} is off with {found} across it, from what the module draws through it; it may glow or flicker.",
                                    region.called(load))
                            .found(volts, 1, "V"),
                    isBypassed(resistor)
                            ? new Remedy(
                                    Remedy.Kind.FIND_OUT,
                                    "try this very lamp at the bench: a bypass is across it already")
                            : new Remedy(Remedy.Kind.ADD_BYPASS, "a bypass at the lamp takes it away"));
        }
    }

    /** Whether a bypass is across a load: advising one beside it would contradict the plan. */
    private boolean isBypassed(int load) {
        Region.Resistor across = region.resistors()[load];
        return java.util.Arrays.stream(region.resistors())
                .anyMatch(other -> other.kind() == Region.ResistorKind.BYPASS
                        && (other.a() == across.a() && other.b() == across.b()
                                || other.a() == across.b() && other.b() == across.a()));
    }

    private void inputs() {
        for (int i = 0; i < region.inputPins().length; i++) {
            Region.InputPin input = region.inputPins()[i];
            Part owner = region.devices()[input.device()].part();
            boolean shared =
                    region.isShared(input.pin(), owner) || input.other() >= 0 && region.isShared(input.other(), owner);
            if (!shared) {
                continue;
            }
            int powered = 0;
            int active = 0;
            for (int row = 0; row < region.rowCount(); row++) {
                if (table.isUsable(row) && table.isPowered(row, input.device())) {
                    powered++;
                    active += table.isActive(row, i) ? 1 : 0;
                }
            }
            if (powered > 0 && (active == 0 || active == powered)) {
                String how = active == 0 ? "never asserted" : "always asserted";
                log.addOverall(
                        INPUT_STUCK,
                        region.subjectOf(input),
                        Sentence.of("Input {0} is " + how + " in {1} powered states.", region.called(input), powered),
                        Remedy.rewire("bring the switch to the input and its reference"));
            }
        }
    }

    private void mechanisms() {
        for (int e = 0; e < region.elements().length; e++) {
            if (region.elements()[e].isSwitch()) {
                List<int[]> pairs = table.usablePairs(e);
                boolean acts = pairs.isEmpty() || blinks(e, pairs);
                for (int[] pair : pairs) {
                    acts |= differs(pair[0], pair[1]);
                }
                if (!acts) {
                    log.addOverall(
                            SWITCH_WITHOUT_EFFECT,
                            Region.subjectOf(region.elements()[e]),
                            Sentence.of(
                                    "Operating {0} changes no load, no supply and no input.",
                                    region.called(region.elements()[e])),
                            Remedy.rewire("bring it into the circuit, or take it out"));
                }
            }
        }
    }

    private boolean differs(int a, int b) {
        for (int r = 0; r < region.resistors().length; r++) {
            if (region.resistors()[r].kind() == Region.ResistorKind.LOAD
                    && table.loadState(a, r) != table.loadState(b, r)) {
                return true;
            }
        }
        for (int d = 0; d < region.devices().length; d++) {
            if (table.isPowered(a, d) != table.isPowered(b, d)) {
                return true;
            }
        }
        for (int i = 0; i < region.inputPins().length; i++) {
            if (table.isActive(a, i) != table.isActive(b, i)) {
                return true;
            }
        }
        return false;
    }

    /** Whether moving the mechanism is seen as a blink of some module's supply that the module listens for. */
    private boolean blinks(int element, List<int[]> pairs) {
        if (!region.elements()[element].mechanism().breaksBeforeMaking()) {
            return false;
        }
        RowSolver solver = new RowSolver(region);
        for (int[] pair : pairs) {
            for (int d = 0; d < region.devices().length; d++) {
                if (listensForBlinks(region.devices()[d]) && isBlink(table, solver, pair[0], pair[1], element, d)) {
                    return true;
                }
            }
        }
        return false;
    }

    public static boolean listensForBlinks(Region.Device device) {
        return device.inputs().stream().anyMatch(input -> !input.behaviour().hasContact());
    }

    /** Powered before and after, and without power while the mechanism is between its positions. */
    public static boolean isBlink(RegionTable table, RowSolver solver, int before, int after, int element, int device) {
        if (!table.isPowered(before, device) || !table.isPowered(after, device)) {
            return false;
        }
        solver.solve(before, element);
        return !solver.isShorted() && !RegionTable.isSupplied(table.region().devices()[device], solver);
    }
}
