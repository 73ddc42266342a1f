package org.hiddenclerk.core.joining;

/** What modules and gateways tell without being asked. */
public sealed interface Heard {
    record WindowOpened(int seconds) implements Heard {
    }

    record WindowClosed() implements Heard {
    }

    record CameIn(Member member) implements Heard {
    }

    /** Somebody moved the wall switch at an input. */
    record Flipped(String address, int input) implements Heard {
    }

    record Changed(String address, int channel, boolean on) implements Heard {
    }
}
