package org.hiddenclerk.standins.wire;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.BooleanSupplier;
import org.awaitility.Awaitility;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.Conditions;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.Happening;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.RuledHouse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A house on a real broker: what is said, what fails, and how it comes back. */
class HouseOnBrokerTest {
    private static final int DEVICES = 12;
    /** Within this time after the broker is back everybody agrees again. */
    private static final long RECOVERS_MS = 5_000;

    private final List<Happening> happenings = new CopyOnWriteArrayList<>();

    /**
     * A chain of lamps: each switch leads its own lamp by wire and the next one by the hub; two of three are on the
     * broker, the others on a mesh.
     */
    private static RuledHouse house() {
        List<Device> devices = new ArrayList<>();
        List<Link> links = new ArrayList<>();
        for (int i = 0; i < DEVICES; i++) {
            String id = "d" + i;
            devices.add(new Device(
                    new DeviceId(id),
                    "Module " + i,
                    "Room",
                    i % 3 == 2 ? Protocol.ZIGBEE : Protocol.MQTT_WIFI,
                    Optional.of("C1"),
                    Set.of(),
                    List.of(new Device.Output(
                            new OutputId(id + "/1"), "lamp " + i, Device.Drives.LIGHT, Device.Drives.LIGHT, false)),
                    List.of(new Device.Control(
                            new ControlId(id + "/in1"),
                            "switch " + i,
                            Device.Kind.ROCKER,
                            InputBehaviour.EVERY_FLIP,
                            Optional.of(new OutputId(id + "/1")))),
                    List.of()));
            if (i % 2 == 0) {
                links.add(new Link(
                        "l" + i,
                        new ControlId(id + "/in1"),
                        new OutputId("d" + (i + 1) + "/1"),
                        Link.Way.HUB,
                        Link.Effect.FOLLOW,
                        false));
            }
        }
        return new RuledHouse(devices, links, List.of());
    }

    private HouseOnBroker start(MqttLine.Broker broker) {
        RuledHouse house = house();
        Map<DeviceId, String> handles = new HashMap<>();
        house.devices().forEach(device -> handles.put(device.id(), "module-" + device.id()));
        LivePlan plan = new LivePlan(house, List.of(), Map.of(), Map.of(), Map.of(), Delays.USUAL, Optional.empty());
        return new HouseOnBroker(
                broker,
                "live-test",
                plan,
                Instant.EPOCH,
                new HouseTopics("house/test", house, handles),
                happenings::add,
                live -> {});
    }

    /** @param ms it takes on a machine with nothing else to do; a busy one gets ten times that, as this is no test of speed */
    private static void await(String what, long ms, BooleanSupplier holds) {
        Awaitility.await(what)
                .atMost(Duration.ofMillis(10 * ms))
                .pollInterval(Duration.ofMillis(20))
                .until(holds::getAsBoolean);
    }

    /** What would come without the fault, comes within this time on an idle machine. */
    private static void stays(String what, BooleanSupplier holds) {
        Awaitility.await(what)
                .during(Duration.ofMillis(500))
                .atMost(Duration.ofSeconds(10))
                .until(holds::getAsBoolean);
    }

    private static boolean isOn(HouseOnBroker house, int lamp) {
        return house.running()
                .ask(live -> live.outputs().get(new OutputId("d" + lamp + "/1")).percent() > 0);
    }

    private static void flip(HouseOnBroker house, int at) {
        house.running().tell(live -> live.hand(new Hand(new SwitchId("d" + at + "/in1"), Hand.Doing.FLIP)));
    }

    private static boolean agrees(HouseOnBroker house) {
        return house.isWhole() && house.running().ask(org.hiddenclerk.core.live.LiveHouse::agrees);
    }

    /** What the broker tells whoever comes now. */
    private static Map<String, String> retained(MqttLine.Broker broker) throws InterruptedException {
        Map<String, String> heard = new ConcurrentHashMap<>();
        try (MqttLine line = new MqttLine(
                broker,
                "newcomer",
                List.of("house/test/#"),
                (topic, message) -> heard.put(topic, new String(message, StandardCharsets.UTF_8)))) {
            await("retained messages", 3_000, () -> heard.size() >= 3 * DEVICES + 1);
        }
        return heard;
    }

