package org.hiddenclerk.standins;

/** What the indicator of a simulated module tells whoever stands before it; how it looks is the maker's affair. */
public enum Shows {
    /** It waits to be let in. */
    SEARCHING,
    /** It is in its network. */
    JOINED,
    /** It takes in a file. */
    UPDATING,
    /** It has given up waiting. */
    FAILED
}
