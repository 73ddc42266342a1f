package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;

/** What a rule does. */
public sealed interface Action {
    /** Outputs that it names; "all off" names none. */
    Set<OutputId> outputs();

    /** What it names of the house. */
    default Set<HouseId> ids() {
        return Set.copyOf(outputs());
    }

    /** What is done to one output. */
    sealed interface OnOne extends Action {
        OutputId output();

        @Override
        default Set<OutputId> outputs() {
            return Set.of(output());
        }
    }

    /** What a command makes of an output. */
    enum Command { ON, OFF, TOGGLE }

    record Turn(OutputId output, Command command) implements OnOne {
    }

    record SetLevel(OutputId output, int percent) implements OnOne {
    }

    /** Whatever the hub takes for a light goes off, but for some. */
    record AllOff(Set<OutputId> except) implements Action {
        @Override
        public Set<HouseId> ids() {
            return Set.copyOf(except);
        }

        @Override
        public Set<OutputId> outputs() {
            return Set.of();
        }

        public AllOff {
            except = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(except));
        }
    }

    /** The next of some levels, and the first again after the last. */
    record Step(OutputId output, List<Integer> percents) implements OnOne {
        public Step {
            percents = List.copyOf(percents);
        }
    }

    /** The one level when it stands above a threshold, the other one otherwise. */
    record DimToggle(OutputId output, int low, int high, int threshold) implements OnOne {
    }

    /** When it is on it is no dimmer than that. */
    record AtLeast(OutputId output, int percent) implements OnOne {
    }

    /** On, and off again by itself. */
    record Pulse(OutputId output, int ms) implements OnOne {
    }

    record Move(OutputId output, Motion motion, int ms) implements OnOne {
    }

    /** The output becomes what another one is. */
    record Follow(OutputId output, OutputId source) implements OnOne {
        @Override
        public Set<HouseId> ids() {
            return Stream.of(output, source).collect(Collectors.toSet());
        }
    }

    /** On, and off after a while; a new start begins anew. */
    record RunOn(OutputId output, int seconds) implements OnOne {
    }

    /** Somebody seems to be home: outputs go on and off at times drawn by seed. */
    record Pretend(Set<OutputId> outputs, long seed, int leastMinutes, int mostMinutes) implements Action {
        public Pretend {
            outputs = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(outputs));
        }
    }

    /** Rewrites a stored setting: each time wears the memory that it is kept in. */
    record WriteSetting(DeviceId device, String key, String value) implements Action {
        @Override
        public Set<HouseId> ids() {
            return Set.of(device);
        }

        @Override
        public Set<OutputId> outputs() {
            return Set.of();
        }
    }
}