    private void talk(MqttLine.Broker broker) throws InterruptedException {
        try (HouseOnBroker house = start(broker)) {
            await("the hub knows all", RECOVERS_MS, () -> agrees(house));
            flip(house, 0);
            await("its own lamp and the next one, over the hub", 2_000, () -> isOn(house, 0) && isOn(house, 1));
            flip(house, 2);
            await("from a mesh to the broker", 2_000, () -> isOn(house, 2) && isOn(house, 3));
            await("the hub has heard", 2_000, () -> agrees(house));

            Map<String, String> told = retained(broker);
            assertThat(told.get("house/test/module-d0/presence")).isEqualTo("here");
            assertThat(told.get("house/test/hub/presence")).isEqualTo("here");
            assertThat(told.get("house/test/module-d0/about")).contains("\"name\":\"Module 0\"", "\"is\":\"light\"");
            assertThat(told.get("house/test/module-d1/outputs/1/state")).contains("\"level\":100");
            assertThat(told.get("house/test/module-d2/outputs/1/state"))
                    .as("the hub tells of a mesh")
                    .contains("\"level\":100", "\"by\":\"HAND\"");
            List<String> answers = new CopyOnWriteArrayList<>();
            try (MqttLine outside = new MqttLine(
                    broker,
                    "outside",
                    List.of("house/test/+/outputs/+/refused"),
                    (topic, message) -> answers.add(topic + new String(message, StandardCharsets.UTF_8)))) {
                outside.send("house/test/module-d4/outputs/1/order", "{\"level\":100}");
                outside.send("house/test/module-d5/outputs/1/order", "{\"toggle\":true}");
                outside.send("house/test/module-d7/outputs/1/order", "{\"level\":100,\"toggle\":true}");
                outside.send("house/test/module-d7/outputs/1/order", "no order");
                outside.send("house/test/module-d7/outputs/1/order", "{\"level\":101}");
                outside.send("house/test/module-d8/outputs/1/order", "{\"move\":\"UP\"}");
                await("ordered from outside", 2_000, () -> isOn(house, 4) && isOn(house, 5));
            }
            assertThat(isOn(house, 7)).as("an order says one thing").isFalse();
            await("whoever writes what is no order is answered", 2_000, () -> answers.size() >= 4);
            assertThat(answers)
                    .hasSize(4)
                    .anyMatch(answer -> answer.contains("this says 2 of them"))
                    .anyMatch(answer -> answer.contains("0 to 100, not 101"))
                    .anyMatch(answer -> answer.contains("JSON with one of"))
                    .anyMatch(answer -> answer.startsWith("house/test/module-d8/outputs/1/refused")
                            && answer.contains("nothing moves here"));
        }
    }

    /** A house that had ended said of its lamps for ever that they are here. */
    private void leavesNothing(MqttLine.Broker broker) throws InterruptedException {
        try (HouseOnBroker house = start(broker)) {
            await("the hub knows all", RECOVERS_MS, () -> agrees(house));
        }
        Map<String, String> heard = new ConcurrentHashMap<>();
        try (MqttLine line = new MqttLine(
                broker,
                "later",
                List.of("house/test/#"),
                (topic, message) -> heard.put(topic, new String(message, StandardCharsets.UTF_8)))) {
            line.send("house/test/over", "all that was retained came before this");
            await("told", 2_000, () -> heard.containsKey("house/test/over"));
        }
        assertThat(heard).containsOnlyKeys("house/test/over");
    }

