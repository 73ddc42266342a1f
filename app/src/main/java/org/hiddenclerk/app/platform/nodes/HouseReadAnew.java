package org.hiddenclerk.app.platform.nodes;

import java.util.Set;
import java.util.UUID;

/**
 * The rows of a house were put in anew, or were put in for a try and taken back: what was kept of them by their versions may be
 * of other rows with the same ones.
 *
 * @param boxes     that are in it, or were
 * @param elsewhere on another node, which told of it
 */
public record HouseReadAnew(UUID job, Set<UUID> boxes, boolean elsewhere) {
    public HouseReadAnew {
        boxes = Set.copyOf(boxes);
    }

    /** On this node. */
    public static HouseReadAnew here(UUID job, Set<UUID> boxes) {
        return new HouseReadAnew(job, boxes, false);
    }
}
