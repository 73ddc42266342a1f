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
 * @param metal             what its conductors are of; empty where nobody looked
 */
public record Protection(
        Device device, OptionalInt residualMilliamps, Optional<BigDecimal> cableMm2, Optional<Metal> metal) {
    public static final Protection UNKNOWN = new Protection(Device.BREAKER, OptionalInt.empty(), Optional.empty());

    public Protection(Device device, OptionalInt residualMilliamps, Optional<BigDecimal> cableMm2) {
        this(device, residualMilliamps, cableMm2, Optional.empty());
    }

    /** What conductors are of. Aluminium carries less, and few terminals take it. */
    public enum Metal {
        COPPER,
        ALUMINIUM
    }

    /** Kinds of overcurrent devices. */
    public enum Device {
        BREAKER("circuit breaker"),
        BREAKER_WITH_RESIDUAL("breaker with residual current"),
        FUSE("fuse");

        private final String label;

        Device(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
