package org.hiddenclerk.core.electrical;

import static org.hiddenclerk.core.finding.FindingCode.CONDUCTOR_OVERLOAD;

import java.util.Locale;
import java.util.OptionalDouble;
import org.hiddenclerk.core.finding.Remedy;

/** What each conductor carries in a row against what one of its cross-section may carry. */
final class ConductorLoads implements RowCheck {
    private static final double ROUNDING = 1e-5;

    private final FindingLog log;
    private final ConductorAmps amps;
    private final boolean canHappen;

    ConductorLoads(Region region, FindingLog log) {
        this.log = log;
        amps = new ConductorAmps(region);
        double most = 0;
        for (Region.Resistor resistor : region.resistors()) {
            double factor = resistor.part() instanceof Part.Load load ? load.powerFactor() : 1;
            most += resistor.nominalVolts() * LoadState.OVER_SHARE * 2 / resistor.ohms() / factor;
        }
        double least = amps.conductors().stream().map(ConductorLoads::capacityOf).filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble).min().orElse(Double.MAX_VALUE);
        canHappen = most > least;
    }

    /** Amperes that a conductor may carry; empty where its size is not stated, or too small to be wiring. */
    static OptionalDouble capacityOf(Part.Conductor conductor) {
        return conductor.mm2().isEmpty() ? OptionalDouble.empty() : ConductorCapacity.amps(conductor.mm2().getAsDouble());
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (!canHappen || solver.isShorted()) {
            return;
        }
        double[] carried = amps.of(row, solver);
        for (int c = 0; c < carried.length; c++) {
            Part.Conductor conductor = amps.conductors().get(c);
            OptionalDouble capacity = capacityOf(conductor);
            double found = carried[c];
            if (capacity.isPresent() && found > capacity.getAsDouble() * (1 + ROUNDING)) {
                log.add(CONDUCTOR_OVERLOAD, conductor.id().value(), row, found, () -> String.format(Locale.ROOT,
                        "The %s core of %s carries %.1f A; %.2f mm² carries %.1f A.", conductor.core(), conductor.cable(), found,
                        conductor.mm2().getAsDouble(), capacity.getAsDouble()),
                        new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load, or a thicker cable by a licensed person"));
            }
        }
    }
}
