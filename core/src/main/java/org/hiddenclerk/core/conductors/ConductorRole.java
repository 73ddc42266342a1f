package org.hiddenclerk.core.conductors;

import java.util.Locale;

/** What a conductor does in a circuit as it was found. */
public enum ConductorRole {
    PERMANENT_LIVE,
    /** To the lamp. */
    SWITCHED_LIVE,
    NEUTRAL,
    EARTH,
    /** One of the two between the throws of change-over switches. */
    TRAVELLER,
    /** From common to common, in a circuit with three conductors between its switches. */
    STRAP,
    SPARE;

    /** What it is called. */
    public String label() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
