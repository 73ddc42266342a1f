package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/**
 * Current.
 *
 * @param milliamps the value, in milliamps; not negative
 */
public record Amps(long milliamps) implements Comparable<Amps> {
    public static final Amps ZERO = new Amps(0);

    public Amps {
        if (milliamps < 0) {
            throw new IllegalArgumentException("Amps (" + milliamps + " milliamps) must not be negative.");
        }
    }

    public static Amps of(long whole) {
        return new Amps(Math.multiplyExact(whole, 1000L));
    }

    /** @throws ArithmeticException if the value is finer than one thousandth */
    public static Amps of(BigDecimal value) {
        return new Amps(value.movePointRight(3).longValueExact());
    }

    public Amps plus(Amps other) {
        return new Amps(Math.addExact(milliamps, other.milliamps));
    }

    public Amps times(long factor) {
        return new Amps(Math.multiplyExact(milliamps, factor));
    }

    public double asDouble() {
        return milliamps / (double) 1000;
    }

    public BigDecimal asDecimal() {
        return Decimals.plain(milliamps);
    }

    @Override
    public int compareTo(Amps other) {
        return Long.compare(milliamps, other.milliamps);
    }

    /** The value with its unit and a thin space between them. */
    @Override
    public String toString() {
        return asDecimal().toPlainString() + "\u2009A";
    }
}
