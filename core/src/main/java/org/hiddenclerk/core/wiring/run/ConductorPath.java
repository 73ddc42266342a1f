package org.hiddenclerk.core.wiring.run;

import java.util.List;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * A conductor between two places.
 *
 * @param net net that it is part of as found
 */
public record ConductorPath(Place a, Box.CableCore atA, Place b, Box.CableCore atB, int net) {

    public boolean joins(Place one, Place other) {
        return a.equals(one) && b.equals(other) || a.equals(other) && b.equals(one);
    }

    public Place farFrom(Place place) {
        return a.equals(place) ? b : a;
    }

    public Box.CableCore at(Place place) {
        return a.equals(place) ? atA : atB;
    }

    public CoreColour colour() {
        return atA.core().colour();
    }

    public Role role() {
        return atA.core().role();
    }

    /** Earth is earth for good: such a core is never given another task. */
    public boolean isEarth() {
        return role() == Role.EARTH
                || colour() == CoreColour.GREEN_YELLOW
                || colour() == CoreColour.GREEN
                || colour() == CoreColour.BARE;
    }

    public List<Place> ends() {
        return List.of(a, b);
    }
}
