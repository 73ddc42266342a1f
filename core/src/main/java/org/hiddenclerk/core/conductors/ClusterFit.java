package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** Lays the sketches of circuits that belong together over the cores that are seen. */
final class ClusterFit {
    private final Board board;
    private final Map<Integer, BoxFit> boxFits = new HashMap<>();

    ClusterFit(Board board) {
        this.board = board;
    }

    /**
     * Every wiring of the circuits that the cores allow.
     *
     * @param lampBoxOf opened lamp place of one of the circuits, by the number of the circuit in the list
     */
    List<Hypothesis> fits(List<Topology> circuits, List<Topology.Wire> jumpers, Map<Integer, Integer> lampBoxOf) {
        List<PlacedWire> wires = new ArrayList<>();
        for (int circuit = 0; circuit < circuits.size(); circuit++) {
            OptionalInt lampBox =
                    lampBoxOf.containsKey(circuit) ? OptionalInt.of(lampBoxOf.get(circuit)) : OptionalInt.empty();
            List<Topology.Wire> own = new ArrayList<>(circuits.get(circuit).wires());
            lampBox.ifPresent(box -> own.addAll(seenAtLamp(own)));
            for (Topology.Wire wire : own) {
                wires.add(PlacedWire.of(wire, circuit, lampBox));
            }
        }
        jumpers.forEach(jumper -> wires.add(PlacedWire.of(jumper, 0, OptionalInt.empty())));
        TreeSet<Integer> boxes = new TreeSet<>();
        circuits.forEach(circuit -> boxes.addAll(circuit.boxes()));
        boxes.addAll(lampBoxOf.values());
        Map<Integer, List<int[]>> ways = new LinkedHashMap<>();
        for (int box : boxes) {
            List<int[]> own = waysOf(box, wires);
            if (own.isEmpty()) {
                return List.of();
            }
            ways.put(box, own);
        }
        List<Hypothesis> fits = new ArrayList<>();
        int[] coreOf = new int[wires.size() * 2];
        Arrays.fill(coreOf, -1);
        combine(new ArrayList<>(boxes), 0, ways, wires, coreOf, circuits, fits);
        return fits;
    }

    /** What arrives at the lamp place from the supply, where one can see it. */
    private static List<Topology.Wire> seenAtLamp(List<Topology.Wire> own) {
        List<Topology.Wire> more = new ArrayList<>();
        if (own.stream().anyMatch(wire -> wire.from().equals(EndRequirement.lamp(EndRequirement.LAMP_LIVE)))) {
            more.add(new Topology.Wire(
                    ConductorRole.PERMANENT_LIVE,
                    EndRequirement.supply(ConductorRole.PERMANENT_LIVE),
                    EndRequirement.lamp(EndRequirement.LAMP_LIVE)));
        }
        if (own.stream().noneMatch(wire -> wire.to().equals(EndRequirement.lamp(EndRequirement.LAMP_N)))) {
            more.add(new Topology.Wire(
                    ConductorRole.NEUTRAL,
                    EndRequirement.supply(ConductorRole.NEUTRAL),
                    EndRequirement.lamp(EndRequirement.LAMP_N)));
        }
        return more;
    }

    /** A conductor with the places of its ends as numbers of boxes where those are open. */
    record PlacedWire(ConductorRole role, EndRequirement from, EndRequirement to, int circuit) {
        static PlacedWire of(Topology.Wire wire, int circuit, OptionalInt lampBox) {
            return new PlacedWire(wire.role(), placed(wire.from(), lampBox), placed(wire.to(), lampBox), circuit);
        }

        private static EndRequirement placed(EndRequirement spot, OptionalInt lampBox) {
            return spot.place() == EndRequirement.LAMP && lampBox.isPresent()
                    ? new EndRequirement(lampBox.getAsInt(), spot.group())
                    : spot;
        }

        EndRequirement end(int which) {
            return which == 0 ? from : to;
        }
    }

    private List<int[]> waysOf(int box, List<PlacedWire> wires) {
        Map<String, List<Integer>> groups = new LinkedHashMap<>();
        for (int slot = 0; slot < wires.size() * 2; slot++) {
            EndRequirement spot = wires.get(slot / 2).end(slot % 2);
            if (spot.place() == box) {
                groups.computeIfAbsent(spot.group(), g -> new ArrayList<>()).add(slot);
            }
        }
        List<int[]> ways = new ArrayList<>();
        for (int[] way : boxFits.computeIfAbsent(box, b -> new BoxFit(board, b)).ways(groups, wires.size() * 2)) {
            if (cablesRunToOnePlace(way, wires)) {
                ways.add(way);
            }
        }
        return ways;
    }

    private boolean cablesRunToOnePlace(int[] way, List<PlacedWire> wires) {
        Map<Integer, Integer> placeOf = new HashMap<>();
        for (int slot = 0; slot < way.length; slot++) {
            if (way[slot] >= 0) {
                int place = wires.get(slot / 2).end(1 - slot % 2).place();
                Integer before = placeOf.putIfAbsent(board.cableOf(way[slot]), place);
                if (before != null && before != place) {
                    return false;
                }
            }
        }
        return true;
    }

    private void combine(
            List<Integer> boxes,
            int at,
            Map<Integer, List<int[]>> ways,
            List<PlacedWire> wires,
            int[] coreOf,
            List<Topology> circuits,
            List<Hypothesis> fits) {
        if (at == boxes.size()) {
            Map<Integer, Integer> mates = mates(wires, coreOf);
            if (mates != null) {
                fits.add(new Hypothesis(board, circuits, wires, coreOf.clone(), mates));
            }
            return;
        }
        for (int[] way : ways.get(boxes.get(at))) {
            for (int slot = 0; slot < way.length; slot++) {
                if (way[slot] >= 0) {
                    coreOf[slot] = way[slot];
                }
            }
            if (at == 0 || mates(wires, coreOf) != null) {
                combine(boxes, at + 1, ways, wires, coreOf, circuits, fits);
            }
            for (int slot = 0; slot < way.length; slot++) {
                if (way[slot] >= 0) {
                    coreOf[slot] = -1;
                }
            }
        }
    }

    /** Cables between opened boxes, each with its name at the other end; null when one would have to be two. */
    private @Nullable Map<Integer, Integer> mates(List<PlacedWire> wires, int[] coreOf) {
        Map<Integer, Integer> mates = new HashMap<>();
        for (int wire = 0; wire < wires.size(); wire++) {
            int one = coreOf[2 * wire];
            int other = coreOf[2 * wire + 1];
            if (one >= 0 && other >= 0 && !(isMate(mates, one, other) && isMate(mates, other, one))) {
                return null;
            }
        }
        return mates;
    }

    private boolean isMate(Map<Integer, Integer> mates, int core, int far) {
        Integer before = mates.putIfAbsent(board.cableOf(core), board.cableOf(far));
        return before == null || before == board.cableOf(far);
    }
}
