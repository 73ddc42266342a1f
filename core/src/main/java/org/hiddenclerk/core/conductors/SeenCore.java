package org.hiddenclerk.core.conductors;

import java.util.Set;

/**
 * The end of a core in an opened box.
 *
 * @param cable  its cable; the name holds within the box
 * @param colour in words, as seen
 */
public record SeenCore(String id, String cable, String colour, Termination at) {
    private static final Set<String> EARTH_COLOURS = Set.of("green-yellow", "green", "bare");

    boolean isEarth() {
        return EARTH_COLOURS.contains(colour);
    }
}
