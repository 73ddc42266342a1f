package org.hiddenclerk.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.BatchJoin;
import org.hiddenclerk.core.joining.Member;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Updating;
import org.hiddenclerk.standins.Fault;
import org.hiddenclerk.standins.HouseClock;
import org.hiddenclerk.standins.Rehearsal;
import org.hiddenclerk.standins.StandInHouse;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.MqttFront;
import org.hiddenclerk.standins.wire.MqttGateway;
import org.hiddenclerk.standins.wire.MqttLine;

/**
 * 200 modules, one in twenty faulty, joined, named, set and updated over the broker inside, with the time that things take in life
 * taken out. Beside it, in the same run: as many messages there and back over the same broker, with nothing behind them.
 */
public final class JoinHouse {
    private static final int MODULES = 200;
    private static final int ROUNDS = 5;
    private static final int HURRY = 1_000_000;
    private static final Duration PATIENCE = Duration.ofMillis(300);

    private JoinHouse() {}

    public static void main(String[] args) throws Exception {
        double[] ours = new double[ROUNDS];
        double[] bare = new double[ROUNDS];
        int messages = 0;
        int silent = 0;
        for (int round = -1; round < ROUNDS; round++) {
            try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
                House house = new House(broker.broker());
                long begin = System.nanoTime();
                house.run();
                double seconds = (System.nanoTime() - begin) / 1e9;
                messages = house.asked;
                silent = house.silent;
                house.close();
                double beside = echoes(broker.broker(), messages);
                if (round >= 0) {
                    ours[round] = seconds;
                    bare[round] = beside;
                }
            }
        }
        System.gc();
        long used = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() >> 20;
        System.out.printf(
                Locale.ROOT,
                "join, name, set and update %d modules over MQTT: %s, %d orders, of which %d "
                        + "were met with silence (%d ms each); beside it, as many messages "
                        + "there and back: %s; heap in use at the end %d MB%n",
                MODULES,
                spread(ours),
                messages,
                silent,
                PATIENCE.toMillis(),
                spread(bare),
                used);
    }

    private static String spread(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return String.format(
                Locale.ROOT,
                "median %.1f s, %.1f to %.1f over %d",
                sorted[sorted.length / 2],
                sorted[0],
                sorted[sorted.length - 1],
                sorted.length);
    }

    private static double echoes(MqttLine.Broker broker, int messages) throws Exception {
        CompletableFuture<?>[] back = new CompletableFuture<?>[1];
        try (MqttLine there =
                        new MqttLine(broker, "there", List.of("back"), (topic, message) -> back[0].complete(null));
                Echo echo = new Echo(broker)) {
            long begin = System.nanoTime();
            for (int i = 0; i < messages; i++) {
                back[0] = new CompletableFuture<>();
                there.send("out", "x".repeat(200));
                back[0].get(5, TimeUnit.SECONDS);
            }
            echo.check();
            return (System.nanoTime() - begin) / 1e9;
        }
    }

    /** Sends back whatever comes. */
    private static final class Echo implements AutoCloseable {
        private final MqttLine line;

        private Echo(MqttLine.Broker broker) {
            MqttLine[] self = new MqttLine[1];
            self[0] = new MqttLine(broker, "echo", List.of("out"), (topic, message) -> self[0].send("back", message));
            line = self[0];
        }

        private void check() throws IOException {
            if (!line.isUp()) {
                throw new IOException("The echo was lost.");
            }
        }

        @Override
        public void close() {
            line.close();
        }
    }

    /** The house, behind gateways that count. */
    private static final class House implements AutoCloseable {
        private final StandInHouse house = new StandInHouse(HouseClock.live(HURRY));
        private final Map<Protocol, MqttGateway> gateways = new LinkedHashMap<>();
        private final List<MqttFront> fronts = new ArrayList<>();
        private final Rehearsal rehearsal = new Rehearsal(device -> new Counting(gateway(device)));
        private int asked;
        private int silent;

        private House(MqttLine.Broker broker) {
            Map<Integer, Fault> faults = StandInHouse.faults(MODULES, 0.05, 42);
            for (Protocol protocol : Protocol.values()) {
                fronts.add(new MqttFront(broker, "front-" + protocol, "house", house.network(protocol)));
                gateways.put(protocol, new MqttGateway(broker, "house", protocol, PATIENCE));
            }
            for (int i = 0; i < MODULES; i++) {
                house.bring(
                        "S" + i,
                        "A" + i,
                        protocolOf("S" + i),
                        "K" + i % 4,
                        1,
                        true,
                        2 + i % 9,
                        "code " + i,
                        "1.0.0",
                        faults.containsKey(i) ? Set.of(faults.get(i)) : Set.of());
            }
        }

        private MqttGateway gateway(Device device) {
            return gateways.get(protocolOf(device.id()));
        }

        private static Protocol protocolOf(String serial) {
            return Protocol.values()[Integer.parseInt(serial.substring(1)) % 4];
        }

        private void run() {
            gateways.forEach((protocol, gateway) -> new BatchJoin(new Counting(gateway), new BatchJoin.World() {
                        @Override
                        public void pass(Duration time) {
                            try {
                                Thread.sleep(2);
                            } catch (InterruptedException e) {
                                Thread.currentThread().interrupt();
                            }
                            house.settle();
                        }

                        @Override
                        public void search(BatchJoin.Expected module) {
                            house.press(module.id());
                        }

                        @Override
                        public void cameIn(BatchJoin.Expected module, Member member) {
                            rehearsal.addresses().put(module.id(), member.address());
                        }
                    })
                    .run(IntStream.range(0, MODULES)
                            .mapToObj(i -> "S" + i)
                            .filter(s -> protocolOf(s) == protocol)
                            .map(s -> new BatchJoin.Expected(
                                    s,
                                    "A" + s.substring(1),
                                    "code " + s.substring(1),
                                    "lamp-" + s.substring(1),
                                    Map.of("power-on", "last")))
                            .toList()));
            Map<String, Release> releases = new LinkedHashMap<>();
            IntStream.range(0, 4)
                    .mapToObj(i -> "K" + i)
                    .forEach(kind -> releases.put(kind, Rehearsal.release(kind, "1.1.0")));
            RolloutPlan plan = RolloutPlan.of(
                    rehearsal.addresses().keySet().stream()
                            .map(s -> new Device(
                                    s,
                                    "K" + Integer.parseInt(s.substring(1)) % 4,
                                    Version.read("1.0.0"),
                                    0,
                                    false,
                                    "1"))
                            .toList(),
                    releases,
                    Policy.USUAL);
            Rollout.Next next = new Updating(plan, rehearsal).run(List.of());
            while (next instanceof Rollout.Next.Stopped) {
                rehearsal.events().add(new Rollout.Event.GoneOn("bench"));
                next = new Updating(plan, rehearsal).run(List.copyOf(rehearsal.events()));
            }
        }

        /** A gateway whose orders are counted. */
        private final class Counting implements org.hiddenclerk.core.joining.Gateway {
            private final MqttGateway gateway;

            private Counting(MqttGateway gateway) {
                this.gateway = gateway;
            }

            @Override
            public Protocol protocol() {
                return gateway.protocol();
            }

            @Override
            public Optional<Answer> ask(Order order) {
                asked++;
                Optional<Answer> answer = gateway.ask(order);
                silent += answer.isEmpty() ? 1 : 0;
                return answer;
            }

            @Override
            public void listen(java.util.function.Consumer<org.hiddenclerk.core.joining.GatewayEvent> ear) {
                gateway.listen(ear);
            }
        }

        @Override
        public void close() {
            gateways.values().forEach(MqttGateway::close);
            fronts.forEach(MqttFront::close);
        }
    }
}
