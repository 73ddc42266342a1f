package org.hiddenclerk.core.electrical.operation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.ConductorAmps;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.SwitchingState;

/** What every conductor carries in every state, for a drawing that shows it. */
public final class Currents {
    /** Conductors times rows beyond which a region is left out: a drawing of that size cannot be read. */
    private static final int MOST_VALUES = 200_000;

    private static final double SHOWN_AMPS = 0.5e-3;

    private Currents() {}

    /** Amperes by state and conductor, to the milliampere; conductors that carry nothing are left out. */
    public static Map<SwitchingState, Map<String, Double>> of(Wiring wiring) {
        Map<SwitchingState, Map<String, Double>> all = new LinkedHashMap<>();
        for (Region region : new Netlist(wiring).regions()) {
            ConductorAmps amps = new ConductorAmps(region);
            if ((long) region.rowCount() * amps.conductors().size() <= MOST_VALUES) {
                RowSolver solver = new RowSolver(region);
                for (int row = 0; row < region.rowCount(); row++) {
                    if (!region.isExcluded(row)) {
                        solver.solve(row);
                        all.computeIfAbsent(region.state(row), s -> new LinkedHashMap<>())
                                .putAll(solver.isShorted() ? Map.of() : shown(amps.conductors(), amps.of(row, solver)));
                    }
                }
            }
        }
        return all;
    }

    private static Map<String, Double> shown(List<Part.Conductor> conductors, ConductorAmps.Carried carried) {
        double[] amps = carried.amps();
        Map<String, Double> shown = new LinkedHashMap<>();
        for (int c = 0; c < amps.length; c++) {
            if (!carried.beside()[c] && amps[c] >= SHOWN_AMPS) {
                shown.put(conductors.get(c).id().value(), Math.round(amps[c] * 1000) / 1000.0);
            }
        }
        return shown;
    }
}
