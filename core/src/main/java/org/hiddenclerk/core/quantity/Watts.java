package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/**
 * Power.
 *
 * @param milliwatts the value, in milliwatts; not negative
 */
public record Watts(long milliwatts) implements Comparable<Watts> {
    public static final Watts ZERO = new Watts(0);

    public Watts {
        if (milliwatts < 0) {
            throw new IllegalArgumentException("Watts (" + milliwatts + " milliwatts) must not be negative.");
        }
    }

    public static Watts of(long whole) {
        return new Watts(Math.multiplyExact(whole, 1000L));
    }

    /** @throws ArithmeticException if the value is finer than one thousandth */
    public static Watts of(BigDecimal value) {
        return new Watts(value.movePointRight(3).longValueExact());
    }

    public Watts plus(Watts other) {
        return new Watts(Math.addExact(milliwatts, other.milliwatts));
    }

    public Watts times(long factor) {
        return new Watts(Math.multiplyExact(milliwatts, factor));
    }

    public double asDouble() {
        return milliwatts / (double) 1000;
    }

    public BigDecimal asDecimal() {
        return Decimals.plain(milliwatts);
    }

    @Override
    public int compareTo(Watts other) {
        return Long.compare(milliwatts, other.milliwatts);
    }

    /** The value with its unit and a thin space between them. */
    @Override
    public String toString() {
        return asDecimal().toPlainString() + "\u2009W";
    }
}
