package org.hiddenclerk.core.matching.room;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Millimetres;
import org.junit.jupiter.api.Test;

class PlacementTest {
    private static final Body USUAL = body(42, 37, 16);

    @Test
    void behindTheOnlyMechanismTheStackOfDepthsCounts() {
        assertThat(needed(room(60, 60, false), 1, 22, USUAL)).contains(Millimetres.of(22 + 16 + 5));
    }

    @Test
    void besideAMechanismTheBoxNeedBeNoDeeper() {
        // 60 mm wide share, 40 mm body: 45.5 mm are free on each side of one mechanism in a box for two.
        assertThat(needed(room(131, 60, false), 1, 22, USUAL)).contains(Millimetres.of(22 + 5));
        assertThat(placed(room(131, 60, false), 1, 22, USUAL)
                        .orElseThrow()
                        .lying()
                        .get(0)
                        .beside())
                .isTrue();
    }

    @Test
    void twoModulesBehindTwoMechanismsLieSideBySideAndOneBoxStacksThem() {
        assertThat(needed(room(131, 60, false), 2, 22, USUAL, USUAL)).contains(Millimetres.of(22 + 16 + 5));
        assertThat(needed(room(60, 60, false), 1, 22, USUAL, USUAL)).contains(Millimetres.of(22 + 32 + 5));
    }

    /** 42 × 42 mm is 59.4 mm from corner to corner and goes into a round box of 60; 46 × 42 is 62.3 and does not. */
    @Test
    void aRoundBoxTakesWhatItsDiagonalAllows() {
        assertThat(placed(room(60, 60, true), 1, 22, body(42, 42, 16))).isPresent();
        assertThat(placed(room(60, 60, true), 1, 22, body(46, 42, 16))
                        .map(p -> p.needed().asDouble())
                        .orElse(99.0))
                .as("only on edge")
                .isGreaterThan(22 + 16 + 5.0);
    }

    /** Corners rounded by 4 mm: hypot(38, 34) + 8 = 59.0 mm. */
    @Test
    void roundedCornersCount() {
        Body rounded = new Body(Millimetres.of(46), Millimetres.of(42), Millimetres.of(18), Millimetres.of(4));

        assertThat(needed(room(60, 60, true), 1, 22, rounded)).contains(Millimetres.of(22 + 18 + 5));
    }

    @Test
    void aRowOfRoundBoxesDoesNotTakeAModuleAcrossTheRims() {
        assertThat(Placement.liesFlat(room(131, 60, true), body(70, 30, 12))).isFalse();
        assertThat(Placement.liesFlat(room(131, 60, false), body(70, 30, 12))).isTrue();
    }

    @Property(tries = 150)
    void nothingLiesInAnotherOrOutside(
            @ForAll @Size(min = 1, max = 3) List<@IntRange(min = 14, max = 50) Integer> lengths,
            @ForAll @IntRange(min = 60, max = 140) int width,
            @ForAll @IntRange(min = 1, max = 2) int gangs,
            @ForAll boolean round) {
        List<Body> bodies =
                lengths.stream().map(l -> body(l, Math.max(11, l * 4 / 5), 10)).toList();
        Box box = box(gangs, 20);
        BoxGeometry room = room(width, 60, round);

        Placement.of(box, room, RegionProfile.EU_230, bodies).ifPresent(placement -> {
            List<double[]> solids = new ArrayList<>();
            Placement.mechanisms(box, room, RegionProfile.EU_230)
                    .forEach(m -> solids.add(new double[] {
                        m.x().asDouble(),
                        m.y().asDouble(),
                        m.x().plus(m.width()).asDouble(),
                        m.y().plus(m.height()).asDouble(),
                        0,
                        m.depth().asDouble()
                    }));
            for (Placement.Lying l : placement.lying()) {
                double[] solid = {
                    l.x().asDouble(),
                    l.y().asDouble(),
                    l.x().plus(l.width()).asDouble(),
                    l.y().plus(l.height()).asDouble(),
                    l.from().asDouble(),
                    l.to().asDouble()
                };
                assertThat(solid[2]).isLessThanOrEqualTo(width);
                assertThat(solid[3]).isLessThanOrEqualTo(60);
                assertThat(solids).noneMatch(other -> IntStream.range(0, 3)
                        .allMatch(axis -> axis == 2
                                ? other[4] < solid[5] && solid[4] < other[5]
                                : other[axis] < solid[axis + 2] && solid[axis] < other[axis + 2]));
                solids.add(solid);
            }
        });
    }

    /** A slow judge that tries every millimetre for one module: the clever one must never need more depth. */
    @Property(tries = 60)
    void noMillimetreIsOverlooked(
            @ForAll @IntRange(min = 20, max = 60) int length,
            @ForAll @IntRange(min = 16, max = 45) int second,
            @ForAll @IntRange(min = 60, max = 135) int width,
            @ForAll @IntRange(min = 1, max = 2) int gangs) {
        int shorter = Math.min(length, second);
        int[] sides = {Math.max(length, second), shorter, Math.min(15, shorter)};
        Box box = box(gangs, 24);
        BoxGeometry room = room(width, 60, false);
        int best = Integer.MAX_VALUE;
        for (int[] turn : new int[][] {{0, 1, 2}, {1, 0, 2}, {0, 2, 1}, {2, 0, 1}, {1, 2, 0}, {2, 1, 0}}) {
            for (int x = 0; x + sides[turn[0]] <= width; x++) {
                for (int y = 0; y + sides[turn[1]] <= 60; y++) {
                    int from = 5;
                    for (Placement.Mechanism m : Placement.mechanisms(box, room, RegionProfile.EU_230)) {
                        boolean over = m.x().asDouble() < x + sides[turn[0]]
                                && x < m.x().plus(m.width()).asDouble()
                                && m.y().asDouble() < y + sides[turn[1]]
                                && y < m.y().plus(m.height()).asDouble();
                        from = over ? Math.max(from, 24) : from;
                    }
                    best = Math.min(best, Math.max(24, from + sides[turn[2]]) + 5);
                }
            }
        }
        Optional<Placement> clever =
                Placement.of(box, room, RegionProfile.EU_230, List.of(body(sides[0], sides[1], sides[2])));

        assertThat(clever.map(p -> p.needed().asDouble()).orElse(Double.MAX_VALUE))
                .isLessThanOrEqualTo(best);
    }

    private static Optional<Millimetres> needed(BoxGeometry room, int gangs, int mechanismDepth, Body... bodies) {
        return placed(room, gangs, mechanismDepth, bodies).map(Placement::needed);
    }

    private static Optional<Placement> placed(BoxGeometry room, int gangs, int mechanismDepth, Body... bodies) {
        return Placement.of(box(gangs, mechanismDepth), room, RegionProfile.EU_230, List.of(bodies));
    }

    private static BoxGeometry room(int width, int height, boolean round) {
        return new BoxGeometry(
                Millimetres.of(width), Millimetres.of(height), Millimetres.of(61), false, Optional.empty(), round);
    }

    private static Box box(int gangs, int mechanismDepth) {
        List<Gang> all = IntStream.rangeClosed(1, gangs)
                .mapToObj(n -> new Gang(
                        n, "switch " + n, Mechanism.ONE_WAY, Millimetres.of(mechanismDepth), new CircuitId("4")))
                .toList();
        return new Box("B", BoxKind.WALL, Optional.of(room(60, 60, false)), all, List.of(), List.of(), List.of());
    }

    private static Body body(int length, int width, int thickness) {
        return new Body(Millimetres.of(length), Millimetres.of(width), Millimetres.of(thickness));
    }
}
