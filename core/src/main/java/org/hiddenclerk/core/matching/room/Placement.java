package org.hiddenclerk.core.matching.room;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.room.Outline.Rect;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Where modules lie in a box so that it need be least deep: flat behind the mechanisms, on one another, or beside a mechanism,
 * flat or on edge, each turned by 90 degrees where that helps.
 *
 * <p>Places are tried where a body touches the outline, a mechanism or another module, which for rectangles in a rectangle
 * leaves out nothing. Two modules are placed by trying everything; from three on only the {@value #BEAM} best beginnings are
 * followed, so that the depth may come out larger than need be, never smaller.
 *
 * @param needed depth that the box must have, with {@link #WIRING_SPACE}
 * @param rounds the round boxes of the outline; none where its sides are straight
 * @param lying  where each module lies, in the order in which they were given
 */
public record Placement(Millimetres needed, List<Round> rounds, List<Lying> lying) {
    /** Depth kept for wires; 5 to 10 mm is common practice, no source. */
    public static final Millimetres WIRING_SPACE = Millimetres.of(5);
    /** What the frame of a mechanism takes of the depth beside its body; common practice, no source. */
    private static final long FRAME = 5_000;

    private static final int BEAM = 60;

    public Placement {
        rounds = List.copyOf(rounds);
        lying = List.copyOf(lying);
    }

    /** A round box: its centre from the lower left, and its radius. */
    public record Round(Millimetres x, Millimetres y, Millimetres radius) {}

    /**
     * One module in its place.
     *
     * @param x      from the left of the box
     * @param y      from the bottom of the box
     * @param from   depth at which it begins
     * @param to     depth at which it ends
     * @param beside whether it lies beside the mechanisms rather than behind one
     */
    public record Lying(
            Millimetres x,
            Millimetres y,
            Millimetres width,
            Millimetres height,
            Millimetres from,
            Millimetres to,
            boolean beside) {}

    /** A mechanism's body: where it is and how deep. */
    public record Mechanism(Millimetres x, Millimetres y, Millimetres width, Millimetres height, Millimetres depth) {}

    private record Solid(Rect at, long from, long to) {}

    /** @param spread where modules end, summed: among equal depths, those that begin further up have more room for their wires */
    private record Partial(List<Solid> placed, long deepest, long spread) {}

    /** A body turned some way: its sides in the outline, how far it reaches into the depth, and the rounding that helps in the outline. */
    private record Turned(long width, long height, long into, long corner) {}

    /**
     * Bodies of the mechanisms of a box. 40 × 40 mm, 40 × 46 mm in the United Kingdom and 34 × 70 mm in the United States are
     * common practice, no source; each stands in the middle of its share of the box.
     */
    public static List<Mechanism> mechanisms(Box box, BoxGeometry room, RegionProfile region) {
        List<Mechanism> bodies = new ArrayList<>();
        long share = room.round()
                ? BoxGeometry.PITCH.micrometres()
                : room.width().micrometres() / Math.max(1, box.gangs().size());
        long first = (room.width().micrometres() - share * box.gangs().size()) / 2;
        for (Gang gang : box.gangs()) {
            long width = Math.min(region.code().mechanismWidth().micrometres(), share);
            long height = Math.min(
                    region.code().mechanismHeight().micrometres(), room.height().micrometres());
            long x = Math.max(0, first + share * (gang.number() - 1) + (share - width) / 2);
            bodies.add(new Mechanism(
                    new Millimetres(x),
                    new Millimetres((room.height().micrometres() - height) / 2),
                    new Millimetres(width),
                    new Millimetres(height),
                    gang.depth()));
        }
        return bodies;
    }

    /** The place that takes least depth; empty when a module does not go into the outline whichever way it is turned. */
    public static Optional<Placement> of(Box box, BoxGeometry room, RegionProfile region, List<Body> modules) {
        Outline outline = Outline.of(room);
        List<Solid> mechanisms = mechanisms(box, room, region).stream()
                .map(m -> new Solid(
                        new Rect(
                                m.x().micrometres(),
                                m.y().micrometres(),
                                m.width().micrometres(),
                                m.height().micrometres()),
                        0,
                        m.depth().micrometres()))
                .toList();
        long floor = mechanisms.stream().mapToLong(Solid::to).max().orElse(0);
        List<Partial> beginnings = List.of(new Partial(List.of(), floor, 0));
        for (Body body : modules) {
            List<Partial> longer = new ArrayList<>();
            for (Partial beginning : beginnings) {
                extend(outline, mechanisms, beginning, body, longer);
            }
            longer.sort(Comparator.comparingLong(Partial::deepest).thenComparingLong(Partial::spread));
            beginnings = modules.size() > 2 ? longer.subList(0, Math.min(BEAM, longer.size())) : longer;
        }
        return beginnings.stream().findFirst().map(best -> read(outline, best, mechanisms));
    }

    /** Whether a body lies flat in a box that is empty. */
    static boolean liesFlat(BoxGeometry room, Body body) {
        Outline outline = Outline.of(room);
        long rounding = body.cornerRadius().micrometres();
        long a = body.length().micrometres();
        long b = body.width().micrometres();
        return outline.places(a, b, rounding).stream()
                        .anyMatch(at -> outline.holds(new Rect(at[0], at[1], a, b), rounding))
                || outline.places(b, a, rounding).stream()
                        .anyMatch(at -> outline.holds(new Rect(at[0], at[1], b, a), rounding));
    }

    private static void extend(
            Outline outline, List<Solid> mechanisms, Partial beginning, Body body, List<Partial> longer) {
        long[] sides = {
            body.length().micrometres(),
            body.width().micrometres(),
            body.thickness().micrometres()
        };
        long rounding = body.cornerRadius().micrometres();
        for (int up = 0; up < 3; up++) {
            long a = sides[up == 0 ? 1 : 0];
            long b = sides[up == 2 ? 1 : 2];
            // Standing on edge, the rounded corners point up and down and help nothing in the outline.
            long corner = up == 2 ? rounding : 0;
            lay(outline, mechanisms, beginning, new Turned(a, b, sides[up], corner), longer);
            lay(outline, mechanisms, beginning, new Turned(b, a, sides[up], corner), longer);
        }
    }

    private static void lay(
            Outline outline, List<Solid> mechanisms, Partial beginning, Turned body, List<Partial> longer) {
        for (Rect at : places(outline, mechanisms, beginning.placed, body)) {
            long from = 0;
            for (Solid solid : mechanisms) {
                from = solid.at.overlaps(at) ? Math.max(from, solid.to) : from;
            }
            for (Solid solid : beginning.placed) {
                from = solid.at.overlaps(at) ? Math.max(from, solid.to) : from;
            }
            from = Math.max(from, FRAME);
            List<Solid> placed = new ArrayList<>(beginning.placed);
            placed.add(new Solid(at, from, from + body.into));
            longer.add(new Partial(
                    placed, Math.max(beginning.deepest, from + body.into), beginning.spread + from + body.into));
        }
    }

    private static Set<Rect> places(Outline outline, List<Solid> mechanisms, List<Solid> placed, Turned body) {
        Set<Rect> places = new LinkedHashSet<>();
        List<Long> xs = new ArrayList<>();
        List<Long> ys = new ArrayList<>();
        for (List<Solid> solids : List.of(mechanisms, placed)) {
            for (Solid solid : solids) {
                xs.add(solid.at.x() - body.width);
                xs.add(solid.at.x() + solid.at.width());
                ys.add(solid.at.y() - body.height);
                ys.add(solid.at.y() + solid.at.height());
            }
        }
        for (long[] at : outline.places(body.width, body.height, body.corner)) {
            keep(outline, at[0], at[1], body, places);
            xs.forEach(x -> keep(outline, x, at[1], body, places));
            ys.forEach(y -> keep(outline, at[0], y, body, places));
        }
        xs.forEach(x -> ys.forEach(y -> keep(outline, x, y, body, places)));
        return places;
    }

    private static void keep(Outline outline, long x, long y, Turned body, Set<Rect> places) {
        Rect rect = new Rect(x, y, body.width, body.height);
        if (outline.holds(rect, body.corner)) {
            places.add(rect);
        }
    }

    private static Placement read(Outline outline, Partial best, List<Solid> mechanisms) {
        List<Lying> lying = best.placed.stream()
                .map(solid -> new Lying(
                        new Millimetres(solid.at.x()),
                        new Millimetres(solid.at.y()),
                        new Millimetres(solid.at.width()),
                        new Millimetres(solid.at.height()),
                        new Millimetres(solid.from),
                        new Millimetres(solid.to),
                        mechanisms.stream().noneMatch(m -> m.at.overlaps(solid.at))))
                .toList();
        return new Placement(new Millimetres(best.deepest).plus(WIRING_SPACE), outline.rounds(), lying);
    }
}
