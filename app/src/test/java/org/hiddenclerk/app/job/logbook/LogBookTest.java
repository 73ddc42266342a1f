package org.hiddenclerk.app.job.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.EntityManagerFactory;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Nothing that is kept changes without a line in the log; what is refused leaves none. */
@WithDatabase
class LogBookTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private EntityManagerFactory entities;

    @Autowired
    private JdbcClient jdbc;

    private Person person;
    private SmallHouse house;
    private String box;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        box = house.box("L");
    }

    private List<JsonNode> log(String query) {
        return StreamSupport.stream(
                        person.get("/api/v1/jobs/" + house.job() + "/log" + query)
                                .ok()
                                .get("entries")
                                .spliterator(),
                        false)
                .toList();
    }

    private static List<String> changes(JsonNode entry) {
        return StreamSupport.stream(entry.get("changes").spliterator(), false)
                .map(change -> change.get("field").asString() + ": "
                        + change.get("before").asString() + " > "
                        + change.get("after").asString())
                .toList();
    }

    @Test
    void everyKindOfRowIsEitherToldOrLeftOutOnPurpose() {
        assertThat(entities.getMetamodel().getEntities().stream()
                        .map(entity -> entity.getJavaType().getSimpleName()))
                .containsExactlyInAnyOrderElementsOf(
                        Stream.concat(AuditedEntity.LOGGED.keySet().stream(), AuditedEntity.NOT_LOGGED.stream())
                                .collect(Collectors.toSet()));
    }

    @Test
    void aChangeOfASurveyTellsBeforeAndAfterOfEachPart() {
        JsonNode view = person.get("/api/v1/boxes/" + box + "/survey").ok();
        ObjectNode survey = view.get("survey").deepCopy().asObject();
        survey.get("loads").get(0).asObject().put("typed", "fan 45 pf 0.7");
        person.put(
                        "/api/v1/boxes/" + box + "/survey",
                        Map.of("version", view.get("version").asLong(), "survey", survey))
                .ok();
        JsonNode entry = log("?box=" + box).get(0);
        assertThat(entry.get("concept").asString()).isEqualTo("box");
        assertThat(entry.get("box").asString()).isEqualTo("L");
        assertThat(entry.get("who").asString()).isEqualTo("M. Tarrow");
        assertThat(changes(entry)).containsExactly("loads 1 typed: fan 38 pf 0.7 > fan 45 pf 0.7");
    }

    @Test
    void aStoryOfABoxHasEverythingThatWasDoneToIt() {
        house.pick(box, "SK-1");
        JsonNode test = person.get("/api/v1/jobs/" + house.job() + "/handover")
                .ok()
                .get("boxes")
                .get(0)
                .get("outputs")
                .get(0)
                .get("tests")
                .get(0);
        person.post(
                        "/api/v1/jobs/" + house.job() + "/handover/entries",
                        Map.of(
                                "test",
                                test.get("id").asString(),
                                "asPlanned",
                                false,
                                "note",
                                "stays dark",
                                "cause",
                                ""))
                .ok();
        assertThat(log("?box=" + box).stream()
                        .map(entry -> entry.get("concept").asString() + " "
                                + entry.get("action").asString()))
                .containsExactly("test ADDED", "box CHANGED", "box ADDED");
        assertThat(log("?text=stays dark")).hasSize(1);
        assertThat(log("?text=100%25")).as("a sign of the database's own").isEmpty();
        assertThat(log("?concept=room")).hasSize(1);
        assertThat(log("?who=Nobody")).isEmpty();
    }

    @Test
    void settingsInADocumentAreToldValueByValue() {
        house.pick(box, "SK-1");
        JsonNode feel = person.get("/api/v1/boxes/" + box + "/feel").ok();
        JsonNode input = feel.get("inputs").get(0);
        ObjectNode document = input.get("document").deepCopy().asObject();
        for (String state : List.of("ON", "LAST")) {
            document.get("parameters").asObject().put("powerOn", state);
            person.put(
                            "/api/v1/boxes/" + box + "/feel/" + input.get("key").asString(),
                            Map.of(
                                    "version",
                                    state.equals("ON") ? 0 : 1,
                                    "boxVersion",
                                    feel.get("boxVersion").asLong(),
                                    "behaviour",
                                    input.get("behaviour").asString(),
                                    "document",
                                    document))
                    .ok();
        }
        JsonNode entry = log("?concept=switch input").get(0);
        assertThat(entry.get("boxId").asString()).isEqualTo(box);
        assertThat(changes(entry)).containsExactly("parameters power on: ON > LAST");
    }

    @Test
    void aRuleIsToldByItsNameAndABoxByItsLabel() {
        assertThat(Difference.between(
                        "document",
                        "{\"rules\":[]}",
                        "{\"rules\":[{\"id\":\"a1\",\"name\":\"All off\",\"on\":\"HUB\"}]}"))
                .containsExactly(new Difference("rules \"All off\"", "", "there"));
        assertThat(Difference.between(
                        "document",
                        "{\"rules\":[{\"id\":\"a1\",\"name\":\"All off\",\"on\":\"HUB\"},{\"id\":\"b\",\"name\":\"Dusk\",\"on\":\"HUB\"}]}",
                        "{\"rules\":[{\"id\":\"b\",\"name\":\"Dusk\",\"on\":\"CLOUD\"}]}"))
                .containsExactlyInAnyOrder(
                        new Difference("rules \"All off\"", "there", ""),
                        new Difference("rules \"Dusk\" on", "HUB", "CLOUD"));
    }

    @Test
    void whatIsRefusedLeavesNoLine() {
        int before = log("").size();
        assertThat(person.post(
                                "/api/v1/jobs/" + house.job() + "/rooms",
                                Map.of("name", "Hall", "storey", "Ground floor"))
                        .status())
                .isGreaterThanOrEqualTo(400);
        assertThat(log("")).hasSize(before);
    }

    @Test
    void anAccountIsToldAndItsPasswordIsNot() {
        JsonNode made = person.post("/api/v1/jobs/" + house.job() + "/live/accounts", Map.of("mayCommand", false))
                .ok();
        JsonNode entry = log("?concept=account at the broker").get(0);
        assertThat(entry.get("action").asString()).isEqualTo("ADDED");
        String hash = jdbc.sql("SELECT password_hash FROM broker_account WHERE job_id = :job")
                .param("job", house.job())
                .query(String.class)
                .single();
        assertThat(entry.toString()).doesNotContain(hash, made.get("password").asString());
    }

    @Test
    void pagesFollowEachOther() {
        long newest = log("").get(0).get("id").asLong();
        assertThat(log("?before=" + newest))
                .isNotEmpty()
                .allSatisfy(entry -> assertThat(entry.get("id").asLong()).isLessThan(newest));
    }
}
