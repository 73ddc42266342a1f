package org.hiddenclerk.core.rules;

import java.time.LocalTime;
import java.util.Map;
import org.hiddenclerk.core.identity.SensorId;

/**
 * What the world is like around a house that runs: what guards ask beside outputs.
 *
 * @param clock   time of day in the house
 * @param sensors what each sensor says
 */
public record World(LocalTime clock, boolean dark, boolean somebodyHome, Map<SensorId, Sensing> sensors) {
    public World {
        sensors = Map.copyOf(sensors);
    }

    /**
     * What a sensor says.
     *
     * @param value   1 for an open door or for movement, 0 for a closed one or for stillness, otherwise the figure
     * @param sinceMs since when it says so, on the clock of the house
     */
    public record Sensing(int value, long sinceMs) {}

    /** Whether a sensor says this; one that has said nothing yet says nothing. */
    boolean says(Guard.SensorSays says, long nowMs) {
        Sensing sensing = sensors.get(says.sensor());
        return sensing != null && says.reading().holdsAt(sensing.value(), nowMs - sensing.sinceMs(), says.figure());
    }
}
