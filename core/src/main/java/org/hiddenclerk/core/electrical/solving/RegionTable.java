package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * Everything later checks need of every row of a region, in flat arrays: whether the row is shorted or can't happen,
 * volts across each resistance, where its two pins stand, which modules are powered and which inputs asserted.
 */
public final class RegionTable {
    private static final int A_LIVE = 1;
    private static final int A_NEUTRAL = 2;
    private static final int B_LIVE = 4;
    private static final int B_NEUTRAL = 8;

    private final Region region;
    private final BitSet shorted = new BitSet();
    private final BitSet excluded = new BitSet();
    private final Map<Integer, List<List<String>>> shorts = new HashMap<>();
    private final float[] volts;
    private final byte[] places;
    private final BitSet powered = new BitSet();
    private final BitSet joined = new BitSet();

    private RegionTable(Region region) {
        this.region = region;
        int cells = region.rowCount() * region.resistors().length;
        volts = new float[cells];
        places = new byte[cells];
    }

    /** Solves every row and shows each to the checks that look at single rows. */
    public static RegionTable of(Region region, List<RowCheck> checks) {
        RegionTable table = new RegionTable(region);
        RowSolver solver = new RowSolver(region);
        for (int row = 0; row < region.rowCount(); row++) {
            if (region.isExcluded(row)) {
                table.excluded.set(row);
                continue;
            }
            solver.solve(row);
            table.store(row, solver);
            for (RowCheck check : checks) {
                check.look(row, solver);
            }
        }
        table.judgeTwoWireModules();
        return table;
    }

    private void store(int row, RowSolver solver) {
        if (solver.isShorted()) {
            shorted.set(row);
            shorts.put(row, Shorts.of(region, solver));
            return;
        }
        Region.Resistor[] resistors = region.resistors();
        for (int r = 0; r < resistors.length; r++) {
            Region.Resistor resistor = resistors[r];
            volts[row * resistors.length + r] = (float) solver.volts(resistor.a(), resistor.b());
            places[row * resistors.length + r] = (byte) ((solver.isOnLive(resistor.a()) ? A_LIVE : 0)
                    | (solver.isOn(resistor.a(), Line.N) ? A_NEUTRAL : 0)
                    | (solver.isOnLive(resistor.b()) ? B_LIVE : 0)
                    | (solver.isOn(resistor.b(), Line.N) ? B_NEUTRAL : 0));
        }
        Region.Device[] devices = region.devices();
        for (int d = 0; d < devices.length; d++) {
            powered.set(row * devices.length + d, isSupplied(devices[d], solver));
        }
        Region.InputPin[] inputs = region.inputPins();
        for (int i = 0; i < inputs.length; i++) {
            joined.set(row * inputs.length + i, isAsserted(inputs[i], solver));
        }
    }

    public static boolean isSupplied(Region.Device device, RowSolver solver) {
        if (device.isSender()) {
            return solver.isOnLive(device.live());
        }
        ModuleSupply supply = ((Part.FittedModule) device.part()).supply();
        double across = supply instanceof ModuleSupply.DirectCurrent
                ? solver.realVolts(device.live(), device.back())
                : solver.volts(device.live(), device.back());
        boolean enough = across >= supply.minVolts() - Tolerance.COMPUTED;
        return supply instanceof ModuleSupply.TwoWire ? enough && solver.isOnLive(device.live()) : enough;
    }

    public static boolean isAsserted(Region.InputPin input, RowSolver solver) {
        if (input.other() >= 0) {
            return solver.isJoined(input.pin(), input.other(), false);
        }
        return solver.isJoined(input.pin(), input.activeWith(), input.input().potential() == Input.Potential.MAINS);
    }

    /** A two-wire module lives on what flows while its contacts are open, so closed rows take that row's answer. */
    private void judgeTwoWireModules() {
        Region.Device[] devices = region.devices();
        for (int d = 0; d < devices.length; d++) {
            if (devices[d].part() instanceof Part.FittedModule module
                    && module.supply() instanceof ModuleSupply.TwoWire) {
                for (int row = 0; row < region.rowCount(); row++) {
                    if ((row & devices[d].ownChannels()) != 0 && isUsable(row)) {
                        int open = row & ~devices[d].ownChannels();
                        powered.set(row * devices.length + d, isUsable(open) && isPowered(open, d));
                    }
                }
            }
        }
    }

    public Region region() {
        return region;
    }

    boolean isShorted(int row) {
        return shorted.get(row);
    }

    /** An interlock keeps the row from happening. */
    boolean isExcluded(int row) {
        return excluded.get(row);
    }

    /** The row can happen and has voltages. */
    public boolean isUsable(int row) {
        return !shorted.get(row) && !excluded.get(row);
    }

    public boolean hasShorts() {
        return !shorted.isEmpty();
    }

    List<List<String>> shorts(int row) {
        return shorts.getOrDefault(row, List.of());
    }

    public double volts(int row, int resistor) {
        return volts[row * region.resistors().length + resistor];
    }

    public double amps(int row, int resistor) {
        return volts(row, resistor) / region.resistors()[resistor].ohms();
    }

    public LoadState loadState(int row, int resistor) {
        return LoadState.at(volts(row, resistor), region.resistors()[resistor].nominalVolts());
    }

    public boolean isPowered(int row, int device) {
        return powered.get(row * region.devices().length + device);
    }

    /** Asserted, which takes a powered module. */
    public boolean isActive(int row, int input) {
        return isPowered(row, region.inputPins()[input].device())
                && joined.get(row * region.inputPins().length + input);
    }

    public boolean isOnNeutral(int row, int resistor, boolean pinA) {
        return (place(row, resistor) & (pinA ? A_NEUTRAL : B_NEUTRAL)) != 0;
    }

    public boolean isOnLive(int row, int resistor, boolean pinA) {
        return (place(row, resistor) & (pinA ? A_LIVE : B_LIVE)) != 0;
    }

    private int place(int row, int resistor) {
        return places[row * region.resistors().length + resistor];
    }

    /** Rows that differ from each other in one element only, both usable. */
    public List<int[]> usablePairs(int element) {
        int bit = region.bit(element);
        List<int[]> pairs = new ArrayList<>();
        for (int row = 0; row < region.rowCount(); row++) {
            if ((row & bit) == 0 && isUsable(row) && isUsable(row | bit)) {
                pairs.add(new int[] {row, row | bit});
            }
        }
        return pairs;
    }
}
