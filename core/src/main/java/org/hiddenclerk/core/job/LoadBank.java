package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.quantity.Watts;

/**
 * Some equal loads on one switched live.
 *
 * @param kind        kind of each
 * @param count       how many, at least 1
 * @param each        power of each at nominal volts
 * @param powerFactor greater than 0 and at most 1
 */
public record LoadBank(LoadKind kind, int count, Watts each, BigDecimal powerFactor) {
    public LoadBank {
        if (count < 1) {
            throw new IllegalArgumentException("The count (" + count + ") must be at least 1.");
        }
    }

    public Watts total() {
        return each.times(count);
    }
}
