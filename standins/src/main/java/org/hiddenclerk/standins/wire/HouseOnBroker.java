package org.hiddenclerk.standins.wire;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.live.Carrier;
import org.hiddenclerk.core.live.Conditions;
import org.hiddenclerk.core.live.Happening;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Message;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.standins.RunningHouse;

/**
 * The messages of a house on a broker. Devices that speak MQTT have a connection each, the hub has one; for devices of other
 * networks the hub says how they are, and takes orders. What comes in is handed to the thread of the house.
 */
public final class HouseOnBroker implements AutoCloseable {
    private static final String HUB = "hub";
    private static final String HERE = "here";
    private static final String GONE = "gone";
    private static final int SHOWN_BYTES = 200;
    private static final String OUTSIDE = "somebody on the broker";

    private final HouseTopics topics;
    private final RuledHouse house;
    private final MqttLine.Broker broker;
    private final Map<String, Connection> lines = new ConcurrentHashMap<>();
    private final List<Device> mirrored;
    private final String id;
    private final Consumer<LiveHouse> afterwards;
    private final RunningHouse running;
    private Conditions lastConditions = Conditions.WHOLE;
    private int lastSupplyChanges;

    /** A cable with a client at its end. */
    private record Connection(Relay relay, MqttLine line) {}

    /**
     * A house that is connected, and runs.
     *
     * @param id         of the house, by which the broker knows its clients
     * @param start      what its clock shows at first
     * @param watcher    told, on the thread of the house, what happens
     * @param afterwards told, on the thread of the house, when something may be otherwise
     * @throws java.io.UncheckedIOException when the broker is not reached
     */
    public HouseOnBroker(
            MqttLine.Broker broker,
            String id,
            LivePlan plan,
            Instant start,
            HouseTopics topics,
            Consumer<Happening> watcher,
            Consumer<LiveHouse> afterwards) {
        this.broker = broker;
        this.id = id;
        this.topics = topics;
        this.afterwards = afterwards;
        house = plan.house();
        mirrored =
                house.devices().stream().filter(device -> !isOnBroker(device)).toList();
        running = new RunningHouse(new LiveHouse(plan, start, new Lines(), watcher), this::after);
        try {
            connect(
                    HUB,
                    List.of(
                            topics.every("outputs", "state"),
                            topics.every("outputs", "order"),
                            topics.every("controls", "told"),
                            topics.every("sensors", "reading")),
                    this::hubHears,
                    topics.hubPresence(),
                    this::hubIsBack);
            house.devices().stream()
                    .filter(HouseOnBroker::isOnBroker)
                    .forEach(device -> connect(
                            device.id().text(),
                            device.outputs().stream()
                                    .map(output -> topics.order(device, output.id()))
                                    .toList(),
                            (topic, message) -> deviceHears(device, topic, message),
                            topics.presence(device),
                            () -> isBack(device)));
        } catch (RuntimeException e) {
            close();
            throw e;
        }
    }

    public RunningHouse running() {
        return running;
    }

    public HouseTopics topics() {
        return topics;
    }

    private static boolean isOnBroker(Device device) {
        return device.protocol().goesOverBroker();
    }

    /** Cuts the cables of whatever is down, and mends those of whatever is back. */
    private void after(LiveHouse live) {
        Conditions now = live.conditions();
        if (!now.equals(lastConditions) || live.supplyChanges() != lastSupplyChanges) {
            lastConditions = now;
            lastSupplyChanges = live.supplyChanges();
            Set<DeviceId> acting = live.acting();
            lines.forEach((who, connection) -> {
                boolean hub = who.equals(HUB);
                boolean cut = now.down().contains(Part.BROKER)
                        || hub && now.down().contains(Part.HUB)
                        || !hub && (now.down().contains(Part.WIFI) || !acting.contains(new DeviceId(who)));
                connection.relay().cut(cut);
                connection
                        .relay()
                        .slow(
                                hub
                                        ? 0
                                        : (long) (now.slow() - 1)
                                                * live.plan().delays().wifi());
            });
            tellWhoIsThere(live);
        }
        afterwards.accept(live);
    }

    private void connect(
            String who, List<String> filters, BiConsumer<String, byte[]> ear, String presence, Runnable back) {
        Relay relay = new Relay(broker.url());
        try {
            AtomicReference<MqttLine> own = new AtomicReference<>();
            MqttLine line = new MqttLine(
                    broker.at(relay.url()),
                    id + "-" + lines.size(),
                    filters,
                    ear,
                    Optional.of(new MqttLine.Will(presence, GONE)),
                    () -> {
                        if (own.get() != null) {
                            back.run();
                        }
                    });
            own.set(line);
            lines.put(who, new Connection(relay, line));
            back.run();
        } catch (RuntimeException e) {
            relay.close();
            throw e;
        }
    }

    private boolean say(MqttLine line, Device from, Message said, long sentMs) {
        byte[] message = HouseMessages.write(said, sentMs);
        if (said instanceof Message.Level level) {
            return line.retain(topics.state(from, level.output()), message);
        } else if (said instanceof Message.Gestured gestured) {
            return line.send(topics.told(from, gestured.control()), message);
        } else if (said instanceof Message.Sensed sensed) {
            return line.retain(topics.reading(from, sensed.sensor()), message);
        }
        return false;
    }

    /** Carries for devices on the broker, and tells the broker of the others. */
    private final class Lines implements Carrier {
        @Override
        public boolean carries(Device device) {
            return isOnBroker(device);
        }

        @Override
        public boolean toHub(Device from, Message said, long sentMs) {
            Connection connection = lines.get(from.id().text());
            return connection != null && say(connection.line(), from, said, sentMs);
        }

