package org.hiddenclerk.core.electrical.part;

import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * Amperes that a copper conductor with PVC insulation carries by its cross-section, two loaded conductors in conduit on a wall.
 * Sizes between take the next smaller one. Grouping, insulation around the cable and a warm place lower it further.
 */
public final class ConductorCapacity {
    public static final Source SOURCE =
            new Source("IEC 60364-5-52, table B.52.2, method B1; from memory, check the edition in force");

    private static final TreeMap<Double, Double> CAPACITY = new TreeMap<>(Map.of(
            0.5, 7.0, 0.75, 10.0, 1.0, 13.5, 1.5, 17.5, 2.5, 24.0, 4.0, 32.0, 6.0, 41.0, 10.0, 57.0, 16.0, 76.0, 25.0,
            101.0));
    /** Thinner than this nothing is fixed wiring, in mm²; common practice, no source. */
    public static final double THINNEST_MM2 = 0.5;

    private ConductorCapacity() {}

    /** @return empty where the size is too small to be wiring */
    public static OptionalDouble amps(double mm2) {
        Map.Entry<Double, Double> entry = CAPACITY.floorEntry(mm2 + Tolerance.WRITTEN);
        return entry == null ? OptionalDouble.empty() : OptionalDouble.of(entry.getValue());
    }
}
