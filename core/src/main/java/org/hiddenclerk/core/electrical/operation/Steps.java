package org.hiddenclerk.core.electrical.operation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour.Reaction;
import org.hiddenclerk.core.electrical.check.Effects;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.RowSolver;

/**
 * What one operation by hand or one remote command makes of a state, once relays and inputs have settled.
 *
 * <p>A state holds one row number a region, side by side in one int. The previous state of an input is that of the row
 * it comes from, so nothing else needs to be remembered.
 */
final class Steps {
    /** Rounds after which modules that keep changing each other are taken to have settled nowhere. */
    private static final int SETTLING_ROUNDS = 16;

    private final List<RegionTable> tables;
    private final List<RowSolver> solvers = new ArrayList<>();
    private final int[] shift;

    /** Where an element is: region and index. */
    record Place(int region, int element) {}

    Steps(List<RegionTable> tables) {
        this.tables = tables;
        shift = new int[tables.size()];
        int bits = 0;
        for (int r = 0; r < tables.size(); r++) {
            shift[r] = bits;
            bits += tables.get(r).region().elements().length;
            solvers.add(new RowSolver(tables.get(r).region()));
        }
    }

    int row(int state, int region) {
        return state >>> shift[region] & tables.get(region).region().rowCount() - 1;
    }

    private int withRow(int state, int region, int row) {
        int mask = tables.get(region).region().rowCount() - 1;
        return state & ~(mask << shift[region]) | row << shift[region];
    }

    /** Whether the state can happen, with voltages in every region. */
    boolean isUsable(int state) {
        for (int r = 0; r < tables.size(); r++) {
            if (!tables.get(r).isUsable(row(state, r))) {
                return false;
            }
        }
        return true;
    }

    /** Position of every element by its id. */
    Map<String, Integer> positions(int state) {
        Map<String, Integer> positions = new LinkedHashMap<>();
        for (int r = 0; r < tables.size(); r++) {
            Region region = tables.get(r).region();
            for (int e = 0; e < region.elements().length; e++) {
                positions.put(region.elements()[e].id(), (row(state, r) & region.bit(e)) == 0 ? 0 : 1);
            }
        }
        return positions;
    }

    boolean hasBlinkInputs() {
        return tables.stream()
                .anyMatch(table ->
                        java.util.Arrays.stream(table.region().devices()).anyMatch(Effects::listensForBlinks));
    }

    /** The state after a break of the whole supply that every module lives through: those that count breaks have seen one. */
    int supplyBlink(int state) {
        int next = state;
        for (int r = 0; r < tables.size(); r++) {
            Region.Device[] devices = tables.get(r).region().devices();
            for (int d = 0; d < devices.length; d++) {
                if (Effects.listensForBlinks(devices[d]) && tables.get(r).isPowered(row(state, r), d)) {
                    next = blink(next, devices[d]);
                }
            }
        }
        return settle(state, next);
    }

    /** The state after a hand has operated a mechanism once: a flip, or a press with its release. */
    int operate(int state, int region, int element) {
        int moved = move(state, region, element);
        return tables.get(region).region().elements()[element].mechanism().isPush()
                ? move(moved, region, element)
                : moved;
    }

    private int move(int state, int region, int element) {
        RegionTable table = tables.get(region);
        int before = row(state, region);
        int after = before ^ table.region().bit(element);
        int next = withRow(state, region, after);
        if (table.region().elements()[element].mechanism().breaksBeforeMaking()) {
            for (int d = 0; d < table.region().devices().length; d++) {
                Region.Device device = table.region().devices()[d];
                if (Effects.listensForBlinks(device)
                        && Effects.isBlink(table, solvers.get(region), before, after, element, d)) {
                    next = blink(next, device);
                }
            }
        }
        return settle(state, next);
    }

    private int blink(int state, Region.Device device) {
        int next = state;
        for (Input input : device.inputs()) {
            if (!input.behaviour().hasContact()) {
                Optional<Place> place = commandedBy(input, device.part().id());
                if (place.isPresent()) {
                    next = set(next, place.get(), !isClosed(next, place.get()));
                }
            }
        }
        return next;
    }

    /** Lets unpowered relays fall open and inputs act until nothing changes any more. */
    private int settle(int before, int after) {
        int previous = before;
        int current = after;
        for (int round = 0; round < SETTLING_ROUNDS; round++) {
            int fallen = openUnpowered(current);
            int next = react(previous, fallen);
            previous = fallen;
            if (next == fallen) {
                return fallen;
            }
            current = next;
        }
        return current;
    }

