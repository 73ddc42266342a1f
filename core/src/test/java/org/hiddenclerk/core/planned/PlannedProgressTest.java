package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Stage.Progress;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.api.Test;

/** How far stages are, over the house of every plan of the matrix of schemes. */
class PlannedProgressTest {
    private static final Assignment NOT_ASKED =
            new Assignment(Modules.withNeutral(1, 2), List.of(1), Map.of(), Optional.empty());

    private static List<PlannedHouse> houses() {
        List<PlannedHouse> houses = SchemeMatrixPlans.of(RegionProfile.EU_230).values().stream()
                .filter(plan -> plan.planned().isPresent())
                .map(PlannedProgressTest::planned)
                .toList();
        assertThat(houses).hasSizeGreaterThan(10);
        return houses;
    }

    private static PlannedHouse planned(WiringPlan plan) {
        return PlannedHouse.of(
                List.of(PlannedWork.of(
                        plan, List.of(new PlannedWork.Owner(plan.run().lead().id(), 1, NOT_ASKED)), Map.of())),
                (box, model) -> Set.of());
    }

    private static Set<PlannedId.Module> ids(Stream<PlannedModule> modules) {
        return modules.map(PlannedModule::id).collect(Collectors.toSet());
    }

    @Test
    void aBoxIsDoneWithAllThatIsPlannedForItAndNotBefore() {
        for (PlannedHouse house : houses()) {
            Set<PlannedId.Module> all = ids(house.modules().stream());
            Set<String> boxes = house.modules().stream().map(PlannedModule::box).collect(Collectors.toSet());

            assertThat(PlannedProgress.ofModules(house, Set.of(), Set.of())).isEmpty();
            assertThat(PlannedProgress.ofModules(house, all, all))
                    .containsOnlyKeys(boxes)
                    .values()
                    .containsOnly(Progress.DONE);
            for (PlannedModule one : house.modules()) {
                boolean alone = house.in(one.box()).size() == 1;
                assertThat(PlannedProgress.ofModules(house, Set.of(one.id()), Set.of(one.id())))
                        .as("a module that nobody took up holds its box back")
                        .containsExactly(Map.entry(one.box(), alone ? Progress.DONE : Progress.BEGUN));
                assertThat(PlannedProgress.ofModules(
                                house, all, ids(house.modules().stream().filter(other -> other != one))))
                        .containsEntry(one.box(), Progress.BEGUN);
            }
        }
    }

    @Test
    void aBoxIsSaidToTheEndWhenNoInputInItIsOpenOrHeld() {
        for (PlannedHouse house : houses()) {
            Set<PlannedId.Input> all = house.modules().stream()
                    .flatMap(module -> module.inputs().stream())
                    .map(PlannedModule.Input::id)
                    .collect(Collectors.toSet());

            assertThat(PlannedProgress.ofInputs(house, all, all))
                    .containsOnlyKeys(all.stream()
                            .map(input ->
                                    house.module(input.module()).orElseThrow().box())
                            .collect(Collectors.toSet()))
                    .values()
                    .doesNotContain(Progress.BEGUN);
            for (PlannedId.Input held : all) {
                Set<PlannedId.Input> settled = new HashSet<>(all);
                settled.remove(held);
                assertThat(PlannedProgress.ofInputs(house, all, settled))
                        .containsEntry(house.module(held.module()).orElseThrow().box(), Progress.BEGUN);
            }
        }
    }

    @Test
    void aBoxIsMentionedByWhateverItsModulesHave() {
        for (PlannedHouse house : houses()) {
            for (PlannedModule module : house.modules()) {
                assertThat(PlannedProgress.ofMentions(house, Set.of(module.id().inHouse())))
                        .containsOnly(Map.entry(module.box(), Progress.DONE));
                module.outputs().forEach(output -> assertThat(PlannedProgress.ofMentions(
                                house, Set.of(output.id().inHouse())))
                        .containsOnlyKeys(module.box()));
            }
            assertThat(PlannedProgress.ofMentions(house, Set.of(new PlannedId.Switch("elsewhere", 1).inHouse())))
                    .isEmpty();
        }
    }
}
