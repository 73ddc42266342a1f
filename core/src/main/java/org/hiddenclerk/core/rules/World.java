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
    public record Sensing(int value, long sinceMs) {
    }

    boolean holds(Guard guard, long nowMs) {
        if (guard instanceof Guard.TimeBetween between) {
            boolean overMidnight = between.from().isAfter(between.to());
            boolean after = !clock.isBefore(between.from());
            boolean before = clock.isBefore(between.to());
            return overMidnight ? after || before : after && before;
        } else if (guard instanceof Guard.Dark is) {
            return is.dark() == dark;
        } else if (guard instanceof Guard.SomebodyHome home) {
            return home.home() == somebodyHome;
        } else if (guard instanceof Guard.SensorSays says) {
            return says(says, nowMs);
        }
        return true;
    }

    /** A sensor that has said nothing yet says nothing. */
    private boolean says(Guard.SensorSays says, long nowMs) {
        Sensing sensing = sensors.get(says.sensor());
        return sensing != null && says.reading().holdsAt(sensing.value(), nowMs - sensing.sinceMs(), says.figure());
    }
}
