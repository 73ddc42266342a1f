package org.hiddenclerk.bench;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;

/**
 * Time of a served wiring check of 40 parts, warm, one after the other, beside a health request to the same server as
 * the floor of what HTTP costs here. Arguments: address, bearer token.
 */
public final class ServedCheck {
    private static final int WARM_UP = 1_500;
    private static final int MEASURED = 1_000;

    private ServedCheck() {}

    public static void main(String[] arguments) throws IOException, InterruptedException {
        byte[] wiring;
        try (InputStream source = ServedCheck.class.getResourceAsStream("/forty-parts.json")) {
            wiring = source.readAllBytes();
        }
        HttpClient http =
                HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        HttpRequest check = HttpRequest.newBuilder(URI.create(arguments[0] + "/api/v1/compute/wiring-check"))
                .header("Authorization", "Bearer " + arguments[1])
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofByteArray(wiring))
                .build();
        HttpRequest health = HttpRequest.newBuilder(URI.create(arguments[0] + "/actuator/health"))
                .build();
        report("wiring-check, 40 parts", http, check);
        report("health, the floor", http, health);
    }

    private static void report(String what, HttpClient http, HttpRequest request)
            throws IOException, InterruptedException {
        double[] millis = new double[MEASURED];
        for (int i = -WARM_UP; i < MEASURED; i++) {
            long began = System.nanoTime();
            HttpResponse<byte[]> response = http.send(request, HttpResponse.BodyHandlers.ofByteArray());
            if (response.statusCode() != 200) {
                throw new IllegalStateException(
                        "Answered " + response.statusCode() + ": " + new String(response.body()));
            }
            if (i >= 0) {
                millis[i] = (System.nanoTime() - began) / 1e6;
            }
        }
        Arrays.sort(millis);
        System.out.printf(
                Locale.ROOT,
                "%-24s median %.2f ms, p5 %.2f, p95 %.2f, max %.2f (%d requests)%n",
                what,
                millis[MEASURED / 2],
                millis[MEASURED / 20],
                millis[MEASURED * 19 / 20],
                millis[MEASURED - 1],
                MEASURED);
    }
}
