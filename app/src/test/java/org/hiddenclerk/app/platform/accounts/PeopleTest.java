package org.hiddenclerk.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.StreamSupport;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.hiddenclerk.app.testing.HeldClock;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** People invited, logged in with a second factor, given jobs, shut out; a household by its link. Everything through real sessions. */
@WithDatabase
class PeopleTest {
    private static final String WORDS = "gantry otter plinth nine";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate database;

    private Person owner;
    private SmallHouse house;

    /** A browser with its cookie. */
    private final class Browser {
        private @Nullable Cookie cookie;

        private MockHttpServletResponse send(HttpMethod method, String path, @Nullable Object body) {
            try {
                MockHttpServletRequestBuilder request = MockMvcRequestBuilders.request(method, path)
                        .with(csrf())
                        .header("User-Agent", "Mozilla/5.0 (Linux; Android 14) Firefox/131.0");
                if (cookie != null) {
                    request.cookie(cookie);
                }
                if (body != null) {
                    request.contentType(MediaType.APPLICATION_JSON).content(JSON.writeValueAsString(body));
                }
                MockHttpServletResponse response =
                        mvc.perform(request).andReturn().getResponse();
                // The mock container does not name it as the real one does.
                if (response.getCookie("SESSION") != null) {
                    cookie = response.getCookie("SESSION");
                }
                return response;
            } catch (Exception e) {
                throw new AssertionError(method + " " + path, e);
            }
        }

        private int status(HttpMethod method, String path, @Nullable Object body) {
            return send(method, path, body).getStatus();
        }

        private JsonNode json(HttpMethod method, String path, @Nullable Object body) {
            try {
                MockHttpServletResponse response = send(method, path, body);
                assertThat(response.getStatus())
                        .as(path + " " + response.getContentAsString())
                        .isLessThan(300);
                return response.getContentAsString().isEmpty()
                        ? JSON.nullNode()
                        : JSON.readTree(response.getContentAsString());
            } catch (java.io.UnsupportedEncodingException e) {
                throw new AssertionError(e);
            }
        }

        private int logIn(String name, String password, @Nullable String code) {
            return status(
                    HttpMethod.POST,
                    "/api/v1/session",
                    code == null
                            ? Map.of("name", name, "password", password)
                            : Map.of("name", name, "password", password, "code", code));
        }
    }

    @BeforeEach
    void open() {
        owner = new Person(mvc);
        house = new SmallHouse(owner);
    }

    @AfterEach
    void forget() {
        database.update("DELETE FROM login_failure");
        database.update("DELETE FROM guest_link");
        database.update("DELETE FROM assignment");
        database.update("DELETE FROM recovery_code");
        database.update("DELETE FROM invitation");
        database.update("DELETE FROM api_token WHERE account_id IN (SELECT id FROM account WHERE name LIKE 'p-%')");
        database.update("DELETE FROM account WHERE name LIKE 'p-%'");
    }

    /** Somebody who came by an invitation. */
    private Browser joined(String name, String role) {
        String link = owner.post("/api/v1/invitations", Map.of("displayName", "Of " + name, "role", role))
                .ok()
                .get("text")
                .asString();
        Browser browser = new Browser();
        browser.json(
                HttpMethod.POST, "/api/v1/invitation/accepted", Map.of("text", link, "name", name, "password", WORDS));
        return browser;
    }

