package org.hiddenclerk.core.wiring.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.hiddenclerk.core.wiring.drawing.Tracks.Segment;

/** The order of the tracks in a drawing, beside the crossings of plain lines (java.awt.geom). */
class TracksProperties {
    private static final int LEFT = -10;
    private static final int RIGHT = 1_000;

    /** Some cables with their cores, and some jumpers, with a column of its own for each end. */
    private static final class Board {
        private final List<Segment> runs = new ArrayList<>();
        private final Map<String, int[]> columns = new HashMap<>();

        private Board(long seed) {
            Random random = new Random(seed);
            List<Integer> places = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                places.add(10 * i + 5);
            }
            Collections.shuffle(places, random);
            int cables = 1 + random.nextInt(3);
            for (int cable = 0; cable < cables; cable++) {
                boolean left = random.nextBoolean();
                int cores = 1 + random.nextInt(4);
                for (int core = 0; core < cores; core++) {
                    String key = "c" + cable + "." + core;
                    runs.add(new Segment(key, "c" + cable, left, column(key, places, random), ""));
                }
            }
            for (int jumper = random.nextInt(4); jumper > 0; jumper--) {
                String key = "j" + jumper;
                runs.add(new Segment(
                        key, "", false, column(key + "a", places, random), column(key + "b", places, random)));
            }
        }

        private String column(String key, List<Integer> places, Random random) {
            columns.put(key, new int[] {places.remove(places.size() - 1), random.nextInt(2)});
            return key;
        }

        private Tracks tracks() {
            return new Tracks(runs, columns, LEFT, RIGHT);
        }

        /** Pairs of one run's horizontal line and another's vertical one that meet, with tracks one below the other. */
        private int meetings(List<Segment> order) {
            int meetings = 0;
            for (int across = 0; across < order.size(); across++) {
                Segment run = order.get(across);
                double own = columns.get(run.from())[0];
                double far = run.to().isEmpty() ? run.left() ? LEFT : RIGHT : columns.get(run.to())[0];
                for (int other = 0; other < order.size(); other++) {
                    if (other != across) {
                        for (String end : List.of(
                                order.get(other).from(), order.get(other).to())) {
                            if (!end.isEmpty()) {
                                int[] column = columns.get(end);
                                double port = column[1] == 1 ? -1 : order.size();
                                meetings += Line2D.linesIntersect(
                                                own, across, far, across, column[0], other, column[0], port)
                                        ? 1
                                        : 0;
                            }
                        }
                    }
                }
            }
            return meetings;
        }
    }

    @Property
    void crossingsAreThoseOfTheLines(@ForAll long seed) {
        Board board = new Board(seed);

        // Cores are given cable by cable, and jumpers after them: the order that stands before anything is swapped.
        assertThat(board.tracks().crossings()).isEqualTo(board.meetings(board.runs));
    }

    @Property
    void noSwapOfTwoCablesMakesItBetter(@ForAll long seed) {
        Board board = new Board(seed);
        Tracks tracks = board.tracks();
        int before = tracks.crossings();

        List<List<Segment>> ordered = tracks.ordered();

        int after = tracks.crossings();
        assertThat(after)
                .isLessThanOrEqualTo(before)
                .isEqualTo(board.meetings(ordered.stream().flatMap(List::stream).toList()));
        for (int i = 0; i < ordered.size(); i++) {
            for (int j = i + 1; j < ordered.size(); j++) {
                List<List<Segment>> swapped = new ArrayList<>(ordered);
                Collections.swap(swapped, i, j);
                assertThat(board.meetings(swapped.stream().flatMap(List::stream).toList()))
                        .isGreaterThanOrEqualTo(after);
            }
        }
    }

    @Property
    void everyRunIsKeptAndTheCoresOfACableStayTogether(@ForAll long seed) {
        Board board = new Board(seed);

        List<List<Segment>> ordered = board.tracks().ordered();

        assertThat(ordered.stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(board.runs);
        assertThat(ordered).allSatisfy(group -> assertThat(group.stream()
                        .map(run -> run.isJumper() ? run.key() : run.cable())
                        .distinct())
                .hasSize(1));
    }
}
