package org.hiddenclerk.core.job;

import java.util.Optional;

/**
 * One core of a cable, as found in a box.
 *
 * @param number position within the cable, from 1
 * @param colour colour of the insulation
 * @param sleeve colour of a sleeve, if there is one
 * @param role   what it does
 * @param end    where it ends in the box
 */
public record Core(int number, CoreColour colour, Optional<CoreColour> sleeve, Role role, End end) {

    /** The same core with its end elsewhere. */
    public Core endingAt(End other) {
        return new Core(number, colour, sleeve, role, other);
    }
}
