package org.hiddenclerk.standins;

/** What may be wrong with a simulated module. */
public enum Fault {
    /** Never comes in: its code is not the one on its label. */
    OTHER_CODE,
    /** Comes in, and never answers. */
    SILENT,
    /** Comes back under another address after it started anew. */
    MOVES,
    /** Bears the name of another module as it comes. */
    NAMED_ALIKE,
    /** Loses its first transfer half-way. */
    BREAKS_OFF,
    /** Receives one octet of its first transfer wrongly. */
    CORRUPTS,
    /** Takes no firmware, however often it is tried. */
    TAKES_NOTHING,
    /** Is heard badly. */
    WEAK,
    /** Says done and keeps its old settings. */
    FORGETFUL
}
