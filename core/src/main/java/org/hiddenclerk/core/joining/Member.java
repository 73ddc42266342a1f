package org.hiddenclerk.core.joining;

/**
 * A module as its network knows it.
 *
 * @param address  in its network; a module may come back under another one
 * @param kind     module code
 * @param name     that it bears itself
 * @param version  of its firmware, as it says
 * @param sha256   of the file that it runs
 * @param link     how well it is heard, in the unit of {@link Link#of}
 * @param hops     from the gateway; 0 where it is heard directly
 * @param passesOn whether others are reached through it
 */
public record Member(
        String address,
        String kind,
        String name,
        String version,
        String sha256,
        int link,
        int hops,
        boolean passesOn) {}
