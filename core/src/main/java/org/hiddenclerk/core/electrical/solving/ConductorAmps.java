package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Part;

/**
 * What each conductor of a region carries in a row. Conductors have no resistance here, so the current of one that is the
 * only way between two parts of its net follows from what flows in and out on one side (Kirchhoff's first law). Of
 * conductors that lie beside each other, as in a ring, the sum is known and the share is not: each is given what it would
 * carry if the others came loose where that loads it most.
 *
 * <p>Amperes are apparent ones: watts over volts over power factor, with nothing taken off for diversity.
 */
public final class ConductorAmps {
    private final Region region;
    private final List<Part.Conductor> conductors = new ArrayList<>();
    private final int[] from;
    private final int[] to;

    public ConductorAmps(Region region) {
        this.region = region;
        region.parts().stream()
                .filter(Part.Conductor.class::isInstance)
                .forEach(p -> conductors.add((Part.Conductor) p));
        from = conductors.stream().mapToInt(c -> region.node(c, "a")).toArray();
        to = conductors.stream().mapToInt(c -> region.node(c, "b")).toArray();
    }

    public List<Part.Conductor> conductors() {
        return conductors;
    }

    /**
     * What conductors carry, in the order of {@link #conductors()}.
     *
     * @param amps   amperes
     * @param beside whether another way lies beside a conductor, so that the amperes are those of the worst break of it
     */
    public record Carried(double[] amps, boolean[] beside) {}

    /** What each conductor carries; the row must have no short. */
    public Carried of(int row, RowSolver solver) {
        int nodes = region.nodeCount();
        double[] drawn = new double[nodes];
        boolean[] fed = new boolean[nodes];
        for (Region.Source source : region.sources()) {
            fed[source.node()] = true;
        }
        for (Region.Resistor resistor : region.resistors()) {
            double factor = resistor.part() instanceof Part.Load load ? load.powerFactor() : 1;
            double amps = solver.volts(resistor.a(), resistor.b()) / resistor.ohms() / factor;
            drawn[resistor.a()] += amps;
            drawn[resistor.b()] += amps;
        }
        List<int[]> edges = edges(row, solver);
        Carried carried = new Carried(new double[from.length], new boolean[from.length]);
        for (int c = 0; c < from.length; c++) {
            judge(c, edges, drawn, fed, carried);
        }
        return carried;
    }

    /** Closed contacts and joints, as pairs of nodes; supply parts of one net are one bus at the board. */
    private List<int[]> edges(int row, RowSolver solver) {
        List<int[]> edges = new ArrayList<>();
        for (Part part : region.parts()) {
            if (part instanceof Part.Link) {
                edges.add(new int[] {region.node(part, "a"), region.node(part, "b")});
            } else if (part instanceof Part.Sender
                    || part instanceof Part.Switch s && !s.mechanism().isTwoState()) {
                edges.add(new int[] {region.node(part, "COM"), region.node(part, "L1")});
            }
        }
        Region.Element[] elements = region.elements();
        for (int e = 0; e < elements.length; e++) {
            int[] pairs = elements[e].joins()[(row & region.bit(e)) != 0 ? 1 : 0];
            for (int p = 0; p < pairs.length; p += 2) {
                edges.add(new int[] {pairs[p], pairs[p + 1]});
            }
        }
        Region.Source[] sources = region.sources();
        for (int s = 0; s < sources.length; s++) {
            int next = solver.nextSource(s);
            if (next >= 0) {
                edges.add(new int[] {sources[s].node(), sources[next].node()});
            }
        }
        return edges;
    }

    /**
     * What must flow through a conductor: the draw of the side that has no supply. Where both sides have one, the smaller
     * side is the most that it can be asked for.
     */
    private void judge(int conductor, List<int[]> edges, double[] drawn, boolean[] fed, Carried carried) {
        boolean[] side = reached(from[conductor], conductor, edges, new boolean[drawn.length]);
        if (side[to[conductor]]) {
            carried.beside()[conductor] = true;
            carried.amps()[conductor] = Math.max(
                    beyond(conductor, from[conductor], to[conductor], edges, drawn, fed),
                    beyond(conductor, to[conductor], from[conductor], edges, drawn, fed));
            return;
        }
        boolean[] other = reached(to[conductor], conductor, edges, new boolean[drawn.length]);
        boolean fedHere = false;
        boolean fedThere = false;
        for (int node = 0; node < drawn.length; node++) {
            fedHere |= side[node] && fed[node];
            fedThere |= other[node] && fed[node];
        }
        double here = wholeNet(side, drawn);
        double there = wholeNet(other, drawn);
        carried.amps()[conductor] = fedHere == fedThere ? Math.min(here, there) : fedHere ? there : here;
    }

    /** All that one end could be asked to feed if every other way to it came loose: what is reached from the far end without a supply. */
    private double beyond(int conductor, int near, int far, List<int[]> edges, double[] drawn, boolean[] fed) {
        if (fed[far]) {
            return 0;
        }
        boolean[] barred = fed.clone();
        barred[near] = true;
        boolean[] reached = reached(far, conductor, edges, barred.clone());
        double sum = 0;
        for (int node = 0; node < drawn.length; node++) {
            sum += reached[node] && !barred[node] ? drawn[node] : 0;
        }
        return sum;
    }

    private static double wholeNet(boolean[] nodes, double[] drawn) {
        double sum = 0;
        for (int node = 0; node < drawn.length; node++) {
            sum += nodes[node] ? drawn[node] : 0;
        }
        return sum;
    }

    /** @param reached nodes that are not to be passed; those that are reached are added */
    private boolean[] reached(int start, int without, List<int[]> edges, boolean[] reached) {
        Deque<Integer> open = new ArrayDeque<>(List.of(start));
        reached[start] = true;
        while (!open.isEmpty()) {
            int at = open.remove();
            for (int c = 0; c < from.length; c++) {
                if (c != without) {
                    visit(at, from[c], to[c], reached, open);
                }
            }
            for (int[] edge : edges) {
                visit(at, edge[0], edge[1], reached, open);
            }
        }
        return reached;
    }

    private static void visit(int at, int a, int b, boolean[] reached, Deque<Integer> open) {
        int next = at == a ? b : at == b ? a : -1;
        if (next >= 0 && !reached[next]) {
            reached[next] = true;
            open.add(next);
        }
    }
}
