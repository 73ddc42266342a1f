package org.hiddenclerk.core.handover;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;

/**
 * What somebody found at a test.
 *
 * @param asPlanned what was seen was what the plan expects; with a figure, what its scale says
 * @param note      what was seen otherwise; empty when nothing was
 * @param cause     why it was not so before, with the entry that mends it
 * @param basis     prints of what the test rested on when it was made
 */
public record Entry(
        String test,
        boolean asPlanned,
        Optional<BigDecimal> figure,
        String note,
        String cause,
        String who,
        Instant at,
        Map<Matter, String> basis) {
    public Entry {
        basis = Map.copyOf(basis);
    }
}
