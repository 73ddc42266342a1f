package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.Optional;
import org.hiddenclerk.core.job.RegionProfile;

/**
 * What is measured of new wiring before it is switched on.
 *
 * @param earthOhms         most that the earth path may have, in ohms
 * @param insulationMegohms least that the insulation must have, in megohms; empty where the region's practice does not ask for it
 * @param words             where its limits are from
 */
record DeadCircuitTests(BigDecimal earthOhms, Optional<BigDecimal> insulationMegohms, String words) {
    /** What a usual tester shows at most. */
    static final BigDecimal MOST_MEGOHMS = new BigDecimal("99999");
    /** For the lengths of a house; common practice, no source. */
    private static final BigDecimal EARTH = new BigDecimal("1.0");

    static DeadCircuitTests of(RegionProfile region) {
        return switch (region.code()) {
            case IEC_60364 ->
                new DeadCircuitTests(
                        EARTH,
                        Optional.of(BigDecimal.ONE),
                        "Insulation: IEC 60364-6, table 6.1, from memory: 1 M\u03a9. Earth path: common practice.");
            case BS_7671 ->
                new DeadCircuitTests(
                        EARTH,
                        Optional.of(BigDecimal.ONE),
                        "Insulation: BS 7671, table 64, from memory: 1 M\u03a9. Earth path: common practice.");
            case NEC ->
                new DeadCircuitTests(
                        EARTH, Optional.empty(), "Grounding path and polarity; common practice, no source.");
        };
    }
}
