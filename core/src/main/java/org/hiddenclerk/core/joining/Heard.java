package org.hiddenclerk.core.joining;

/** What modules and gateways tell without being asked. */
public sealed interface Heard {
    record WindowOpened(int seconds) implements Heard {
    }

    record WindowClosed() implements Heard {
    }

    record CameIn(Member member) implements Heard {
    }

    /** A session by a code let nobody in while the network was open. */
    record TurnedAway(String code, String reason) implements Heard {
        @Override
        public String toString() {
            return "TurnedAway[" + reason + "]";
        }
    }

    /** Somebody moved the wall switch at an input. */
    record Flipped(String address, int input) implements Heard {
    }

    record Changed(String address, int channel, boolean on) implements Heard {
    }
}
