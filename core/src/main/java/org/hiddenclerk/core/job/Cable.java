package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.List;

/**
 * A cable that enters a box.
 *
 * @param name  short name within the box, for instance "c1"
 * @param leads where it goes
 * @param mm2   cross-section of its cores
 */
public record Cable(String name, Leads leads, BigDecimal mm2, List<Core> cores) {
    public Cable {
        cores = List.copyOf(cores);
    }

    /** Identity of one of its cores within the box. */
    public String coreKey(Core core) {
        return name + "." + core.number();
    }
}
