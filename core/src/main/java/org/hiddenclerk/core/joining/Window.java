package org.hiddenclerk.core.joining;

import java.time.Duration;
import org.hiddenclerk.core.catalogue.Protocol;

/**
 * How long a network may be open for modules to come in.
 *
 * @param least  the shortest, in seconds
 * @param usual  what is asked for at first
 * @param most   the longest; when more is needed it is opened again before it closes
 * @param source where the limits come from
 * @param byCodeOnly whether nobody comes in whose own code was not told before
 */
public record Window(int least, int usual, int most, String source, boolean byCodeOnly) {
    /** How long a module takes to come in; common practice, no source. */
    public static final Duration JOIN = Duration.ofSeconds(45);

    public static Window of(Protocol protocol) {
        return switch (protocol) {
            case ZIGBEE ->
                new Window(
                        1,
                        180,
                        254,
                        "Zigbee: the permit-join time is one octet, and 255 means without end (from memory)",
                        false);
            case ZWAVE -> new Window(30, 60, 240, "common practice, no source", false);
            case WIFI -> new Window(180, 180, 900, "Matter commissioning window, 3 to 15 minutes (from memory)", true);
            case MQTT_WIFI ->
                new Window(60, 300, 900, "common practice, no source: as long as a new account may log in", false);
        };
    }

    public boolean takes(int seconds) {
        return seconds >= least && seconds <= most;
    }
}
