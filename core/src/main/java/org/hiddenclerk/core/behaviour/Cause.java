package org.hiddenclerk.core.behaviour;

/** Where a change comes from. */
public enum Cause {
    HAND,
    REMOTE,
    /** The end of a run-on. */
    TIMER,
    /** The fall of a loss of supply, and the power-on state. */
    SUPPLY
}
