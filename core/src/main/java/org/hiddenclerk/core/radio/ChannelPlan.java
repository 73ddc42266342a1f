package org.hiddenclerk.core.radio;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Channels of IEEE 802.15.4 in the 2.4 GHz band beside the Wi-Fi of a house (IEEE 802.11): which are clear of it, which is best.
 * Bands that touch at their edges do not overlap.
 *
 * @param slots every channel, in order
 * @param best  the channel that overlaps least, then lies farthest from the Wi-Fi; 26 only where no other is as clear
 */
public record ChannelPlan(List<Slot> slots, int best) {
    private static final int FIRST = 11;
    private static final int LAST = 26;
    private static final double WIDTH_MHZ = 2;
    /** Width of the orthogonal modes; the older spread-spectrum mode takes 22 MHz and makes no difference to what is clear. */
    private static final double WIFI_WIDTH_MHZ = 20;

    private static final int WIFI_LAST = 14;

    public ChannelPlan {
        slots = List.copyOf(slots);
    }

    /**
     * One channel.
     *
     * @param mhz         its centre
     * @param overlapMhz  how much of it lies under the Wi-Fi, at most its own width for each Wi-Fi channel
     * @param distanceMhz from its edge to the nearest edge of a Wi-Fi band; 0 where they overlap
     */
    public record Slot(int channel, int mhz, double overlapMhz, double distanceMhz) {
        public boolean isClear() {
            return overlapMhz == 0;
        }

        /** 26 often has less permitted power, and some devices lack it; common practice, no source. */
        public boolean isWeak() {
            return channel == LAST;
        }
    }

    /**
     * The channels beside the Wi-Fi channels in use.
     *
     * @throws IllegalArgumentException for a Wi-Fi channel that the band does not have
     */
    public static ChannelPlan beside(Collection<Integer> wifi) {
        List<Slot> slots = IntStream.rangeClosed(FIRST, LAST)
                .mapToObj(channel -> slot(channel, wifi))
                .toList();
        int best = slots.stream()
                .min(Comparator.comparingDouble(Slot::overlapMhz)
                        .thenComparing(Slot::isWeak)
                        .thenComparing(
                                Comparator.comparingDouble(Slot::distanceMhz).reversed()))
                .orElseThrow()
                .channel();
        return new ChannelPlan(slots, best);
    }

    /** What a channel takes of the band, in MHz. */
    public record Band(int channel, double from, double to) {}

    public static Band band(Slot slot) {
        return new Band(slot.channel(), slot.mhz() - WIDTH_MHZ / 2, slot.mhz() + WIDTH_MHZ / 2);
    }

    /** What a Wi-Fi channel takes of the band. */
    public static Band wifiBand(int channel) {
        return new Band(channel, wifiMhz(channel) - WIFI_WIDTH_MHZ / 2, wifiMhz(channel) + WIFI_WIDTH_MHZ / 2);
    }

    private static Slot slot(int channel, Collection<Integer> wifi) {
        int centre = mhz(channel);
        double overlap = 0;
        double distance = Double.MAX_VALUE;
        for (int other : wifi) {
            double apart = Math.abs(centre - wifiMhz(other)) - (WIDTH_MHZ + WIFI_WIDTH_MHZ) / 2;
            overlap += Math.min(WIDTH_MHZ, Math.max(0, -apart));
            distance = Math.min(distance, Math.max(0, apart));
        }
        return new Slot(channel, centre, overlap, distance);
    }

    /** Centre of an IEEE 802.15.4 channel, 11 to 26. */
    static int mhz(int channel) {
        return 2405 + 5 * (channel - FIRST);
    }

    /** Centre of a Wi-Fi channel, 1 to 14. */
    static int wifiMhz(int channel) {
        if (channel < 1 || channel > WIFI_LAST) {
            throw new IllegalArgumentException(
                    "Wi-Fi at 2.4 GHz has channels 1 to " + WIFI_LAST + ", not " + channel + ".");
        }
        return channel == WIFI_LAST ? 2484 : 2412 + 5 * (channel - 1);
    }
}
