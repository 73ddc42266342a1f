package org.hiddenclerk.core.behaviour;

/**
 * Something that happens to a module.
 *
 * @param atMs  milliseconds on the machine's clock
 * @param input 1 or 2, where the deed is of a contact
 */
public record Event(long atMs, Type deed, int input) {
    /** What happens. */
    public enum Type {
        CLOSE,
        OPEN,
        REMOTE_ON,
        REMOTE_OFF,
        REMOTE_TOGGLE,
        REMOTE_UP,
        REMOTE_DOWN,
        REMOTE_STOP,
        SUPPLY_LOST,
        SUPPLY_BACK;

        public boolean isContact() {
            return this == CLOSE || this == OPEN;
        }

        public boolean isSupply() {
            return this == SUPPLY_LOST || this == SUPPLY_BACK;
        }

        public boolean isRemote() {
            return !isContact() && !isSupply();
        }

        /** Whether it is a command for a blind. */
        public boolean isOfMotion() {
            return this == REMOTE_UP || this == REMOTE_DOWN || this == REMOTE_STOP;
        }

        /** Whether somebody may do it to an input with a behaviour. */
        public boolean suits(InputBehaviour behaviour) {
            return !isRemote() || isOfMotion() == behaviour.movesSomething();
        }
    }

    public Event {
        if (input < 1 || input > 2) {
            throw new IllegalArgumentException("An input (" + input + ") must be 1 or 2.");
        }
    }

    public Event(long atMs, Type deed) {
        this(atMs, deed, 1);
    }
}
