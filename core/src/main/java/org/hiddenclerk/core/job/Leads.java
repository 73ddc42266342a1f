package org.hiddenclerk.core.job;

/** Where a cable goes when it leaves the box. */
public sealed interface Leads {

    /** From the board or the last point of the circuit. */
    record FromSupply(CircuitId circuit) implements Leads {
    }

    /** To a load; its neutral may come along or lie elsewhere. */
    record ToLoad(int load) implements Leads {
    }

    /** To a load at which the circuit's feed also arrives: a switch loop. */
    record ToLoadWithFeed(int load, CircuitId circuit) implements Leads {
    }
}
