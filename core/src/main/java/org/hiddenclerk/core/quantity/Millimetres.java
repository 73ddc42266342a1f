package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/**
 * Length.
 *
 * @param micrometres the value, in micrometres; not negative
 */
public record Millimetres(long micrometres) implements Comparable<Millimetres> {
    public static final Millimetres ZERO = new Millimetres(0);

    public Millimetres {
        if (micrometres < 0) {
            throw new IllegalArgumentException("Millimetres (" + micrometres + " micrometres) must not be negative.");
        }
    }

    public static Millimetres of(long whole) {
        return new Millimetres(Math.multiplyExact(whole, 1000L));
    }

    /** @throws ArithmeticException if the value is finer than one thousandth */
    public static Millimetres of(BigDecimal value) {
        return new Millimetres(value.movePointRight(3).longValueExact());
    }

    public Millimetres plus(Millimetres other) {
        return new Millimetres(Math.addExact(micrometres, other.micrometres));
    }

    public Millimetres times(long factor) {
        return new Millimetres(Math.multiplyExact(micrometres, factor));
    }

    public double asDouble() {
        return micrometres / (double) 1000;
    }

    public BigDecimal asDecimal() {
        return Decimals.plain(micrometres);
    }

    @Override
    public int compareTo(Millimetres other) {
        return Long.compare(micrometres, other.micrometres);
    }

    /** The value with its unit and a thin space between them. */
    @Override
    public String toString() {
        return asDecimal().toPlainString() + "\u2009mm";
    }
}
