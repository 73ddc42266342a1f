package org.hiddenclerk.core.behaviour;

/** What an input can be set to, each for the behaviours that make use of it; {@link Parameters} holds the values. */
public enum Parameter {
    /** How long a contact change has to stay until it counts. */
    DEBOUNCE,
    /** Where the contact stands when nobody touches it. */
    REST,
    /** Which way is on. */
    INVERTED,
    /** From where on a press is long. */
    HOLD,
    /** How long it stays on. */
    RUN_ON,
    /** Whether a press ends that early. */
    PRESS_STOPS,
    /** How long the supply has to be missing to count, and not to be a real loss; the module's own. */
    BLINK,
    /** The pause between one direction and the other. */
    REVERSE_PAUSE
}
