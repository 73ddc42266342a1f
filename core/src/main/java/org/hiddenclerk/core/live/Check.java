package org.hiddenclerk.core.live;

import java.time.LocalTime;
import java.util.List;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Trigger;

/**
 * A test of a house: given that something is so, when something happens, then something else must be so. Parts are named by
 * {@link Parts#keyOf}.
 */
public record Check(String id, String name, List<Given> givens, List<When> whens, List<Then> thens) {
    public Check {
        givens = List.copyOf(givens);
        whens = List.copyOf(whens);
        thens = List.copyOf(thens);
    }

    /** What is so before anything happens. */
    public sealed interface Given {
        record OutputIs(OutputId output, boolean on) implements Given {
        }

        record Dark(boolean dark) implements Given {
        }

        record SomebodyHome(boolean home) implements Given {
        }

        record ClockShows(LocalTime time) implements Given {
        }

        record SensorSays(SensorId sensor, Trigger.Reading reading, int figure) implements Given {
        }

        record Down(String part) implements Given {
        }
    }

    /** What happens. */
    public sealed interface When {
        record Worked(SwitchId at, Hand.Doing doing) implements When {
        }

        record Ordered(OutputId output, boolean on) implements When {
        }

        record Senses(SensorId sensor, Trigger.Reading reading, int figure) implements When {
        }

        record Household(boolean comes) implements When {
        }

        record ClockComesTo(LocalTime time) implements When {
        }

        record Fails(String part) implements When {
        }

        record ComesBack(String part) implements When {
        }

        record Passes(int seconds) implements When {
        }
    }

    /** What must be so after the last thing that happened. */
    public sealed interface Then {
        /** At some moment within the time. */
        record Becomes(OutputId output, boolean on, int withinMs) implements Then {
        }

        /** All the time. */
        record Stays(OutputId output, boolean on, int seconds) implements Then {
        }

        /** The hub takes it for what it is. */
        record HubKnows(OutputId output, int withinMs) implements Then {
        }
    }
}
