package org.hiddenclerk.core.rules;

import java.time.LocalTime;

/** What must hold for a rule to act. */
public sealed interface Guard {
    record OutputIs(String output, boolean on) implements Guard {
    }

    /** From a time of the clock to another, over midnight when that is earlier. */
    record TimeBetween(LocalTime from, LocalTime to) implements Guard {
    }

    /** Between sunset and sunrise, or not. */
    record Dark(boolean dark) implements Guard {
    }

    record SomebodyHome(boolean home) implements Guard {
    }

    record SensorSays(String sensor, Trigger.Reading reading, int figure) implements Guard {
    }
}
