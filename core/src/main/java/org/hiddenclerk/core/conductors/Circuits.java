package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.part.Mechanism;

/** Every way in which the switches of a board can be shared out to circuits, and the wirings of each. */
final class Circuits {
    /** Sketches and sharings that are tried at most; some seconds of work. */
    private static final int MOST_TRIED = 100_000;

    private final Board board;
    private int tried;
    private final ClusterFit fit;
    private final Map<List<Integer>, List<Topology>> sketches = new HashMap<>();
    private final Map<String, List<Hypothesis>> fits = new HashMap<>();
    private final int lampPlace;

    Circuits(Board board) {
        this.board = board;
        this.fit = new ClusterFit(board);
        int lamp = -1;
        for (int box = 0; box < board.boxes().size(); box++) {
            lamp = board.boxes().get(box).isLampPlace() ? box : lamp;
        }
        lampPlace = lamp;
    }

    /** Gives the wirings of the clusters of each way to share the switches out; what they allow is any choice of one of each. */
    void eachSharing(Consumer<List<List<Hypothesis>>> use) {
        List<Integer> open = new ArrayList<>();
        for (int box = 0; box < board.boxes().size(); box++) {
            if (box != lampPlace) {
                open.add(box);
            }
        }
        share(open, new ArrayList<>(), use);
    }

    /** Counts what was tried, so that a board of many boxes is refused in time. */
    private void spend() {
        if (++tried > MOST_TRIED) {
            throw new Tracing.TooMany();
        }
    }

    private void share(List<Integer> open, List<List<Integer>> chains, Consumer<List<List<Hypothesis>>> use) {
        spend();
        if (open.isEmpty()) {
            feeds(chains, 0, new int[chains.size()], use);
            return;
        }
        int first = open.get(0);
        chainsWith(first, open, chain -> {
            List<Integer> left = new ArrayList<>(open);
            left.removeAll(chain);
            chains.add(chain);
            share(left, chains, use);
            chains.remove(chains.size() - 1);
        });
    }

    /** Switches of a circuit that a box belongs to, from one end to the other. */
    private void chainsWith(int box, List<Integer> open, Consumer<List<Integer>> use) {
        OpenedBox opened = board.boxes().get(box);
        if (opened.mayBe(Mechanism.ONE_WAY) || opened.mayBe(Mechanism.TWO_WAY)) {
            use.accept(List.of(box));
        }
        for (int a : open) {
            for (int b : open) {
                if (a < b
                        && board.boxes().get(a).mayBe(Mechanism.TWO_WAY)
                        && board.boxes().get(b).mayBe(Mechanism.TWO_WAY)) {
                    List<Integer> middles = new ArrayList<>(open.stream()
                            .filter(c ->
                                    c != a && c != b && board.boxes().get(c).mayBe(Mechanism.INTERMEDIATE))
                            .toList());
                    between(List.of(a), middles, b, box, use);
                }
            }
        }
    }

    private static void between(
            List<Integer> so, List<Integer> middles, int last, int box, Consumer<List<Integer>> use) {
        List<Integer> chain = new ArrayList<>(so);
        chain.add(last);
        if (chain.contains(box)) {
            use.accept(chain);
        }
        for (int i = 0; i < middles.size(); i++) {
            List<Integer> next = new ArrayList<>(so);
            List<Integer> rest = new ArrayList<>(middles);
            next.add(rest.remove(i));
            between(next, rest, last, box, use);
        }
    }

    /** Chooses for each circuit whether it is fed from the supply or by a jumper from another gang of the same wall box. */
    private void feeds(List<List<Integer>> chains, int at, int[] parent, Consumer<List<List<Hypothesis>>> use) {
        if (at == chains.size()) {
            lamps(chains, parent, use);
            return;
        }
        parent[at] = -1;
        feeds(chains, at + 1, parent, use);
        for (int other = 0; other < chains.size(); other++) {
            if (other != at && shareAWallBox(chains.get(at), chains.get(other))) {
                parent[at] = other;
                if (!loops(parent, at)) {
                    feeds(chains, at + 1, parent, use);
                }
                parent[at] = -1;
            }
        }
    }

