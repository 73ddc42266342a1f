package org.hiddenclerk.core.matching.module;

import java.util.List;

/** What a house and a firm add to the rules: shares to guess with, and wishes. */
public record Terms(Estimates estimates, List<Wish> wishes) {
    public static final Terms USUAL = new Terms(Estimates.USUAL, List.of());

    public Terms {
        wishes = List.copyOf(wishes);
    }
}
