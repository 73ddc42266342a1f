package org.hiddenclerk.core.matching.room;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * The inside of a box seen from the front, in micrometres from its lower left corner: a rectangle, or round boxes in a row.
 * A body lies in one round box; it does not reach through the rims.
 */
public final class Outline {
    private final long width;
    private final long height;
    private final List<Disc> discs;

    /** A round box: its centre and radius. */
    private record Disc(long x, long y, long radius) {}

    List<Placement.Round> rounds() {
        return discs.stream()
                .map(d -> new Placement.Round(new Millimetres(d.x), new Millimetres(d.y), new Millimetres(d.radius)))
                .toList();
    }

    private Outline(long width, long height, List<Disc> discs) {
        this.width = width;
        this.height = height;
        this.discs = discs;
    }

    static Outline of(BoxGeometry box) {
        long width = box.width().micrometres();
        long height = box.height().micrometres();
        List<Disc> discs = new ArrayList<>();
        if (box.round()) {
            long radius = Math.min(width, height) / 2;
            long first = width / 2 - BoxGeometry.PITCH.micrometres() * (box.rounds() - 1) / 2;
            for (int i = 0; i < box.rounds(); i++) {
                discs.add(new Disc(first + BoxGeometry.PITCH.micrometres() * i, height / 2, radius));
            }
        }
        return new Outline(width, height, discs);
    }

    long width() {
        return width;
    }

    long height() {
        return height;
    }

    /** Whether a rectangle with rounded corners lies inside; touching counts as inside. */
    boolean holds(Rect rect, long cornerRadius) {
        boolean inFrame = rect.x() >= 0
                && rect.y() >= 0
                && rect.x() + rect.width() <= width
                && rect.y() + rect.height() <= height;
        return inFrame && (discs.isEmpty() || discs.stream().anyMatch(disc -> holds(disc, rect, cornerRadius)));
    }

    /** The centre of the corner's rounding must be within the disc less that rounding. */
    private static boolean holds(Disc disc, Rect rect, long cornerRadius) {
        long dx = Math.max(Math.abs(rect.x() - disc.x), Math.abs(rect.x() + rect.width() - disc.x)) - cornerRadius;
        long dy = Math.max(Math.abs(rect.y() - disc.y), Math.abs(rect.y() + rect.height() - disc.y)) - cornerRadius;
        long reach = disc.radius - cornerRadius;
        return reach >= 0 && dx * dx + dy * dy <= reach * reach;
    }

    /** Places of a rectangle worth trying whatever else is in the box: corners, centres, and where it touches a round rim. */
    List<long[]> places(long rectWidth, long rectHeight, long cornerRadius) {
        List<long[]> places = new ArrayList<>();
        if (discs.isEmpty()) {
            for (long x : new long[] {0, (width - rectWidth) / 2, width - rectWidth}) {
                for (long y : new long[] {0, (height - rectHeight) / 2, height - rectHeight}) {
                    places.add(new long[] {x, y});
                }
            }
            return places;
        }
        for (Disc disc : discs) {
            long left = disc.x - rectWidth / 2;
            long low = disc.y - rectHeight / 2;
            places.add(new long[] {left, low});
            long reach = disc.radius - cornerRadius;
            long across = half(reach, rectHeight / 2 - cornerRadius) - (rectWidth / 2 - cornerRadius);
            long up = half(reach, rectWidth / 2 - cornerRadius) - (rectHeight / 2 - cornerRadius);
            if (across > 0) {
                places.add(new long[] {left - across, low});
                places.add(new long[] {left + across, low});
            }
            if (up > 0) {
                places.add(new long[] {left, low - up});
                places.add(new long[] {left, low + up});
            }
        }
        return places;
    }

    /** Half of the chord at a distance from the centre, rounded down. */
    private static long half(long radius, long distance) {
        long square = radius * radius - distance * distance;
        return square < 0 ? -1 : (long) Math.sqrt((double) square) - 1;
    }

    /** Area in mm². */
    double squareMillimetres() {
        return discs.isEmpty()
                ? width / 1e3 * (height / 1e3)
                : discs.stream()
                        .mapToDouble(d -> Math.PI * d.radius / 1e3 * (d.radius / 1e3))
                        .sum();
    }

    /**
     * A rectangle in the outline, in micrometres.
     *
     * @param x      of its left side
     * @param y      of its lower side
     */
    record Rect(long x, long y, long width, long height) {
        boolean overlaps(Rect other) {
            return x < other.x + other.width
                    && other.x < x + width
                    && y < other.y + other.height
                    && other.y < y + height;
        }
    }
}
