package org.hiddenclerk.core.wiring.drawing;

import java.util.List;

/**
 * When a mark shows.
 *
 * @param of    of what: nodes, the mechanism, parts of a load, the module, or inputs as {@code module.input}; one of them is enough
 * @param still whether it shows where nothing is energised too, as on paper
 */
public record Showing(When when, List<String> of, boolean still) {
    static final Showing ALWAYS = new Showing(When.ALWAYS, List.of(), true);

    public Showing {
        of = List.copyOf(of);
    }

    static Showing live(When when, List<String> of) {
        return new Showing(when, of, false);
    }

    static Showing live(When when, String of) {
        return live(when, List.of(of));
    }

    /** In this state, and where nothing is energised. */
    static Showing still(When when, List<String> of) {
        return new Showing(when, of, true);
    }

    /** What it takes. */
    public enum When {
        ALWAYS,
        /** A node is energised. */
        LIVE,
        /** A mechanism is in position 0, or 1. */
        AT_REST,
        OPERATED,
        /** A load is on if one of its parts is, dim if one is and none is on, else off. */
        ON,
        DIM,
        OFF,
        /** A module has its supply, or has not. */
        POWERED,
        UNPOWERED,
        /** An input is asserted. */
        ASSERTED
    }
}
