package org.hiddenclerk.app.stage.bench;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.naming.Convention;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.planned.PlannedModule;
import org.hiddenclerk.core.planned.PlannedRoom;
import org.springframework.stereotype.Component;

/** Places of a job that wait for a module: one for each that is planned, in the order of the boxes. */
@Component
class BenchPlaces {
    private final PlannedHouses planned;
    private final Boxes boxes;

    BenchPlaces(PlannedHouses planned, Boxes boxes) {
        this.planned = planned;
        this.boxes = boxes;
    }

    /**
     * A place for a module.
     *
     * @param box   where it sits, or which lists the lamp at which it sits
     * @param label   of the box, or name of the lamp
     * @param inPlace whether the module is there already
     */
    record ModulePlace(
            PlannedId.Module id,
            UUID box,
            String module,
            String label,
            Convention.Place named,
            Set<Integer> switched,
            boolean outOfReach,
            boolean inPlace) {
        /** Whether it waits for this module still: a plan may have been changed since. */
        boolean waitsFor(BenchUnitRow row) {
            return row.place().filter(id::equals).isPresent() && module.equals(row.moduleCode());
        }
    }

    List<ModulePlace> of(UUID job) {
        return of(job, planned.of(job));
    }

    /** Of a house that has been read already. */
    List<ModulePlace> of(UUID job, PlannedHouses.Planned house) {
        Map<String, Integer> order = new HashMap<>();
        for (BoxRow row : boxes.ofJob(job)) {
            order.put(row.id().toString(), order.size());
        }
        return house.house().modules().stream()
                .sorted(Comparator.comparing((PlannedModule module) -> order.get(module.box()))
                        .thenComparing(module -> !module.isPicked()))
                .map(module -> place(module, house.rooms().get(module.box())))
                .toList();
    }

    private static ModulePlace place(PlannedModule module, PlannedRoom room) {
        String kind = module.model().purpose().name().toLowerCase(Locale.ROOT);
        String what = module.names().isEmpty() ? module.model().purpose().label() : module.names();
        return new ModulePlace(
                module.id(),
                UUID.fromString(module.box()),
                module.model().code(),
                module.place().label(),
                new Convention.Place(
                        module.id().inHouse(),
                        room.storey(),
                        room.name(),
                        module.place().label(),
                        what,
                        0,
                        kind),
                module.switchedInputs(),
                module.place().isOutOfReach(),
                module.isInPlace());
    }
}
