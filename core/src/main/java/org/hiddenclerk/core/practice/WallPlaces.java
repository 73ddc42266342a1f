package org.hiddenclerk.core.practice;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** Finds what the learner names in the wiring of a wall. */
final class WallPlaces {
    private WallPlaces() {}

    /** The wall as it was found, seen from its first box. */
    static RunWiring found(PracticeWall wall) {
        return RunWiring.surveyed(ConnectedBoxes.of(
                wall.boxes(),
                wall.boxes().keySet().iterator().next(),
                wall.house().region()));
    }

    static ConnectedBoxes.Place place(RunWiring wiring, String id) {
        return wiring.run().places().stream()
                .filter(place -> place.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no place " + id + " at this wall."));
    }

    /** Place of a core, which is named by its place and its key there. */
    static ConnectedBoxes.Place placeOf(RunWiring wiring, String core) {
        int slash = core.lastIndexOf('/');
        if (slash < 0) {
            throw new NotPossible("There is no core " + core + " at this wall.");
        }
        return place(wiring, core.substring(0, slash));
    }

    static Box.CableCore core(RunWiring wiring, String id) {
        String key = id.substring(id.lastIndexOf('/') + 1);
        return wiring.at(placeOf(wiring, id)).box().cores().stream()
                .filter(core -> core.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no core " + id + " at this wall."));
    }

    static NodeId node(RunWiring wiring, String core) {
        return wiring.nodeOf(placeOf(wiring, core), core(wiring, core));
    }

    static String words(RunWiring wiring, String core) {
        return core(wiring, core).words() + " in " + placeOf(wiring, core).label();
    }

    /** The wiring with a core ending elsewhere. */
    static RunWiring with(RunWiring wiring, String core, End end) {
        ConnectedBoxes.Place place = placeOf(wiring, core);
        Map<String, End> ends = new LinkedHashMap<>(wiring.at(place).ends());
        ends.put(core(wiring, core).key(), end);
        return wiring.with(place, ends, wiring.at(place).jumpers());
    }

    static PartId switchPart(ConnectedBoxes run, SurveyedBoard.Entry gang) {
        ConnectedBoxes.Place place = run.places().stream()
                .filter(p -> p.id().equals(gang.box()))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no box " + gang.box() + " at this wall."));
        return RunWiring.switchOf(new ConnectedBoxes.GangRef(place, gang.gang()));
    }
}
