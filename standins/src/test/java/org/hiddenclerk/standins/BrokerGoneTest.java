package org.hiddenclerk.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.awaitility.Awaitility;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Updating;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.MqttFront;
import org.hiddenclerk.standins.wire.MqttGateway;
import org.hiddenclerk.standins.wire.MqttLine;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The broker goes away in the middle of a roll-out, at different messages, and comes back. */
class BrokerGoneTest {
    private static final int MODULES = 6;

    @ParameterizedTest
    @ValueSource(ints = {2, 9, 17})
    void everyModuleIsAtAKnownVersionAndTheRunGoesOn(int message) throws IOException, InterruptedException {
        StandInHouse house = new StandInHouse(HouseClock.live(2_000));
        Map<String, Release> releases = Map.of("K", Rehearsal.release("K", "1.1.0"));
        List<Device> devices = IntStream.range(0, MODULES)
                .mapToObj(i -> new Device("S" + i, "K", Version.read("1.0.0"), 0, false, "1"))
                .toList();
        RolloutPlan plan = RolloutPlan.of(devices, releases, Policy.USUAL);
        EmbeddedBroker first = new EmbeddedBroker(0);
        MqttLine.Broker broker = first.broker();
        for (Device device : devices) {
            house.bring(
                    device.id(), "A" + device.id(), Protocol.MQTT_WIFI, "K", 1, false, 3, "code", "1.0.0", Set.of());
            house.isIn(device.id(), Rehearsal.nameOf(device.id()), "1.0.0", "A" + device.id());
        }
        try (MqttFront front = new MqttFront(broker, "front", "house", house.network(Protocol.MQTT_WIFI));
                MqttGateway gateway = new MqttGateway(broker, "house", Protocol.MQTT_WIFI, Duration.ofMillis(700))) {
            int[] sent = {0};
            Rehearsal rehearsal = new Rehearsal(device -> {
                sent[0]++;
                if (sent[0] == message) {
                    first.close();
                }
                return gateway;
            });
            devices.forEach(device -> rehearsal.addresses().put(device.id(), "A" + device.id()));
            assertThatThrownBy(() -> new Updating(plan, rehearsal).run(List.of()))
                    .isInstanceOf(UncheckedIOException.class);

            for (Device device : devices) {
                assertThat(house.sumOf(device.id()))
                        .isIn(
                                Rehearsal.release("K", "1.0.0").sha256(),
                                releases.get("K").sha256());
            }
            try (EmbeddedBroker second = new EmbeddedBroker(first.port(), broker.password())) {
                awaitAnswer(gateway);
                assertThat(second.port()).isEqualTo(first.port());
                assertThat(new Updating(plan, rehearsal).run(List.copyOf(rehearsal.events())))
                        .isEqualTo(new Rollout.Next.Done());
            }
            devices.forEach(device -> assertThat(house.versionOf(device.id())).isEqualTo("1.1.0"));
        }
    }

    private static void awaitAnswer(MqttGateway gateway) {
        Awaitility.await("the gateway comes back")
                .atMost(Duration.ofMinutes(1))
                .ignoreException(UncheckedIOException.class)
                .until(() -> gateway.ask(new Order.Inventory()).isPresent());
    }
}
