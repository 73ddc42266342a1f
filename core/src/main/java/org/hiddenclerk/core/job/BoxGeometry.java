package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Inside of a box.
 *
 * @param width  clear width
 * @param height clear height
 * @param depth  from the wall's surface to the bottom
 * @param metal  whether it is metal
 * @param markedCubicInches volume that is marked in it, or that a table gives for its trade size; comes before what is measured
 * @param supportFittings kinds of studs and hickeys in it, which a lamp box may have; empty where nobody looked
 * @param round  whether it is round: one round box, or several in a row that share their rims
 */
public record BoxGeometry(
        Millimetres width,
        Millimetres height,
        Millimetres depth,
        boolean metal,
        Optional<BigDecimal> markedCubicInches,
        boolean round,
        OptionalInt supportFittings) {
    /** Between the centres of round boxes in a row (DIN 49073, from memory). */
    public static final Millimetres PITCH = Millimetres.of(71);

    public BoxGeometry(
            Millimetres width,
            Millimetres height,
            Millimetres depth,
            boolean metal,
            Optional<BigDecimal> markedCubicInches,
            boolean round) {
        this(width, height, depth, metal, markedCubicInches, round, OptionalInt.empty());
    }

    /** A box with straight sides and without a mark. */
    public BoxGeometry(Millimetres width, Millimetres height, Millimetres depth, boolean metal) {
        this(width, height, depth, metal, Optional.empty(), false);
    }

    /** Round boxes in a row; 1 for a box with straight sides. */
    public int rounds() {
        if (!round) {
            return 1;
        }
        long beyond = Math.max(0, width.micrometres() - height.micrometres());
        return 1 + (int) ((beyond + PITCH.micrometres() / 2) / PITCH.micrometres());
    }
}
