package org.hiddenclerk.core.behaviour;

/** What two interlocked channels do to a blind; never both at once. */
public enum Motion {
    UP,
    DOWN,
    STOP;

    /** The direction of the one active input; both or none is a stop. */
    public static Motion of(boolean up, boolean down) {
        if (up == down) {
            return STOP;
        }
        return up ? UP : DOWN;
    }

    Motion opposite() {
        return switch (this) {
            case UP -> DOWN;
            case DOWN -> UP;
            case STOP -> STOP;
        };
    }
}
