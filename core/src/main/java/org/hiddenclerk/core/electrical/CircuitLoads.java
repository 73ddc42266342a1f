package org.hiddenclerk.core.electrical;

import static org.hiddenclerk.core.finding.FindingCode.CIRCUIT_OVERLOAD;

import java.util.Locale;
import org.hiddenclerk.core.finding.Remedy;

/**
 * What a circuit's live delivers in a row, against the rating of its protective device. All loads that are on in the row
 * count in full; nothing is taken off for diversity.
 */
final class CircuitLoads implements RowCheck {
    /** Guards "over the rating" against the rounding of watts over volts. */
    private static final double ROUNDING = 1e-5;

    private final Region region;
    private final FindingLog log;

    CircuitLoads(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        for (Region.Source source : region.sources()) {
            Part.Supply supply = source.supply();
            if (supply.line().isLive() && supply.ratedAmps().isPresent()) {
                double rated = supply.ratedAmps().getAsDouble();
                double amps = ampsFrom(source, solver);
                if (amps > rated * (1 + ROUNDING)) {
                    log.add(CIRCUIT_OVERLOAD, supply.id().value(), row, amps, () -> String.format(Locale.ROOT,
                            "Circuit %s delivers %.2f A; its protective device is rated %.2f A.", supply.circuit(), amps,
                            rated), new Remedy(Remedy.Kind.SPLIT_LOAD, "move some of the load to another circuit"));
                }
            }
        }
    }

    private double ampsFrom(Region.Source source, RowSolver solver) {
        int net = solver.net(source.node());
        double amps = 0;
        for (Region.Resistor resistor : region.resistors()) {
            boolean first = solver.net(resistor.a()) == net;
            boolean second = solver.net(resistor.b()) == net;
            if (first != second) {
                double factor = resistor.part() instanceof Part.Load load ? load.powerFactor() : 1;
                amps += solver.volts(resistor.a(), resistor.b()) / resistor.ohms() / factor;
            }
        }
        return amps;
    }
}
