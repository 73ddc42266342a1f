package org.hiddenclerk.core.schedule;

import java.time.ZoneId;

/**
 * Where a house is, and whose clocks it keeps.
 *
 * @param latitude  degrees, north positive
 * @param longitude degrees, east positive
 */
public record Location(double latitude, double longitude, ZoneId zone) {
    public Location {
        if (!(Math.abs(latitude) <= 90) || !(Math.abs(longitude) <= 180)) {
            throw new IllegalArgumentException("The place (" + latitude + ", " + longitude
                    + ") must be within 90 degrees north or south and 180 east or west.");
        }
    }
}
