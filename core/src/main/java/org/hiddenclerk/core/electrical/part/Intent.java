package org.hiddenclerk.core.electrical.part;

import java.util.List;
import java.util.OptionalInt;

/**
 * What the people want of a load.
 *
 * @param load           the load
 * @param controls       switches each of which must change it from every reachable state
 * @param remote         whether a remote command must change it too
 * @param maxHandActions how many operations of one control may be needed; by default 1, and 2 for a control read by a
 *                       POSITION_RULES input when {@code remote} is true
 */
public record Intent(PartId load, List<PartId> controls, boolean remote, OptionalInt maxHandActions) {
    public Intent {
        controls = List.copyOf(controls);
    }

    public Intent(PartId load, List<PartId> controls, boolean remote) {
        this(load, controls, remote, OptionalInt.empty());
    }
}
