package org.hiddenclerk.core.live;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.electrical.Wiring;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.schedule.Whereabouts;

/**
 * What a house that runs is made from.
 *
 * @param runs     its wirings; a device without one has its contacts in its own switches
 * @param settings by control; a control without any is set as usual
 * @param worksAt  switches at the wall that each control reads, by control; one without any is worked itself
 * @param names    what people call switches and lamps, by id; rules know the names of everything else
 * @param where    of the house; without it nothing is dark by itself and no time of a rule comes
 */
public record LivePlan(RuledHouse house, List<Run> runs, Map<String, Parameters> settings, Map<String, List<String>> worksAt, Map<String, String> names, Delays delays, Optional<Whereabouts> where) {
    public LivePlan {
        runs = List.copyOf(runs);
        settings = Map.copyOf(settings);
        worksAt = Map.copyOf(worksAt);
        names = Map.copyOf(names);
    }

    /** Where a hand works a control. */
    public List<String> handsOf(String control) {
        return worksAt.getOrDefault(control, List.of(control));
    }

    public String nameOf(String id) {
        return names.getOrDefault(id, house.nameOf(id));
    }

    /**
     * A wiring with the hands and eyes at it. A module of it is the device {@code id/part}, an input the control
     * {@code id/part/in<input>}, a channel the output {@code id/part/channel}.
     *
     * @param switches ids in the house by part: two wirings may hold one switch
     */
    public record Run(String id, Wiring wiring, Map<PartId, String> switches, Map<PartId, Lamp> lamps) {
        public Run {
            switches = Map.copyOf(switches);
            lamps = Map.copyOf(lamps);
        }
    }

    /**
     * A lamp, or whatever else a load is.
     *
     * @param id     in the house: two wirings may hold one lamp
     * @param output that switches it; empty where a wiring only passes by, or no module does
     */
    public record Lamp(String id, Optional<String> output) {
    }
}
