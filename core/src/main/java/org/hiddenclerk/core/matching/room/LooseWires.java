package org.hiddenclerk.core.matching.room;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.margin.Margin;

/**
 * Room for wires and connectors where no code counts it: the volume of the box less mechanisms and modules, against what every
 * core (spare ones too), flying lead and connector takes, folded loosely. An estimate; all constants common practice, no source.
 */
final class LooseWires {
    /** Free length of a core in a box. */
    private static final double FREE_LENGTH_MM = 150;
    /** Wall of the insulation of a single core of 1.5 to 2.5 mm² (IEC 60227-3, from memory). */
    private static final double INSULATION_MM = 0.75;
    /** Folded wires take about twice their own volume. */
    private static final double LOOSENESS = 2;
    /** Cross-section of a flying lead where none is stated, in mm². */
    private static final double LEAD_MM2 = 0.75;

    private static final double MM3_PER_CM3 = 1_000;
    static final Source SOURCE = new Source("estimate, common practice, no source");

    private LooseWires() {}

    /** @param connectors conductors that each connector in the box holds */
    static void judge(
            Box box,
            BoxGeometry room,
            List<ModuleModel> modules,
            RegionProfile region,
            List<Integer> connectors,
            List<Finding> findings,
            List<Margin> margins) {
        double bodies = Placement.mechanisms(box, room, region).stream()
                .mapToDouble(m ->
                        m.width().asDouble() * m.height().asDouble() * m.depth().asDouble())
                .sum();
        double fitted = Stream.concat(
                        modules.stream().flatMap(m -> m.body().stream()), ModulesInPlace.bodies(box).stream())
                .mapToDouble(b -> b.length().asDouble()
                        * b.width().asDouble()
                        * b.thickness().asDouble())
                .sum();
        double free = (Outline.of(room).squareMillimetres() * room.depth().asDouble() - bodies - fitted) / MM3_PER_CM3;
        if (free <= 0) {
            return; // The stack of depths says it better.
        }
        double needed = (cores(box)
                        + leads(modules)
                        + connectors.stream().mapToDouble(LooseWires::connector).sum())
                / MM3_PER_CM3;
        Margin margin =
                new Margin("wires, estimated", rounded(needed), rounded(free).max(new BigDecimal("0.1")), "cm\u00b3");
        margins.add(margin);
        if (margin.isOver()) {
            findings.add(Finding.of(
                    FindingCode.BOX_TOO_SMALL,
                    new Subject.Box(box.label()),
                    Sentence.of(
                                    "Wires and {0} connectors need about {found}; {allowed} are left beside mechanisms and modules.",
                                    connectors.size())
                            .found(margin.found(), margin.unit())
                            .allowed(margin.allowed(), margin.unit()),
                    SOURCE,
                    new Remedy(Remedy.Kind.DEEPER_BOX, "a deeper box or a spacer"),
                    new Remedy(
                            Remedy.Kind.OTHER_MODULE,
                            "a smaller module, or one with flying leads that saves connectors"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        }
    }

    private static double cores(Box box) {
        double sum = 0;
        for (Cable cable : box.cables()) {
            sum += cable.cores().size() * wire(cable.mm2().doubleValue(), FREE_LENGTH_MM);
        }
        return sum;
    }

    private static double leads(List<ModuleModel> modules) {
        return modules.stream()
                .flatMap(m -> m.terminals().stream())
                .filter(t -> t.lead().isPresent())
                .mapToDouble(t -> wire(
                        t.maxMm2().map(BigDecimal::doubleValue).orElse(LEAD_MM2),
                        t.lead().get().asDouble()))
                .sum();
    }

    private static double wire(double mm2, double lengthMm) {
        double outside = 2 * Math.sqrt(mm2 / Math.PI) + 2 * INSULATION_MM;
        return Math.PI / 4 * outside * outside * lengthMm * LOOSENESS;
    }

    /** A lever connector: about 0.75 cm³ for each conductor. */
    private static double connector(int conductors) {
        return 750.0 * conductors;
    }

    private static BigDecimal rounded(double value) {
        return BigDecimal.valueOf(value).setScale(1, RoundingMode.HALF_UP);
    }
}
