package org.hiddenclerk.core.catalogue;

import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Outside of a module, without its leads.
 *
 * @param length       longest side
 * @param width        second side
 * @param thickness    shortest side
 * @param cornerRadius how far its corners are rounded; zero where they are sharp or nobody says
 */
public record Body(Millimetres length, Millimetres width, Millimetres thickness, Millimetres cornerRadius) {
    public Body {
        if (width.compareTo(length) > 0 || thickness.compareTo(width) > 0) {
            throw new IllegalArgumentException(
                    "The sides (" + length + ", " + width + ", " + thickness + ") must come longest first.");
        }
        if (cornerRadius.times(2).compareTo(width) > 0) {
            throw new IllegalArgumentException(
                    "The corner radius (" + cornerRadius + ") must be at most half of " + width + ".");
        }
    }

    /** Sharp corners. */
    public Body(Millimetres length, Millimetres width, Millimetres thickness) {
        this(length, width, thickness, Millimetres.ZERO);
    }
}
