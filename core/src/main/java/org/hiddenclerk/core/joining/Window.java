package org.hiddenclerk.core.joining;

import java.time.Duration;
import java.util.List;
import org.hiddenclerk.core.catalogue.Protocol;

/**
 * How a network is open for modules to come in, and how long it may be.
 *
 * @param least  the shortest, in seconds
 * @param usual  what is asked for at first
 * @param most   the longest; when more is needed it is opened again before it closes
 * @param source where the limits come from
 * @param byCodeOnly whether nobody comes in whose own code was not told before
 * @param before what has to be so before a module lets itself be found
 */
public record Window(int least, int usual, int most, String source, boolean byCodeOnly, List<String> before) {
    /** How long a module takes to come in; common practice, no source. */
    public static final Duration JOIN = Duration.ofSeconds(45);

    /** The permit-join time is one octet, and 255 means without end. */
    private static final int LONGEST_OCTET = 254;

    private static final int SHORTEST_COMMISSIONING = 180;
    private static final int LONGEST_COMMISSIONING = 900;

    public static Window of(Protocol protocol) {
        return switch (protocol) {
            case ZIGBEE ->
                new Window(
                        1,
                        180,
                        LONGEST_OCTET,
                        "Zigbee: the permit-join time is one octet, and 255 means without end (from memory)",
                        false,
                        List.of(
                                "Those that pass messages on have come in before, from near to far.",
                                "Open the network; it closes by itself after " + LONGEST_OCTET + " s at most."));
            case ZWAVE ->
                new Window(
                        30,
                        60,
                        240,
                        "common practice, no source",
                        false,
                        List.of(
                                "The controller has its start code or the first five digits of its key: it comes in by itself, with S2.",
                                "The region of controller and module is the same."));
            case WIFI ->
                new Window(
                        SHORTEST_COMMISSIONING,
                        SHORTEST_COMMISSIONING,
                        LONGEST_COMMISSIONING,
                        "Matter commissioning window, 3 to 15 minutes (from memory)",
                        true,
                        List.of(
                                "The phone is on the 2.4 GHz network of the house.",
                                "Commission it by its code; its window is open " + SHORTEST_COMMISSIONING / 60 + " to "
                                        + LONGEST_COMMISSIONING / 60 + " minutes after power-up."));
            case MQTT_WIFI ->
                new Window(
                        60,
                        300,
                        900,
                        "common practice, no source: as long as a new account may log in",
                        false,
                        List.of(
                                "Its address of the broker, its account and its topic are set on its own access point.",
                                "Nobody else has its topic."));
        };
    }

    public boolean takes(int seconds) {
        return seconds >= least && seconds <= most;
    }
}
