package org.hiddenclerk.standins.wire;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;

/** A network asked over HTTP; what it tells is fetched, for it cannot call. */
public final class HttpGateway implements Gateway, AutoCloseable {
    private static final int OK = 200;
    private static final int SILENT = 504;
    private static final long GLANCE_MS = 500;

    private final String url;
    private final Protocol protocol;
    private final Duration patience;
    private final HttpClient client = HttpClient.newHttpClient();
    private final List<Consumer<GatewayEvent>> ears = new CopyOnWriteArrayList<>();
    private final ScheduledExecutorService glances = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "gateway glance");
        thread.setDaemon(true);
        return thread;
    });
    private int known;

    public HttpGateway(String url, Protocol protocol, Duration patience) {
        this.url = url;
        this.protocol = protocol;
        this.patience = patience;
        glances.scheduleWithFixedDelay(this::glance, 0, GLANCE_MS, TimeUnit.MILLISECONDS);
    }

    private void glance() {
        try {
            GatewayEvent[] since = Wire.read(
                    send(HttpRequest.newBuilder(URI.create(url + "/heard?after=" + known))
                                    .timeout(patience)
                                    .build())
                            .body(),
                    GatewayEvent[].class);
            known += since.length;
            for (GatewayEvent each : since) {
                ears.forEach(ear -> ear.accept(each));
            }
        } catch (UncheckedIOException | HttpTimeoutException e) {
            // It is away; the next glance tells.
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

    /** @throws UncheckedIOException while the network is away: nothing is known of the module then */
    @Override
    public Optional<Answer> ask(Order order) {
        try {
            HttpResponse<byte[]> response = send(HttpRequest.newBuilder(URI.create(url + "/orders"))
                    .timeout(patience)
                    .POST(HttpRequest.BodyPublishers.ofByteArray(Wire.write(order)))
                    .build());
            if (response.statusCode() != OK && response.statusCode() != SILENT) {
                throw new UncheckedIOException(new IOException(
                        "The " + protocol.label() + " network answered with " + response.statusCode() + "."));
            }
            return response.statusCode() == OK
                    ? Optional.of(Wire.read(response.body(), Answer.class))
                    : Optional.empty();
        } catch (HttpTimeoutException e) {
            return Optional.empty();
        }
    }

    private HttpResponse<byte[]> send(HttpRequest request) throws HttpTimeoutException {
        try {
            return client.send(request, HttpResponse.BodyHandlers.ofByteArray());
        } catch (HttpTimeoutException e) {
            throw e;
        } catch (IOException e) {
            throw new UncheckedIOException("The " + protocol.label() + " network is not reached.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new UncheckedIOException(
                    new IOException("The " + protocol.label() + " network is not waited for.", e));
        }
    }

    @Override
    public void close() {
        glances.shutdownNow();
    }
}
