package org.hiddenclerk.core.job;

/** What a core does. */
public enum Role {
    PERMANENT_LIVE("permanent live"),
    SWITCHED_LIVE("switched live"),
    NEUTRAL("neutral"),
    EARTH("protective earth"),
    /** Runs between two switches, and is live or not as they stand. */
    TRAVELLER("traveller"),
    /** Brings what a switch does to an input; carries no load. */
    CONTROL("control wire"),
    ELV_PLUS("ELV+"),
    ELV_MINUS("ELV\u2212"),
    SPARE("spare");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
