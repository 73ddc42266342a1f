package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.handover.HandoverTest;
import org.hiddenclerk.core.handover.HandoverTests;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.live.Carrier;
import org.hiddenclerk.core.live.Happening;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Message;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.api.Test;

/** Every module of every scheme on every circuit reaches every later stage, with the same box, channels, inputs and links. */
class PlannedHouseTest {
    /** Of a plan that is drawn the assignment is not asked again. */
    private static final Assignment NOT_ASKED =
            new Assignment(Modules.withNeutral(1, 2), List.of(1), Map.of(), Optional.empty());

    private static final Set<String> BINDS = Set.of(FirmwareLine.DIRECT_BINDING);

    private static PlannedHouse planned(WiringPlan plan, Set<String> features) {
        return PlannedHouse.of(
                List.of(PlannedWork.of(
                        plan, List.of(new PlannedWork.Owner(plan.run().lead().id(), 1, NOT_ASKED)), Map.of())),
                (box, model) -> features);
    }

    private static Map<String, PlannedRoom> rooms(WiringPlan plan) {
        Map<String, PlannedRoom> rooms = new LinkedHashMap<>();
        plan.run()
                .boxes()
                .forEach(place -> rooms.put(
                        place.id(), new PlannedRoom("r" + place.id(), "Room " + place.label(), "Ground floor")));
        return rooms;
    }

    private static Map<String, WiringPlan> drawn() {
        Map<String, WiringPlan> drawn = new LinkedHashMap<>();
        SchemeMatrixPlans.of(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(wiring -> drawn.put(name, plan)));
        return drawn;
    }

    private static LivePlan live(WiringPlan plan, PlannedHouse house) {
        List<Device> devices = new PlannedDevices(rooms(plan), (box, model) -> Set.of()).of(house);
        RuledHouse ruled = new RuledHouse(
                devices, house.links().stream().map(PlannedLink::link).toList(), List.of());
        return new LivePlan(
                ruled,
                new PlannedRuns(house, rooms(plan)).runs(),
                Map.of(),
                PlannedRuns.worksAt(house),
                Map.of(),
                Delays.USUAL,
                Optional.empty());
    }

    @Test
    void everyFittedModuleIsThereOnceInItsOwnBox() {
        drawn().forEach((name, plan) -> {
            PlannedHouse house = planned(plan, Set.of());
            List<Fitted> fitted = plan.planned().orElseThrow().fitted();
            Set<String> surveyed =
                    plan.run().boxes().stream().map(ConnectedBoxes.Place::id).collect(Collectors.toSet());

            assertThat(house.modules())
                    .as(name)
                    .hasSameSizeAs(fitted)
                    .extracting(PlannedModule::id)
                    .doesNotHaveDuplicates();
            for (int i = 0; i < fitted.size(); i++) {
                PlannedModule module = house.modules().get(i);
                ConnectedBoxes.Place place = fitted.get(i).place();
                assertThat(module.model()).as(name).isEqualTo(fitted.get(i).model());
                assertThat(module.place().label()).as(name).isEqualTo(place.label());
                assertThat(surveyed).as(name).contains(module.box());
                assertThat(place.implied() || module.box().equals(place.id()))
                        .as(name + ": its own box")
                        .isTrue();
                assertThat(house.in(module.box())).as(name).contains(module);
            }
            assertThat(house.modules().stream().filter(PlannedModule::isPicked))
                    .as(name + ": one was picked")
                    .hasSize(1);
        });
    }

    /** Rules, live house and hand over have the same modules, channels with loads, and inputs. */
    @Test
    void everyLaterStageHasThem() {
        drawn().forEach((name, plan) -> {
            PlannedHouse house = planned(plan, Set.of());
            LivePlan live = live(plan, house);
            Set<DeviceId> modules = house.modules().stream()
                    .map(module -> module.id().inHouse())
                    .collect(Collectors.toSet());
            Set<DeviceId> tested = new HashSet<>();
            HandoverTests.of(live, Map.of()).forEach(test -> tested.add(test.device()));

            assertThat(live.house().devices())
                    .as(name)
                    .extracting(Device::id)
                    .containsExactlyInAnyOrderElementsOf(modules);
            assertThat(live.runs().get(0).modules().values())
                    .as(name)
                    .extracting(LivePlan.Hung::device)
                    .containsExactlyInAnyOrderElementsOf(modules);
            assertThat(tested).as(name).containsExactlyInAnyOrderElementsOf(modules);
            assertThat(live.house().controls().keySet())
                    .as(name)
                    .containsExactlyInAnyOrderElementsOf(house.modules().stream()
                            .flatMap(module -> module.inputs().stream())
                            .map(input -> input.id().inHouse())
                            .toList());
            assertThat(live.house().problems()).as(name).isEmpty();
        });
    }

