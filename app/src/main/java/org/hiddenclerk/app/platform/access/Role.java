package org.hiddenclerk.app.platform.access;

/** What somebody is to the firm. */
public enum Role {
    /** Invites people, and everything a lead may. */
    OWNER("Owner"),
    /** Everything in the firm's jobs. */
    LEAD("Lead"),
    /** Works on the jobs that were assigned; sees no prices and opens no codes. */
    FITTER("Fitter"),
    /** One of the household: reads the guide and the live house of one job. */
    GUEST("Guest");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** May see all jobs of the firm, with prices. */
    public boolean leads() {
        return this == OWNER || this == LEAD;
    }
}
