package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Current from power, and how much of a rating may be used without a break. */
public final class LoadArithmetic {
    private static final BigDecimal ROOT_OF_THREE = new BigDecimal("1.7320508075688772");

    private LoadArithmetic() {}

    /**
     * Line current of a load.
     *
     * @param watts       real power
     * @param volts       line to neutral for one phase, line to line for three
     * @param powerFactor greater than 0 and at most 1
     * @param phases      1 or 3
     * @return amperes to the milliampere, rounded up so that a limit is never met by rounding
     */
    public static Amps current(Watts watts, Volts volts, BigDecimal powerFactor, int phases) {
        if (phases != 1 && phases != 3) {
            throw new IllegalArgumentException("The number of phases (" + phases + ") must be 1 or 3.");
        }
        BigDecimal voltAmps = volts.asDecimal().multiply(powerFactor);
        BigDecimal divisor = phases == 3 ? voltAmps.multiply(ROOT_OF_THREE) : voltAmps;
        return Amps.of(watts.asDecimal().divide(divisor, MathContext.DECIMAL64).setScale(3, RoundingMode.UP));
    }

    /**
     * Whether a load that runs for three hours or more stays within the permitted share of a rating.
     *
     * @param sharePercent permitted share in percent, 1 to 100; 80 where NEC 210.20(A) applies
     */
    public static boolean isWithinContinuousLimit(Amps load, Amps rating, int sharePercent) {
        return Math.multiplyExact(load.milliamps(), 100L)
                <= Math.multiplyExact(rating.milliamps(), (long) sharePercent);
    }
}
