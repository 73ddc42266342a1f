package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.planned.PlannedBindings.State;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.api.Test;

/** Links of every plan of the matrix that needs one, as modules are told them. */
class PlannedBindingsTest {
    private static final Assignment NOT_ASKED =
            new Assignment(Modules.withNeutral(1, 2), List.of(1), Map.of(), Optional.empty());

    private static Map<String, PlannedHouse> linked(Set<String> features) {
        Map<String, PlannedHouse> houses = new LinkedHashMap<>();
        SchemeMatrixPlans.of(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(wiring -> houses.put(name, planned(plan, features))));
        houses.values().removeIf(house -> house.links().isEmpty());
        assertThat(houses).hasSizeGreaterThan(3);
        return houses;
    }

    private static PlannedHouse planned(WiringPlan plan, Set<String> features) {
        return PlannedHouse.of(
                List.of(PlannedWork.of(
                        plan, List.of(new PlannedWork.Owner(plan.run().lead().id(), 1, NOT_ASKED)), Map.of())),
                (box, model) -> features);
    }

    private static Map<PlannedId.Module, String> addresses(PlannedHouse house) {
        Map<PlannedId.Module, String> addresses = new HashMap<>();
        house.modules().forEach(module -> addresses.put(module.id(), "A" + addresses.size()));
        return addresses;
    }

    @Test
    void whoCanCommandAnotherIsToldWhomAndIsBoundWhenItSaysSo() {
        linked(Set.of(FirmwareLine.DIRECT_BINDING)).forEach((name, house) -> {
            PlannedBindings bindings = new PlannedBindings(house);
            Map<PlannedId.Module, String> addresses = addresses(house);
            Map<PlannedId.Module, PlannedBindings.In> in = new HashMap<>();
            addresses.forEach((module, address) ->
                    in.put(module, new PlannedBindings.In(address, Optional.of(bindings.settings(module, addresses)))));

            assertThat(bindings.standings(in))
                    .as(name)
                    .hasSameSizeAs(house.links())
                    .extracting(PlannedBindings.Standing::state)
                    .containsOnly(State.BOUND);
            house.links().forEach(link -> {
                assertThat(bindings.settings(link.input().module(), addresses).values().stream()
                                .map(Settings.Commanded::read))
                        .as(name)
                        .allMatch(Optional::isPresent);
                assertThat(bindings.settings(link.input().module(), Map.of()))
                        .as("whose address nobody knows")
                        .isEmpty();
                assertThat(bindings.commanding(link.output().module()))
                        .as(name)
                        .contains(link.input().module());
                PlannedBindings.In forgot =
                        new PlannedBindings.In(addresses.get(link.input().module()), Optional.of(Map.of()));
                Map<PlannedId.Module, PlannedBindings.In> one = new HashMap<>(in);
                one.put(link.input().module(), forgot);
                assertThat(stateOf(bindings, link, one)).as(name).isEqualTo(State.NOT_BOUND);
                one.remove(link.output().module());
                assertThat(stateOf(bindings, link, one)).as(name).isEqualTo(State.WAITS);
            });
        });
    }

    private static State stateOf(
            PlannedBindings bindings, PlannedLink link, Map<PlannedId.Module, PlannedBindings.In> in) {
        return bindings.standings(in).stream()
                .filter(standing -> standing.link().equals(link))
                .findFirst()
                .orElseThrow()
                .state();
    }

    @Test
    void whatNoDeviceCanIsCarriedByTheHub() {
        linked(Set.of()).forEach((name, house) -> {
            PlannedBindings bindings = new PlannedBindings(house);
            Map<PlannedId.Module, String> addresses = addresses(house);
            house.modules().forEach(module -> assertThat(bindings.settings(module.id(), addresses))
                    .as(name)
                    .isEmpty());
            Map<PlannedId.Module, PlannedBindings.In> in = new HashMap<>();
            addresses.forEach((module, address) -> in.put(module, new PlannedBindings.In(address, Optional.empty())));
            assertThat(bindings.standings(in))
                    .extracting(PlannedBindings.Standing::state)
                    .as(name)
                    .containsOnly(State.HUB);
        });
    }

    @Test
    void aCommandedChannelIsReadAsItIsWritten() {
        Settings.Commanded commanded = new Settings.Commanded("00A1B2/x", 2);
        assertThat(Settings.Commanded.read(commanded.text())).contains(commanded);
        assertThat(Settings.Commanded.read("00A1B2")).isEmpty();
        assertThat(Settings.Commanded.read("/1")).isEmpty();
    }
}
