package org.hiddenclerk.core.rules;

import java.time.LocalTime;
import java.util.Set;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;

/** What must hold for a rule to act. */
public sealed interface Guard {
    /** What it names of the house. */
    default Set<HouseId> ids() {
        return Set.of();
    }

    record OutputIs(OutputId output, boolean on) implements Guard {
        @Override
        public Set<HouseId> ids() {
            return Set.of(output);
        }
    }

    /** From a time of the clock to another, over midnight when that is earlier. */
    record TimeBetween(LocalTime from, LocalTime to) implements Guard {
    }

    /** Between sunset and sunrise, or not. */
    record Dark(boolean dark) implements Guard {
    }

    record SomebodyHome(boolean home) implements Guard {
    }

    record SensorSays(SensorId sensor, Trigger.Reading reading, int figure) implements Guard {
        @Override
        public Set<HouseId> ids() {
            return Set.of(sensor);
        }
    }
}
