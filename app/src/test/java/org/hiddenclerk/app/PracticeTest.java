package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Practice walls through the API: what is kept, what is hidden, what is refused. */
@WithDatabase
class PracticeTest {
    @Autowired
    private MockMvc mvc;

    private Person person;

    @BeforeEach
    void comeIn() {
        person = new Person(mvc);
    }

    private JsonNode start(String level, int seed) {
        return person.post("/api/v1/practice", Map.of("level", level, "seed", seed))
                .ok();
    }

    private Person.Answer act(JsonNode wall, int after, Map<String, Object> deed) {
        return person.post(
                "/api/v1/practice/" + wall.get("id").asString() + "/deeds", Map.of("after", after, "deed", deed));
    }

    @Test
    void aWallKeepsWhatWasDoneAndHidesWhatWasNotFound() {
        JsonNode wall = start("ONE_SWITCH", 1);
        assertThat(wall.toString())
                .as("no role is told")
                .doesNotContain("\"role\":\"SWITCHED_LIVE\",\"at\"")
                .doesNotContain("\"fault\":\"B-");
        assertThat(wall.has("marks")).isFalse();
        act(wall, 0, Map.of("kind", "PROVE_TESTER")).ok();
        JsonNode after =
                act(wall, 1, Map.of("kind", "TEST_TO_EARTH", "on", "A/c1.1")).ok();

        assertThat(after.get("deeds").asInt()).isEqualTo(2);
        assertThat(after.get("tests").asInt()).isEqualTo(1);
        JsonNode again =
                person.get("/api/v1/practice/" + wall.get("id").asString()).ok();
        assertThat(again.get("log")).isEqualTo(after.get("log"));
    }

    @Test
    void aDeedOnAnOldStateAndOneThatCannotBeDoneAreRefused() {
        JsonNode wall = start("TWO_SWITCHES", 4);
        act(wall, 0, Map.of("kind", "PROVE_TESTER")).ok();

        assertThat(act(wall, 0, Map.of("kind", "PROVE_TESTER")).status()).isEqualTo(409);
        assertThat(act(wall, 1, Map.of("kind", "FINISH")).status()).isEqualTo(409);
        assertThat(act(wall, 1, Map.of("kind", "FLIP")).pointer()).isEqualTo("/on");
        assertThat(act(wall, 1, Map.of("kind", "DANCE")).status()).isEqualTo(400);
        assertThat(act(wall, 1, Map.of("kind", "FLIP", "on", "A"))
                        .ok()
                        .get("deeds")
                        .asInt())
                .as("nothing half-written")
                .isEqualTo(2);
    }

    @Test
    void resultsAreKeptPerPerson() {
        JsonNode wall = start("TWO_CIRCUITS", 3);
        JsonNode done =
                act(wall, 0, Map.of("kind", "REPORT", "fault", "SECOND_FEED")).ok();

        assertThat(done.get("phase").asString()).isEqualTo("DONE");
        assertThat(done.get("marks").get("accepted").asBoolean()).isFalse();
        JsonNode results = person.get("/api/v1/practice").ok().get("results");
        assertThat(results).anySatisfy(result -> {
            assertThat(result.get("id")).isEqualTo(wall.get("id"));
            assertThat(result.get("accepted").asBoolean()).isFalse();
        });
    }
}
