package org.hiddenclerk.core.conductors;

import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.hiddenclerk.core.conductors.Hypothesis.Answer;
import org.hiddenclerk.core.electrical.solving.Sets;

/** One wiring of everything on the board. */
final class BoardWiring {
    private final Board board;
    private final List<Hypothesis> clusters;

    BoardWiring(Board board, List<Hypothesis> clusters) {
        this.board = board;
        this.clusters = clusters;
    }

    /** Names of its circuits in the order of their first box. */
    String topology() {
        return clusters.stream()
                .flatMap(cluster -> cluster.circuits().stream())
                .sorted(Comparator.comparing(circuit -> circuit.boxes().get(0)))
                .map(Topology::topology)
                .collect(Collectors.joining("+"));
    }

    ConductorRole roleOf(String core) {
        return roleOf(number(core));
    }

    ConductorRole roleOf(int core) {
        ConductorRole role = clusterOf(core).roleOf(core);
        if (role == null) {
            throw new IllegalStateException("Impossible state: core " + core + " is of no circuit.");
        }
        return role;
    }

    private Hypothesis clusterOf(int core) {
        for (Hypothesis cluster : clusters) {
            if (cluster.roleOf(core) != null) {
                return cluster;
            }
        }
        throw new IllegalArgumentException("Core " + core + " is of no circuit here.");
    }

    private boolean has(int core) {
        return clusters.stream().anyMatch(cluster -> cluster.roleOf(core) != null);
    }

    /** Whether everything that a reading touches is in it. */
    boolean covers(Reading reading) {
        if (reading instanceof Reading.Continuous pair) {
            return has(number(pair.first())) && has(number(pair.second()));
        }
        if (reading instanceof Reading.Lamp lamp) {
            return board.coresIn(board.box(lamp.box())).stream().anyMatch(this::has);
        }
        return has(number(reading instanceof Reading.Live live ? live.core() : ((Reading.Returns) reading).core()));
    }

    Answer foretells(Reading reading) {
        if (reading instanceof Reading.Lamp lamp) {
            int box = board.box(lamp.box());
            return clusterOf(board.coresIn(box).get(0)).lamp(box, board.bits(lamp.with()));
        }
        if (reading instanceof Reading.Live live) {
            int core = number(live.core());
            return clusterOf(core).live(core, board.bits(live.with()));
        }
        if (reading instanceof Reading.Returns returns) {
            int core = number(returns.core());
            return clusterOf(core).returns(core, board.bits(returns.with()));
        }
        Reading.Continuous pair = (Reading.Continuous) reading;
        int first = number(pair.first());
        int second = number(pair.second());
        Hypothesis one = clusterOf(first);
        if (one.roleOf(second) != null) {
            return one.continuous(first, second);
        }
        ConductorRole role = roleOf(first);
        boolean untold = role == roleOf(second) && (role == ConductorRole.EARTH || role == ConductorRole.SPARE);
        return untold ? Answer.EITHER : Answer.FALSE;
    }

    /** Readings that it contradicts, by index. */
    BitSet broken(List<Reading.Answered> readings) {
        BitSet broken = new BitSet();
        for (int i = 0; i < readings.size(); i++) {
            broken.set(
                    i,
                    !foretells(readings.get(i).reading()).allows(readings.get(i).value()));
        }
        return broken;
    }

    /** Joins the boxes of each of its clusters. */
    void joinBoxes(Sets boxes) {
        for (Hypothesis cluster : clusters) {
            int first = -1;
            for (int core = 0; core < board.cores().size(); core++) {
                if (cluster.roleOf(core) != null) {
                    first = first < 0 ? board.boxOf(core) : first;
                    boxes.join(first, board.boxOf(core));
                }
            }
        }
    }

    private int number(String core) {
        return board.numberOf(core).orElseThrow();
    }
}
