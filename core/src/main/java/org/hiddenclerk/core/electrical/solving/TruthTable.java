package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.stream.IntStream;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.finding.SwitchingState;

/** Every switching state of a wiring, region after region, made row by row as it is read. */
public final class TruthTable implements Iterable<TruthTable.Row> {
    private final List<RegionTable> tables;

    public TruthTable(List<RegionTable> tables) {
        this.tables = tables.stream().filter(TruthTable::isShown).toList();
    }

    private static boolean isShown(RegionTable table) {
        return table.region().hasSomethingToShow() || table.hasShorts();
    }

    /**
     * One switching state of one region.
     *
     * @param loads   empty in a shorted row
     * @param modules modules and senders; empty in a shorted row
     * @param shorts  for each net in which potentials differ, the sorted ids of its supplies
     */
    public record Row(
            SwitchingState state,
            Map<String, LoadReading> loads,
            Map<String, ModuleReading> modules,
            List<List<String>> shorts) {}

    /** Volts across a load, to the tenth, and what it does at them. */
    public record LoadReading(double volts, LoadState state) {}

    /** Whether a module is powered, and which inputs are asserted, by input. */
    public record ModuleReading(boolean powered, Map<String, Boolean> inputs) {}

    /** How many rows the table has. */
    public int size() {
        int rows = 0;
        for (RegionTable table : tables) {
            for (int row = 0; row < table.region().rowCount(); row++) {
                rows += table.isExcluded(row) ? 0 : 1;
            }
        }
        return rows;
    }

    /**
     * The switches that change a load somewhere: some state in which operating the switch alone takes the load from on to
     * off or back.
     */
    public List<PartId> controlsOf(PartId load) {
        return switches((table, element) -> {
            Region.Resistor[] resistors = table.region().resistors();
            return IntStream.range(0, resistors.length)
                    .anyMatch(r -> resistors[r].kind() == Region.ResistorKind.LOAD
                            && resistors[r].part().id().equals(load)
                            && changes(table, element, r));
        });
    }

    /** The switches that a module's input reads: some state in which operating the switch alone changes it while the module is powered. */
    public List<PartId> readBy(PartId module, String input) {
        return switches((table, element) -> {
            Region.InputPin[] pins = table.region().inputPins();
            return IntStream.range(0, pins.length)
                    .anyMatch(i -> table.region()
                                    .devices()[pins[i].device()]
                                    .part()
                                    .id()
                                    .equals(module)
                            && pins[i].input().id().equals(input)
                            && isRead(table, element, i));
        });
    }

    /** The loads that a module's channel switches: some state in which the channel alone takes the load from on to off or back. */
    public List<PartId> loadsOf(PartId module, String channel) {
        List<PartId> loads = new ArrayList<>();
        String id = module + "/" + channel;
        for (RegionTable table : tables) {
            Region region = table.region();
            for (int e = 0; e < region.elements().length; e++) {
                for (int r = 0;
                        r < region.resistors().length
                                && region.elements()[e].id().equals(id);
                        r++) {
                    if (region.resistors()[r].kind() == Region.ResistorKind.LOAD && changes(table, e, r)) {
                        loads.add(region.resistors()[r].part().id());
                    }
                }
            }
        }
        return loads;
    }

    /**
     * The switches that can leave a module or a sender without its supply: some state in which operating the switch
     * alone takes it away.
     */
    public List<PartId> suppliedThrough(PartId module) {
        return switches((table, element) -> {
            Region.Device[] devices = table.region().devices();
            return IntStream.range(0, devices.length)
                    .anyMatch(d -> devices[d].part().id().equals(module) && isSupply(table, element, d));
        });
    }

    /** What operating one switch alone does somewhere in a region. */
    private interface Effect {
        boolean isHad(RegionTable table, int element);
    }

    private List<PartId> switches(Effect effect) {
        List<PartId> switches = new ArrayList<>();
        for (RegionTable table : tables) {
            Region region = table.region();
            for (int e = 0; e < region.elements().length; e++) {
                if (region.elements()[e].isSwitch() && effect.isHad(table, e)) {
                    switches.add(region.elements()[e].part().id());
                }
            }
        }
        return switches;
    }

    private static boolean isSupply(RegionTable table, int element, int device) {
        return table.usablePairs(element).stream()
                .anyMatch(pair -> table.isPowered(pair[0], device) != table.isPowered(pair[1], device));
    }

    private static boolean isRead(RegionTable table, int element, int input) {
        int device = table.region().inputPins()[input].device();
        return table.usablePairs(element).stream()
                .anyMatch(pair -> table.isPowered(pair[0], device)
                        && table.isPowered(pair[1], device)
                        && table.isActive(pair[0], input) != table.isActive(pair[1], input));
    }

    private static boolean changes(RegionTable table, int element, int resistor) {
        for (int[] pair : table.usablePairs(element)) {
            LoadState open = table.loadState(pair[0], resistor);
            LoadState closed = table.loadState(pair[1], resistor);
            if (open.isLit() && closed == LoadState.OFF || closed.isLit() && open == LoadState.OFF) {
                return true;
            }
        }
        return false;
    }

    @Override
    public Iterator<Row> iterator() {
        return new Rows();
    }

    private static Row row(RegionTable table, int row) {
        Map<String, LoadReading> loads = new LinkedHashMap<>();
        Map<String, ModuleReading> modules = new LinkedHashMap<>();
        if (!table.isShorted(row)) {
            Region region = table.region();
            for (int r = 0; r < region.resistors().length; r++) {
                if (region.resistors()[r].kind() == Region.ResistorKind.LOAD) {
                    loads.put(
                            region.resistors()[r].part().id().value(),
                            new LoadReading(Math.round(table.volts(row, r) * 10) / 10.0, table.loadState(row, r)));
                }
            }
            for (int d = 0; d < region.devices().length; d++) {
                Map<String, Boolean> inputs = new LinkedHashMap<>();
                for (int i = 0; i < region.inputPins().length; i++) {
                    if (region.inputPins()[i].device() == d) {
                        inputs.put(region.inputPins()[i].input().id(), table.isActive(row, i));
                    }
                }
                modules.put(
                        region.devices()[d].part().id().value(), new ModuleReading(table.isPowered(row, d), inputs));
            }
        }
        return new Row(table.region().state(row), loads, modules, table.shorts(row));
    }

    private final class Rows implements Iterator<Row> {
        private int region;
        private int next;

        private Rows() {
            skip();
        }

        private void skip() {
            while (region < tables.size()) {
                RegionTable table = tables.get(region);
                while (next < table.region().rowCount() && table.isExcluded(next)) {
                    next++;
                }
                if (next < table.region().rowCount()) {
                    return;
                }
                region++;
                next = 0;
            }
        }

        @Override
        public boolean hasNext() {
            return region < tables.size();
        }

        @Override
        public Row next() {
            if (!hasNext()) {
                throw new NoSuchElementException("The table has no further row.");
            }
            Row row = row(tables.get(region), next++);
            skip();
            return row;
        }
    }
}
