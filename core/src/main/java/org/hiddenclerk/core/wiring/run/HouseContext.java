package org.hiddenclerk.core.wiring.run;

import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Catalogue;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.RegionProfile;

/**
 * What a box needs to know of its house.
 *
 * @param stock modules that are known by what stands on them, for those that are found in boxes
 */
public record HouseContext(RegionProfile region, Map<CircuitId, Circuit> circuits, Catalogue stock) {
    public HouseContext {
        circuits = Map.copyOf(circuits);
    }

    /** A house in which no module that is in place was looked up. */
    public HouseContext(RegionProfile region, Map<CircuitId, Circuit> circuits) {
        this(region, circuits, Catalogue.EMPTY);
    }

    /** Label on the board. */
    public String label(CircuitId circuit) {
        Circuit known = circuits.get(circuit);
        return known == null ? circuit.value() : known.label();
    }

    /** What the stock book says of a module by what stands on it; empty where it is not in there. */
    public Optional<ModuleModel> known(String name) {
        return stock.find(name.strip());
    }
}
