package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.List;

/**
 * A cable that enters a box.
 *
 * @param name  short name within the box, for instance "c1"
 * @param leads where it goes
 * @param mm2   cross-section of its cores
 * @param assumed whether it was filled in as it usually is, and nobody has looked at it
 */
public record Cable(String name, Leads leads, BigDecimal mm2, List<Core> cores, boolean assumed) {
    public Cable {
        cores = List.copyOf(cores);
    }

    /** A cable that somebody has looked at. */
    public Cable(String name, Leads leads, BigDecimal mm2, List<Core> cores) {
        this(name, leads, mm2, cores, false);
    }

    /** Identity of one of its cores within the box. */
    public String coreKey(Core core) {
        return name + "." + core.number();
    }
}
