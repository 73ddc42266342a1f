package org.hiddenclerk.core.quantity;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Wire gauges of North America and their cross-sections. */
public final class WireGauge {
    /** Cross-sections in mm² (ASTM B258). */
    private static final Map<Integer, Double> SQUARE_MILLIMETRES = Map.ofEntries(
            Map.entry(18, 0.823),
            Map.entry(16, 1.309),
            Map.entry(14, 2.081),
            Map.entry(12, 3.309),
            Map.entry(10, 5.261),
            Map.entry(8, 8.366),
            Map.entry(6, 13.30),
            Map.entry(4, 21.15),
            Map.entry(3, 26.67),
            Map.entry(2, 33.62),
            Map.entry(1, 42.41));
    /** A size in mm² means a gauge when it is no further from it than people round. */
    private static final double ROUNDED = 0.04;

    /** A gauge by its number, and its cross-section in mm². */
    public record GaugeSize(int number, double mm2) {}

    private WireGauge() {}

    /** Every gauge that is reckoned with, the thinnest first. */
    public static List<GaugeSize> sizes() {
        return SQUARE_MILLIMETRES.entrySet().stream()
                .map(e -> new GaugeSize(e.getKey(), e.getValue()))
                .sorted(Comparator.comparingDouble(GaugeSize::mm2))
                .toList();
    }

    /** The gauge that a size in mm² means, and where it means none the next thinner one. */
    public static Optional<Integer> of(double mm2) {
        return SQUARE_MILLIMETRES.entrySet().stream()
                .filter(e -> e.getValue() <= mm2 * (1 + ROUNDED))
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
    }
}
