package org.hiddenclerk.core.firmware;

import java.util.Optional;

/**
 * How a house is brought to other versions.
 *
 * @param batch     modules at once, after the first of each kind
 * @param tries     times that a module is tried before it is marked
 * @param stopAfter modules marked in one wave after which everything stops until a person says go on
 * @param downgrade why versions may go back; empty where they may not
 */
public record Policy(int batch, int tries, int stopAfter, Optional<String> downgrade) {
    /** Common practice, no source. */
    public static final Policy USUAL = new Policy(5, 3, 2, Optional.empty());

    public Policy {
        if (batch < 1
                || tries < 1
                || stopAfter < 1
                || downgrade.filter(String::isBlank).isPresent()) {
            throw new IllegalArgumentException(
                    "Batch, tries and stop are at least 1, and a reason to go back is not blank.");
        }
    }
}
