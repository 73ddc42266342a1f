package org.hiddenclerk.core.matching.survey;

import java.math.BigDecimal;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.hiddenclerk.core.electrical.part.ConductorCapacity;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Tolerance;
import org.hiddenclerk.core.quantity.WireGauge;

/** Whether a protective device protects a cable of some size: what it lets through must not be more than the conductor carries. */
public final class CableProtection {
    /** Largest device for small conductors, NEC 240.4(D); it ends at 10 AWG. */
    private static final Map<Integer, Double> SMALL_COPPER = Map.of(18, 7.0, 16, 10.0, 14, 15.0, 12, 20.0, 10, 30.0);

    private static final Map<Integer, Double> SMALL_ALUMINIUM = Map.of(12, 15.0, 10, 25.0);
    /** Ampacity at 60 °C, NEC Table 310.16. */
    private static final Map<Integer, Double> LARGE_COPPER =
            Map.of(8, 40.0, 6, 55.0, 4, 70.0, 3, 85.0, 2, 95.0, 1, 110.0);

    private static final Map<Integer, Double> LARGE_ALUMINIUM =
            Map.of(8, 35.0, 6, 40.0, 4, 55.0, 3, 65.0, 2, 75.0, 1, 85.0);
    /** Aluminium with PVC insulation in conduit on a wall, two loaded conductors; nothing thinner is laid. */
    private static final TreeMap<Double, Double> ALUMINIUM =
            new TreeMap<>(Map.of(2.5, 18.5, 4.0, 25.0, 6.0, 32.0, 10.0, 44.0, 16.0, 60.0, 25.0, 79.0));

    private static final Source SMALL = new Source("NEC 240.4(D); from memory, check the edition in force");
    private static final Source LARGE = new Source("NEC Table 310.16, 60 °C; from memory, check the edition in force");

    private CableProtection() {}

    /** What a size carries, by its rule; empty where no rule knows the size. */
    private record Limit(double amps, Source source) {}

    private static Optional<Limit> limit(double mm2, boolean aluminium, RegionProfile region) {
        if (region.code().sizesByGauge()) {
            return WireGauge.of(mm2).flatMap(awg -> {
                Double small = (aluminium ? SMALL_ALUMINIUM : SMALL_COPPER).get(awg);
                Double large = (aluminium ? LARGE_ALUMINIUM : LARGE_COPPER).get(awg);
                return small != null
                        ? Optional.of(new Limit(small, SMALL))
                        : Optional.ofNullable(large).map(amps -> new Limit(amps, LARGE));
            });
        }
        if (aluminium) {
            return Optional.ofNullable(ALUMINIUM.floorEntry(mm2 + Tolerance.WRITTEN))
                    .map(e -> new Limit(e.getValue(), ConductorCapacity.SOURCE));
        }
        OptionalDouble amps = ConductorCapacity.amps(mm2);
        return amps.isEmpty() ? Optional.empty() : Optional.of(new Limit(amps.getAsDouble(), ConductorCapacity.SOURCE));
    }

    /**
     * Why the device of a circuit does not protect a cable on it.
     *
     * @param subject whom it concerns: the circuit, or the cable in its box
     * @param words   what cable, to begin a sentence with
     */
    public static Optional<Finding> judge(
            Circuit circuit, BigDecimal mm2, RegionProfile region, Subject subject, String words) {
        if (circuit.isElv()) {
            return Optional.empty();
        }
        boolean aluminium = circuit.protection()
                .metal()
                .filter(metal -> metal == Protection.Metal.ALUMINIUM)
                .isPresent();
        return limit(mm2.doubleValue(), aluminium, region)
                .filter(limit -> circuit.rating().asDouble() > limit.amps())
                .map(limit -> Finding.of(
                        FindingCode.CABLE_UNDER_DEVICE,
                        subject,
                        Sentence.of(
                                        "{0} of {1}" + (aluminium ? ", aluminium," : "")
                                                + " takes a device of at most {allowed}; circuit {2} has {found}.",
                                        words,
                                        mm2.toPlainString() + "\u2009mm²",
                                        circuit.label())
                                .found(circuit.rating().asDouble(), 0, "A")
                                .allowed(limit.amps(), 1, "A"),
                        limit.source(),
                        new Remedy(Remedy.Kind.REWIRE, "a smaller device, by a licensed person")));
    }
}
