package org.hiddenclerk.standins.wire;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;
import tools.jackson.core.JacksonException;

/** A network asked over MQTT. */
public final class MqttGateway implements Gateway, AutoCloseable {
    private final String root;
    private final Protocol protocol;
    private final Duration patience;
    private final String asker = UUID.randomUUID().toString();
    private final Map<String, CompletableFuture<Answer>> waiting = new ConcurrentHashMap<>();
    private final List<Consumer<GatewayEvent>> ears = new CopyOnWriteArrayList<>();
    // Whoever hears something may ask something: not on the thread that the answers come by.
    private final ExecutorService hearing = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "gateway ear");
        thread.setDaemon(true);
        return thread;
    });
    private final MqttLine line;

    /** @param patience how long an answer may take */
    public MqttGateway(MqttLine.Broker broker, String root, Protocol protocol, Duration patience) {
        this.root = root;
        this.protocol = protocol;
        this.patience = patience;
        line = new MqttLine(
                broker,
                "clerk-" + asker,
                List.of(Wire.answers(root, protocol, asker), Wire.heard(root, protocol)),
                this::take);
    }

    private void take(String topic, byte[] message) {
        try {
            if (topic.equals(Wire.heard(root, protocol))) {
                GatewayEvent heard = Wire.read(message, GatewayEvent.class);
                hearing.execute(() -> ears.forEach(ear -> ear.accept(heard)));
            } else {
                Wire.Answered answered = Wire.read(message, Wire.Answered.class);
                Optional.ofNullable(waiting.remove(answered.id()))
                        .ifPresent(asked -> asked.complete(answered.answer()));
            }
        } catch (JacksonException e) {
            // Something else speaks on this topic; it is not ours to judge.
        }
    }

    @Override
    public Protocol protocol() {
        return protocol;
    }

    @Override
    public void listen(Consumer<GatewayEvent> ear) {
        ears.add(ear);
    }

    /** @throws UncheckedIOException while the broker is away: nothing is known of the module then */
    @Override
    public Optional<Answer> ask(Order order) {
        String id = UUID.randomUUID().toString();
        CompletableFuture<Answer> answer = new CompletableFuture<>();
        waiting.put(id, answer);
        try {
            if (!line.send(Wire.orders(root, protocol), Wire.write(new Wire.Asked(id, asker, order)))) {
                throw away();
            }
            return Optional.of(answer.get(patience.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            if (!line.isUp()) {
                throw away();
            }
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw away();
        } catch (ExecutionException e) {
            throw new IllegalStateException("Impossible state: an answer is never completed with a failure.", e);
        } finally {
            waiting.remove(id);
        }
    }

    private UncheckedIOException away() {
        return new UncheckedIOException(
                new IOException("The broker of the " + protocol.label() + " network is not reached."));
    }

    @Override
    public void close() {
        hearing.shutdownNow();
        line.close();
    }
}
