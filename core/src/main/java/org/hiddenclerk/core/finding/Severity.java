package org.hiddenclerk.core.finding;

/** How grave a finding is, gravest first. */
public enum Severity {
    /** Dangerous or destructive; never overridden. */
    STOP,
    /** Will not do its job; a person may override it with a recorded reason. */
    HOLD,
    /** Works, with a reservation. */
    NOTE
}
