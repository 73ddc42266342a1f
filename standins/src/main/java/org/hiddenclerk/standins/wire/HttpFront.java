package org.hiddenclerk.standins.wire;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;
import tools.jackson.core.JacksonException;

/** Lets a network be asked over HTTP on loopback: {@code POST /orders}, and {@code GET /heard?after=N} for what was heard since. */
public final class HttpFront implements AutoCloseable {
    private static final int OK = 200;
    private static final int BAD = 400;
    private static final int SILENT = 504;
    private static final int LARGEST = 64 * 1024;

    private final HttpServer server;
    private final ExecutorService hands = Executors.newFixedThreadPool(2);
    private final List<GatewayEvent> heard = new ArrayList<>();

    public HttpFront(Gateway network) {
        network.listen(each -> {
            synchronized (heard) {
                heard.add(each);
            }
        });
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.createContext("/orders", exchange -> order(network, exchange));
        server.createContext("/heard", this::heard);
        server.setExecutor(hands);
        server.start();
    }

    public String url() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    private static void order(Gateway network, HttpExchange exchange) throws IOException {
        try {
            Order order = Wire.read(exchange.getRequestBody().readNBytes(LARGEST), Order.class);
            Optional<Answer> answer = network.ask(order);
            send(
                    exchange,
                    answer.isPresent() ? OK : SILENT,
                    answer.map(Wire::write).orElse(new byte[0]));
        } catch (JacksonException e) {
            send(exchange, BAD, new byte[0]);
        }
    }

    private void heard(HttpExchange exchange) throws IOException {
        String query = Optional.ofNullable(exchange.getRequestURI().getQuery()).orElse("");
        int after = query.matches("after=\\d{1,9}") ? Integer.parseInt(query.substring("after=".length())) : 0;
        List<GatewayEvent> since;
        synchronized (heard) {
            since = List.copyOf(heard.subList(Math.min(after, heard.size()), heard.size()));
        }
        send(exchange, OK, Wire.write(since.toArray(new GatewayEvent[0])));
    }

    private static void send(HttpExchange exchange, int status, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", "application/json");
        exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
        try (exchange;
                var out = exchange.getResponseBody()) {
            out.write(body);
        }
    }

    @Override
    public void close() {
        server.stop(0);
        hands.shutdownNow();
    }
}