    private String id(String name) {
        return StreamSupport.stream(
                        owner.get("/api/v1/people").ok().get("people").spliterator(), false)
                .filter(p -> p.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    @Test
    void anInvitationIsReadUsedOnceAndKeptAsAHashOnly() {
        String link = owner.post("/api/v1/invitations", Map.of("displayName", "N. Reed", "role", "FITTER"))
                .ok()
                .get("text")
                .asString();
        Browser browser = new Browser();
        JsonNode read = browser.json(HttpMethod.POST, "/api/v1/invitation", Map.of("text", link));
        assertThat(read.get("displayName").asString() + ", "
                        + read.get("roleLabel").asString() + ", by "
                        + read.get("invitedBy").asString())
                .isEqualTo("N. Reed, Fitter, by M. Tarrow");
        JsonNode session = browser.json(
                HttpMethod.POST,
                "/api/v1/invitation/accepted",
                Map.of("text", link, "name", "p-reed", "password", WORDS));
        assertThat(session.get("role").asString()).isEqualTo("FITTER");
        assertThat(new Browser()
                        .status(
                                HttpMethod.POST,
                                "/api/v1/invitation/accepted",
                                Map.of("text", link, "name", "p-other", "password", WORDS)))
                .isEqualTo(409);
        assertThat(database.queryForList("SELECT hash FROM invitation", String.class))
                .allMatch(hash -> hash.matches("[0-9a-f]{64}"));
        assertThat(owner.post("/api/v1/invitations", Map.of("displayName", "G", "role", "GUEST"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aFitterSeesTheAssignedJobsOnlyAndNoPrices() {
        Browser fitter = joined("p-fit", "FITTER");
        String box = house.box("F");
        house.pick(box, "SK-1");
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/jobs", null)).isEmpty();
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/day-book", null)).isEmpty();
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/search?text=F", null)).isEmpty();
        owner.put("/api/v1/jobs/" + house.job() + "/assigned", Map.of("people", List.of(id("p-fit"))))
                .ok();
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/jobs", null)).hasSize(1);
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/day-book", null)).hasSize(1);
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/search?text=F", null))
                .as("boxes of this name stand in other houses too")
                .isNotEmpty()
                .allMatch(hit -> hit.get("job").asString().equals(house.job()));
        for (String path : List.of(
                "/api/v1/jobs/" + house.job() + "/pick-list",
                "/api/v1/stock",
                "/api/v1/stock/modules/SK-1",
                "/api/v1/boxes/" + box + "/match?gangs=1")) {
            String theirs = fitter.json(HttpMethod.GET, path, null).toString();
            assertThat(theirs).as(path).doesNotContain("\"price\":", "\"priceCents\":", "\"sum\":");
            assertThat(owner.get(path).ok().toString())
                    .as(path + " of the owner")
                    .containsAnyOf("\"price\":", "\"priceCents\":");
        }
        assertThat(fitter.status(
                        HttpMethod.POST,
                        "/api/v1/jobs/" + house.job() + "/papers",
                        Map.of("kind", "PICK_LIST", "size", "A4")))
                .isEqualTo(403);
        assertThat(fitter.json(HttpMethod.GET, "/api/v1/jobs/" + house.job() + "/papers", null)
                        .get("kinds")
                        .toString())
                .contains("AS_BUILT")
                .doesNotContain("PICK_LIST");
    }

    @Test
    void aRoleThatChangesAndAPersonWhoIsShutOutEndTheirLogins() {
        Browser lead = joined("p-lead", "LEAD");
        String token = "/api/v1/jobs";
        assertThat(lead.status(HttpMethod.GET, token, null)).isEqualTo(200);
        owner.put("/api/v1/people/" + id("p-lead"), Map.of("role", "FITTER", "disabled", false))
                .ok();
        assertThat(lead.status(HttpMethod.GET, "/api/v1/jobs", null)).isEqualTo(401);
        assertThat(lead.logIn("p-lead", WORDS, null)).isEqualTo(200);
        owner.put("/api/v1/people/" + id("p-lead"), Map.of("role", "FITTER", "disabled", true))
                .ok();
        assertThat(lead.status(HttpMethod.GET, "/api/v1/jobs", null)).isEqualTo(401);
        assertThat(lead.logIn("p-lead", WORDS, null)).isEqualTo(401);
    }

    @Test
    void whenSomebodyWasLastHereIsKeptToTheMinuteSoThatReadingWritesNothing() {
        Browser browser = new Browser();
        assertThat(browser.logIn("tarrow", "tannery-house-demo", null)).isEqualTo(200);
        assertThat(browser.status(HttpMethod.GET, "/api/v1/jobs", null)).isEqualTo(200);

        long minute = Duration.ofMinutes(1).toMillis();
        Map<String, Object> row =
                database.queryForMap("SELECT last_access_time, expiry_time FROM login_session WHERE principal_name = "
                        + "'tarrow' ORDER BY creation_time DESC LIMIT 1");
        long last = ((Number) row.get("last_access_time")).longValue();
        assertThat(last % minute).isZero();
        assertThat(((Number) row.get("expiry_time")).longValue())
                .isEqualTo(last + Duration.ofHours(12).toMillis() + minute);
    }

    @Test
    void somebodyAlwaysOwnsTheFirmsJobs() {
        assertThat(owner.put("/api/v1/people/" + id("tarrow"), Map.of("role", "LEAD", "disabled", false))
                        .status())
                .isEqualTo(409);
        assertThat(owner.put("/api/v1/people/" + id("tarrow"), Map.of("role", "OWNER", "disabled", true))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aCodeOfTheSecondFactorIsGoodOnceAndRecoveryCodesHelpOut() throws Exception {
        try (HeldClock clock = HeldClock.hold()) {
            secondFactor(clock);
        }
    }

    private void secondFactor(HeldClock clock) throws Exception {
        Browser browser = joined("p-two", "LEAD");
        assertThat(browser.status(
                        HttpMethod.POST, "/api/v1/account/second-factor", Map.of("password", "another password")))
                .isEqualTo(422);
        JsonNode offered = browser.json(HttpMethod.POST, "/api/v1/account/second-factor", Map.of("password", WORDS));
        String secret = offered.get("text").asString();
        assertThat(offered.get("uri").asString()).contains("otpauth://totp/", "secret=" + secret);
        assertThat(browser.logIn("p-two", WORDS, null))
                .as("it does not count before it was confirmed")
                .isEqualTo(200);
        assertThat(browser.status(HttpMethod.POST, "/api/v1/account/second-factor/confirmed", Map.of("code", "000000")))
                .isEqualTo(422);
        JsonNode recovery = browser.json(
                        HttpMethod.POST,
                        "/api/v1/account/second-factor/confirmed",
                        Map.of("code", code(clock, secret, -1)))
                .get("codes");
        assertThat(recovery).hasSize(10);
        Browser other = new Browser();
        assertThat(other.logIn("p-two", WORDS, null)).isEqualTo(401);
        assertThat(other.logIn("p-two", WORDS, code(clock, secret, -1)))
                .as("used when it was confirmed")
                .isEqualTo(401);
        assertThat(other.logIn("p-two", WORDS, code(clock, secret, 0))).isEqualTo(200);
        assertThat(new Browser().logIn("p-two", WORDS, code(clock, secret, 0)))
                .as("used to log in")
                .isEqualTo(401);
        assertThat(new Browser().logIn("p-two", WORDS, recovery.get(3).asString()))
                .isEqualTo(200);
        assertThat(new Browser().logIn("p-two", WORDS, recovery.get(3).asString()))
                .isEqualTo(401);
        byte[] kept = database.queryForObject("SELECT second_factor FROM account WHERE name = 'p-two'", byte[].class);
        assertThat(new String(kept, java.nio.charset.StandardCharsets.ISO_8859_1))
                .doesNotContain(secret);
        owner.post("/api/v1/credentials/renew-key", Map.of()).ok();
        assertThat(new Browser().logIn("p-two", WORDS, code(clock, secret, 1)))
                .as("under a new key of the ring")
                .isEqualTo(200);
        String again = owner.post("/api/v1/people/" + id("p-two") + "/invited-again", null)
                .ok()
                .get("text")
                .asString();
        new Browser()
                .json(
                        HttpMethod.POST,
                        "/api/v1/invitation/accepted",
                        Map.of("text", again, "name", "whatever", "password", "three lathes under moss"));
        assertThat(other.status(HttpMethod.GET, "/api/v1/jobs", null))
                .as("logins of before")
                .isEqualTo(401);
        assertThat(new Browser().logIn("p-two", "three lathes under moss", null))
                .isEqualTo(200);
    }

    private static String code(HeldClock clock, String secret, int steps) throws Exception {
        TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();
        return generator.generateOneTimePasswordString(
                new SecretKeySpec(new Base32().decode(secret), generator.getAlgorithm()),
                clock.instant().plus(generator.getTimeStep().multipliedBy(steps)));
    }

    @Test
    void loginsAreToldAndEnded() {
        Browser phone = joined("p-ses", "LEAD");
        Browser desk = new Browser();
        desk.logIn("p-ses", WORDS, null);
        JsonNode logins = desk.json(HttpMethod.GET, "/api/v1/account", null).get("logins");
        assertThat(logins).hasSize(2);
        assertThat(logins).extracting(login -> login.get("device").asString()).containsOnly("Firefox, Android");
        JsonNode other = StreamSupport.stream(logins.spliterator(), false)
                .filter(login -> !login.get("own").asBoolean())
                .findFirst()
                .orElseThrow();
        desk.json(HttpMethod.DELETE, "/api/v1/account/logins/" + other.get("id").asString(), null);
        assertThat(phone.status(HttpMethod.GET, "/api/v1/jobs", null)).isEqualTo(401);
        Browser third = new Browser();
        third.logIn("p-ses", WORDS, null);
        desk.json(
                HttpMethod.PUT,
                "/api/v1/account/password",
                Map.of("was", WORDS, "password", "five kettles in the rain"));
        assertThat(third.status(HttpMethod.GET, "/api/v1/jobs", null))
                .as("a new password ends every other login")
                .isEqualTo(401);
        assertThat(desk.status(HttpMethod.GET, "/api/v1/jobs", null)).isEqualTo(200);
    }

    @Test
    void aTokenHasScopesAndRunsOut() throws Exception {
        Browser lead = joined("p-tok", "LEAD");
        JsonNode made = lead.json(
                HttpMethod.POST, "/api/v1/tokens", Map.of("label", "meter", "scopes", Set.of("READ"), "days", 30));
        assertThat(bearer(made, HttpMethod.GET, "/api/v1/jobs")).isEqualTo(200);
        assertThat(bearer(made, HttpMethod.POST, "/api/v1/jobs"))
                .as("not its scope")
                .isEqualTo(403);
        assertThat(bearer(made, HttpMethod.GET, "/api/v1/tokens"))
                .as("no token makes or reads tokens")
                .isEqualTo(403);
        database.update(
                "UPDATE api_token SET expires_at = UTC_TIMESTAMP(6) WHERE id = ?",
                made.get("id").asString());
        assertThat(bearer(made, HttpMethod.GET, "/api/v1/jobs")).isEqualTo(401);
        assertThat(lead.status(
                        HttpMethod.POST,
                        "/api/v1/tokens",
                        Map.of("label", "for ever", "scopes", Set.of("READ"), "days", 4000)))
                .isEqualTo(422);
        assertThat(lead.status(
                        HttpMethod.POST,
                        "/api/v1/tokens",
                        Map.of("label", "for nothing", "scopes", Set.of(), "days", 4)))
                .isEqualTo(422);
    }

    private int bearer(JsonNode token, HttpMethod method, String path) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.request(method, path)
                        .header("Authorization", "Bearer " + token.get("token").asString())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{}"))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void aHouseholdReadsItsGuideAndItsLiveHouseAndNothingElse() {
        house.pick(house.box("G"), "SK-1");
        JsonNode link = owner.post("/api/v1/jobs/" + house.job() + "/guests", Map.of("label", "The family", "days", 14))
                .ok();
        Browser guest = new Browser();
        JsonNode session = guest.json(
                HttpMethod.POST,
                "/api/v1/visit",
                Map.of("text", link.get("text").asString()));
        assertThat(session.get("job").asString()).isEqualTo(house.job());
        JsonNode guide = guest.json(HttpMethod.GET, "/api/v1/jobs/" + house.job() + "/guide", null);
        assertThat(guide.get("rooms")
                        .get(0)
                        .get("switches")
                        .get(0)
                        .get("does")
                        .get(0)
                        .asString())
                .contains("changes");
        assertThat(guide.get("whenOut").toString()).contains("Switch the circuit off at the board");
        assertThat(guest.status(HttpMethod.GET, "/api/v1/jobs/" + house.job() + "/live", null))
                .isEqualTo(200);
        assertThat(guest.status(HttpMethod.POST, "/api/v1/jobs/" + house.job() + "/live/start", null))
                .isEqualTo(403);
        assertThat(guest.status(HttpMethod.GET, "/api/v1/jobs/" + house.job(), null))
                .isEqualTo(403);
        owner.delete("/api/v1/jobs/" + house.job() + "/guests/" + link.get("id").asString())
                .ok();
        assertThat(guest.status(HttpMethod.GET, "/api/v1/jobs/" + house.job() + "/guide", null))
                .as("taken away")
                .isEqualTo(403);
        assertThat(new Browser()
                        .status(
                                HttpMethod.POST,
                                "/api/v1/visit",
                                Map.of("text", link.get("text").asString())))
                .isEqualTo(409);
    }

    @Test
    void whatStandsBehindAJobInAPathMustBelongToIt() {
        SmallHouse other = new SmallHouse(owner);
        String link = owner.post("/api/v1/jobs/" + other.job() + "/guests", Map.of("label", "x", "days", 1))
                .ok()
                .get("id")
                .asString();
        String account = owner.post("/api/v1/jobs/" + other.job() + "/live/accounts", Map.of("mayCommand", false))
                .ok()
                .get("account")
                .get("id")
                .asString();
        String reading = other.box("Z");
        assertThat(owner.delete("/api/v1/jobs/" + house.job() + "/guests/" + link)
                        .status())
                .isEqualTo(404);
        assertThat(owner.delete("/api/v1/jobs/" + house.job() + "/live/accounts/" + account)
                        .status())
                .isEqualTo(404);
        assertThat(owner.post(
                                "/api/v1/jobs/" + house.job() + "/bench",
                                Map.of("serial", "X-1", "module", "SK-1", "box", reading))
                        .status())
                .isGreaterThanOrEqualTo(400);
    }
}
