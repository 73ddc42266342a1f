package org.hiddenclerk.standins.wire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.standins.Fault;
import org.hiddenclerk.standins.HouseClock;
import org.hiddenclerk.standins.StandInHouse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The same talk over each way there is: the broker inside, an independent broker (Debian's mosquitto), and HTTP. */
class OverTheWireTest {
    private static final Duration PATIENCE = Duration.ofMillis(800);

    private static final String MATTER_CODE = new MatterManualCode(3, 20_202_021, Optional.empty()).code();
    private static final String OTHER_MATTER_CODE = new MatterManualCode(3, 31_415_926, Optional.empty()).code();

    private final StandInHouse house = new StandInHouse(HouseClock.live(1_000));

    /** A module comes in, is called and set, flipped and asked; another one stays silent, and a wrong order is refused with its reason. */
    private void talk(Gateway gateway) throws InterruptedException {
        BlockingQueue<GatewayEvent> heard = new LinkedBlockingQueue<>();
        gateway.listen(heard::add);
        Protocol protocol = gateway.protocol();
        boolean byCode = Window.of(protocol).byCodeOnly();
        List<String> codes = byCode ? List.of(MATTER_CODE, OTHER_MATTER_CODE) : List.of("code 1", "code 2");
        house.bring("S1", "A1", protocol, "K", 2, true, 3, codes.get(0), "1.0.0", Set.of());
        house.bring("S2", "A2", protocol, "K", 2, true, 3, codes.get(1), "1.0.0", Set.of(Fault.SILENT));
        assertThat(gateway.ask(new Order.OpenWindow(1_000, Optional.empty())).orElseThrow())
                .isInstanceOf(Answer.Refused.class);
        for (Optional<String> code :
                byCode ? codes.stream().map(Optional::of).toList() : List.of(Optional.<String>empty())) {
            assertThat(gateway.ask(new Order.OpenWindow(200, code))).contains(new Answer.Done());
        }
        Thread.sleep(100);
        house.settle();
        List<GatewayEvent> sofar = new ArrayList<>();
        while (sofar.stream().filter(GatewayEvent.CameIn.class::isInstance).count() < 2) {
            GatewayEvent next = heard.poll(5, TimeUnit.SECONDS);
            assertThat(next).as("after " + sofar).isNotNull();
            sofar.add(next);
        }
        assertThat(sofar.get(0)).isEqualTo(new GatewayEvent.WindowOpened(200));
        assertThat(gateway.ask(new Order.Rename("A1", "reading-loft")).orElseThrow())
                .isEqualTo(new Answer.Done());
        gateway.ask(new Order.Write("A1", Map.of("power-on", "last")));
        assertThat(gateway.ask(new Order.ReadSettings("A1"))).contains(new Answer.Settings(Map.of("power-on", "last")));
        assertThat(gateway.ask(new Order.Look("A2"))).as("silent").isEmpty();
        house.flip("S1", 1);
        assertThat(heard.poll(5, TimeUnit.SECONDS)).isEqualTo(new GatewayEvent.Flipped("A1", 1));
        assertThat(heard.poll(5, TimeUnit.SECONDS)).isEqualTo(new GatewayEvent.Changed("A1", 1, true));
        Answer all = gateway.ask(new Order.Inventory()).orElseThrow();
        assertThat(((Answer.Members) all).members())
                .extracting("address", "name")
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple("A1", "reading-loft"),
                        org.assertj.core.groups.Tuple.tuple("A2", "new S2"));
    }

    private void talkOver(MqttLine.Broker broker) throws InterruptedException {
        try (MqttFront front = new MqttFront(broker, "front", "house", house.network(Protocol.ZIGBEE));
                MqttGateway gateway = new MqttGateway(broker, "house", Protocol.ZIGBEE, PATIENCE)) {
            talk(gateway);
        }
    }

    @Test
    void overTheBrokerInside() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            talkOver(broker.broker());
        }
    }

    @Test
    void nobodyComesInWithoutThePassword() throws IOException {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            MqttLine.Broker stranger = new MqttLine.Broker(broker.broker().url(), "clerk", "guessed");
            assertThatThrownBy(() -> new MqttLine(stranger, "stranger", List.of(), (topic, message) -> {}))
                    .isInstanceOf(UncheckedIOException.class);
        }
    }

    @Test
    void overAnIndependentBroker(@TempDir Path dir) throws Exception {
        try (Mosquitto broker = new Mosquitto(dir)) {
            talkOver(broker.broker());
        }
    }

    @Test
    void overHttp() throws InterruptedException {
        try (HttpFront front = new HttpFront(house.network(Protocol.WIFI));
                HttpGateway gateway = new HttpGateway(front.url(), Protocol.WIFI, PATIENCE)) {
            talk(gateway);
        }
    }

    @Test
    void everyOrderSurvivesTheWire() {
        List<Order> orders = List.of(
                new Order.OpenWindow(60, Optional.of("code")),
                new Order.OpenWindow(60, Optional.empty()),
                new Order.CloseWindow(),
                new Order.Inventory(),
                new Order.Look("A"),
                new Order.Switch("A", 1, true),
                new Order.Rename("A", "n"),
                new Order.Write("A", Map.of("k", "v")),
                new Order.ReadSettings("A"),
                new Order.BeginFile("A", "1.0.0", "00", 3),
                new Order.EndFile("A"),
                new Order.Forget("A"));
        orders.forEach(
                order -> assertThat(Wire.read(Wire.write(order), Order.class)).isEqualTo(order));
        Order.FilePart part =
                (Order.FilePart) Wire.read(Wire.write(new Order.FilePart("A", 4, new byte[] {1, -1, 0})), Order.class);
        assertThat(part.part()).containsExactly(1, -1, 0);
    }
}
