package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/**
 * What counts as extra-low voltage: at most 50 V of alternating, at most 120 V of ripple-free direct current (IEC
 * 61140; HD 60364-4-41; BS 7671 Part 2).
 */
public enum ExtraLowVoltage {
    ALTERNATING("50"),
    DIRECT("120");

    /** For bounds of fields, which are constants. */
    public static final String MOST_DIRECT_VOLTS = "120";

    private final Volts most;

    ExtraLowVoltage(String volts) {
        most = Volts.of(new BigDecimal(volts));
    }

    public boolean includes(Volts volts) {
        return volts.compareTo(most) <= 0;
    }
}
