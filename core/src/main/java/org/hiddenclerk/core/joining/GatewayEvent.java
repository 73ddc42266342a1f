package org.hiddenclerk.core.joining;

/** What modules and gateways tell without being asked. */
public sealed interface GatewayEvent {
    record WindowOpened(int seconds) implements GatewayEvent {}

    record WindowClosed() implements GatewayEvent {}

    record CameIn(Member member) implements GatewayEvent {}

    /** A session by a code let nobody in while the network was open. */
    record TurnedAway(String code, String reason) implements GatewayEvent {
        @Override
        public String toString() {
            return "TurnedAway[" + reason + "]";
        }
    }

    /** Somebody moved the wall switch at an input. */
    record Flipped(String address, int input) implements GatewayEvent {}

    record Changed(String address, int channel, boolean on) implements GatewayEvent {}
}
