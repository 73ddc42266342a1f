package org.hiddenclerk.core.behaviour;

/** What the relay is when the supply comes back after a real loss. */
public enum PowerOn {
    OFF("off"),
    ON("on"),
    /** As it was before the loss. */
    LAST("as it was"),
    /** As the wall switch stands. */
    SWITCH("as the wall switch stands");

    private final String label;

    PowerOn(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
