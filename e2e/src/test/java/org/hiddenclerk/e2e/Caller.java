package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.concurrent.CompletableFuture;
import org.hiddenclerk.app.testing.Asker;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The demo owner at work without a browser. */
final class Caller implements Asker {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    Caller(RunningClerk clerk) {
        this(clerk.address());
    }

    Caller(String address) {
        this.address = address;
    }

    /** The same person, by the same cookies, at another address. */
    Caller at(String other) {
        Caller caller = new Caller(other);
        cookies.getCookieStore()
                .getCookies()
                .forEach(cookie -> caller.cookies.getCookieStore().add(URI.create(other), cookie));
        return caller;
    }

    /** Logs in, with whatever session there is, and returns how the new session's cookie was set. */
    String logIn() throws IOException, InterruptedException {
        get("/api/v1/session");
        HttpResponse<String> response = send(request("/api/v1/session")
                .POST(HttpRequest.BodyPublishers.ofString("{\"name\":\"tarrow\",\"password\":\"tannery-house-demo\"}"))
                .build());
        assertThat(response.statusCode()).as(response.body()).isEqualTo(200);
        return response.headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("clerk-session="))
                .findFirst()
                .orElseThrow();
    }

    String get(String path) throws IOException, InterruptedException {
        return send(request(path).GET().build()).body();
    }

    @Override
    public JsonNode ask(String method, String path, @Nullable Object body) {
        try {
            HttpRequest.Builder request = body instanceof byte[] picture
                    ? request(path)
                            .setHeader("Content-Type", "image/jpeg")
                            .method(method, HttpRequest.BodyPublishers.ofByteArray(picture))
                    : request(path)
                            .method(
                                    method,
                                    body == null
                                            ? HttpRequest.BodyPublishers.noBody()
                                            : HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)));
            HttpResponse<String> response = send(request.build());
            assertThat(response.statusCode()).as(path + " " + response.body()).isLessThan(300);
            return JSON.readTree(response.body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** The body of an answer that refuses. */
    String refused(String path, Object body) throws IOException, InterruptedException {
        HttpResponse<String> response = send(request(path)
                .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
        assertThat(response.statusCode()).as(path).isBetween(400, 499);
        return response.body();
    }

    /** Does not wait for the answer. */
    CompletableFuture<HttpResponse<String>> putSoon(String path, String body) {
        return http.sendAsync(
                request(path).PUT(HttpRequest.BodyPublishers.ofString(body)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Listens to server-sent events, in the background, and tells the name of each. */
    void listen(String path, java.util.function.Consumer<String> heard) {
        http.sendAsync(
                request(path).GET().build(),
                HttpResponse.BodyHandlers.fromLineSubscriber(new java.util.concurrent.Flow.Subscriber<String>() {
                    @Override
                    public void onSubscribe(java.util.concurrent.Flow.Subscription subscription) {
                        subscription.request(Long.MAX_VALUE);
                    }

                    @Override
                    public void onNext(String line) {
                        if (line.startsWith("event:")) {
                            heard.accept(line.substring("event:".length()).strip());
                        }
                    }

                    @Override
                    public void onError(Throwable failure) {
                        // The node is gone; what was heard was told.
                    }

                    @Override
                    public void onComplete() {
                        // As above.
                    }
                }));
    }

    private HttpResponse<String> send(HttpRequest request) throws IOException, InterruptedException {
        return http.send(request, HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder request(String path) {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(java.net.HttpCookie::getValue)
                .findFirst()
                .orElse("");
        return HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token);
    }
}
