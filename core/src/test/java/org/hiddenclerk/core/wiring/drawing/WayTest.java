package org.hiddenclerk.core.wiring.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Outlines against the platform's own geometry (java.awt.geom). */
class WayTest {
    private static Path2D path(Way way) {
        Path2D path = new Path2D.Double();
        for (Way.Piece piece : way.pieces()) {
            double[] f = piece.figures();
            switch (piece.kind()) {
                case 'M' -> path.moveTo(f[0], f[1]);
                case 'L' -> path.lineTo(f[0], f[1]);
                case 'C' -> path.curveTo(f[0], f[1], f[2], f[3], f[4], f[5]);
                case 'Z' -> path.closePath();
                default -> throw new AssertionError(piece.kind());
            }
        }
        return path;
    }

    @Test
    void aCircleIsOneToThreeTenthsOfAThousandth() {
        PathIterator points = path(Way.circle(40, 30, 20)).getPathIterator(null, 0.000_1);
        double[] at = new double[6];
        int seen = 0;
        for (; !points.isDone(); points.next()) {
            if (points.currentSegment(at) != PathIterator.SEG_CLOSE) {
                assertThat(Math.hypot(at[0] - 40, at[1] - 30)).isCloseTo(20, within(20 * 0.000_3));
                seen++;
            }
        }
        assertThat(seen).isGreaterThan(50);
    }

    @Test
    void aRectangleFillsItsPlaceAndItsCornersAreCutByTheirRadius() {
        Path2D sharp = path(Way.rectangle(10, 20, 60, 40, 0));
        Path2D round = path(Way.rectangle(10, 20, 60, 40, 8));
        assertThat(sharp.getBounds2D()).isEqualTo(round.getBounds2D());
        assertThat(sharp.contains(10.5, 20.5)).isTrue();
        assertThat(round.contains(10.5, 20.5)).isFalse();
        // The nearest point of a rounded corner is radius x (1 - 1/sqrt 2) off on both axes.
        double off = 8 * (1 - Math.sqrt(0.5));
        assertThat(round.contains(10 + off + 0.05, 20 + off + 0.05)).isTrue();
        assertThat(round.contains(10 + off - 0.05, 20 + off - 0.05)).isFalse();
        assertThat(path(Way.rectangle(0, 0, 4, 40, 30)).getBounds2D().getWidth())
                .as("a radius larger than the rectangle")
                .isEqualTo(4);
    }

    @Test
    void aDomeIsTheUpperHalf() {
        Path2D dome = path(Way.dome(0, 0, 10));
        assertThat(dome.contains(0, -9.9)).isTrue();
        assertThat(dome.contains(0, 0.1)).isFalse();
        assertThat(dome.getBounds2D().getHeight()).isCloseTo(10, within(0.01));
    }

    /** A curve with one control is the cubic one with controls two thirds of the way to it (SVG 1.1, 8.3.6 has both). */
    @Test
    void aBendIsTheQuadraticCurve() {
        Path2D quadratic = new Path2D.Double();
        quadratic.moveTo(0, 0);
        quadratic.quadTo(10, 20, 30, 0);
        double[] at = new double[6];
        for (PathIterator points =
                        path(Way.from(0, 0).bend(0, 0, 10, 20, 30, 0)).getPathIterator(null, 0.001);
                !points.isDone();
                points.next()) {
            points.currentSegment(at);
            assertThat(distance(quadratic, at[0], at[1])).isLessThan(0.01);
        }
    }

    private static double distance(Path2D path, double x, double y) {
        double nearest = Double.MAX_VALUE;
        double[] at = new double[6];
        double[] before = new double[2];
        for (PathIterator points = path.getPathIterator(null, 0.001); !points.isDone(); points.next()) {
            int kind = points.currentSegment(at);
            if (kind == PathIterator.SEG_LINETO) {
                nearest = Math.min(nearest, java.awt.geom.Line2D.ptSegDist(before[0], before[1], at[0], at[1], x, y));
            }
            before = new double[] {at[0], at[1]};
        }
        return nearest;
    }

    @Test
    void figuresHaveTwoDecimalsAtMost() {
        assertThat(Way.from(1.004, 2.005).line(10, -0.001).close().svg()).isEqualTo("M1 2.01L10 0Z");
    }

    @Test
    void aWayThroughPointsHasItsCornersRoundedAndItsEndsWhereTheyAre() {
        Way way = Way.through(
                List.of(new BoxDrawing.Point(0, 0), new BoxDrawing.Point(10, 0), new BoxDrawing.Point(10, 20)), 4);
        // The controls of the cubic curve are two thirds of the way to the corner.
        assertThat(way.svg()).isEqualTo("M0 0L6 0C8.67 0 10 1.33 10 4L10 20");
        assertThat(Way.through(
                                List.of(
                                        new BoxDrawing.Point(0, 0),
                                        new BoxDrawing.Point(4, 0),
                                        new BoxDrawing.Point(4, 9)),
                                6)
                        .svg())
                .as("no corner takes more than half of a line beside it")
                .isEqualTo("M0 0L2 0C3.33 0 4 0.67 4 2L4 9");
    }
}
