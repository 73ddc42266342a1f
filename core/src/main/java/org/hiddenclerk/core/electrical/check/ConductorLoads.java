package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.CONDUCTOR_OVERLOAD;

import java.util.List;
import java.util.OptionalDouble;
import org.hiddenclerk.core.electrical.part.ConductorCapacity;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.ConductorAmps;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * What each conductor carries in a row against what one of its cross-section may carry. Conductors beside each other count
 * each as if it were alone: one of them may be loose, and nothing shows it.
 */
public final class ConductorLoads implements RowCheck {
    private static final Remedy THICKER =
            new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load, or a thicker cable by a licensed person");

    private final Region region;
    private final FindingLog log;
    private final ConductorAmps amps;
    private final List<Part.Conductor> thin;
    private final boolean canHappen;

    public ConductorLoads(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
        amps = new ConductorAmps(region);
        thin = amps.conductors().stream()
                .filter(c -> c.mm2().isPresent()
                        && c.mm2().getAsDouble() < ConductorCapacity.THINNEST_MM2 - Tolerance.WRITTEN)
                .toList();
        double most = 0;
        for (Region.Resistor resistor : region.resistors()) {
            double factor = resistor.part() instanceof Part.Load load ? load.powerFactor() : 1;
            most += resistor.nominalVolts() * LoadState.OVER_SHARE * 2 / resistor.ohms() / factor;
        }
        double least = amps.conductors().stream()
                .map(ConductorLoads::capacityOf)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .min()
                .orElse(Double.MAX_VALUE);
        canHappen = most > least;
    }

    /** Amperes that a conductor may carry; empty where its size is not stated, or too small to be wiring. */
    static OptionalDouble capacityOf(Part.Conductor conductor) {
        return conductor.mm2().isEmpty()
                ? OptionalDouble.empty()
                : ConductorCapacity.amps(conductor.mm2().getAsDouble());
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        thin.forEach(conductor -> tooThin(conductor, row, solver));
        if (!canHappen) {
            return;
        }
        ConductorAmps.Carried carried = amps.of(row, solver);
        for (int c = 0; c < amps.conductors().size(); c++) {
            judge(amps.conductors().get(c), carried.amps()[c], carried.beside()[c], row);
        }
    }

    /** Too thin to be wiring at all, wherever mains may stand on it; wires of a module's own low voltage may be thinner. */
    private void tooThin(Part.Conductor conductor, int row, RowSolver solver) {
        int node = region.node(conductor, "a");
        if (solver.isOnLive(node) || solver.isOn(node, Line.N)) {
            log.add(
                    CONDUCTOR_OVERLOAD,
                    Severity.STOP,
                    conductor.subject(),
                    row,
                    0,
                    () -> Sentence.of(
                                    "The {0} core of {1} is mains wiring of {found}; {allowed} is the least.",
                                    conductor.core(), conductor.cable())
                            .found(conductor.mm2().getAsDouble(), 2, "mm²")
                            .allowed(ConductorCapacity.THINNEST_MM2, 2, "mm²"),
                    ConductorCapacity.SOURCE,
                    THICKER);
        }
    }

    private void judge(Part.Conductor conductor, double found, boolean beside, int row) {
        OptionalDouble capacity = capacityOf(conductor);
        if (capacity.isPresent() && found > capacity.getAsDouble() * (1 + Tolerance.WRITTEN)) {
            String size =
                    Sentence.Amount.of(conductor.mm2().getAsDouble(), 2, "mm²").toString();
            String words = beside
                    ? "The {0} core of {1} lies beside another way and would carry {found} if that came loose; {2} carries {allowed}."
                    : "The {0} core of {1} carries {found}; {2} carries {allowed}.";
            log.add(
                    CONDUCTOR_OVERLOAD,
                    beside ? Severity.HOLD : Severity.STOP,
                    conductor.subject(),
                    row,
                    found,
                    () -> Sentence.of(words, conductor.core(), conductor.cable(), size)
                            .found(found, 1, "A")
                            .allowed(capacity.getAsDouble(), 1, "A"),
                    ConductorCapacity.SOURCE,
                    THICKER);
        }
    }
}
