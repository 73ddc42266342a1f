package org.hiddenclerk.standins.wire;

import com.hivemq.client.mqtt.MqttClientState;
import com.hivemq.client.mqtt.MqttGlobalPublishFilter;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3AsyncClient;
import com.hivemq.client.mqtt.mqtt3.Mqtt3Client;
import com.hivemq.client.mqtt.mqtt3.Mqtt3ClientBuilder;
import com.hivemq.client.mqtt.mqtt3.message.subscribe.Mqtt3Subscribe;
import com.hivemq.client.mqtt.mqtt3.message.subscribe.Mqtt3Subscription;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BiConsumer;

/** A connection to a broker that comes back by itself, with its subscriptions. Messages are handed on in the order in which they come. */
public final class MqttLine implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(MqttLine.class.getName());
    private static final long WAIT_MS = 8_000;
    private static final long LEAVE_MS = 1_000;
    private static final long FIRST_RETRY_MS = 100;
    private static final long LAST_RETRY_MS = 1_000;
    /** Shared by all lines: hundreds of them have little to say each. */
    private static final int THREADS = 1;

    private static final int KEEP_ALIVE_SECONDS = 10;
    /** A broker that takes a connection and then says nothing, as one may while it starts, is tried anew after this. */
    private static final long UNANSWERED_MS = 3_000;

    private final Mqtt3AsyncClient client;
    private final CountDownLatch listening = new CountDownLatch(1);

    /** @param subscribed topics that are listened to */
    public MqttLine(Broker broker, String name, List<String> subscribed, BiConsumer<String, byte[]> ear) {
        this(broker, name, subscribed, ear, Optional.empty(), () -> {});
    }

    /**
     * A line that says how it is.
     *
     * @param lastWill what the broker says for it, retained, when it is gone without a word
     * @param isBack   told whenever it is connected, the first time too
     */
    public MqttLine(
            Broker broker,
            String name,
            List<String> subscribed,
            BiConsumer<String, byte[]> ear,
            Optional<Will> lastWill,
            Runnable isBack) {
        URI at = URI.create(broker.url());
        Mqtt3ClientBuilder builder = Mqtt3Client.builder()
                .identifier(name)
                .executorConfig()
                .nettyThreads(THREADS)
                .applyExecutorConfig()
                .transportConfig()
                .serverHost(at.getHost())
                .serverPort(at.getPort())
                .mqttConnectTimeout(UNANSWERED_MS, TimeUnit.MILLISECONDS)
                .applyTransportConfig()
                .simpleAuth()
                .username(broker.user())
                .password(broker.password().getBytes(StandardCharsets.UTF_8))
                .applySimpleAuth()
                .automaticReconnect()
                .initialDelay(FIRST_RETRY_MS, TimeUnit.MILLISECONDS)
                .maxDelay(LAST_RETRY_MS, TimeUnit.MILLISECONDS)
                .applyAutomaticReconnect()
                .addConnectedListener(context -> subscribe(subscribed, isBack));
        lastWill.ifPresent(will -> builder.willPublish()
                .topic(will.topic())
                .payload(will.message().getBytes(StandardCharsets.UTF_8))
                .qos(MqttQos.AT_LEAST_ONCE)
                .retain(true)
                .applyWillPublish());
        client = builder.buildAsync();
        client.publishes(
                MqttGlobalPublishFilter.ALL,
                message -> ear.accept(message.getTopic().toString(), message.getPayloadAsBytes()));
        try {
            client.connectWith()
                    .cleanSession(true)
                    .keepAlive(KEEP_ALIVE_SECONDS)
                    .send()
                    .get(WAIT_MS, TimeUnit.MILLISECONDS);
            // A broker may drop a connection it has just taken; then this one comes back, and subscribes again.
            if (!listening.await(WAIT_MS, TimeUnit.MILLISECONDS)) {
                close();
                throw new UncheckedIOException(new IOException(
                        "The broker at " + broker.url() + " took no subscription for " + WAIT_MS + " ms."));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new UncheckedIOException(
                    new InterruptedIOException("Interrupted while waiting for the broker at " + broker.url() + "."));
        } catch (ExecutionException | TimeoutException e) {
            close();
            throw new UncheckedIOException(
                    "The broker at " + broker.url() + " is not reached: " + e.getMessage() + ".", new IOException(e));
        }
    }

    /** Where a broker is, and who may come in. */
    public record Broker(String url, String user, String password) {
        @Override
        public String toString() {
            return url + " as " + user;
        }

        Broker at(String otherUrl) {
            return new Broker(otherUrl, user, password);
        }
    }

    /** What a broker says for somebody who is gone. */
    public record Will(String topic, String message) {}

    private void subscribe(List<String> topics, Runnable isBack) {
        if (topics.isEmpty()) {
            listening.countDown();
            isBack.run();
            return;
        }
        Mqtt3Subscribe subscribe = Mqtt3Subscribe.builder()
                .addSubscriptions(topics.stream()
                        .map(topic -> Mqtt3Subscription.builder()
                                .topicFilter(topic)
                                .qos(MqttQos.AT_LEAST_ONCE)
                                .build())
                        .toList())
                .build();
        // A connection that is gone again by now subscribes when it is back.
        client.subscribe(subscribe).whenComplete((answer, failure) -> {
            if (failure == null) {
                listening.countDown();
                isBack.run();
            }
        });
    }

    public boolean isUp() {
        return client.getState() == MqttClientState.CONNECTED;
    }

    /** @return whether it was handed to the broker; false while the broker is away */
    public boolean send(String topic, byte[] message) {
        return send(topic, message, false);
    }

    public boolean send(String topic, String message) {
        return send(topic, message.getBytes(StandardCharsets.UTF_8), false);
    }

    /** Says something that is told to everybody who comes later, until something else is said there. */
    public boolean retain(String topic, byte[] message) {
        return send(topic, message, true);
    }

    /**
     * Clears what is told on some topics to whoever comes later, and waits until the broker has it; while the broker
     * is away nothing is cleared.
     */
    void clear(List<String> topics) {
        if (!isUp()) {
            return;
        }
        CompletableFuture<?>[] cleared = topics.stream()
                .map(topic -> client.publishWith()
                        .topic(topic)
                        .qos(MqttQos.AT_LEAST_ONCE)
                        .retain(true)
                        .send())
                .toArray(CompletableFuture[]::new);
        try {
            CompletableFuture.allOf(cleared).get(WAIT_MS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException | TimeoutException e) {
            LOG.log(System.Logger.Level.WARNING, "Not all that was retained is cleared.", e);
        }
    }

    private boolean send(String topic, byte[] message, boolean retained) {
        if (!isUp()) {
            return false;
        }
        // What is lost with the connection is said again by whoever it concerns, or was for that moment only.
        client.publishWith()
                .topic(topic)
                .payload(message)
                .qos(MqttQos.AT_LEAST_ONCE)
                .retain(retained)
                .send();
        return true;
    }

    /** Takes leave of the broker, so that it says no last will; of one that is away no leave is taken. */
    @Override
    public void close() {
        try {
            client.disconnect().get(LEAVE_MS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException | TimeoutException e) {
            LOG.log(System.Logger.Level.DEBUG, "No leave was taken.", e);
        }
    }
}
