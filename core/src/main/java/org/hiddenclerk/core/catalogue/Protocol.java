package org.hiddenclerk.core.catalogue;

import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;

/**
 * How a module talks. What networks differ by stands here; how a module comes into one is said in {@code joining} and
 * {@code bench}, by switches without a default.
 */
public enum Protocol {
    ZIGBEE("Zigbee", 8, -85, OptionalInt.of(15), OptionalInt.empty()) {
        @Override
        public boolean tellsLinkQuality() {
            return true;
        }
    },
    ZWAVE("Z-Wave", 0, -89, OptionalInt.of(5), OptionalInt.of(231)) {
        @Override
        public OptionalDouble megahertz() {
            return OptionalDouble.empty();
        }

        @Override
        public boolean isShieldedByMetal() {
            return false;
        }
    },
    WIFI("Wi-Fi", 15, -82, OptionalInt.empty(), OptionalInt.empty()),
    MQTT_WIFI("MQTT over Wi-Fi", 15, -82, OptionalInt.empty(), OptionalInt.empty()) {
        @Override
        public boolean goesOverBroker() {
            return true;
        }
    };

    private static final double MIDDLE_OF_THE_BAND = 2450;

    private final String label;
    private final double sentDbm;
    private final double sensitivityDbm;
    private final OptionalInt hops;
    private final OptionalInt members;

    Protocol(String label, double sentDbm, double sensitivityDbm, OptionalInt hops, OptionalInt members) {
        this.label = label;
        this.sentDbm = sentDbm;
        this.sensitivityDbm = sensitivityDbm;
        this.hops = hops;
        this.members = members;
    }

    public String label() {
        return label;
    }

    /** Whether modules pass messages on for each other; over Wi-Fi each reaches an access point or nothing. */
    public boolean isMesh() {
        return hops.isPresent();
    }

    /** Whether both are members of one network: everything over Wi-Fi hangs on the same access points. */
    public boolean sharesNetworkWith(Protocol other) {
        return this == other || !isMesh() && !other.isMesh();
    }

    /** The first of all that share a network, network by network. */
    public static List<Protocol> networks() {
        return Stream.of(values())
                .filter(each -> Stream.of(values()).limit(each.ordinal()).noneMatch(each::sharesNetworkWith))
                .toList();
    }

    /** Whether it is switched by topics of a broker: two modules of one topic act as one. */
    public boolean goesOverBroker() {
        return false;
    }

    /** Whether a link is told as LQI from 0 to 255 (IEEE 802.15.4), and not as the strength of its signal in dBm. */
    public boolean tellsLinkQuality() {
        return false;
    }

    /** Frequency in MHz, 2450 in the middle of the band; empty where each region has one of its own. */
    public OptionalDouble megahertz() {
        return OptionalDouble.of(MIDDLE_OF_THE_BAND);
    }

    /** Below 1 GHz a metal box attenuates less; common practice, no source. */
    public boolean isShieldedByMetal() {
        return true;
    }

    /** What a module sends, in dBm; common practice, no source. */
    public double sentDbm() {
        return sentDbm;
    }

    /**
     * What a receiver must make out, in dBm, from memory: IEEE 802.15.4 at 2.4 GHz -85, IEEE 802.11 at the lowest rate in
     * 20 MHz -82, ITU-T G.9959 at 100 kbit/s -89.
     */
    public double sensitivityDbm() {
        return sensitivityDbm;
    }

    /** Hops to the coordinator that a mesh allows, from memory. Z-Wave: at most four repeaters on a route, so five hops; Zigbee: depth 15. */
    public OptionalInt hops() {
        return hops;
    }

    /** Members that its network takes beside the controller by its specification, from memory. Z-Wave: 232 nodes with the controller. */
    public OptionalInt members() {
        return members;
    }
}