    private boolean shareAWallBox(List<Integer> one, List<Integer> other) {
        return one.stream()
                .map(box -> board.boxes().get(box).wallBox())
                .flatMap(Optional::stream)
                .anyMatch(wall -> other.stream()
                        .anyMatch(box -> board.boxes().get(box).wallBox().equals(Optional.of(wall))));
    }

    private static boolean loops(int[] parent, int from) {
        int at = parent[from];
        for (int i = 0; at >= 0 && i <= parent.length; i++) {
            if (at == from) {
                return true;
            }
            at = at < from ? parent[at] : -1;
        }
        return false;
    }

    private void lamps(List<List<Integer>> chains, int[] parent, Consumer<List<List<Hypothesis>>> use) {
        if (lampPlace < 0) {
            clusters(chains, parent, -1, use);
            return;
        }
        for (int circuit = 0; circuit < chains.size(); circuit++) {
            clusters(chains, parent, circuit, use);
        }
    }

    private void clusters(List<List<Integer>> chains, int[] parent, int lampOf, Consumer<List<List<Hypothesis>>> use) {
        Map<Integer, List<Integer>> byRoot = new TreeMap<>();
        for (int circuit = 0; circuit < chains.size(); circuit++) {
            byRoot.computeIfAbsent(root(circuit, parent), r -> new ArrayList<>())
                    .add(circuit);
        }
        List<List<Hypothesis>> each = new ArrayList<>();
        for (List<Integer> members : byRoot.values()) {
            List<Hypothesis> own = cluster(members, chains, parent, lampOf);
            if (own.isEmpty()) {
                return;
            }
            each.add(own);
        }
        use.accept(each);
    }

    private static int root(int circuit, int[] parent) {
        int at = circuit;
        while (parent[at] >= 0) {
            at = parent[at];
        }
        return at;
    }

    private List<Hypothesis> cluster(List<Integer> members, List<List<Integer>> chains, int[] parent, int lampOf) {
        StringBuilder key = new StringBuilder();
        members.forEach(m -> key.append(chains.get(m))
                .append(parent[m] < 0 ? "" : chains.get(parent[m]))
                .append(m == lampOf ? "lamp" : ""));
        List<Hypothesis> known = fits.get(key.toString());
        if (known == null) {
            known = new ArrayList<>();
            choose(members, 0, new LinkedHashMap<>(), chains, parent, lampOf, known);
            fits.put(key.toString(), known);
        }
        return known;
    }

    private void choose(
            List<Integer> members,
            int at,
            Map<Integer, Topology> chosen,
            List<List<Integer>> chains,
            int[] parent,
            int lampOf,
            List<Hypothesis> found) {
        if (at == members.size()) {
            fitted(members, chosen, parent, lampOf, found);
            return;
        }
        int circuit = members.get(at);
        boolean jumpers = members.size() > 1;
        for (Topology sketch : sketchesOf(chains.get(circuit))) {
            if (!jumpers || mayShare(sketch)) {
                chosen.put(circuit, sketch);
                choose(members, at + 1, chosen, chains, parent, lampOf, found);
                chosen.remove(circuit);
            }
        }
    }

    /** Kinds of circuits that a jumper may feed or be taken from. */
    private static boolean mayShare(Topology sketch) {
        return sketch.topology().equals("ONE_WAY_FEED_AT_SWITCH")
                || sketch.topology().matches("TWO_WAY_FEED_[AB]_LAMP_[AB].*");
    }

    private List<Topology> sketchesOf(List<Integer> chain) {
        return sketches.computeIfAbsent(
                chain,
                c -> c.size() == 1
                        ? Sketches.oneWay(
                                c.get(0),
                                board.boxes().get(c.get(0)).mechanism().equals(Optional.of(Mechanism.TWO_WAY))
                                        ? List.of("L1", "L2")
                                        : List.of("L1"))
                        : Sketches.changeOver(c));
    }

