package org.hiddenclerk.app.stage.choosing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A choice becomes the choice of the boxes of a house; a box with open work keeps what it has. */
@WithDatabase
class TakeOverTest {
    private static final int PATIENCE_MS = 120_000;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private String job;
    private SmallHouse house;
    private List<String> boxes;

    /** Two boxes as the wash-house of the demo has one. */
    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        job = house.job();
        house.box("A");
        house.box("B");
        boxes = house.boxes();
    }

    private String choose() {
        String id = person.post("/api/v1/jobs/" + job + "/choices", Map.of("name", "try", "pins", List.of()))
                .ok()
                .get("id")
                .asString();
        Awaitility.await().atMost(Duration.ofMillis(PATIENCE_MS)).until(() -> !person.get("/api/v1/choices/" + id)
                .ok()
                .get("state")
                .asString()
                .equals("RUNNING"));
        return id;
    }

    private JsonNode plan(int box) {
        return house.plan(boxes.get(box));
    }

    @Test
    void everyBoxGetsWhatWasChosenAndItIsProved() throws InterruptedException {
        String choice = choose();
        JsonNode chosen =
                person.get("/api/v1/choices/" + choice).ok().get("outcome").get("chosen");
        assertThat(chosen).hasSize(2);

        JsonNode report = person.post("/api/v1/choices/" + choice + "/take-over", Map.of())
                .ok();

        assertThat(report.get("taken").asInt()).isEqualTo(2);
        assertThat(report.get("kept")).isEmpty();
        for (int box = 0; box < 2; box++) {
            assertThat(plan(box).get("picks").get(0).get("moduleCode").asString())
                    .isEqualTo(chosen.get(box).get("module").asString());
            assertThat(plan(box).get("verdict").asString()).isEqualTo("OK");
            assertThat(plan(box).get("mayBeIssued").asBoolean()).isTrue();
        }
    }

    /** What is picked is no part of it, so a choice that was taken over is not old by that. */
    @Test
    void aChoiceIsOldOnceASurveyIsOtherwise() throws InterruptedException {
        String choice = choose();
        person.post("/api/v1/choices/" + choice + "/take-over", Map.of()).ok();
        assertThat(person.get("/api/v1/choices/" + choice).ok().get("stale").asBoolean())
                .isFalse();
        String survey = "/api/v1/boxes/" + boxes.get(0) + "/survey";
        JsonNode kept = person.get(survey).ok();
        person.put(
                        survey,
                        Map.of(
                                "version",
                                kept.get("version").asLong(),
                                "survey",
                                kept.get("survey").deepCopy().asObject().put("label", "Z")))
                .ok();
        assertThat(person.get("/api/v1/choices/" + choice).ok().get("stale").asBoolean())
                .isTrue();
        assertThat(person.get("/api/v1/jobs/" + job + "/choices")
                        .ok()
                        .get(0)
                        .get("stale")
                        .asBoolean())
                .isTrue();
    }

    /** Work and boxes of the objective once more, from what the API tells of each option. */
    @Test
    void aTotalCanBeMadeOnceMoreFromOutside() throws InterruptedException {
        JsonNode outcome = person.get("/api/v1/choices/" + choose()).ok().get("outcome");
        JsonNode weights = person.get("/api/v1/jobs/" + job + "/settings")
                .ok()
                .get("document")
                .get("weights");
        int minutes = 0;
        Set<String> opened = new HashSet<>();
        Set<String> kinds = new HashSet<>();
        for (JsonNode chosen : outcome.get("chosen")) {
            minutes += chosen.get("toll").get("minutes").asInt();
            chosen.get("toll").get("opened").forEach(box -> opened.add(box.asString()));
            chosen.get("toll").get("modules").forEach(module -> kinds.add(module.asString()));
        }
        assertThat(term(outcome, "WORK"))
                .isCloseTo(minutes * weights.get("minute").asDouble() / 100, within(0.005));
        assertThat(term(outcome, "BOXES"))
                .isCloseTo(opened.size() * weights.get("box").asDouble() / 100, within(0.005));
        assertThat(term(outcome, "KINDS"))
                .isCloseTo(kinds.size() * weights.get("kind").asDouble() / 100, within(0.005));
    }

    private static double term(JsonNode outcome, String term) {
        return outcome.get("terms")
                .valueStream()
                .filter(each -> each.get("term").asString().equals(term))
                .findFirst()
                .map(each -> each.get("amount").asDouble())
                .orElse(0.0);
    }

    @Test
    void aBoxWithOpenWorkKeepsWhatItHas() throws InterruptedException {
        String choice = choose();
        person.post("/api/v1/choices/" + choice + "/take-over", Map.of()).ok();
        person.post(
                        "/api/v1/boxes/" + boxes.get(0) + "/plan/issue",
                        Map.of("version", plan(0).get("version").asLong()))
                .ok();
        person.post("/api/v1/boxes/" + boxes.get(0) + "/run-sheet", Map.of()).ok();
        JsonNode before = plan(0).get("picks");

        JsonNode report = person.post("/api/v1/choices/" + choice + "/take-over", Map.of())
                .ok();

        assertThat(report.get("taken").asInt()).isEqualTo(1);
        assertThat(report.get("kept").get(0).get("label").asString()).isEqualTo("A");
        assertThat(plan(0).get("picks")).isEqualTo(before);
    }

    @Test
    void aChoiceThatIsNotThereIsNotTakenOver() {
        assertThat(person.post("/api/v1/choices/" + java.util.UUID.randomUUID() + "/take-over", Map.of())
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aPageOfTheHouseHasTheVerdictsOfTheBoxes() {
        JsonNode page =
                person.get("/api/v1/jobs/" + job + "/house-match?size=1&page=1").ok();

        assertThat(page.get("units").asInt()).isEqualTo(2);
        assertThat(page.get("pages").asInt()).isEqualTo(2);
        assertThat(page.get("matches")).hasSize(1);
        JsonNode modules = page.get("matches").get(0).get("modules");
        JsonNode box = person.get("/api/v1/boxes/" + boxes.get(1) + "/match?gangs=1&scheme=BEHIND_SWITCH_N")
                .ok()
                .get("candidates");
        int compared = 0;
        for (JsonNode candidate : box) {
            for (JsonNode module : modules) {
                boolean same = module.get("module")
                                .asString()
                                .equals(candidate.get("moduleCode").asString())
                        && module.get("scheme").asString().equals("BEHIND_SWITCH_N");
                if (same) {
                    assertThat(module.get("verdict").asString())
                            .isEqualTo(candidate.get("verdict").asString());
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(10);
    }
}
