package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.Optional;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Inside of a box.
 *
 * @param width  clear width
 * @param height clear height
 * @param depth  from the wall's surface to the bottom
 * @param metal  whether it is metal
 * @param markedCubicInches volume that is marked in it, or that a table gives for its trade size; comes before what is measured
 */
public record BoxGeometry(Millimetres width, Millimetres height, Millimetres depth, boolean metal,
                          Optional<BigDecimal> markedCubicInches) {
    /** A box without a mark. */
    public BoxGeometry(Millimetres width, Millimetres height, Millimetres depth, boolean metal) {
        this(width, height, depth, metal, Optional.empty());
    }
}
