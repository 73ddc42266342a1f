package org.hiddenclerk.core.matching.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.matching.room.Outline.Rect;
import org.hiddenclerk.core.quantity.Millimetres;

/** What lies in the outline of a box, beside the areas of the Java platform's geometry (java.awt.geom). */
class OutlineProperties {
    /** The platform draws circles by cubic curves, which are off by 0.03 % of the radius at most. */
    private static final long SLACK = 60;

    @Property
    void aBodyThatIsHeldLiesInTheArea(
            @ForAll("rounds") int rounds,
            @ForAll @IntRange(max = 140) int x,
            @ForAll @IntRange(max = 60) int y,
            @ForAll @IntRange(min = 5, max = 60) int width,
            @ForAll @IntRange(min = 5, max = 60) int height,
            @ForAll @IntRange(max = 6) int corner) {
        BoxGeometry box = box(rounds, true);
        Rect rect = new Rect(x * 1_000L, y * 1_000L, width * 1_000L, height * 1_000L);
        long rounding = Math.min(corner * 1_000L, Math.min(rect.width(), rect.height()) / 2);

        boolean held = Outline.of(box).holds(rect, rounding);

        if (held) {
            assertThat(inOneRound(box, grown(rect, -SLACK), rounding))
                    .as("a little less of it")
                    .isTrue();
        } else {
            assertThat(inOneRound(box, grown(rect, SLACK), rounding))
                    .as("a little more of it")
                    .isFalse();
        }
    }

    @Provide
    Arbitrary<Integer> rounds() {
        return Arbitraries.of(1, 2, 3);
    }

    @Property
    void whateverIsWorthTryingLiesInside(
            @ForAll("rounds") int rounds,
            @ForAll boolean round,
            @ForAll @IntRange(min = 10, max = 56) int width,
            @ForAll @IntRange(min = 10, max = 56) int height,
            @ForAll @IntRange(max = 4) int corner) {
        BoxGeometry box = box(rounds, round);
        Outline outline = Outline.of(box);
        long w = width * 1_000L;
        long h = height * 1_000L;
        List<long[]> places = outline.places(w, h, corner * 1_000L);

        assertThat(places).isNotEmpty();
        if (!round || Math.hypot(w - 2_000L * corner, h - 2_000L * corner) + 2_000L * corner < 59_900) {
            assertThat(places).allMatch(place -> outline.holds(new Rect(place[0], place[1], w, h), corner * 1_000L));
        }
    }

    @Property(tries = 20)
    void theAreaIsThatOfTheRounds(@ForAll("rounds") int rounds) {
        assertThat(Outline.of(box(rounds, true)).squareMillimetres())
                .isCloseTo(rounds * Math.PI * 30 * 30, within(1e-6));
        assertThat(Outline.of(box(rounds, false)).squareMillimetres())
                .isCloseTo((60 + 71 * (rounds - 1)) * 60.0, within(1e-6));
    }

    private static BoxGeometry box(int rounds, boolean round) {
        return new BoxGeometry(
                Millimetres.of(60 + 71L * (rounds - 1)),
                Millimetres.of(60),
                Millimetres.of(61),
                false,
                Optional.empty(),
                round);
    }

    private static Rect grown(Rect rect, long by) {
        return new Rect(rect.x() - by, rect.y() - by, rect.width() + 2 * by, rect.height() + 2 * by);
    }

    private static boolean inOneRound(BoxGeometry box, Rect rect, long rounding) {
        for (int i = 0; i < box.rounds(); i++) {
            Area left = new Area(new RoundRectangle2D.Double(
                    rect.x(), rect.y(), rect.width(), rect.height(), 2.0 * rounding, 2.0 * rounding));
            Area round = new Area(new Ellipse2D.Double(71_000.0 * i, 0, 60_000, 60_000));
            round.intersect(new Area(new Rectangle2D.Double(0, 0, 60_000 + 71_000.0 * (box.rounds() - 1), 60_000)));
            left.subtract(round);
            if (left.isEmpty()) {
                return true;
            }
        }
        return false;
    }
}
