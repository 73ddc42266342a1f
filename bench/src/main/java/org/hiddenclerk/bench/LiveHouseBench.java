package org.hiddenclerk.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.Happening;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Message;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.HouseOnBroker;
import org.hiddenclerk.standins.wire.HouseTopics;
import org.hiddenclerk.standins.wire.MqttLine;

/**
 * 200 modules with a connection each that say something 20 times a second, while hands flip switches that lead lamps of other modules
 * by way of the hub. Every message is looked for at the hub. The hub decides as fast as it can; the debounce of the switch, 30 ms, is
 * part of what is measured from hand to lamp. Beside it, in the same run and over the same broker: one message there and back, with
 * nothing behind it.
 *
 * <p>Arguments: seconds (300 when left out), and the address of another broker than the one inside.
 */
public final class LiveHouseBench {
    private static final int MODULES = 200;
    private static final int PER_SECOND = 20;
    private static final int FLIPS_PER_SECOND = 10;
    /** Not measured, but every message of it counts: first at a quarter of the pace, then at the whole. */
    private static final int SLOW_SECONDS = 20;

    private static final int WARM_SECONDS = SLOW_SECONDS + 10;
    private static final long SECOND = 1_000_000_000L;
    private static final long ASKED_NANOS = 100_000_000;
    private static final Delays AS_FAST_AS_IT_CAN = new Delays(0, 0, 0, 0, 0, 0, 0, 0);

    private final Map<SensorId, AtomicLong> heard = new ConcurrentHashMap<>();
    private final Map<OutputId, Long> flipped = new ConcurrentHashMap<>();
    private final List<Long> handToLamp = java.util.Collections.synchronizedList(new ArrayList<>());
    private final List<Long> echoes = java.util.Collections.synchronizedList(new ArrayList<>());
    private final AtomicLong wrongOrder = new AtomicLong();
    private final Set<Long> slowSeconds = ConcurrentHashMap.newKeySet();
    private volatile boolean counts;

    private LiveHouseBench() {}

