package org.hiddenclerk.core.wiring.drawing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** A line or an outline, piece by piece. */
public final class Way {
    /** A quarter of a circle by one cubic curve; off by less than 0.03 % of its radius. */
    private static final double QUARTER = 0.5522847498;

    private final List<Piece> pieces = new ArrayList<>();

    /** @param figures x and y in turn: one point, or for a curve its two controls and its end */
    public record Piece(char kind, double... figures) {}

    public static Way from(double x, double y) {
        return new Way().move(x, y);
    }

    public Way move(double x, double y) {
        pieces.add(new Piece('M', x, y));
        return this;
    }

    public Way line(double x, double y) {
        pieces.add(new Piece('L', x, y));
        return this;
    }

    public Way curve(double x1, double y1, double x2, double y2, double x, double y) {
        pieces.add(new Piece('C', x1, y1, x2, y2, x, y));
        return this;
    }

    /** A curve with one control, drawn as a cubic one. @param x0 where the way stands */
    public Way bend(double x0, double y0, double cx, double cy, double x, double y) {
        return curve(x0 + 2 * (cx - x0) / 3, y0 + 2 * (cy - y0) / 3, x + 2 * (cx - x) / 3, y + 2 * (cy - y) / 3, x, y);
    }

    public Way close() {
        pieces.add(new Piece('Z'));
        return this;
    }

    public static Way rectangle(double x, double y, double width, double height, double radius) {
        double r = Math.min(radius, Math.min(width, height) / 2);
        double k = r * (1 - QUARTER);
        if (r == 0) {
            return from(x, y)
                    .line(x + width, y)
                    .line(x + width, y + height)
                    .line(x, y + height)
                    .close();
        }
        return from(x + r, y)
                .line(x + width - r, y)
                .curve(x + width - k, y, x + width, y + k, x + width, y + r)
                .line(x + width, y + height - r)
                .curve(x + width, y + height - k, x + width - k, y + height, x + width - r, y + height)
                .line(x + r, y + height)
                .curve(x + k, y + height, x, y + height - k, x, y + height - r)
                .line(x, y + r)
                .curve(x, y + k, x + k, y, x + r, y)
                .close();
    }

    public static Way circle(double x, double y, double radius) {
        return rectangle(x - radius, y - radius, 2 * radius, 2 * radius, radius);
    }

    /** The upper half of a circle, closed below. */
    public static Way dome(double x, double y, double radius) {
        double k = radius * QUARTER;
        return from(x - radius, y)
                .curve(x - radius, y - k, x - k, y - radius, x, y - radius)
                .curve(x + k, y - radius, x + radius, y - k, x + radius, y)
                .close();
    }

    /** Through points one after another, with its corners rounded a little. */
    static Way through(List<BoxDrawing.Point> points, double radius) {
        Way way = from(points.get(0).x(), points.get(0).y());
        for (int i = 1; i < points.size() - 1; i++) {
            BoxDrawing.Point before = points.get(i - 1);
            BoxDrawing.Point point = points.get(i);
            BoxDrawing.Point after = points.get(i + 1);
            double r = Math.min(radius, Math.min(distance(before, point), distance(point, after)) / 2);
            double[] start = towards(point, before, r);
            double[] end = towards(point, after, r);
            way.line(start[0], start[1]).bend(start[0], start[1], point.x(), point.y(), end[0], end[1]);
        }
        BoxDrawing.Point last = points.get(points.size() - 1);
        return way.line(last.x(), last.y());
    }

    private static double distance(BoxDrawing.Point a, BoxDrawing.Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    private static double[] towards(BoxDrawing.Point from, BoxDrawing.Point to, double length) {
        double whole = Math.max(distance(from, to), 1e-9);
        return new double[] {
            from.x() + (to.x() - from.x()) * length / whole, from.y() + (to.y() - from.y()) * length / whole
        };
    }

    public List<Piece> pieces() {
        return pieces;
    }

    /** As the attribute {@code d} of an SVG path. */
    public String svg() {
        return pieces.stream()
                .map(piece -> piece.kind()
                        + Arrays.stream(piece.figures()).mapToObj(Way::figure).collect(Collectors.joining(" ")))
                .collect(Collectors.joining());
    }

    /** Up to two decimals. */
    public static String figure(double value) {
        return BigDecimal.valueOf(Math.round(value * 100), 2)
                .stripTrailingZeros()
                .toPlainString();
    }
}