    @Test
    void aHouseThatHasEndedIsToldToNobody(@TempDir Path dir) throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            leavesNothing(broker.broker());
        }
        try (Mosquitto broker = new Mosquitto(dir)) {
            leavesNothing(broker.broker());
        }
    }

    @Test
    void talksOverTheBrokerInside() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            talk(broker.broker());
        }
    }

    @Test
    void talksOverAnIndependentBroker(@TempDir Path dir) throws Exception {
        try (Mosquitto broker = new Mosquitto(dir)) {
            talk(broker.broker());
        }
    }

    /**
     * While the broker is dead wall switches work, and what needs it does not; afterwards everybody agrees again,
     * and newcomers are told the truth.
     */
    private void lives(HouseOnBroker house, MqttLine.Broker broker, AutoCloseable startAgain) throws Exception {
        flip(house, 0);
        await("by wire, with the broker dead", 1_000, () -> isOn(house, 0));
        flip(house, 1);
        flip(house, 3);
        flip(house, 5);
        stays("its own switch, and no order from the first", () -> isOn(house, 1));
        startAgain.close();
        await("everybody agrees again", RECOVERS_MS, () -> agrees(house));
        Map<String, String> told = retained(broker);
        for (int i = 0; i < DEVICES; i++) {
            assertThat(told.get("house/test/module-d" + i + "/outputs/1/state"))
                    .as("lamp " + i)
                    .contains("\"level\":" + (isOn(house, i) ? 100 : 0));
        }
        flip(house, 0);
        await("over the hub again", 2_000, () -> !isOn(house, 0) && !isOn(house, 1));
    }

    @Test
    void recoversFromAKilledBroker(@TempDir Path dir) throws Exception {
        try (Mosquitto broker = new Mosquitto(dir);
                HouseOnBroker house = start(broker.broker())) {
            await("the hub knows all", RECOVERS_MS, () -> agrees(house));
            broker.kill();
            lives(house, broker.broker(), broker::startAgain);
        }
    }

    @Test
    void recoversFromTheBrokerInsideBeingStopped() throws Exception {
        EmbeddedBroker first = new EmbeddedBroker(0);
        List<EmbeddedBroker> again = new ArrayList<>();
        try (HouseOnBroker house = start(first.broker())) {
            await("the hub knows all", RECOVERS_MS, () -> agrees(house));
            first.close();
            lives(
                    house,
                    first.broker(),
                    () -> again.add(
                            new EmbeddedBroker(first.port(), first.broker().password())));
        } finally {
            for (EmbeddedBroker broker : again) {
                broker.close();
            }
        }
    }

    @Test
    void whatIsCutIsMissedByTheBroker() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0);
                HouseOnBroker house = start(broker.broker())) {
            await("the hub knows all", RECOVERS_MS, () -> agrees(house));
            Map<String, String> heard = new ConcurrentHashMap<>();
            try (MqttLine watcher = new MqttLine(
                    broker.broker(),
                    "watcher",
                    List.of("house/test/+/presence"),
                    (topic, message) -> heard.put(topic, new String(message, StandardCharsets.UTF_8)))) {
                house.running()
                        .tell(live -> live.conditions(Conditions.WHOLE.with(
                                Part.of(live.plan().house().devices().get(0)), true)));
                await("its last will", 2_000, () -> "gone".equals(heard.get("house/test/module-d0/presence")));
                assertThat(heard.get("house/test/module-d1/presence")).isEqualTo("here");
                house.running().tell(live -> live.conditions(Conditions.WHOLE.with(Part.BROKER, true)));
                await(
                        "the hub is cut off too",
                        2_000,
                        () -> "gone".equals(heard.get("house/test/hub/presence"))
                                && "gone".equals(heard.get("house/test/module-d1/presence")));
                flip(house, 2);
                stays("needs the broker", () -> !isOn(house, 3));
                house.running().tell(live -> live.conditions(new Conditions(Set.of(), 5, false)));
                await(
                        "everybody is back",
                        RECOVERS_MS,
                        () -> agrees(house) && heard.values().stream().allMatch("here"::equals));
                happenings.clear();
                flip(house, 0);
                await("slowly", 3_000, () -> isOn(house, 0) && isOn(house, 1));
                assertThat(happenings.stream()
                                .filter(happening -> happening.words().startsWith("Hub hears: switch 0"))
                                .mapToLong(Happening::delayMs)
                                .max()
                                .orElse(0))
                        .as("four times 30 ms more")
                        .isBetween(110L, 600L);
            }
        }
    }
}
