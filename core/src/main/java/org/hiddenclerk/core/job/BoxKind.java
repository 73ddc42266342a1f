package org.hiddenclerk.core.job;

/** What a box is for, which decides what may be fitted in it and what it looks like. */
public enum BoxKind {
    WALL("wall box"),
    JUNCTION("junction box"),
    LUMINAIRE("lamp place"),
    CEILING_ROSE("ceiling rose"),
    CANOPY("fan canopy"),
    SOCKET("socket box"),
    PANEL("panel");

    private final String label;

    BoxKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether a load hangs here rather than at the far end of a cable. */
    public boolean isAtLoad() {
        return this == LUMINAIRE || this == CEILING_ROSE || this == CANOPY;
    }
}
