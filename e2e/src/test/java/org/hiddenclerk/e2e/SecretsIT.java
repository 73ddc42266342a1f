package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.TestDatabase;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Every kind of secret goes its way through the clerk once; afterwards logs, database, job file, backup and browser
 * are searched for it.
 */
class SecretsIT {
    /** Made up: 16 bytes and their sum by CRC-16/X-25, as Zigbee install codes have it. */
    private static final String INSTALL_CODE = "83FED3407A939723A5C639B26916D505C3B5";

    private final Caller caller = new Caller(RunningClerk.get());
    private final Map<String, String> secrets = new LinkedHashMap<>();

    @Test
    void noSecretStandsWhereItDoesNotBelong() throws Exception {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        house.pick(house.box("SE-1"), "TG-1N");
        secretsOf(house);
        Map<String, String> places = new LinkedHashMap<>();
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.page().navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/bench");
            desk.page()
                    .getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                    .waitFor();
            desk.settle();
            desk.page().navigate(RunningClerk.get().address() + "/account");
            desk.settle();
            places.put(
                    "the browser",
                    String.valueOf(
                            desk.page()
                                    .evaluate(
                                            """
                    async () => {
                      const kept = [JSON.stringify({ ...localStorage }), JSON.stringify({ ...sessionStorage }), document.cookie];
                      for (const name of await caches.keys()) {
                        const cache = await caches.open(name);
                        for (const request of await cache.keys()) {
                          kept.push(request.url, await (await cache.match(request)).text());
                        }
                      }
                      return kept.join("\\n");
                    }""")));
        }
        places.put("the job file", caller.get("/api/v1/jobs/" + house.job() + "/export"));
        places.put("the log of the job", caller.get("/api/v1/jobs/" + house.job() + "/log"));
        places.put("the bench", caller.get("/api/v1/jobs/" + house.job() + "/bench"));
        places.put("the database", TestDatabase.get().dump());
        places.putAll(logs());
        assertThat(places.get("the database")).as("something was dumped").contains("SE-1");
        assertThat(places.keySet()).as("there are logs").anyMatch(name -> name.endsWith(".log"));

        List<String> found = new ArrayList<>();
        secrets.forEach((what, secret) -> places.forEach((place, text) -> {
            for (String form : List.of(
                    secret,
                    HexFormat.of().withUpperCase().formatHex(secret.getBytes(StandardCharsets.UTF_8)),
                    secret.toLowerCase(Locale.ROOT))) {
                if (text.contains(form)) {
                    found.add(what + " in " + place);
                }
            }
        }));
        assertThat(found).isEmpty();
    }

    private void secretsOf(SmallHouse house) throws IOException, InterruptedException {
        JsonNode units = caller.ask(
                        "POST",
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", "TG-1N", "serial", "SE-0001"))
                .get("units");
        String unit = units.get(units.size() - 1).get("id").asString();
        caller.ask(
                "POST",
                "/api/v1/bench/" + unit + "/credentials",
                Map.of("kind", "ZIGBEE_INSTALL_CODE", "text", INSTALL_CODE));
        secrets.put("install code", INSTALL_CODE);
        String credential = caller.ask("GET", "/api/v1/jobs/" + house.job() + "/bench", null)
                .findValue("codes")
                .get(0)
                .get("id")
                .asString();
        assertThat(caller.ask(
                                "POST",
                                "/api/v1/credentials/" + credential + "/showings",
                                Map.of("why", "to look for it elsewhere"))
                        .get("text")
                        .asString())
                .isEqualTo(INSTALL_CODE);
        secrets.put(
                "token",
                caller.ask("POST", "/api/v1/tokens", Map.of("label", "secrets", "scopes", Set.of("READ"), "days", 1))
                        .get("token")
                        .asString());
        secrets.put(
                "link of a household",
                caller.ask("POST", "/api/v1/jobs/" + house.job() + "/guests", Map.of("label", "x", "days", 1))
                        .get("text")
                        .asString());
        secrets.put(
                "invitation",
                caller.ask("POST", "/api/v1/invitations", Map.of("displayName", "S. Ecret", "role", "FITTER"))
                        .get("text")
                        .asString());
        secrets.put(
                "secret of the second factor",
                caller.ask("POST", "/api/v1/account/second-factor", Map.of("password", "tannery-house-demo"))
                        .get("text")
                        .asString());
        secrets.put("password", "tannery-house-demo");
        secrets.put(
                "password at the broker",
                caller.ask("POST", "/api/v1/jobs/" + house.job() + "/live/accounts", Map.of("mayCommand", false))
                        .get("password")
                        .asString());
        // What is refused is not repeated either.
        for (Map.Entry<String, Map<String, Object>> wrong : Map.<String, Map<String, Object>>of(
                        "/api/v1/session",
                        Map.of("name", "nobody-at-all", "password", "wrong-but-somebodys-own-secret"),
                        "/api/v1/account/second-factor",
                        Map.of("password", "wrong-but-somebodys-own-secret"),
                        "/api/v1/visit",
                        Map.of("text", "wrong-but-somebodys-own-secret"),
                        "/api/v1/invitation",
                        Map.of("text", "wrong-but-somebodys-own-secret"))
                .entrySet()) {
            assertThat(caller.refused(wrong.getKey(), wrong.getValue())).doesNotContain("somebodys-own-secret");
        }
        secrets.put("what was typed wrongly", "wrong-but-somebodys-own-secret");
    }

    /** Of every start of the application so far. */
    private static Map<String, String> logs() throws IOException {
        Map<String, String> logs = new LinkedHashMap<>();
        try (Stream<Path> files = Files.list(Scratch.of("logs").getParent())) {
            for (Path file :
                    files.filter(each -> each.toString().endsWith(".log")).toList()) {
                logs.put(file.toString(), Files.readString(file, StandardCharsets.ISO_8859_1));
            }
        }
        return logs;
    }
}