        @Override
        public boolean toDevice(Device to, Message.Ordered ordered, long sentMs) {
            Connection connection = lines.get(HUB);
            return connection != null
                    && connection
                            .line()
                            .send(topics.order(to, ordered.order().output()), HouseMessages.write(ordered, sentMs));
        }

        @Override
        public void heardByHub(Device from, Message said, long sentMs) {
            Connection connection = lines.get(HUB);
            if (connection != null && !isOnBroker(from)) {
                say(connection.line(), from, said, sentMs);
            }
        }
    }

    private void hubHears(String topic, byte[] message) {
        topics.subject(topic).ifPresent(subject -> {
            Device device = house.owner(subject);
            boolean order = topic.endsWith("/order");
            if (order && !isOnBroker(device)) {
                Device.Output output = output(device, subject);
                HouseMessages.Ordered ordered = HouseMessages.order(output, message);
                ordered.order()
                        .ifPresentOrElse(
                                said -> running.tell(live -> live.remote(said, OUTSIDE)),
                                () -> refuse(HUB, device, output.id(), message, ordered.why()));
            } else if (!order && isOnBroker(device)) {
                said(subject, message)
                        .ifPresent(heard -> running.tell(live -> live.reachesHub(device, heard.said(), heard.atMs())));
            }
        });
    }

    private record HeardAt(Message said, long atMs) {}

    private static Optional<HeardAt> said(HouseId subject, byte[] message) {
        if (subject instanceof OutputId output) {
            return HouseMessages.read(message, HouseMessages.State.class)
                    .map(state -> new HeardAt(
                            new Message.Level(output, state.level(), state.motion(), state.by(), false), state.atMs()));
        } else if (subject instanceof ControlId control) {
            return HouseMessages.read(message, HouseMessages.Told.class)
                    .map(told -> new HeardAt(
                            new Message.Gestured(control, told.gesture(), told.active(), told.leads()), told.atMs()));
        } else if (subject instanceof SensorId sensor) {
            return HouseMessages.read(message, HouseMessages.Reading.class)
                    .map(reading -> new HeardAt(new Message.Sensed(sensor, reading.value(), false), reading.atMs()));
        }
        return Optional.empty();
    }

    private void deviceHears(Device device, String topic, byte[] message) {
        topics.subject(topic).ifPresent(subject -> {
            Device.Output output = output(device, subject);
            HouseMessages.Ordered ordered = HouseMessages.order(output, message);
            ordered.order()
                    .ifPresentOrElse(
                            said -> running.tell(live -> live.reachesDevice(
                                    device,
                                    new Message.Ordered(said, ordered.by().orElse(OUTSIDE)),
                                    ordered.atMs().orElse(live.now()))),
                            () -> refuse(device.id().text(), device, output.id(), message, ordered.why()));
        });
    }

    private static Device.Output output(Device device, HouseId id) {
        return device.outputs().stream()
                .filter(output -> output.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Whoever ordered is answered: silence would look like a device that is away. @param by whose connection says it */
    private void refuse(String by, Device device, OutputId output, byte[] message, String why) {
        String order = new String(message, 0, Math.min(message.length, SHOWN_BYTES), StandardCharsets.UTF_8);
        running.tell(live -> Optional.ofNullable(lines.get(by)).ifPresent(connection -> connection
                .line()
                .send(
                        topics.refused(device, output),
                        HouseMessages.write(new HouseMessages.Refusal(why, order, live.now())))));
    }

    private void hubIsBack() {
        MqttLine line = lines.get(HUB).line();
        line.retain(topics.hubPresence(), HERE.getBytes(StandardCharsets.UTF_8));
        mirrored.forEach(
                device -> line.retain(topics.about(device), HouseMessages.write(HouseMessages.About.of(device))));
        running.tell(live -> {
            mirrored.forEach(live::isBack);
            tellWhoIsThere(live);
        });
    }

    /** Of devices that have no connection of their own. */
    private void tellWhoIsThere(LiveHouse live) {
        Set<DeviceId> acting = live.acting();
        Connection hub = lines.get(HUB);
        if (hub != null) {
            mirrored.forEach(device -> hub.line()
                    .retain(
                            topics.presence(device),
                            (acting.contains(device.id()) && live.hears(device) ? HERE : GONE)
                                    .getBytes(StandardCharsets.UTF_8)));
        }
    }

    private void isBack(Device device) {
        MqttLine line = lines.get(device.id().text()).line();
        line.retain(topics.presence(device), HERE.getBytes(StandardCharsets.UTF_8));
        line.retain(topics.about(device), HouseMessages.write(HouseMessages.About.of(device)));
        running.tell(live -> live.isBack(device));
    }

    /** Whether every client that may be connected is. */
    public boolean isWhole() {
        return lines.values().stream().allMatch(connection -> connection.line().isUp());
    }

    /** A house that has ended is told to nobody who comes later: neither that it is here, nor how it was. */
    private void forget() {
        Optional.ofNullable(lines.get(HUB)).map(Connection::line).ifPresent(line -> {
            List<String> told = new ArrayList<>(List.of(topics.hubPresence()));
            house.devices().forEach(device -> told.addAll(topics.retained(device)));
            line.clear(told);
        });
    }

    @Override
    public void close() {
        running.close();
        // Those who take leave say no last will; what they said before is cleared when all have.
        lines.entrySet().stream()
                .filter(entry -> !entry.getKey().equals(HUB))
                .forEach(entry -> entry.getValue().line().close());
        forget();
        lines.values().forEach(connection -> {
            connection.line().close();
            connection.relay().close();
        });
    }
}
