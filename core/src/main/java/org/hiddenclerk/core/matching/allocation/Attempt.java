package org.hiddenclerk.core.matching.allocation;

import java.util.Optional;
import java.util.Set;

/** What came of trying to choose for a house. */
public sealed interface Attempt {
    record Made(Allocation allocation) implements Attempt {}

    /**
     * No choice keeps everything that is asked.
     *
     * @param rules each of which it would take to give up; or all that have a part in it, where one is not enough
     */
    record Impossible(Set<Rule> rules) implements Attempt {
        public Impossible {
            rules = Set.copyOf(rules);
        }
    }

    /** None was found, and that there is none is not shown. */
    record NotInTime() implements Attempt {}

    record Stopped() implements Attempt {}

    /** What may make a choice impossible that may be made box by box. */
    enum Rule {
        ONE_MAKER("all modules are to be of one maker"),
        PINS("what is pinned elsewhere"),
        MEMBERS("a network takes no more members"),
        ROOM("the modules of a box do not go into it together"),
        PROOF("the modules of a run are not proved together"),
        RADIO("there is no way by radio to the coordinator");

        private final String words;

        Rule(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    default Optional<Allocation> made() {
        return this instanceof Made made ? Optional.of(made.allocation()) : Optional.empty();
    }
}
