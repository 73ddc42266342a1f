package org.hiddenclerk.core.job;

import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;

/**
 * A circuit of the house.
 *
 * @param label               what stands on the board, for instance "4"
 * @param rating              rating of the protective device
 * @param phase               L1, L2 or L3; ELV+ for an extra-low-voltage circuit
 * @param alternativelySupplied whether an inverter, battery or generator can feed it: more than one isolation point
 * @param elvVolts            volts of ELV+ against ELV-; empty for mains
 * @param protection          what else is known of its protection
 */
public record Circuit(
        CircuitId id,
        String label,
        Amps rating,
        Line phase,
        boolean alternativelySupplied,
        Optional<Volts> elvVolts,
        Protection protection) {
    public Circuit {
        if (!phase.isLive() && phase != Line.ELV_PLUS) {
            throw new IllegalArgumentException("The phase (" + phase + ") must be L1, L2, L3 or ELV+.");
        }
        if (elvVolts.isPresent() != (phase == Line.ELV_PLUS)) {
            throw new IllegalArgumentException(
                    "Circuit " + label + " must state its volts if it is ELV, and only then.");
        }
    }

    /** A circuit of which no more is known. */
    public Circuit(
            CircuitId id,
            String label,
            Amps rating,
            Line phase,
            boolean alternativelySupplied,
            Optional<Volts> elvVolts) {
        this(id, label, rating, phase, alternativelySupplied, elvVolts, Protection.UNKNOWN);
    }

    /** A mains circuit. */
    public Circuit(CircuitId id, String label, Amps rating, Line phase, boolean alternativelySupplied) {
        this(id, label, rating, phase, alternativelySupplied, Optional.empty());
    }

    /** A direct-current circuit at extra-low voltage. */
    public static Circuit elv(CircuitId id, String label, Amps rating, Volts volts) {
        return new Circuit(id, label, rating, Line.ELV_PLUS, false, Optional.of(volts));
    }

    public boolean isElv() {
        return elvVolts.isPresent();
    }
}
