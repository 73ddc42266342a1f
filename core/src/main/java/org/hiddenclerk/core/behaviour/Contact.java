package org.hiddenclerk.core.behaviour;

/** Where the contact at a switch input stands. */
public enum Contact {
    OPEN,
    CLOSED;

    public Contact other() {
        return this == OPEN ? CLOSED : OPEN;
    }
}
