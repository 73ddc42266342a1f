package org.hiddenclerk.core.matching.margin;

import java.math.BigDecimal;

/**
 * How far something is from its limit.
 *
 * @param what    what is compared, in a few words
 * @param found   what is there
 * @param allowed the limit; more than zero
 * @param unit    unit of both
 */
public record Margin(String what, BigDecimal found, BigDecimal allowed, String unit) {
    /** From this share on a margin is close, in percent. */
    private static final int CLOSE_PERCENT = 80;

    /** Where the value stands. */
    public enum Level {
        AMPLE,
        CLOSE,
        OVER
    }

    public Margin {
        if (allowed.signum() <= 0) {
            throw new IllegalArgumentException("The limit of " + what + " (" + allowed + ") must be above zero.");
        }
    }

    public Level level() {
        if (found.compareTo(allowed) > 0) {
            return Level.OVER;
        }
        BigDecimal hundredfold = found.movePointRight(2);
        return hundredfold.compareTo(allowed.multiply(BigDecimal.valueOf(CLOSE_PERCENT))) > 0
                ? Level.CLOSE
                : Level.AMPLE;
    }

    public boolean isOver() {
        return level() == Level.OVER;
    }

    /** By how much the limit is passed; negative when there is room left. */
    public BigDecimal excess() {
        return found.subtract(allowed);
    }
}
