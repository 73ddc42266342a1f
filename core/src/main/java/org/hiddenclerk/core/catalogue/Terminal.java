package org.hiddenclerk.core.catalogue;

import java.math.BigDecimal;

/**
 * One terminal of a module.
 *
 * @param name     as printed on the module
 * @param takes    conductors it is made to hold
 * @param maxMm2   thickest conductor it takes
 */
public record Terminal(String name, int takes, BigDecimal maxMm2) {
    public Terminal {
        if (takes < 1) {
            throw new IllegalArgumentException("Terminal " + name + " must take at least 1 conductor, not " + takes + ".");
        }
    }
}
