package org.hiddenclerk.core.electrical.solving;

import java.util.Arrays;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * Solves one row of a region at a time, in scratch arrays that are used again for the next row.
 *
 * <p>Nets are exact: closed edges joined by union-find. A net with a supply has that supply's potential. Nets that
 * hang between resistances are found by nodal equations; every such net leaks to earth through
 * {@value #LEAK_OHMS} ohms, so the equations always have one solution. All admittances are real, hence one real matrix
 * with the real and imaginary parts as two right-hand sides; it is diagonally dominant, so elimination needs no pivot.
 */
public final class RowSolver {
    /** What a floating net leaks to earth through, in ohms. */
    static final double LEAK_OHMS = 1e9;
    /** Potentials closer than this are the same, in volts. */
    private static final double SAME_POTENTIAL_VOLTS = Tolerance.COMPUTED;

    private final Region region;
    private final Sets sets;
    private final int[] firstSource;
    private final int[] nextSource;
    private final double[] re;
    private final double[] im;
    private final int[] unknown;
    private boolean shorted;

    public RowSolver(Region region) {
        this.region = region;
        int nodes = region.nodeCount();
        sets = new Sets(nodes);
        firstSource = new int[nodes];
        nextSource = new int[region.sources().length];
        re = new double[nodes];
        im = new double[nodes];
        unknown = new int[nodes];
    }

    /** Solves a row with every element in one of its two positions. */
    public void solve(int row) {
        solve(row, -1);
    }

    /** Solves a row while {@code betweenPositions} (an element, or -1) is open on its way. */
    public void solve(int row, int betweenPositions) {
        sets.copyFrom(region.fixedJoins());
        Region.Element[] elements = region.elements();
        for (int i = 0; i < elements.length; i++) {
            if (i != betweenPositions) {
                int[] pairs = elements[i].joins()[(row & region.bit(i)) != 0 ? 1 : 0];
                for (int p = 0; p < pairs.length; p += 2) {
                    sets.join(pairs[p], pairs[p + 1]);
                }
            }
        }
        placeSources();
        if (!shorted) {
            solveNets();
        }
    }

    private void placeSources() {
        Arrays.fill(firstSource, -1);
        shorted = false;
        Region.Source[] sources = region.sources();
        for (int s = sources.length - 1; s >= 0; s--) {
            int net = sets.find(sources[s].node());
            int other = firstSource[net];
            if (other >= 0 && !samePotential(sources[s], sources[other])) {
                shorted = true;
            }
            nextSource[s] = other;
            firstSource[net] = s;
        }
    }

    public static boolean samePotential(Region.Source a, Region.Source b) {
        return Math.abs(a.re() - b.re()) < SAME_POTENTIAL_VOLTS && Math.abs(a.im() - b.im()) < SAME_POTENTIAL_VOLTS;
    }

    private void solveNets() {
        Arrays.fill(re, 0);
        Arrays.fill(im, 0);
        Arrays.fill(unknown, -1);
        for (Region.Source source : region.sources()) {
            int net = sets.find(source.node());
            re[net] = source.re();
            im[net] = source.im();
        }
        int count = 0;
        int[] nets = new int[8];
        for (Region.Resistor resistor : region.resistors()) {
            for (int end = 0; end < 2; end++) {
                int net = sets.find(end == 0 ? resistor.a() : resistor.b());
                if (firstSource[net] < 0 && unknown[net] < 0) {
                    unknown[net] = count;
                    if (count == nets.length) {
                        nets = Arrays.copyOf(nets, count * 2);
                    }
                    nets[count++] = net;
                }
            }
        }
        if (count > 0) {
            solveUnknown(nets, count);
        }
    }

    private void solveUnknown(int[] nets, int count) {
        double[][] matrix = new double[count][count + 2];
        for (int i = 0; i < count; i++) {
            matrix[i][i] = 1 / LEAK_OHMS;
        }
        for (Region.Resistor resistor : region.resistors()) {
            int a = sets.find(resistor.a());
            int b = sets.find(resistor.b());
            if (a != b) {
                double siemens = 1 / resistor.ohms();
                stamp(matrix, count, a, b, siemens);
                stamp(matrix, count, b, a, siemens);
            }
        }
        eliminate(matrix, count);
        for (int i = 0; i < count; i++) {
            re[nets[i]] = matrix[i][count];
            im[nets[i]] = matrix[i][count + 1];
        }
    }

    private void stamp(double[][] matrix, int count, int own, int other, double siemens) {
        int row = unknown[own];
        if (row < 0) {
            return;
        }
        matrix[row][row] += siemens;
        if (unknown[other] >= 0) {
            matrix[row][unknown[other]] -= siemens;
        } else {
            matrix[row][count] += siemens * re[other];
            matrix[row][count + 1] += siemens * im[other];
        }
    }

    private static void eliminate(double[][] matrix, int count) {
        for (int pivot = 0; pivot < count; pivot++) {
            for (int row = pivot + 1; row < count; row++) {
                double factor = matrix[row][pivot] / matrix[pivot][pivot];
                if (factor != 0) {
                    for (int column = pivot; column < count + 2; column++) {
                        matrix[row][column] -= factor * matrix[pivot][column];
                    }
                }
            }
        }
        for (int row = count - 1; row >= 0; row--) {
            for (int side = count; side < count + 2; side++) {
                double sum = matrix[row][side];
                for (int column = row + 1; column < count; column++) {
                    sum -= matrix[row][column] * matrix[column][side];
                }
                matrix[row][side] = sum / matrix[row][row];
            }
        }
    }

    public boolean isShorted() {
        return shorted;
    }

    public int net(int node) {
        return sets.find(node);
    }

    /** First supply of the node's net, or -1; follow with {@link #nextSource}. */
    public int firstSource(int node) {
        return firstSource[sets.find(node)];
    }

    public int nextSource(int source) {
        return nextSource[source];
    }

    public boolean isOnLive(int node) {
        for (int s = firstSource(node); s >= 0; s = nextSource[s]) {
            if (region.sources()[s].supply().line().isLive()) {
                return true;
            }
        }
        return false;
    }

    public boolean isOn(int node, Line line) {
        for (int s = firstSource(node); s >= 0; s = nextSource[s]) {
            if (region.sources()[s].supply().line() == line) {
                return true;
            }
        }
        return false;
    }

    /** Volts between two nodes. Only for a row without a short. */
    public double volts(int a, int b) {
        int netA = sets.find(a);
        int netB = sets.find(b);
        return Math.hypot(re[netA] - re[netB], im[netA] - im[netB]);
    }

    /** Volts of a node to earth. Only for a row without a short. */
    public double voltsToEarth(int node) {
        int net = sets.find(node);
        return Math.hypot(re[net], im[net]);
    }

    /** Real part of the potential difference, for the sign of a direct voltage. */
    double realVolts(int a, int b) {
        return re[sets.find(a)] - re[sets.find(b)];
    }

    /** Real part of one drop times the conjugate of another; both measured from {@code net}. */
    public double alignment(int net, int firstOther, int secondOther) {
        int a = sets.find(net);
        int b = sets.find(firstOther);
        int c = sets.find(secondOther);
        return (re[a] - re[b]) * (re[a] - re[c]) + (im[a] - im[b]) * (im[a] - im[c]);
    }

    /** Whether two nodes are one net, or, on mains, two nets with supplies of equal potential. */
    boolean isJoined(int a, int b, boolean mains) {
        int netA = sets.find(a);
        int netB = sets.find(b);
        if (netA == netB) {
            return true;
        }
        int sourceA = firstSource[netA];
        int sourceB = firstSource[netB];
        return mains
                && sourceA >= 0
                && sourceB >= 0
                && samePotential(region.sources()[sourceA], region.sources()[sourceB]);
    }
}