    /** A switch whose module commands another one has a link, and no switch is told to work by wire what it reaches by radio. */
    @Test
    void whatCommandsAnotherModuleIsALink() {
        drawn().forEach((name, plan) -> {
            PlannedHouse house = planned(plan, Set.of());
            boolean byRadio = name.endsWith(SchemeCode.SPLIT_PAIR.name())
                    || name.contains(SchemeCode.MULTI_SECOND_UNLOADED.name());

            assertThat(house.links().isEmpty()).as(name).isEqualTo(!byRadio);
            assertThat(house.links())
                    .as(name + ": as a choice for the house counts them")
                    .hasSize(house.modules().size() - 1);
            house.links().forEach(link -> {
                assertThat(link.input().module())
                        .as(name)
                        .isNotEqualTo(link.output().module());
                assertThat(house.module(link.output().module())).as(name).isPresent();
                assertThat(link.way()).as(name + ": " + link.reason()).isEqualTo(Link.Way.HUB);
                Reach.Row row = Reach.of(live(plan, house).house(), Delays.USUAL).stream()
                        .filter(each -> each.control().equals(link.input().inHouse()))
                        .findFirst()
                        .orElseThrow();
                assertThat(row.without(Set.of(Reach.Part.HUB)).state()).as(name).isEqualTo(Reach.State.LOST);
                assertThat(row.paths()).as(name).noneMatch(path -> path.words().equals("by wire"));
            });
            planned(plan, BINDS).links().forEach(link -> {
                assertThat(link.way()).as(name + ": " + link.reason()).isEqualTo(Link.Way.DIRECT_BINDING);
            });
        });
    }

    /** The button for the second direction once had no row: nobody was told that it works, and nobody tried it. */
    @Test
    void bothDirectionsOfABlindHaveTheirRows() {
        SchemeMatrixPlans.special().entrySet().stream()
                .filter(each -> each.getKey().endsWith(" blind"))
                .forEach(each -> {
                    LivePlan live = live(each.getValue(), planned(each.getValue(), Set.of()));
                    Device blind = live.house().devices().get(0);

                    assertThat(blind.outputs())
                            .as(each.getKey())
                            .singleElement()
                            .satisfies(output ->
                                    assertThat(output.name()).as("by its motor").endsWith("loft"));
                    assertThat(blind.controls()).hasSize(2).allSatisfy(control -> assertThat(control.output())
                            .contains(blind.outputs().get(0).id()));
                    assertThat(Reach.of(live.house(), Delays.USUAL))
                            .extracting(Reach.Row::control)
                            .containsExactlyElementsOf(blind.controls().stream()
                                    .map(Device.Control::id)
                                    .toList());
                    assertThat(HandoverTests.of(live, Map.of()))
                            .filteredOn(test -> test.kind() == HandoverTest.Kind.WALL_SWITCH)
                            .as("each is tried")
                            .hasSize(2);
                });
    }

    /** A house that is put in is as it was found: nothing changes, and nothing is told of a switch, before somebody moves one. */
    @Test
    void nothingHappensBeforeAHandDoes() {
        List.of(Set.<String>of(), BINDS).forEach(features -> drawn().forEach((name, plan) -> {
            List<Happening> happened = new ArrayList<>();
            LiveHouse house =
                    new LiveHouse(live(plan, planned(plan, features)), Instant.EPOCH, Carrier.NONE, happened::add);
            house.pass(60_000);
            assertThat(happened)
                    .as(name)
                    .filteredOn(each -> each.kind() == Happening.Kind.OUTPUT
                            || each.said()
                                    .filter(said -> said instanceof Message.Gestured)
                                    .isPresent())
                    .extracting(Happening::words)
                    .isEmpty();
        }));
    }
}
