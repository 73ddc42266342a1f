package org.hiddenclerk.core.conductors;

/**
 * Where an end of a conductor must be for a circuit to be of its kind.
 *
 * @param place number of a box, or {@link #SUPPLY} or {@link #LAMP}
 * @param group what it meets there: a terminal by its name, or a joint by what is joined
 */
record EndRequirement(int place, String group) {
    static final int SUPPLY = -1;
    static final int LAMP = -2;
    static final String NEUTRALS = "joint of neutrals";
    static final String THIRD = "joint of the third conductor";
    static final String FEED = "joint of the feed";
    static final String CAPPED = "capped ";
    static final String LAMP_L = "lamp:L";
    static final String LAMP_N = "lamp:N";
    static final String LAMP_LIVE = "joint of the feed at the lamp";

    static EndRequirement supply(ConductorRole role) {
        return new EndRequirement(SUPPLY, role.name());
    }

    static EndRequirement lamp(String group) {
        return new EndRequirement(LAMP, group);
    }

    boolean isBox() {
        return place >= 0;
    }
}
