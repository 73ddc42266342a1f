package org.hiddenclerk.core.behaviour;

/** What a module does and tells. */
public sealed interface Output {
    long atMs();

    /** The relay changed. */
    record Relay(long atMs, boolean on, Cause cause) implements Output {}

    /** The blind changed what it does. */
    record Moves(long atMs, Motion motion, Cause cause) implements Output {}

    /** Told to links and rules. */
    record Told(long atMs, Report report) implements Output {}

    /** What may be told. */
    enum Report {
        SHORT,
        LONG,
        ACTIVE,
        INACTIVE
    }
}
