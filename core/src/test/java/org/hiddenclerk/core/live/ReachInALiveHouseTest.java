package org.hiddenclerk.core.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.junit.jupiter.api.Test;

/**
 * What the reach grid says of every part and pair of parts that is down, tried in a house that runs: the grid is
 * worked out from paths, the house is not.
 */
class ReachInALiveHouseTest {
    private static final int DEVICES = 16;
    /** Debounce and the pulse of a finger, which the grid counts once and not for every way. */
    private static final long TOLERANCE_MS = 60;

    private static Device device(int i) {
        Protocol protocol = Protocol.values()[i % 4];
        return new Device(
                new DeviceId("d" + i),
                "Module " + i,
                "Room",
                protocol,
                Optional.of("C" + i % 3),
                Set.of(),
                List.of(new Device.Output(
                        new OutputId("o" + i), "lamp " + i, Device.Drives.LIGHT, Device.Drives.LIGHT, false)),
                List.of(new Device.Control(
                        new ControlId("c" + i),
                        "switch " + i,
                        i % 5 == 4 ? Device.Kind.PUSH : Device.Kind.ROCKER,
                        i % 5 == 4 ? InputBehaviour.PRESS_CHANGES : InputBehaviour.EVERY_FLIP,
                        Optional.of(new OutputId("o" + i)))),
                List.of());
    }

    private static RuledHouse house() {
        List<Device> devices = new ArrayList<>();
        List<Link> links = new ArrayList<>();
        List<Rule> rules = new ArrayList<>();
        for (int i = 0; i < DEVICES; i++) {
            devices.add(device(i));
            String target = "o" + (i * 5 + 3) % DEVICES;
            if (i % 3 == 0) {
                links.add(new Link(
                        "l" + i,
                        new ControlId("c" + i),
                        new OutputId(target),
                        i % 2 == 0 ? Link.Way.HUB : Link.Way.CLOUD,
                        Link.Effect.FOLLOW,
                        false));
            } else if (i % 3 == 1) {
                links.add(new Link(
                        "l" + i,
                        new ControlId("c" + i),
                        new OutputId(target),
                        devices.get(i).protocol().isMesh() ? Link.Way.DIRECT_BINDING : Link.Way.LOCAL_GROUP,
                        Link.Effect.FOLLOW,
                        false));
                links.add(new Link(
                        "second" + i,
                        new ControlId("c" + i),
                        new OutputId(target),
                        Link.Way.HUB,
                        Link.Effect.FOLLOW,
                        false));
            } else {
                rules.add(new Rule(
                        "r" + i,
                        "Rule " + i,
                        Rule.RunsOn.values()[1 + i / 3 % 3],
                        List.of(new Trigger.Used(
                                new ControlId("c" + i), i % 5 == 4 ? Device.Gesture.PRESS : Device.Gesture.FLIP)),
                        List.of(),
                        List.of(new Rule.Deed(new Action.Turn(new OutputId(target), Action.Command.ON), 0)),
                        true));
            }
        }
        return new RuledHouse(devices, links, rules);
    }

    private static final class Watch {
        private Optional<Long> changed = Optional.empty();

        static Watch of(RuledHouse house, Reach.Row row, Set<Reach.Part> down) {
            Watch watch = new Watch();
            LivePlan plan =
                    new LivePlan(house, List.of(), Map.of(), Map.of(), Map.of(), Delays.USUAL, Optional.empty());
            LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
            live.pass(5_000);
            live.conditions(new Conditions(down, 1, false));
            live.pass(10_000);
            boolean before = live.outputs().get(row.output()).percent() > 0;
            assertThat(before).isFalse();
            live.hand(new Hand(
                    row.control().itself(),
                    house.controls().get(row.control()).kind() == Device.Kind.PUSH
                            ? Hand.Doing.PRESS
                            : Hand.Doing.FLIP));
            for (long at = 10_000; at <= 13_000 && watch.changed.isEmpty(); at += 10) {
                live.pass(at);
                if (live.outputs().get(row.output()).percent() > 0) {
                    watch.changed = Optional.of(at - 10_000);
                }
            }
            return watch;
        }
    }

    @Test
    void everyCellOfTheGridIsSo() {
        RuledHouse house = house();
        int tried = 0;
        int lost = 0;
        for (Reach.Row row : Reach.of(house, Delays.USUAL)) {
            // Every part of the house alone, too: what no path takes changes nothing.
            Map<Set<Reach.Part>, Reach.Outcome> cells = new LinkedHashMap<>(row.down());
            Parts.of(house).forEach(part -> cells.put(Set.of(part), row.without(Set.of(part))));
            for (Map.Entry<Set<Reach.Part>, Reach.Outcome> cell : cells.entrySet()) {
                Watch watch = Watch.of(house, row, cell.getKey());
                String about = row.control() + " to " + row.output() + " without "
                        + cell.getKey().stream().map(Reach.Part::words).toList();
                assertThat(watch.changed.isEmpty())
                        .as(about)
                        .isEqualTo(cell.getValue().state() == Reach.State.LOST);
                watch.changed.ifPresent(ms -> assertThat(ms)
                        .as(about)
                        .isBetween(
                                cell.getValue().delayMs().getAsInt() - TOLERANCE_MS,
                                cell.getValue().delayMs().getAsInt() + TOLERANCE_MS));
                tried++;
                lost += watch.changed.isEmpty() ? 1 : 0;
            }
        }
        assertThat(tried).isGreaterThan(400);
        assertThat(lost).as("both sorts were tried").isBetween(50, tried - 50);
    }
}
