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

    /** The link between two rooms; empty where one is not drawn. */
    public static Optional<Link> between(
            FloorPlan plan, String from, String to, Protocol protocol, RegionProfile region) {
        // ITU-T G.9959 has a band for each region.
        double megahertz = protocol.megahertz().orElse(region.zwaveMegahertz());
        return plan.way(from, to, megahertz)
                .map(way -> new Link(
                        way.metres(),
                        way.walls(),
                        way.floors(),
                        protocol.sentDbm()
                                - freeSpaceLoss(way.metres(), megahertz)
                                - way.lossDecibels()
                                - protocol.sensitivityDbm()
                                - FADING));
    }
}
