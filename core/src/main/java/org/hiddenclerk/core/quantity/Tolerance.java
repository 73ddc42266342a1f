package org.hiddenclerk.core.quantity;

/**
 * How far two numbers may be apart and mean the same. Figures of wirings are plain numbers in volts, amps, watts and mm²: the
 * format of a wiring takes any decimal, and thousandths would not hold them.
 */
public final class Tolerance {
    /** Of a figure that somebody wrote down and rounded, relative to it. */
    public static final double WRITTEN = 1e-5;
    /** Of what was computed from such figures. */
    public static final double COMPUTED = 1e-9;

    private Tolerance() {}
}
