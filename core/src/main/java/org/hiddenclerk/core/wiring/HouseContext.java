package org.hiddenclerk.core.wiring;

import java.util.Map;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.RegionProfile;

/** What a box needs to know of its house. */
public record HouseContext(RegionProfile region, Map<CircuitId, Circuit> circuits) {
    public HouseContext {
        circuits = Map.copyOf(circuits);
    }

    /** Label on the board. */
    public String label(CircuitId circuit) {
        Circuit known = circuits.get(circuit);
        return known == null ? circuit.value() : known.label();
    }
}
