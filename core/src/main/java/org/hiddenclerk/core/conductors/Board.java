package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All that is seen: the opened boxes with their cores, numbered once. */
public final class Board {
    private final List<OpenedBox> boxes;
    private final List<SeenCore> cores = new ArrayList<>();
    private final List<Integer> boxOf = new ArrayList<>();
    private final List<Integer> cableOf = new ArrayList<>();
    private final List<Integer> nodeOf = new ArrayList<>();
    private final Map<String, Integer> numbers = new LinkedHashMap<>();
    private final Map<String, Integer> nodes = new LinkedHashMap<>();
    private final List<List<Integer>> coresIn = new ArrayList<>();
    private final List<Integer> operable = new ArrayList<>();
    private final List<Map<String, Integer>> terminals = new ArrayList<>();

    public Board(List<OpenedBox> boxes) {
        this.boxes = List.copyOf(boxes);
        Map<String, Integer> cables = new LinkedHashMap<>();
        for (int b = 0; b < boxes.size(); b++) {
            OpenedBox box = boxes.get(b);
            List<Integer> own = new ArrayList<>();
            Map<String, Integer> ownTerminals = new LinkedHashMap<>();
            for (SeenCore core : box.cores()) {
                numbers.put(core.id(), cores.size());
                String end = core.at().isAlone()
                        ? "end " + cores.size()
                        : core.at().kind() + " " + core.at().name();
                cableOf.add(cables.computeIfAbsent(b + " " + core.cable(), c -> cables.size()));
                nodeOf.add(node(b, end));
                boxOf.add(b);
                own.add(cores.size());
                cores.add(core);
            }
            if (box.isOperable()) {
                int at = b;
                operable.add(b);
                box.mechanism()
                        .get()
                        .terminals()
                        .forEach(terminal ->
                                ownTerminals.put(terminal, node(at, Termination.Kind.TERMINAL + " " + terminal)));
            }
            coresIn.add(List.copyOf(own));
            terminals.add(ownTerminals);
        }
    }

    private int node(int box, String end) {
        return nodes.computeIfAbsent(box + " " + end, n -> nodes.size());
    }

    /** Node of a terminal. */
    int terminal(int box, String name) {
        Integer node = terminals.get(box).get(name);
        if (node == null) {
            throw new IllegalArgumentException("Box " + boxes.get(box).id() + " has no terminal " + name + ".");
        }
        return node;
    }

    public List<OpenedBox> boxes() {
        return boxes;
    }

    public List<SeenCore> cores() {
        return cores;
    }

    /** Number of a core by its id. */
    public Optional<Integer> numberOf(String id) {
        return Optional.ofNullable(numbers.get(id));
    }

    int boxOf(int core) {
        return boxOf.get(core);
    }

    int cableOf(int core) {
        return cableOf.get(core);
    }

    int nodeOf(int core) {
        return nodeOf.get(core);
    }

    int nodeCount() {
        return nodes.size();
    }

    /** Numbers of the cores in a box. */
    List<Integer> coresIn(int box) {
        return coresIn.get(box);
    }

    /** Numbers of the boxes whose switch can be put in positions. */
    List<Integer> operable() {
        return operable;
    }

    /** Positions as bits, in the order of {@link #operable()}; what is not named is at 0. */
    int bits(Map<String, Integer> with) {
        int bits = 0;
        for (int i = 0; i < operable.size(); i++) {
            bits |= with.getOrDefault(boxes.get(operable.get(i)).id(), 0) << i;
        }
        return bits;
    }

    /** Number of a box by its id. */
    int box(String id) {
        for (int box = 0; box < boxes.size(); box++) {
            if (boxes.get(box).id().equals(id)) {
                return box;
            }
        }
        throw new IllegalArgumentException("There is no box " + id + ".");
    }
}
