package org.hiddenclerk.core.job;

import org.hiddenclerk.core.electrical.Line;
import org.hiddenclerk.core.quantity.Amps;

/**
 * A circuit of the house.
 *
 * @param label               what stands on the board, for instance "4"
 * @param rating              rating of the protective device
 * @param phase               L1, L2 or L3
 * @param alternativelySupplied whether an inverter, battery or generator can feed it: more than one isolation point
 */
public record Circuit(CircuitId id, String label, Amps rating, Line phase, boolean alternativelySupplied) {
    public Circuit {
        if (!phase.isLive()) {
            throw new IllegalArgumentException("The phase (" + phase + ") must be L1, L2 or L3.");
        }
    }
}
