package org.hiddenclerk.core.catalogue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What else a maker states of a module. Everything may be missing, and what is missing is unknown.
 *
 * @param temperatures    air around it at which it may work
 * @param contactPeakAmps peak of the inrush that each contact stands, in amperes
 * @param meshRole        what it does for others in its network
 * @param standbyWatts    its own draw with everything off, in watts
 * @param dims            whether its outputs dim rather than switch
 * @param pairing         ways into pairing, in the order in which one would try them
 * @param indicators      what its lamp shows
 * @param firmware        lines of firmware, newest first
 * @param defaultFunction what it does as it comes
 * @param endpoints       what it shows to the network
 * @param unstated        figures of the supply that are not stated, and for which a stand-in is used
 */
public record DataSheet(
        Optional<Temperatures> temperatures,
        OptionalInt contactPeakAmps,
        Optional<MeshRole> meshRole,
        OptionalDouble standbyWatts,
        boolean dims,
        List<PairingWay> pairing,
        List<Indicator> indicators,
        List<FirmwareLine> firmware,
        Optional<String> defaultFunction,
        List<Endpoint> endpoints,
        Set<Unstated> unstated) {
    /** Makers' words for waiting to be let in, and for being in. */
    private static final Pattern SEARCHING =
            Pattern.compile("pair|search|looking|access point", Pattern.CASE_INSENSITIVE);

    private static final Pattern JOINED = Pattern.compile("joined|connected", Pattern.CASE_INSENSITIVE);

    /** A module of which nothing more is known. */
    public static final DataSheet EMPTY = new DataSheet(
            Optional.empty(),
            OptionalInt.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            false,
            List.of(),
            List.of(),
            List.of(),
            Optional.empty(),
            List.of(),
            Set.of());

    public DataSheet {
        pairing = List.copyOf(pairing);
        indicators = List.copyOf(indicators);
        firmware = List.copyOf(firmware);
        endpoints = List.copyOf(endpoints);
        unstated = Set.copyOf(unstated);
    }

    /** What it shows while it waits to be let in. */
    public Optional<Indicator> whileSearching() {
        return shows(SEARCHING);
    }

    /** What it shows when it is in. */
    public Optional<Indicator> whenJoined() {
        return shows(JOINED);
    }

    private Optional<Indicator> shows(Pattern state) {
        return indicators.stream()
                .filter(indicator -> state.matcher(indicator.state()).find())
                .findFirst();
    }

    /** Air around a module, in degrees Celsius. */
    public record Temperatures(int lowest, int highest) {
        public Temperatures {
            if (lowest > highest) {
                throw new IllegalArgumentException(
                        "The lowest temperature (" + lowest + ") must not be above the highest (" + highest + ").");
            }
        }
    }

    /** What a module does for others. */
    public enum MeshRole {
        PASSES_ON,
        LISTENS_ONLY,
        NO_MESH
    }

    /**
     * A way into pairing.
     *
     * @param words     what a hand does
     * @param overAir   whether the module may be closed up behind its plate
     */
    public record PairingWay(String words, boolean overAir) {}

    /** What the indicator shows in a state, both in words. */
    public record Indicator(String state, String pattern) {}

    /**
     * A line of firmware.
     *
     * @param features what this line can do and others may not
     */
    public record FirmwareLine(String name, String version, Set<String> features) {
        /** Counts short breaks of its own supply as flips of the switch that makes them. */
        public static final String SUPPLY_BLINK = "blink of the supply";
        /** Tells by itself what its inputs and outputs do. */
        public static final String REPORT_OF_STATE = "report of state";
        /** Talks to others of its kind over the Wi-Fi of the house, without a hub. */
        public static final String LOCAL_GROUP = "local group";
        /** Commands others of its mesh, without a hub. */
        public static final String DIRECT_BINDING = "direct binding";

        public FirmwareLine {
            features = Set.copyOf(features);
        }
    }

    /** A part of a module as the network sees it. */
    public record Endpoint(int number, String drives) {}

    /** Figures of a supply that a maker may leave out. */
    public enum Unstated {
        SUPPLY_RANGE("the range of supply volts"),
        MINIMUM_LOAD("the minimum load"),
        STANDBY_CURRENT("the current through the lamp while off");

        private final String label;

        Unstated(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** Stands in for an unstated minimum load, in watts; common practice, no source. */
    public static final BigDecimal USUAL_MINIMUM_LOAD = new BigDecimal("20");
    /** Stands in for an unstated current through the lamp, in milliamperes; common practice, no source. */
    public static final BigDecimal USUAL_STANDBY_MILLIAMPS = new BigDecimal("4");
}
