package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * How a circuit is protected, as far as it was looked at.
 *
 * @param device            what opens on overload
 * @param residualMilliamps what a residual-current device trips at; empty where there is none, or nobody looked
 * @param cableMm2          cross-section of the cable from the board
 */
public record Protection(Device device, OptionalInt residualMilliamps, Optional<BigDecimal> cableMm2) {
    public static final Protection UNKNOWN = new Protection(Device.BREAKER, OptionalInt.empty(), Optional.empty());

    /** Kinds of overcurrent devices. */
    public enum Device {
        BREAKER("circuit breaker"), BREAKER_WITH_RESIDUAL("breaker with residual current"), FUSE("fuse");

        private final String label;

        Device(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
