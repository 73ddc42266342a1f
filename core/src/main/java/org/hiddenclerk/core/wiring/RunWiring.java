package org.hiddenclerk.core.wiring;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.Intent;
import org.hiddenclerk.core.electrical.NodeId;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.job.End;

/**
 * How a whole run is connected, as found or as planned.
 *
 * @param boxes   every place of the run
 * @param fitted  modules in the order of their numbers
 * @param intents what is wanted of the loads
 */
public record RunWiring(Run run, Map<Run.Place, BoxWiring> boxes, List<Fitted> fitted, List<Intent> intents) {
    public RunWiring {
        boxes = Collections.unmodifiableMap(new LinkedHashMap<>(boxes));
        fitted = List.copyOf(fitted);
        intents = List.copyOf(intents);
    }

    static RunWiring surveyed(Run run, List<Intent> intents) {
        Map<Run.Place, BoxWiring> boxes = new LinkedHashMap<>();
        run.places().forEach(place -> boxes.put(place, BoxWiring.surveyed(place.box())));
        return new RunWiring(run, boxes, List.of(), intents);
    }

    public BoxWiring at(Run.Place place) {
        return boxes.get(place);
    }

    static NodeId node(Run.Place place, End end) {
        return new NodeId(place.prefix() + end.key());
    }

    public static PartId switchOf(Run.GangRef gang) {
        return new PartId(gang.place().prefix() + "S" + gang.number());
    }

    static PartId moduleOf(int number) {
        return new PartId("K" + number);
    }

    /** @param bank counted from 0 */
    public static PartId loadOf(Run.LoadRef load, int bank) {
        String first = load.place().owner() + "X" + load.number();
        return new PartId(bank == 0 ? first : first + "." + (bank + 1));
    }
}
