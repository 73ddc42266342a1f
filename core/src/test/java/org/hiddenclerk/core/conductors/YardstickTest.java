package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.conductors.Hypothesis.Answer;
import org.hiddenclerk.core.job.RegionProfile;
import org.junit.jupiter.api.Test;

/** The next test against the best strategy there is, found by exhausting all of them on small boards. */
class YardstickTest {
    private static final int MOST_CORES = 8;
    private static final int MOST_WIRINGS = 18;
    private static final int BOARDS = 40;

    @Test
    void isAtMostATenthWorseThanTheBest() {
        double ours = 0;
        double best = 0;
        int boards = 0;
        Random random = new Random(20261125);
        while (boards < BOARDS) {
            Board board = HiddenCircuit.any(random, 0).board();
            List<BoardWiring> wirings =
                    board.cores().size() > MOST_CORES ? List.of() : Tracing.wirings(board, RegionProfile.EU_230);
            if (wirings.size() > 1 && wirings.size() <= MOST_WIRINGS) {
                Strategies strategies = new Strategies(board, wirings);
                BitSet all = new BitSet();
                all.set(0, wirings.size());
                best += strategies.fewest(all) / wirings.size();
                ours += wirings.stream()
                        .mapToInt(truth -> testsMade(board, truth))
                        .average()
                        .orElseThrow();
                boards++;
            }
        }
        System.out.printf(
                java.util.Locale.ROOT,
                "tests on %d boards of at most %d cores: %.3f on average, best possible %.3f%n",
                boards,
                MOST_CORES,
                ours / boards,
                best / boards);
        assertThat(ours).isLessThanOrEqualTo(best * 1.10);
        assertThat(best).as("the yardstick is not beaten").isLessThanOrEqualTo(ours + 1e-9);
    }

    private static int testsMade(Board board, BoardWiring truth) {
        List<Reading.Answered> readings = new ArrayList<>();
        Traced traced = Tracing.of(board, RegionProfile.EU_230, readings);
        while (traced.nextTest().isPresent()) {
            Reading next = traced.nextTest().get().reading();
            readings.add(new Reading.Answered(next, truth.foretells(next) == Answer.TRUE));
            traced = Tracing.of(board, RegionProfile.EU_230, readings);
        }
        return readings.size();
    }

    /** Sums of tests over all wirings of a set, under the best choice at every step. */
    private static final class Strategies {
        private final List<BoardWiring> wirings;
        private final Board board;
        private final Set<BitSet> splits = new LinkedHashSet<>();
        private final Map<BitSet, Double> known = new HashMap<>();

        Strategies(Board board, List<BoardWiring> wirings) {
            this.board = board;
            this.wirings = wirings;
            for (Reading reading : everyReading(board)) {
                BitSet yes = new BitSet();
                for (int i = 0; i < wirings.size(); i++) {
                    yes.set(i, wirings.get(i).foretells(reading) == Answer.TRUE);
                }
                splits.add(yes);
            }
        }

        double fewest(BitSet left) {
            if (rolesAgree(left)) {
                return 0;
            }
            Double before = known.get(left);
            if (before != null) {
                return before;
            }
            double fewest = Double.POSITIVE_INFINITY;
            for (BitSet split : splits) {
                BitSet yes = (BitSet) left.clone();
                yes.and(split);
                if (!yes.isEmpty() && yes.cardinality() < left.cardinality()) {
                    BitSet no = (BitSet) left.clone();
                    no.andNot(split);
                    fewest = Math.min(fewest, left.cardinality() + fewest(yes) + fewest(no));
                }
            }
            double found = Double.isInfinite(fewest) ? 0 : fewest;
            known.put((BitSet) left.clone(), found);
            return found;
        }

        private boolean rolesAgree(BitSet left) {
            int first = left.nextSetBit(0);
            return left.stream().allMatch(w -> {
                for (int core = 0; core < board.cores().size(); core++) {
                    if (wirings.get(w).roleOf(core) != wirings.get(first).roleOf(core)) {
                        return false;
                    }
                }
                return true;
            });
        }
    }

    /** Every reading that can be made on a board. */
    static List<Reading> everyReading(Board board) {
        List<Reading> readings = new ArrayList<>();
        List<OpenedBox> boxes = board.boxes();
        for (int state = 0; state < 1 << boxes.size(); state++) {
            Map<String, Integer> with = new HashMap<>();
            for (int i = 0; i < boxes.size(); i++) {
                with.put(boxes.get(i).id(), state >> i & 1);
            }
            boxes.forEach(box -> readings.add(new Reading.Lamp(box.id(), with)));
            board.cores().forEach(core -> {
                readings.add(new Reading.Live(core.id(), with));
                readings.add(new Reading.Returns(core.id(), with));
            });
        }
        for (SeenCore one : board.cores()) {
            for (SeenCore other : board.cores()) {
                if (one != other) {
                    readings.add(new Reading.Continuous(one.id(), other.id()));
                }
            }
        }
        return readings;
    }
}
