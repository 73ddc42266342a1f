package org.hiddenclerk.core.conductors;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** A reading that can be made. Positions are 0 or 1 by box id and name every box with a switch. */
public sealed interface Reading {

    /** A core against neutral or earth, breaker on, everything as found. */
    record Live(String core, Map<String, Integer> with) implements Reading {
        public Live {
            with = inOrder(with);
        }
    }

    /** Two cores freed, everything dead: are they joined by conductors and joints alone? */
    record Continuous(String first, String second) implements Reading {}

    /** A core freed, breaker on: does a tester from a proved live to it light? */
    record Returns(String core, Map<String, Integer> with) implements Reading {
        public Returns {
            with = inOrder(with);
        }
    }

    /**
     * Does the lamp burn?
     *
     * @param box of the circuit that is meant
     */
    record Lamp(String box, Map<String, Integer> with) implements Reading {
        public Lamp {
            with = inOrder(with);
        }
    }

    /** Boxes stay in the order in which they are told, so that an answer reads the same each time. */
    private static Map<String, Integer> inOrder(Map<String, Integer> with) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(with));
    }

    /** Whether it is made with everything off. */
    default boolean isDead() {
        return this instanceof Continuous;
    }

    /** A reading with what was read. */
    record Answered(Reading reading, boolean value) {}
}
