package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** What whoever runs the clerk relies on: health, metrics, numbers of requests, headers. */
class OperationsIT {
    private final RunningClerk clerk = RunningClerk.get();
    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(clerk.address() + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return http.send(request.GET().build(), HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void healthIsOpenAndTellsNothingElse() throws Exception {
        for (String path :
                new String[] {"/actuator/health", "/actuator/health/liveness", "/actuator/health/readiness"}) {
            HttpResponse<String> answer = get(path);
            assertThat(answer.statusCode()).as(path).isEqualTo(200);
            assertThat(answer.body()).as(path).contains("\"UP\"").doesNotContain("MariaDB", "diskSpace");
        }
    }

    @Test
    void metricsAreForLeadsInTheFormatOfPrometheus() throws Exception {
        assertThat(get("/actuator/prometheus").statusCode()).isEqualTo(401);
        assertThat(get("/actuator/env").statusCode()).isEqualTo(401);
        Caller caller = new Caller(clerk);
        caller.logIn();
        caller.get("/api/v1/day-book");
        assertThat(caller.get("/actuator/prometheus"))
                .contains(
                        "# TYPE http_server_requests_seconds",
                        "uri=\"/api/v1/day-book\"",
                        "hikaricp_connections_active",
                        "jvm_memory_used_bytes");
    }

    @Test
    void everyRequestHasANumberThatStandsInTheLog() throws Exception {
        assertThat(get("/api/v1/session").headers().firstValue("X-Request-Id"))
                .get()
                .asString()
                .matches("[0-9a-f]{16}");
        String given = "from-the-proxy-4711";
        HttpRequest wrong = HttpRequest.newBuilder(URI.create(clerk.address() + "/api/v1/jobs"))
                .header("X-Request-Id", given)
                .POST(HttpRequest.BodyPublishers.ofString("{}"))
                .build();
        HttpResponse<String> answer = http.send(wrong, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.headers().firstValue("X-Request-Id")).hasValue(given);
        assertThat(Files.readString(clerk.log()))
                .containsPattern("\\[" + given + "\\].*POST /api/v1/jobs 40[13] \\d+ ms by nobody");
        Caller caller = new Caller(clerk);
        caller.logIn();
        caller.refused("/api/v1/jobs", java.util.Map.of("name", ""));
        assertThat(Files.readString(clerk.log()))
                .as("who asked")
                .containsPattern("POST /api/v1/jobs 422 \\d+ ms by tarrow");
        assertThat(get("/api/v1/session", "X-Request-Id", "no_good").headers().firstValue("X-Request-Id"))
                .get()
                .asString()
                .matches("[0-9a-f]{16}");
    }

    @Test
    void aPageMayBeFramedByNobodyAndLoadsNothingForeign() throws Exception {
        HttpResponse<String> page = get("/");
        assertThat(page.headers().firstValue("Content-Security-Policy"))
                .get()
                .asString()
                .contains("default-src 'self'", "frame-ancestors 'none'")
                .doesNotContain("unsafe");
        assertThat(page.headers().firstValue("X-Frame-Options")).hasValue("DENY");
        assertThat(page.headers().firstValue("X-Content-Type-Options")).hasValue("nosniff");
        assertThat(page.body()).doesNotContainPattern("<script(?![^>]*src=\"/)").doesNotContain("style=\"", "onclick");
        assertThat(get("/api/v1/session", "X-Forwarded-Proto", "https")
                        .headers()
                        .firstValue("Strict-Transport-Security"))
                .as("believed only behind a proxy")
                .isEmpty();
    }
}
