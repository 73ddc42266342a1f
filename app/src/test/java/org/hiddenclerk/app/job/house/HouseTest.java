package org.hiddenclerk.app.job.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Jobs, rooms and circuits through the API, and what is refused. */
@WithDatabase
class HouseTest {
    private static int jobs;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private String job;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        job = person.post("/api/v1/jobs", Map.of("name", "House " + ++jobs, "place", "", "region", "US_120"))
                .ok()
                .get("id")
                .asString();
    }

    @Test
    void aJobKnowsItsRegion() {
        JsonNode view = person.get("/api/v1/jobs/" + job).ok();

        assertThat(view.get("nominalVolts").asInt()).isEqualTo(120);
        assertThat(view.get("phases").toString()).isEqualTo("[\"L1\",\"L2\"]");
        assertThat(view.get("boxes")).isEmpty();
        assertThat(view.get("isolation")).isEmpty();
    }

    @Test
    void badEntriesAreRefusedAtTheirPlace() {
        Map<String, Object> mistakes = new LinkedHashMap<>();
        mistakes.put("/label", Map.of("label", " ", "ratingAmps", 10, "phase", "L1", "alternativelySupplied", false));
        mistakes.put(
                "/ratingAmps", Map.of("label", "1", "ratingAmps", -4, "phase", "L1", "alternativelySupplied", false));
        mistakes.put("/phase", Map.of("label", "1", "ratingAmps", 15, "phase", "L3", "alternativelySupplied", false));

        assertSoftly(softly -> mistakes.forEach((pointer, circuit) -> {
            Person.Answer answer = person.post("/api/v1/jobs/" + job + "/circuits", circuit);
            softly.assertThat(answer.status()).as(pointer).isEqualTo(422);
            softly.assertThat(answer.pointer()).isEqualTo(pointer);
        }));
        assertThat(person.get("/api/v1/jobs/" + job).ok().get("circuits")).isEmpty();
    }

    @Test
    void unknownFieldsAndWrongTypesAreRefused() {
        assertThat(person.post(
                                "/api/v1/jobs",
                                "{\"name\":\"A\",\"place\":\"\",\"region\":\"EU_230\",\"colour\":\"red\"}")
                        .body()
                        .get("errors")
                        .get(0)
                        .get("found")
                        .asString())
                .isEqualTo("unknown field colour");
        Person.Answer wrong = person.post("/api/v1/jobs", "{\"name\":\"A\",\"place\":\"\",\"region\":\"MOON\"}");
        assertThat(wrong.status()).isEqualTo(400);
        assertThat(wrong.pointer()).isEqualTo("/region");
        assertThat(wrong.body().toString()).doesNotContain("hiddenclerk", "Exception");
    }

    @Test
    void aNameThatIsTakenIsAConflict() {
        Map<String, String> room = Map.of("name", "Attic", "storey", "Loft");
        assertThat(person.post("/api/v1/jobs/" + job + "/rooms", room).status()).isEqualTo(201);
        assertThat(person.post("/api/v1/jobs/" + job + "/rooms", room).status()).isEqualTo(409);
        assertThat(person.get("/api/v1/jobs/" + job).ok().get("rooms")).hasSize(1);
    }

    @Test
    void whatIsNotThereIsNotFoundAndNotAFault() {
        String nowhere = "7b8e8a52-7a0f-4a53-9d4f-0b7a7e6d5c11";
        assertSoftly(softly -> {
            softly.assertThat(person.get("/api/v1/jobs/" + nowhere).status()).isEqualTo(404);
            softly.assertThat(person.get("/api/v1/boxes/" + nowhere + "/plan").status())
                    .isEqualTo(404);
            softly.assertThat(person.get("/api/v1/boxes/" + nowhere + "/run-sheet")
                            .status())
                    .isEqualTo(200);
            softly.assertThat(person.get("/api/v1/boxes/abc/plan").status()).isEqualTo(400);
            softly.assertThat(person.get("/api/v1/nothing").status()).isEqualTo(404);
        });
    }

    @Test
    void typedLoadsAreReadOrExplained() {
        JsonNode understood = person.get("/api/v1/loads/read?text=3x2 LED 7").ok();
        JsonNode not = person.get("/api/v1/loads/read?text=3 candles 7").ok();

        assertThat(understood.get("totalWatts").asInt()).isEqualTo(42);
        assertThat(understood.get("words").asString()).isEqualTo("6 × LED lamp 7\u2009W");
        assertThat(not.get("problem").get("found").asString()).isEqualTo("candles (column 1)");
    }

    @Test
    void gangsThatAreNotThereAreNotMatched() {
        String box = person.demoBox("B-01");
        assertThat(person.get("/api/v1/boxes/" + box + "/match?gangs=1,2").ok().get("candidates"))
                .hasSize(42);
        assertThat(person.get("/api/v1/boxes/" + box + "/match?gangs=3").status())
                .isEqualTo(422);
        assertThat(person.get("/api/v1/boxes/" + box + "/match?gangs=1,1").status())
                .isEqualTo(422);
        assertThat(person.get("/api/v1/boxes/" + box + "/match").status())
                .as("neither gangs nor loads")
                .isEqualTo(422);
    }

    @Test
    void choicesThatCannotBeAreRefusedAtTheirPlace() {
        String box = person.demoBox("B-06");
        long version =
                person.get("/api/v1/boxes/" + box + "/plan").ok().get("version").asLong();
        Map<String, String> mistakes = new LinkedHashMap<>();
        mistakes.put("/picks/0/moduleCode", "{\"moduleCode\":\"NONE\",\"gangs\":[1],\"behaviours\":{}}");
        mistakes.put("/picks/0/gangs", "{\"moduleCode\":\"TG-1N\",\"gangs\":[7],\"behaviours\":{}}");
        mistakes.put(
                "/picks/0/behaviours/1", "{\"moduleCode\":\"TG-1N\",\"gangs\":[1],\"behaviours\":{\"1\":\"UP_DOWN\"}}");

        assertSoftly(softly -> mistakes.forEach((pointer, pick) -> {
            Person.Answer answer = person.put(
                    "/api/v1/boxes/" + box + "/plan", "{\"version\":" + version + ",\"picks\":[" + pick + "]}");
            softly.assertThat(answer.status()).as(pointer).isEqualTo(422);
            softly.assertThat(answer.pointer()).isEqualTo(pointer);
        }));
        assertThat(person.get("/api/v1/boxes/" + box + "/plan").ok().get("picks"))
                .isEmpty();
    }
}
