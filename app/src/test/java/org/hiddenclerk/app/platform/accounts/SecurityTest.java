package org.hiddenclerk.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.file.Files;
import java.nio.file.Path;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@WithDatabase
class SecurityTest {
    private static final String WIRING = "/api/v1/compute/wiring-check";

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate database;

    @Test
    void ofTheServersOwnOnlyHealthIsOpen() throws Exception {
        assertThat(mvc.perform(get("/actuator/health"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(200);
        assertThat(mvc.perform(get("/actuator/env")).andReturn().getResponse().getStatus())
                .isIn(401, 403, 404);
    }

    @Test
    void aChangeWithoutTheCrossSiteTokenIsRefused() throws Exception {
        assertThat(mvc.perform(post("/api/v1/jobs")
                                .with(user("tarrow").roles("OWNER"))
                                .contentType(MediaType.APPLICATION_JSON)
                                .content("{\"name\":\"X\",\"place\":\"\",\"region\":\"EU_230\"}"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void theContentPolicyAllowsNothingInlineAndNothingForeign() throws Exception {
        MockHttpServletResponse response = mvc.perform(get("/")).andReturn().getResponse();

        assertThat(response.getHeader("Content-Security-Policy"))
                .contains("default-src 'self'", "frame-ancestors 'none'")
                .doesNotContain("unsafe-inline", "unsafe-eval", "http:", "https:");
        assertThat(response.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    }

    @Test
    void wrongPasswordsAreSlowedDown() throws Exception {
        int last = 0;
        for (int i = 0; i < 6; i++) {
            last = mvc.perform(post("/api/v1/session")
                            .with(csrf())
                            .contentType(MediaType.APPLICATION_JSON)
                            .content("{\"name\":\"nobody\",\"password\":\"wrong " + i + "\"}"))
                    .andReturn()
                    .getResponse()
                    .getStatus();
        }
        assertThat(last).isEqualTo(429);
        database.update("DELETE FROM login_failure");
    }

    @Test
    void theFirstAccountIsMadeOnceAndItsPasswordIsNeverEchoed() throws Exception {
        MockHttpServletResponse weak = setUp("too short");
        MockHttpServletResponse second = setUp("long enough for a lock");

        assertThat(weak.getStatus()).isEqualTo(422);
        assertThat(weak.getContentAsString())
                .contains("/password", "12 to 200 characters")
                .doesNotContain("too short");
        assertThat(second.getStatus()).isEqualTo(409);
    }

    private MockHttpServletResponse setUp(String password) throws Exception {
        return mvc.perform(post("/api/v1/setup")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\":\"vane\",\"displayName\":\"R. Vane\",\"password\":\"" + password + "\"}"))
                .andReturn()
                .getResponse();
    }

    @Test
    void passwordsAndTokensAreKeptAsHashesOnly() {
        assertThat(database.queryForObject("SELECT password_hash FROM account WHERE name = 'tarrow'", String.class))
                .startsWith("{pbkdf2}")
                .doesNotContain("tannery-house-demo");
        String token = new Person(mvc)
                .post("/api/v1/tokens", "{\"label\":\"hash test\",\"scopes\":[\"READ\"],\"days\":1}")
                .ok()
                .get("token")
                .asString();
        assertThat(database.queryForList("SELECT hash FROM api_token", String.class))
                .allSatisfy(hash -> assertThat(hash).hasSize(64).doesNotContain(token));
    }

    @Test
    void aTokenOpensTheComputationsUntilItIsRevoked() throws Exception {
        JsonNode fresh = new Person(mvc)
                .post("/api/v1/tokens", "{\"label\":\"script\",\"scopes\":[\"READ\"],\"days\":1}")
                .ok();
        String token = fresh.get("token").asString();
        String request = new JsonMapper()
                .readTree(Files.readString(Path.of("src/test/resources/examples/wiring/behind_switch-00.json")))
                .get("request")
                .toString();

        assertThat(withToken(token, request)).isEqualTo(200);
        assertThat(withToken(token + "x", request)).isEqualTo(401);
        mvc.perform(MockMvcRequestBuilders.delete(
                                "/api/v1/tokens/" + fresh.get("id").asString())
                        .with(user("tarrow").roles("OWNER"))
                        .with(csrf()))
                .andReturn();
        assertThat(withToken(token, request)).isEqualTo(401);
    }

    private int withToken(String token, String body) throws Exception {
        return mvc.perform(post(WIRING)
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse()
                .getStatus();
    }
}
