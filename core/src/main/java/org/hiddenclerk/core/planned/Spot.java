package org.hiddenclerk.core.planned;

import java.util.Optional;
import org.hiddenclerk.core.rules.Device;

/**
 * A switch or a lamp where it is.
 *
 * @param box    where it is, or where it is listed
 * @param drives what is switched there; empty for a switch
 * @param isPush whether it goes back by itself; lamps are none
 */
public record Spot(PlannedId at, String name, String room, String box, Optional<Device.Drives> drives, boolean isPush) {
    public String id() {
        return at.text();
    }

    public boolean isLamp() {
        return drives.isPresent();
    }
}
