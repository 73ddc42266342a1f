package org.hiddenclerk.app.stage.papers;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A line or an outline, piece by piece. */
final class Way {
    /** A quarter of a circle by one cubic curve; off by less than 0.03 % of its radius. */
    private static final double QUARTER = 0.5522847498;

    private final List<Piece> pieces = new ArrayList<>();

    /** @param figures x and y in turn: one point, or for a curve its two controls and its end */
    record Piece(char kind, double... figures) {}

    static Way from(double x, double y) {
        return new Way().move(x, y);
    }

    Way move(double x, double y) {
        pieces.add(new Piece('M', x, y));
        return this;
    }

    Way line(double x, double y) {
        pieces.add(new Piece('L', x, y));
        return this;
    }

    Way curve(double x1, double y1, double x2, double y2, double x, double y) {
        pieces.add(new Piece('C', x1, y1, x2, y2, x, y));
        return this;
    }

    /** A curve with one control, drawn as a cubic one. @param x0 where the way stands */
    Way bend(double x0, double y0, double cx, double cy, double x, double y) {
        return curve(x0 + 2 * (cx - x0) / 3, y0 + 2 * (cy - y0) / 3, x + 2 * (cx - x) / 3, y + 2 * (cy - y) / 3, x, y);
    }

    Way close() {
        pieces.add(new Piece('Z'));
        return this;
    }

    static Way rectangle(double x, double y, double width, double height, double radius) {
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

    static Way circle(double x, double y, double radius) {
        return rectangle(x - radius, y - radius, 2 * radius, 2 * radius, radius);
    }

    /** The upper half of a circle, closed below. */
    static Way dome(double x, double y, double radius) {
        double k = radius * QUARTER;
        return from(x - radius, y)
                .curve(x - radius, y - k, x - k, y - radius, x, y - radius)
                .curve(x + k, y - radius, x + radius, y - k, x + radius, y)
                .close();
    }

    List<Piece> pieces() {
        return pieces;
    }

    /** As the attribute {@code d} of an SVG path. */
    String svg() {
        return pieces.stream()
                .map(piece -> piece.kind()
                        + java.util.Arrays.stream(piece.figures())
                                .mapToObj(Way::figure)
                                .collect(Collectors.joining(" ")))
                .collect(Collectors.joining());
    }

    /** Up to two decimals. */
    static String figure(double value) {
        return BigDecimal.valueOf(Math.round(value * 100), 2)
                .stripTrailingZeros()
                .toPlainString();
    }
}