    private int openUnpowered(int state) {
        int current = state;
        boolean changed = true;
        while (changed) {
            changed = false;
            for (int r = 0; r < tables.size(); r++) {
                Region.Device[] devices = tables.get(r).region().devices();
                for (int d = 0; d < devices.length; d++) {
                    int row = row(current, r);
                    if ((row & devices[d].ownChannels()) != 0 && !tables.get(r).isPowered(row, d)) {
                        current = withRow(current, r, row & ~devices[d].ownChannels());
                        changed = true;
                    }
                }
            }
        }
        return current;
    }

    /** Every input whose contact changed while its module was powered acts once. */
    private int react(int before, int after) {
        int next = after;
        for (int r = 0; r < tables.size(); r++) {
            RegionTable table = tables.get(r);
            Region.InputPin[] inputs = table.region().inputPins();
            int rowBefore = row(before, r);
            int rowAfter = row(after, r);
            for (int i = 0; i < inputs.length; i++) {
                int device = inputs[i].device();
                boolean wasActive = table.isActive(rowBefore, i);
                boolean isActive = table.isActive(rowAfter, i);
                if (wasActive != isActive && table.isPowered(rowBefore, device) && table.isPowered(rowAfter, device)) {
                    next = act(next, r, rowAfter, inputs[i], isActive);
                }
            }
        }
        return next;
    }

    private int act(int state, int region, int row, Region.InputPin input, boolean active) {
        PartId owner =
                tables.get(region).region().devices()[input.device()].part().id();
        Reaction reaction = input.input().behaviour().onChange(active);
        if (reaction == Reaction.DIRECTION) {
            return turn(state, region, row, input.device());
        }
        Optional<Place> place = commandedBy(input.input(), owner);
        if (place.isEmpty() || !isPowered(state, place.get())) {
            return state;
        }
        return switch (reaction) {
            case NONE, DIRECTION -> state;
            case TOGGLE -> set(state, place.get(), !isClosed(state, place.get()));
            case SWITCH_ON -> set(state, place.get(), true);
            case SWITCH_OFF -> set(state, place.get(), false);
        };
    }

    /** UP_DOWN: the channel of the one active input closes; with both or none active all open. */
    private int turn(int state, int region, int row, int device) {
        RegionTable table = tables.get(region);
        List<Place> all = new ArrayList<>();
        List<Place> asked = new ArrayList<>();
        Region.InputPin[] inputs = table.region().inputPins();
        for (int i = 0; i < inputs.length; i++) {
            if (inputs[i].device() == device && inputs[i].input().behaviour().movesSomething()) {
                Optional<Place> place = commandedBy(
                        inputs[i].input(),
                        table.region().devices()[device].part().id());
                if (place.isPresent()) {
                    all.add(place.get());
                    if (table.isActive(row, i)) {
                        asked.add(place.get());
                    }
                }
            }
        }
        int next = state;
        for (Place place : all) {
            next = set(next, place, false);
        }
        return asked.size() == 1 ? set(next, asked.get(0), true) : next;
    }

    private Optional<Place> commandedBy(Input input, PartId owner) {
        if (input.channel().isEmpty()) {
            return Optional.empty();
        }
        String id = input.target().orElse(owner) + "/" + input.channel().get();
        for (int r = 0; r < tables.size(); r++) {
            Region.Element[] elements = tables.get(r).region().elements();
            for (int e = 0; e < elements.length; e++) {
                if (!elements[e].isSwitch() && elements[e].id().equals(id)) {
                    return Optional.of(new Place(r, e));
                }
            }
        }
        return Optional.empty();
    }

    private boolean isClosed(int state, Place place) {
        return (row(state, place.region()) & tables.get(place.region()).region().bit(place.element())) != 0;
    }

    boolean isPowered(int state, Place place) {
        RegionTable table = tables.get(place.region());
        Part module = table.region().elements()[place.element()].part();
        for (int d = 0; d < table.region().devices().length; d++) {
            if (table.region().devices()[d].part() == module) {
                return table.isPowered(row(state, place.region()), d);
            }
        }
        throw new IllegalStateException("Impossible state: a channel without a module.");
    }

    /** Closes or opens a channel; an interlock opens the others first. */
    private int set(int state, Place place, boolean closed) {
        Region region = tables.get(place.region()).region();
        Region.Element element = region.elements()[place.element()];
        int row = row(state, place.region());
        if (!closed) {
            return withRow(state, place.region(), row & ~region.bit(place.element()));
        }
        if (((Part.FittedModule) element.part()).interlocked()) {
            for (Region.Device device : region.devices()) {
                row &= device.part() == element.part() ? ~device.ownChannels() : ~0;
            }
        }
        return withRow(state, place.region(), row | region.bit(place.element()));
    }

    /** The state after a remote command that changes the channel; the same state when its module has no power. */
    int command(int state, Place place) {
        return isPowered(state, place) ? settle(state, set(state, place, !isClosed(state, place))) : state;
    }
}
