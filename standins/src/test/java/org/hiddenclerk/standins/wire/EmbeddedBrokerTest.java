package org.hiddenclerk.standins.wire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;

/** The broker inside serves whoever may come in, whatever others do. */
class EmbeddedBrokerTest {
    private static final int TAKEOVERS = 40;
    private static final EmbeddedBroker.Accounts GUEST = new EmbeddedBroker.Accounts() {
        @Override
        public boolean mayEnter(String user, String password) {
            return user.equals("guest") && password.equals("secret");
        }

        @Override
        public boolean mayRead(String user, String filter) {
            return filter.startsWith("open/");
        }

        @Override
        public boolean mayWrite(String user, String topic) {
            return false;
        }
    };

    private static void answers(MqttLine.Broker broker, String when) throws InterruptedException {
        CountDownLatch heard = new CountDownLatch(1);
        for (int tries = 0; tries < 20; tries++) {
            String name = UUID.randomUUID().toString();
            try (MqttLine line =
                    new MqttLine(broker, name, List.of("ping/" + name), (topic, message) -> heard.countDown())) {
                line.send("ping/" + name, "there?");
                if (heard.await(1, TimeUnit.SECONDS)) {
                    return;
                }
            } catch (UncheckedIOException e) {
                // It may be starting anew.
                Thread.sleep(200);
            }
        }
        assertThat(heard.getCount()).as("an answer " + when).isZero();
    }

    @Test
    void clientsThatPushEachOtherOutDoNotSilenceIt() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            AtomicBoolean stop = new AtomicBoolean();
            MqttLine speaker = new MqttLine(broker.broker(), "speaker", List.of(), (topic, message) -> {});
            Thread flood = new Thread(() -> {
                while (!stop.get()) {
                    speaker.send("flood/1", "message");
                    LockSupport.parkNanos(200_000);
                }
            });
            flood.start();
            for (int i = 0; i < TAKEOVERS; i++) {
                try (MqttLine one = new MqttLine(broker.broker(), "twin", List.of("flood/#"), (topic, message) -> {})) {
                    Thread.sleep(20);
                } catch (UncheckedIOException e) {
                    // Pushed out by its own twin before it was in, or the broker starts anew.
                    Thread.sleep(100);
                }
            }
            stop.set(true);
            flood.join();
            speaker.close();
            answers(broker.broker(), "after " + TAKEOVERS + " takeovers");
        }
    }

    @Test
    void nobodyTakesTheNameOfSomebodyElsesClient() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0, "own", GUEST);
                MqttLine hub = new MqttLine(broker.broker(), "hub", List.of("house/#"), (topic, message) -> {})) {
            MqttLine.Broker guest = new MqttLine.Broker(broker.broker().url(), "guest", "secret");
            assertThatThrownBy(() -> new MqttLine(guest, "hub", List.of("open/#"), (topic, message) -> {}))
                    .isInstanceOf(UncheckedIOException.class);
            assertThat(hub.isUp()).isTrue();
            try (MqttLine own = new MqttLine(guest, "guest-1", List.of("open/#"), (topic, message) -> {})) {
                assertThat(own.isUp()).isTrue();
            }
        }
    }
}