    public static void main(String[] args) throws Exception {
        int seconds = args.length > 0 ? Integer.parseInt(args[0]) : 300;
        if (args.length > 1) {
            new LiveHouseBench().run(new MqttLine.Broker(args[1], "bench", "bench"), seconds);
        } else {
            try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
                new LiveHouseBench().run(broker.broker(), seconds);
            }
        }
        System.exit(0);
    }

    private static RuledHouse house() {
        List<Device> devices = new ArrayList<>();
        List<Link> links = new ArrayList<>();
        for (int i = 0; i < MODULES; i++) {
            String id = "d" + i;
            devices.add(new Device(
                    new DeviceId(id),
                    "Module " + i,
                    "Room",
                    Protocol.MQTT_WIFI,
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
                    List.of(new Device.Sensor(new SensorId(id + "/meter"), "meter " + i, Device.Senses.BRIGHTNESS))));
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

    private void watch(Happening happening) {
        happening.said().ifPresent(said -> {
            if (said instanceof Message.Sensed sensed && happening.kind() == Happening.Kind.MESSAGE) {
                long last = heard.computeIfAbsent(sensed.sensor(), s -> new AtomicLong())
                        .getAndSet(sensed.value());
                if (sensed.value() != last + 1) {
                    wrongOrder.incrementAndGet();
                }
            } else if (said instanceof Message.Level level && happening.kind() == Happening.Kind.OUTPUT) {
                Long at = flipped.remove(level.output());
                if (at != null && counts) {
                    long took = System.nanoTime() - at;
                    handToLamp.add(took);
                    if (took > ASKED_NANOS) {
                        slowSeconds.add(at / SECOND);
                    }
                }
            }
        });
    }

    private void run(MqttLine.Broker broker, int seconds) throws IOException, InterruptedException {
        RuledHouse house = house();
        Map<DeviceId, String> handles = new HashMap<>();
        house.devices().forEach(device -> handles.put(device.id(), device.id().text()));
        LivePlan plan =
                new LivePlan(house, List.of(), Map.of(), Map.of(), Map.of(), AS_FAST_AS_IT_CAN, Optional.empty());
        try (HouseOnBroker live = new HouseOnBroker(
                        broker,
                        "bench",
                        plan,
                        Instant.EPOCH,
                        new HouseTopics("house/bench", house, handles),
                        this::watch,
                        each -> {});
                MqttLine echo = new MqttLine(broker, "echo", List.of("echo"), (topic, message) -> {
                    if (counts) {
                        echoes.add(System.nanoTime()
                                - Long.parseLong(new String(message, java.nio.charset.StandardCharsets.UTF_8)));
                    }
                })) {
            long sent = speak(live, echo, seconds);
            Thread.sleep(3_000);
            long got = heard.values().stream().mapToLong(AtomicLong::get).sum();
            System.out.printf(
                    Locale.ROOT,
                    "%d modules, %d messages a second each, %d s: sent %d, heard %d, lost %d, out of order %d%n",
                    MODULES,
                    PER_SECOND,
                    seconds,
                    sent,
                    got,
                    sent - got,
                    wrongOrder.get());
            tell("hand to lamp through the hub", handToLamp);
            tell("there and back over the broker alone", echoes);
            System.out.printf(
                    Locale.ROOT,
                    "flips without a lamp: %d; seconds in which one took more than 100 ms: %d of %d%n",
                    flipped.size(),
                    slowSeconds.size(),
                    seconds);
        }
    }

    private long speak(HouseOnBroker live, MqttLine echo, int seconds) {
        Random random = new Random(3);
        long begin = System.nanoTime();
        long per = SECOND / ((long) MODULES * PER_SECOND);
        long end = begin + (seconds + WARM_SECONDS) * SECOND;
        long nextFlip = begin;
        long nextTold = begin + (WARM_SECONDS + 60) * SECOND;
        long sent = 0;
        for (long due = begin; due < end; due += due - begin < SLOW_SECONDS * SECOND ? 4 * per : per) {
            long wait = due - System.nanoTime();
            if (wait > 200_000) {
                LockSupport.parkNanos(wait);
            }
            counts = due - begin > WARM_SECONDS * SECOND;
            String sensor = "d" + sent % MODULES + "/meter";
            int value = (int) (sent / MODULES) + 1;
            live.running().tell(house -> house.sense(new SensorId(sensor), value));
            sent++;
            if (due >= nextFlip) {
                nextFlip += SECOND / FLIPS_PER_SECOND;
                flip(live, 2 * random.nextInt(MODULES / 2));
                echo.send("echo", String.valueOf(System.nanoTime()));
            }
            if (due >= nextTold) {
                nextTold += 60 * SECOND;
                System.gc();
                System.out.printf(
                        Locale.ROOT,
                        "after %d s: heap in use %d MB, %d threads%n",
                        (due - begin) / SECOND - WARM_SECONDS,
                        ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() >> 20,
                        Thread.activeCount());
            }
        }
        return sent;
    }

    private void flip(HouseOnBroker live, int at) {
        String lamp = "d" + (at + 1) + "/1";
        if (flipped.putIfAbsent(new OutputId(lamp), System.nanoTime()) == null) {
            live.running().tell(house -> house.hand(new Hand(new SwitchId("d" + at + "/in1"), Hand.Doing.FLIP)));
        }
    }

    private static void tell(String what, List<Long> nanos) {
        long[] sorted = nanos.stream().mapToLong(Long::longValue).toArray();
        Arrays.sort(sorted);
        System.out.printf(
                Locale.ROOT,
                "%s (%d): median %.1f ms, p99 %.1f ms, most %.1f ms%n",
                what,
                sorted.length,
                sorted[sorted.length / 2] / 1e6,
                sorted[(int) (sorted.length * 0.99)] / 1e6,
                sorted[sorted.length - 1] / 1e6);
    }
}
