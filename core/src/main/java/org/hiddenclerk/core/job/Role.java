package org.hiddenclerk.core.job;

/** What a core does. */
public enum Role {
    PERMANENT_LIVE("permanent live"),
    SWITCHED_LIVE("switched live"),
    NEUTRAL("neutral"),
    EARTH("protective earth"),
    SPARE("spare");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