    private void fitted(
            List<Integer> members, Map<Integer, Topology> chosen, int[] parent, int lampOf, List<Hypothesis> found) {
        List<Topology> circuits = new ArrayList<>();
        List<Topology.Wire> jumpers = new ArrayList<>();
        Map<Integer, Integer> lampBox = new HashMap<>();
        for (int member : members) {
            Topology sketch = chosen.get(member);
            if (parent[member] >= 0) {
                Topology feeding = chosen.get(parent[member]);
                if (sketch.neutral() != feeding.neutral() || !inOneWallBox(sketch.feed(), feeding.feed())) {
                    return;
                }
                jumpers.add(new Topology.Wire(ConductorRole.PERMANENT_LIVE, feeding.feed(), sketch.feed()));
                if (sketch.neutral()) {
                    jumpers.add(new Topology.Wire(
                            ConductorRole.NEUTRAL,
                            new EndRequirement(feeding.feed().place(), EndRequirement.NEUTRALS),
                            new EndRequirement(sketch.feed().place(), EndRequirement.NEUTRALS)));
                }
                sketch = new Topology(
                        sketch.topology(),
                        sketch.boxes(),
                        sketch.feed(),
                        sketch.neutral(),
                        sketch.wires().stream()
                                .filter(wire -> wire.from().place() != EndRequirement.SUPPLY)
                                .toList());
            }
            if (member == lampOf) {
                lampBox.put(circuits.size(), lampPlace);
            }
            circuits.add(sketch);
        }
        withCapped(circuits, cappedIn(circuits), 0, lampBox, jumpers, found);
    }

    private boolean inOneWallBox(EndRequirement one, EndRequirement other) {
        return one.isBox()
                && other.isBox()
                && board.boxes().get(one.place()).wallBox().isPresent()
                && board.boxes()
                        .get(one.place())
                        .wallBox()
                        .equals(board.boxes().get(other.place()).wallBox());
    }

    private List<Integer> cappedIn(List<Topology> circuits) {
        List<Integer> capped = new ArrayList<>();
        circuits.stream().flatMap(circuit -> circuit.boxes().stream()).forEach(box -> board.coresIn(box).stream()
                .filter(core -> board.cores().get(core).at().kind() == Termination.Kind.CAPPED
                        && !board.cores().get(core).isEarth())
                .forEach(capped::add));
        return Collections.unmodifiableList(capped);
    }

    /** A capped core is spare, or a neutral that the circuit does not use here. */
    private void withCapped(
            List<Topology> circuits,
            List<Integer> capped,
            int at,
            Map<Integer, Integer> lampBox,
            List<Topology.Wire> jumpers,
            List<Hypothesis> found) {
        if (at == capped.size()) {
            spend();
            found.addAll(fit.fits(circuits, jumpers, lampBox));
            return;
        }
        withCapped(circuits, capped, at + 1, lampBox, jumpers, found);
        int core = capped.get(at);
        int box = board.boxOf(core);
        EndRequirement end = new EndRequirement(box, EndRequirement.CAPPED + core);
        for (int c = 0; c < circuits.size(); c++) {
            if (circuits.get(c).boxes().contains(box)) {
                for (List<Topology.Wire> more : neutralsTo(end, circuits.get(c))) {
                    List<Topology> next = new ArrayList<>(circuits);
                    next.set(c, circuits.get(c).with(more));
                    withCapped(next, capped, at + 1, lampBox, jumpers, found);
                }
            }
        }
    }

    private static List<List<Topology.Wire>> neutralsTo(EndRequirement end, Topology circuit) {
        List<List<Topology.Wire>> ways = new ArrayList<>();
        Topology.Wire fromSupply = neutral(EndRequirement.supply(ConductorRole.NEUTRAL), end);
        Topology.Wire fromLamp = neutral(EndRequirement.lamp(EndRequirement.LAMP_N), end);
        ways.add(List.of(fromSupply));
        ways.add(List.of(fromLamp));
        for (int other : circuit.boxes()) {
            if (other != end.place()) {
                EndRequirement joint = new EndRequirement(other, EndRequirement.NEUTRALS);
                boolean there = circuit.wires().stream().anyMatch(w -> w.from().equals(joint) || w.to().equals(joint));
                if (there) {
                    ways.add(List.of(neutral(joint, end)));
                } else {
                    ways.add(
                            List.of(neutral(EndRequirement.supply(ConductorRole.NEUTRAL), joint), neutral(joint, end)));
                    ways.add(List.of(neutral(EndRequirement.lamp(EndRequirement.LAMP_N), joint), neutral(joint, end)));
                }
            }
        }
        return ways;
    }

    private static Topology.Wire neutral(EndRequirement from, EndRequirement to) {
        return new Topology.Wire(ConductorRole.NEUTRAL, from, to);
    }
}
