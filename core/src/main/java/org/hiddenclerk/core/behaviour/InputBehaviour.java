package org.hiddenclerk.core.behaviour;

/**
 * What one counted contact change of a switch input does to the relay it commands. This is the step form, without
 * clocks: one counted change is one step.
 */
public enum InputBehaviour {
    /** Every press (rest to active) toggles; release does nothing. */
    PRESS_CHANGES("Each press changes it") {
        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.TOGGLE : Reaction.NONE;
        }
    },
    /** The relay takes the contact's state at every change. */
    POSITION_RULES("Position rules") {
        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.SWITCH_ON : Reaction.SWITCH_OFF;
        }
    },
    /** Every contact change toggles, whichever way. */
    EVERY_FLIP("Every flip changes it") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.TOGGLE;
        }
    },
    /** Becoming active turns on; the timer's end is not a step of the hand. */
    RUN_ON("Runs, then stops") {
        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.SWITCH_ON : Reaction.NONE;
        }
    },
    /** The relay is left alone. */
    REPORT_ONLY("Reports only") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.NONE;
        }
    },
    /** A short press toggles at its release; in steps every press is short. */
    SHORT_LONG("Short and long") {
        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.NONE : Reaction.TOGGLE;
        }
    },
    /** Two inputs command two interlocked channels; see {@link Reaction#DIRECTION}. */
    UP_DOWN("Up and down") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.DIRECTION;
        }
    },
    /** A short break of the module's own supply counts as one flip. Such an input has no contact. */
    SUPPLY_BLINK("Blink of the supply") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.NONE;
        }
    };

    private final String label;

    InputBehaviour(String label) {
        this.label = label;
    }

    /** What a counted contact change does, {@code active} being the state after it. */
    public abstract Reaction onChange(boolean active);

    /** The words for the household and the settings sheet. */
    public String label() {
        return label;
    }

    /** What happens to the commanded relay. */
    public enum Reaction {
        NONE,
        TOGGLE,
        SWITCH_ON,
        SWITCH_OFF,
        /** The channels of all UP_DOWN inputs of the module follow: the one active input's channel closes, else none. */
        DIRECTION
    }
}
