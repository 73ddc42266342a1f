package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.quantity.Watts;

/**
 * Some equal loads on one switched live.
 *
 * @param kind        kind of each
 * @param count       how many, at least 1
 * @param each        power of each at nominal volts
 * @param powerFactor greater than 0 and at most 1
 * @param dimmable    whether the maker of the lamp says that it may be dimmed; empty where nobody looked
 * @param peak        peak of its inrush, each, where it is known
 * @param volts       its own volts, where they are stated: of gates, locks and all that has a supply of its own
 */
public record LoadBank(
        LoadKind kind,
        int count,
        Watts each,
        BigDecimal powerFactor,
        Optional<Boolean> dimmable,
        Optional<Amps> peak,
        Optional<Volts> volts) {
    public LoadBank {
        if (count < 1) {
            throw new IllegalArgumentException("The count (" + count + ") must be at least 1.");
        }
    }

    /** A load whose own volts are not stated. */
    public LoadBank(
            LoadKind kind,
            int count,
            Watts each,
            BigDecimal powerFactor,
            Optional<Boolean> dimmable,
            Optional<Amps> peak) {
        this(kind, count, each, powerFactor, dimmable, peak, Optional.empty());
    }

    /** A load of which no more is known. */
    public LoadBank(LoadKind kind, int count, Watts each, BigDecimal powerFactor) {
        this(kind, count, each, powerFactor, Optional.empty(), Optional.empty());
    }

    public Watts total() {
        return each.times(count);
    }

    /** Count, kind and watts of each, with what else is known, as a person reads it. */
    public String words() {
        return count + " × " + kind.label() + " " + each
                + volts.map(v -> ", " + v).orElse("")
                + dimmable.map(yes -> yes ? ", dimmable" : ", not dimmable").orElse("")
                + peak.map(a -> ", peak " + a).orElse("");
    }

    /** Current of all of them at some volts. */
    public BigDecimal amps(BigDecimal volts) {
        return total().asDecimal().divide(volts.multiply(powerFactor), MathContext.DECIMAL64);
    }
}
