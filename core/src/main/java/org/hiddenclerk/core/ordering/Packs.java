package org.hiddenclerk.core.ordering;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * What is ordered of something that comes in packs: whole ones.
 *
 * @param packs  how many
 * @param pieces in one of them
 * @param left   pieces that nobody asked for; they go on the shelf
 */
public record Packs(int packs, int pieces, BigDecimal left) {
    /**
     * As few packs as hold enough.
     *
     * @param wanted pieces, or metres of wire; not below zero
     * @param pieces in a pack; at least 1
     */
    public static Packs of(BigDecimal wanted, int pieces) {
        if (wanted.signum() < 0 || pieces < 1) {
            throw new IllegalArgumentException("Wanted (" + wanted + ") must not be below zero, and pieces of a pack ("
                    + pieces + ") must be at least 1.");
        }
        int packs = wanted.divide(BigDecimal.valueOf(pieces), 0, RoundingMode.CEILING)
                .intValueExact();
        return new Packs(
                packs, pieces, BigDecimal.valueOf((long) packs * pieces).subtract(wanted));
    }
}
