package org.hiddenclerk.core.electrical.part;

import org.hiddenclerk.core.quantity.Tolerance;

/** What a load does at a voltage, as a share of its nominal volts. */
public enum LoadState {
    ON,
    OFF,
    DIM,
    OVER;

    /** At least this share: on. */
    public static final double ON_SHARE = 0.85;
    /** At most this share: off. */
    public static final double OFF_SHARE = 0.10;
    /** Above this share: destroyed. */
    public static final double OVER_SHARE = 1.10;
    /** At or above the share that counts as on; a load that is overdriven is on all the same. */
    public boolean isLit() {
        return this == ON || this == OVER;
    }

    public static LoadState at(double volts, double nominalVolts) {
        double share = volts / nominalVolts;
        if (share > OVER_SHARE + Tolerance.COMPUTED) {
            return OVER;
        }
        if (share >= ON_SHARE - Tolerance.COMPUTED) {
            return ON;
        }
        return share <= OFF_SHARE + Tolerance.COMPUTED ? OFF : DIM;
    }
}
