package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Every way in which the cores of one box can be the conductors that a sketch wants there. */
final class BoxFit {
    private final Board board;
    private final int box;
    private final Map<String, List<Integer>> terminals = new LinkedHashMap<>();
    private final Map<String, List<Integer>> joints = new LinkedHashMap<>();
    private final List<Integer> loose = new ArrayList<>();
    private final boolean earthsApart;

    BoxFit(Board board, int box) {
        this.board = board;
        this.box = box;
        boolean apart = true;
        Map<String, Boolean> earthJoints = new LinkedHashMap<>();
        for (int core : board.coresIn(box)) {
            SeenCore seen = board.cores().get(core);
            Termination at = seen.at();
            if (at.kind() == Termination.Kind.JOINT) {
                Boolean before = earthJoints.putIfAbsent(at.name(), seen.isEarth());
                apart &= before == null || before == seen.isEarth();
            }
            apart &= !seen.isEarth() || at.kind() != Termination.Kind.TERMINAL;
            if (!seen.isEarth()) {
                switch (at.kind()) {
                    case TERMINAL ->
                        terminals
                                .computeIfAbsent(at.name(), n -> new ArrayList<>())
                                .add(core);
                    case JOINT ->
                        joints.computeIfAbsent(at.name(), n -> new ArrayList<>())
                                .add(core);
                    case LOOSE -> loose.add(core);
                    case CAPPED -> {}
                }
            }
        }
        earthsApart = apart;
    }

    /**
     * Cores by slot, for each way that fits.
     *
     * @param groups slots by the group of their spot
     */
    List<int[]> ways(Map<String, List<Integer>> groups, int slotCount) {
        List<int[]> ways = new ArrayList<>();
        if (!earthsApart || !mayFit(groups)) {
            return ways;
        }
        int[] coreOf = new int[slotCount];
        Arrays.fill(coreOf, -1);
        place(
                new ArrayList<>(groups.entrySet()),
                0,
                new ArrayList<>(joints.keySet()),
                new ArrayList<>(loose),
                new ArrayList<>(terminals.keySet()),
                coreOf,
                ways);
        return ways;
    }

    /** Counts alone rule most sketches out. */
    private boolean mayFit(Map<String, List<Integer>> groups) {
        int seen = terminals.values().stream().mapToInt(List::size).sum()
                + joints.values().stream().mapToInt(List::size).sum();
        int wanted = 0;
        for (Map.Entry<String, List<Integer>> group : groups.entrySet()) {
            wanted += group.getKey().startsWith(EndRequirement.CAPPED)
                    ? 0
                    : group.getValue().size();
        }
        return board.boxes().get(box).removed() ? seen <= wanted && wanted <= seen + loose.size() : seen == wanted;
    }

    private void place(
            List<Map.Entry<String, List<Integer>>> groups,
            int at,
            List<String> freeJoints,
            List<Integer> freeLoose,
            List<String> freeTerminals,
            int[] coreOf,
            List<int[]> ways) {
        if (at == groups.size()) {
            if (freeJoints.isEmpty() && freeTerminals.isEmpty()) {
                ways.add(coreOf.clone());
            }
            return;
        }
        String name = groups.get(at).getKey();
        List<Integer> slots = groups.get(at).getValue();
        if (name.startsWith(EndRequirement.CAPPED)) {
            coreOf[slots.get(0)] = Integer.parseInt(name.substring(EndRequirement.CAPPED.length()));
            place(groups, at + 1, freeJoints, freeLoose, freeTerminals, coreOf, ways);
            return;
        }
        boolean joint = name.startsWith("joint");
        boolean removed = board.boxes().get(box).removed();
        if (!joint && freeTerminals.contains(name) && terminals.get(name).size() == slots.size()) {
            List<String> rest = new ArrayList<>(freeTerminals);
            rest.remove(name);
            permuted(
                    terminals.get(name),
                    slots,
                    coreOf,
                    () -> place(groups, at + 1, freeJoints, freeLoose, rest, coreOf, ways));
        }
        if (joint || removed || name.startsWith("lamp:")) {
            for (String candidate : freeJoints) {
                if (joints.get(candidate).size() == slots.size()) {
                    List<String> rest = new ArrayList<>(freeJoints);
                    rest.remove(candidate);
                    permuted(
                            joints.get(candidate),
                            slots,
                            coreOf,
                            () -> place(groups, at + 1, rest, freeLoose, freeTerminals, coreOf, ways));
                }
            }
        }
        if (removed && !joint) {
            hung(
                    slots,
                    0,
                    freeLoose,
                    coreOf,
                    left -> place(groups, at + 1, freeJoints, left, freeTerminals, coreOf, ways));
        }
    }

    private static void permuted(List<Integer> cores, List<Integer> slots, int[] coreOf, Runnable then) {
        permuted(new ArrayList<>(cores), slots, 0, coreOf, then);
    }

    private static void permuted(List<Integer> left, List<Integer> slots, int at, int[] coreOf, Runnable then) {
        if (at == slots.size()) {
            then.run();
            return;
        }
        for (int i = 0; i < left.size(); i++) {
            int core = left.remove(i);
            coreOf[slots.get(at)] = core;
            permuted(left, slots, at + 1, coreOf, then);
            left.add(i, core);
        }
    }

    /** Cores of a terminal that is gone hang free. */
    private static void hung(
            List<Integer> slots, int at, List<Integer> loose, int[] coreOf, Consumer<List<Integer>> then) {
        if (at == slots.size()) {
            then.accept(loose);
            return;
        }
        for (int i = 0; i < loose.size(); i++) {
            List<Integer> left = new ArrayList<>(loose);
            coreOf[slots.get(at)] = left.remove(i);
            hung(slots, at + 1, left, coreOf, then);
        }
    }
}
