package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/**
 * Voltage.
 *
 * @param millivolts the value, in millivolts; not negative
 */
public record Volts(long millivolts) implements Comparable<Volts> {
    public static final Volts ZERO = new Volts(0);

    public Volts {
        if (millivolts < 0) {
            throw new IllegalArgumentException("Volts (" + millivolts + " millivolts) must not be negative.");
        }
    }

    public static Volts of(long whole) {
        return new Volts(Math.multiplyExact(whole, 1000L));
    }

    /** @throws ArithmeticException if the value is finer than one thousandth */
    public static Volts of(BigDecimal value) {
        return new Volts(value.movePointRight(3).longValueExact());
    }

    public Volts plus(Volts other) {
        return new Volts(Math.addExact(millivolts, other.millivolts));
    }

    public Volts times(long factor) {
        return new Volts(Math.multiplyExact(millivolts, factor));
    }

    public double asDouble() {
        return millivolts / (double) 1000;
    }

    public BigDecimal asDecimal() {
        return Decimals.plain(millivolts);
    }

    @Override
    public int compareTo(Volts other) {
        return Long.compare(millivolts, other.millivolts);
    }

    /** The value with its unit and a thin space between them. */
    @Override
    public String toString() {
        return asDecimal().toPlainString() + "\u2009V";
    }
}
