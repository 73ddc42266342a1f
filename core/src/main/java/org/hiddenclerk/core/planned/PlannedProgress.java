package org.hiddenclerk.core.planned;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.job.Stage;

/**
 * How far the boxes of a house are with a stage that works on modules; boxes of which none is begun are left out.
 * Keys are the boxes that modules sit in.
 */
public final class PlannedProgress {
    private PlannedProgress() {}

    /**
     * Of a stage that is done with a box once it is done with every module in it, also with those that nobody took up yet.
     *
     * @param begun modules that somebody took up
     */
    public static Map<String, Stage.Progress> ofModules(
            PlannedHouse house, Set<PlannedId.Module> begun, Set<PlannedId.Module> done) {
        return of(house.modules(), module -> begun.contains(module.id()), module -> done.contains(module.id()));
    }

    /**
     * Of a stage that is done with a box once it is done with every input that a switch reaches.
     *
     * @param said    inputs of which somebody said what is wanted
     * @param settled those of them of which nothing holds that back
     */
    public static Map<String, Stage.Progress> ofInputs(
            PlannedHouse house, Set<PlannedId.Input> said, Set<PlannedId.Input> settled) {
        return of(
                house.modules(),
                module -> module.inputs().stream().anyMatch(input -> said.contains(input.id())),
                module -> module.inputs().stream().allMatch(input -> settled.contains(input.id())));
    }

    /** Of a stage that is done with a box as soon as something that it made speaks of a module there. */
    public static Map<String, Stage.Progress> ofMentions(PlannedHouse house, Set<? extends HouseId> mentioned) {
        Set<PlannedId.Module> modules = mentioned.stream()
                .map(PlannedId::moduleOf)
                .flatMap(Optional::stream)
                .collect(Collectors.toSet());
        return of(house.modules(), module -> modules.contains(module.id()), module -> true);
    }

    private static Map<String, Stage.Progress> of(
            List<PlannedModule> all, Predicate<PlannedModule> begun, Predicate<PlannedModule> done) {
        Map<String, List<PlannedModule>> byBox = all.stream()
                .collect(Collectors.groupingBy(PlannedModule::box, LinkedHashMap::new, Collectors.toList()));
        Map<String, Stage.Progress> progress = new LinkedHashMap<>();
        byBox.forEach((box, modules) -> {
            if (modules.stream().anyMatch(begun)) {
                progress.put(box, modules.stream().allMatch(done) ? Stage.Progress.DONE : Stage.Progress.BEGUN);
            }
        });
        return progress;
    }
}
