package org.hiddenclerk.core.job;

/** Where a cable goes when it leaves the box. */
public sealed interface Leads {

    /** From the board or the last point of the circuit. */
    record FromSupply(CircuitId circuit) implements Leads {
    }

    /** To a load; its neutral may come along or lie elsewhere. */
    record ToLoad(int load) implements Leads {
    }

    /**
     * To another box of the house. Core by core it is the same cable there.
     *
     * @param box   identity of that box
     * @param cable name of this cable there
     */
    record ToBox(String box, String cable) implements Leads {
    }

    /** To a load at which the circuit's feed also arrives: a switch loop. */
    record ToLoadWithFeed(int load, CircuitId circuit) implements Leads {
    }
}
