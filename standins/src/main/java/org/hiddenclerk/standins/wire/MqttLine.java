package org.hiddenclerk.standins.wire;

import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BiConsumer;
import org.eclipse.paho.client.mqttv3.IMqttActionListener;
import org.eclipse.paho.client.mqttv3.IMqttDeliveryToken;
import org.eclipse.paho.client.mqttv3.IMqttToken;
import org.eclipse.paho.client.mqttv3.MqttAsyncClient;
import org.eclipse.paho.client.mqttv3.MqttCallbackExtended;
import org.eclipse.paho.client.mqttv3.MqttConnectOptions;
import org.eclipse.paho.client.mqttv3.MqttException;
import org.eclipse.paho.client.mqttv3.MqttMessage;
import org.eclipse.paho.client.mqttv3.persist.MemoryPersistence;
import org.jspecify.annotations.Nullable;

/** A connection to a broker that comes back by itself, with its subscriptions. Messages are handed on in the order in which they come. */
public final class MqttLine implements AutoCloseable {
    private static final long WAIT_MS = 5_000;
    private static final int IN_FLIGHT = 200;

    private final MqttAsyncClient client;
    private final CountDownLatch listening = new CountDownLatch(1);

    /** @param subscribed topics that are listened to */
    public MqttLine(Broker broker, String name, List<String> subscribed, BiConsumer<String, byte[]> ear) {
        try {
            client = new MqttAsyncClient(broker.url(), name, new MemoryPersistence());
            client.setCallback(new MqttCallbackExtended() {
                @Override
                public void connectComplete(boolean again, String url) {
                    subscribe(subscribed);
                }

                @Override
                public void connectionLost(Throwable why) {
                    // It comes back by itself; whoever asks meanwhile is told.
                }

                @Override
                public void messageArrived(String topic, MqttMessage message) {
                    ear.accept(topic, message.getPayload());
                }

                @Override
                public void deliveryComplete(@Nullable IMqttDeliveryToken token) {
                    // The answer tells.
                }
            });
            MqttConnectOptions options = new MqttConnectOptions();
            options.setCleanSession(true);
            options.setAutomaticReconnect(true);
            options.setMaxReconnectDelay(1_000);
            options.setMaxInflight(IN_FLIGHT);
            options.setSocketFactory(new PromptSockets());
            options.setUserName(broker.user());
            options.setPassword(broker.password().toCharArray());
            client.connect(options).waitForCompletion(WAIT_MS);
            // A broker may drop a connection it has just taken; then this one comes back, and subscribes again.
            if (!listening.await(WAIT_MS, TimeUnit.MILLISECONDS)) {
                close();
                throw new UncheckedIOException(new java.io.IOException("The broker at " + broker.url() + " took no subscription for " + WAIT_MS + " ms."));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new UncheckedIOException(new java.io.InterruptedIOException("Interrupted while waiting for the broker at " + broker.url() + "."));
        } catch (MqttException e) {
            throw new UncheckedIOException("The broker at " + broker.url() + " is not reached: " + e.getMessage() + ".", new java.io.IOException(e));
        }
    }

    /** Where a broker is, and who may come in. */
    public record Broker(String url, String user, String password) {
        @Override
        public String toString() {
            return url + " as " + user;
        }
    }

    private void subscribe(List<String> topics) {
        if (topics.isEmpty()) {
            listening.countDown();
            return;
        }
        try {
            client.subscribe(topics.toArray(String[]::new), topics.stream().mapToInt(topic -> 1).toArray(), null, new IMqttActionListener() {
                @Override
                public void onSuccess(IMqttToken token) {
                    listening.countDown();
                }

                @Override
                public void onFailure(IMqttToken token, Throwable why) {
                    // The connection is gone; it subscribes when it is back.
                }
            });
        } catch (MqttException e) {
            // Gone again already; it subscribes when it is back.
        }
    }

    public boolean isUp() {
        return client.isConnected();
    }

    /** @return whether it was handed to the broker; false while the broker is away */
    public boolean send(String topic, byte[] message) {
        try {
            client.publish(topic, message, 1, false);
            return true;
        } catch (MqttException e) {
            return false;
        }
    }

    public boolean send(String topic, String message) {
        return send(topic, message.getBytes(StandardCharsets.UTF_8));
    }

    @Override
    public void close() {
        try {
            client.disconnectForcibly(100, 500);
            client.close(true);
        } catch (MqttException e) {
            // It is gone either way.
        }
    }
}
