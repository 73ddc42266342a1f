package org.hiddenclerk.core.catalogue;

import java.math.BigDecimal;
import java.util.Optional;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * One terminal of a module, or one of its flying leads.
 *
 * @param name     as printed on the module
 * @param takes    conductors it is made to hold
 * @param maxMm2   thickest conductor it takes, where that is stated
 * @param lead     length of the lead, where it is one: it takes no terminal, but a place in a connector
 */
public record Terminal(String name, int takes, Optional<BigDecimal> maxMm2, Optional<Millimetres> lead) {
    public Terminal {
        if (takes < 1) {
            throw new IllegalArgumentException(
                    "Terminal " + name + " must take at least 1 conductor, not " + takes + ".");
        }
    }

    /** A terminal that is none of the leads. */
    public Terminal(String name, int takes, BigDecimal maxMm2) {
        this(name, takes, Optional.of(maxMm2), Optional.empty());
    }
}
