package org.hiddenclerk.core.wiring;

import java.util.List;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.ConnectedBoxes.Place;

/**
 * A conductor between two places.
 *
 * @param net net that it is part of as found
 */
record ConductorPath(Place a, Box.CableCore atA, Place b, Box.CableCore atB, int net) {

    boolean joins(Place one, Place other) {
        return a.equals(one) && b.equals(other) || a.equals(other) && b.equals(one);
    }

    Place farFrom(Place place) {
        return a.equals(place) ? b : a;
    }

    Box.CableCore at(Place place) {
        return a.equals(place) ? atA : atB;
    }

    CoreColour colour() {
        return atA.core().colour();
    }

    Role role() {
        return atA.core().role();
    }

    /** Earth is earth for good: such a core is never given another task. */
    boolean isEarth() {
        return role() == Role.EARTH
                || colour() == CoreColour.GREEN_YELLOW
                || colour() == CoreColour.GREEN
                || colour() == CoreColour.BARE;
    }

    List<Place> ends() {
        return List.of(a, b);
    }
}
