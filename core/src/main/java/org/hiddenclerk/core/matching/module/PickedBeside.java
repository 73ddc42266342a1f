package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/**
 * What was picked already for other gangs of the same boxes: room that is taken, and heat.
 *
 * @param models what goes into each place
 * @param watts  what its contacts turn into heat with all on, by the box that it was picked for
 */
public record PickedBeside(
        Map<ConnectedBoxes.Place, List<ModuleModel>> models, Map<ConnectedBoxes.Place, Double> watts) {
    public static final PickedBeside NOTHING = new PickedBeside(Map.of(), Map.of());

    public PickedBeside {
        models = Map.copyOf(models);
        watts = Map.copyOf(watts);
    }

    /** @param picked for each box of a run, without what is to be judged now */
    public static PickedBeside of(Planner planner, Map<ConnectedBoxes.Place, List<Assignment>> picked) {
        List<Assignment> own = picked.getOrDefault(planner.run().lead(), List.of());
        Map<ConnectedBoxes.Place, List<Assignment>> others = new LinkedHashMap<>(picked);
        others.remove(planner.run().lead());
        if (own.isEmpty() && others.values().stream().allMatch(List::isEmpty)) {
            return NOTHING;
        }
        Map<ConnectedBoxes.Place, List<ModuleModel>> models = new LinkedHashMap<>(planner.plan(own, others)
                .planned()
                .map(RunWiring::modulesByPlace)
                .orElseGet(() -> undrawn(picked)));
        ModuleMatch match = new ModuleMatch(planner, Terms.USUAL);
        // What those of other boxes switch is known from their own run only.
        return new PickedBeside(
                models,
                Map.of(
                        planner.run().lead(),
                        own.stream().mapToDouble(match::contactHeat).sum()));
    }

    /** While nothing can be drawn, each is taken to go where it was picked. */
    private static Map<ConnectedBoxes.Place, List<ModuleModel>> undrawn(
            Map<ConnectedBoxes.Place, List<Assignment>> picked) {
        Map<ConnectedBoxes.Place, List<ModuleModel>> models = new LinkedHashMap<>();
        picked.forEach((place, given) -> models.put(
                place, new ArrayList<>(given.stream().map(Assignment::model).toList())));
        return models;
    }

    List<ModuleModel> at(ConnectedBoxes.Place place) {
        return models.getOrDefault(place, List.of());
    }

    double wattsAt(ConnectedBoxes.Place place) {
        return watts.getOrDefault(place, 0.0);
    }
}
