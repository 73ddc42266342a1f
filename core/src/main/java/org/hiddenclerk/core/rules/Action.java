package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.behaviour.Motion;

/** What a rule does. */
public sealed interface Action {
    /** Outputs that it names; "all off" names none. */
    Set<String> outputs();

    /** What is done to one output. */
    sealed interface OnOne extends Action {
        String output();

        @Override
        default Set<String> outputs() {
            return Set.of(output());
        }
    }

    /** What a command makes of an output. */
    enum Command { ON, OFF, TOGGLE }

    record Turn(String output, Command command) implements OnOne {
    }

    record SetLevel(String output, int percent) implements OnOne {
    }

    /** Whatever the hub takes for a light goes off, but for some. */
    record AllOff(Set<String> except) implements Action {
        @Override
        public Set<String> outputs() {
            return Set.of();
        }

        public AllOff {
            except = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(except));
        }
    }

    /** The next of some levels, and the first again after the last. */
    record Step(String output, List<Integer> percents) implements OnOne {
        public Step {
            percents = List.copyOf(percents);
        }
    }

    /** The one level when it stands above a threshold, the other one otherwise. */
    record DimToggle(String output, int low, int high, int threshold) implements OnOne {
    }

    /** When it is on it is no dimmer than that. */
    record AtLeast(String output, int percent) implements OnOne {
    }

    /** On, and off again by itself. */
    record Pulse(String output, int ms) implements OnOne {
    }

    record Move(String output, Motion motion, int ms) implements OnOne {
    }

    /** The output becomes what another one is. */
    record Follow(String output, String source) implements OnOne {
    }

    /** On, and off after a while; a new start begins anew. */
    record RunOn(String output, int seconds) implements OnOne {
    }

    /** Somebody seems to be home: outputs go on and off at times drawn by seed. */
    record Pretend(Set<String> outputs, long seed, int leastMinutes, int mostMinutes) implements Action {
        public Pretend {
            outputs = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(outputs));
        }
    }

    /** Rewrites a stored setting: each time wears the memory that it is kept in. */
    record WriteSetting(String device, String key, String value) implements Action {
        @Override
        public Set<String> outputs() {
            return Set.of();
        }
    }
}
