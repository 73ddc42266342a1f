package org.hiddenclerk.core.radio;

import java.util.Optional;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.job.RegionProfile;

/**
 * A radio link as it may be expected: {@code margin = sent - free space - walls - sensitivity - 10 dB for fading}. Free space by
 * ITU-R P.525. An estimate; the value measured with the plate back on decides.
 *
 * @param marginDecibels what is left; below zero no link is expected
 */
public record Link(double metres, int walls, int floors, double marginDecibels) {
    private static final double FADING = 10;
    private static final double GOOD = 10;

    /** How a link may be expected to be. */
    public enum Quality {
        GOOD,
        WEAK,
        NONE
    }

    public Quality quality() {
        return marginDecibels < 0 ? Quality.NONE : marginDecibels < GOOD ? Quality.WEAK : Quality.GOOD;
    }

    /** Loss in free space in decibels (ITU-R P.525). */
    public static double freeSpaceLoss(double metres, double megahertz) {
        return 20 * Math.log10(metres) + 20 * Math.log10(megahertz) - 27.552;
    }

    /** Frequency in MHz: 2450 in the middle of the band; for Z-Wave the first of the region (ITU-T G.9959). */
    public static double megahertz(Protocol protocol, RegionProfile region) {
        return switch (protocol) {
            case ZIGBEE, WIFI, MQTT_WIFI -> 2450;
            case ZWAVE -> region.zwaveMegahertz();
        };
    }

    /** What a module sends, in dBm; common practice, no source. */
    private static double sent(Protocol protocol) {
        return switch (protocol) {
            case ZIGBEE -> 8;
            case WIFI, MQTT_WIFI -> 15;
            case ZWAVE -> 0;
        };
    }

    /**
     * What a receiver must make out, in dBm, from memory: IEEE 802.15.4 at 2.4 GHz -85, IEEE 802.11 at the lowest rate in
     * 20 MHz -82, ITU-T G.9959 at 100 kbit/s -89.
     */
    private static double sensitivity(Protocol protocol) {
        return switch (protocol) {
            case ZIGBEE -> -85;
            case WIFI, MQTT_WIFI -> -82;
            case ZWAVE -> -89;
        };
    }

    /** The link between two rooms; empty where one is not drawn. */
    public static Optional<Link> between(
            FloorPlan plan, String from, String to, Protocol protocol, RegionProfile region) {
        double megahertz = megahertz(protocol, region);
        return plan.way(from, to, megahertz)
                .map(way -> new Link(
                        way.metres(),
                        way.walls(),
                        way.floors(),
                        sent(protocol)
                                - freeSpaceLoss(way.metres(), megahertz)
                                - way.lossDecibels()
                                - sensitivity(protocol)
                                - FADING));
    }
}
