package org.hiddenclerk.app.stage.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.Stair;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A plan over several boxes is one piece of work, seen from each of its boxes: one issue, one run sheet, one place in the day. */
@WithDatabase
class OneWorkTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcClient jdbc;

    private Person lead;
    private Person fitter;
    private SmallHouse house;
    private Map<String, String> stair;
    private List<String> opens;

    /** The stair as the demo plans it, issued at the switch at its foot. */
    @BeforeEach
    void issue() {
        lead = new Person(mvc);
        fitter = Person.named(mvc, "H. Reed");
        house = new SmallHouse(lead);
        stair = Stair.in(house, lead);
        JsonNode picks =
                lead.get("/api/v1/boxes/" + lead.demoBox("B-10") + "/plan").ok().get("picks");
        lead.put(
                        "/api/v1/boxes/" + stair.get("B-10") + "/plan",
                        Map.of(
                                "version",
                                house.plan(stair.get("B-10")).get("version").asLong(),
                                "picks",
                                picks))
                .ok();
        issueAt(stair.get("B-10"));
        opens = strings(house.plan(stair.get("B-10")).get("opens"));
        assertThat(opens).as("a work over several boxes").hasSizeGreaterThan(1);
    }

    private void issueAt(String box) {
        lead.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
    }

    private static List<String> strings(JsonNode nodes) {
        return nodes.valueStream().map(JsonNode::asString).toList();
    }

    private static String sheetOf(String box) {
        return "/api/v1/boxes/" + box + "/run-sheet";
    }

    private JsonNode sheetAt(String box) {
        return lead.get(sheetOf(box)).ok().get("sheet");
    }

    private String other() {
        return opens.stream()
                .filter(box -> !box.equals(stair.get("B-10")))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void itIsIssuedOnceForAllItsBoxes() {
        for (String box : opens) {
            JsonNode plan = house.plan(box);
            assertThat(plan.get("issued").get("current").asBoolean()).isTrue();
            assertThat(plan.get("issued").get("box").asString()).isEqualTo(stair.get("B-10"));
            assertThat(strings(plan.get("opens")))
                    .as("the same from wherever it is looked at")
                    .containsExactlyInAnyOrderElementsOf(opens);
        }
        String first = house.plan(other()).get("issued").get("at").asString();
        issueAt(stair.get("B-10"));
        assertThat(house.plan(other()).get("issued").get("at").asString())
                .as("issued again, it is the same work")
                .isEqualTo(first);
    }

    @Test
    void itHasOneSheetThatIsWorkedFromAnyOfItsBoxes() {
        lead.post(sheetOf(other()), null).ok();
        for (String box : opens) {
            assertThat(lead.post(sheetOf(box), null).status())
                    .as("a second sheet")
                    .isEqualTo(409);
            assertThat(strings(sheetAt(box).get("opens"))).containsExactlyInAnyOrderElementsOf(opens);
        }
        lead.post(sheetOf(stair.get("B-10")) + "/entries", entry(sheetAt(other()), "identify", box -> true))
                .ok();
        lead.post(sheetOf(other()) + "/entries", entry(sheetAt(other()), "switch-off", box -> true))
                .ok();
        fitter.post(sheetOf(other()) + "/lock", null).ok();

        assertThat(sheetAt(stair.get("B-10")).get("done").asInt())
                .as("what is done at one box is done")
                .isEqualTo(2);
        JsonNode overview = lead.get("/api/v1/jobs/" + house.job()).ok();
        assertThat(overview.get("isolation"))
                .as("one circuit is off, for one work")
                .hasSize(1);
        assertThat(overview.get("isolation").get(0).get("box").asString()).contains(", ");
        assertThat(strings(overview.get("isolation").get(0).get("locks"))).hasSize(2);
        assertThat(lead.put("/api/v1/boxes/" + other() + "/survey", Map.of("version", 0, "survey", survey(other())))
                        .status())
                .as("nobody changes a box of it meanwhile")
                .isEqualTo(409);
    }

    /**
     * Plans that were issued before works were kept know the box of their issue only; that must not let a second
     * sheet open the same conductors.
     */
    @Test
    void plansThatAreOlderThanWorksOpenNoBoxTwiceEither() {
        String far = other();
        jdbc.sql(
                        "DELETE FROM issued_plan_box WHERE box_id <> :box AND plan_id IN (SELECT id FROM issued_plan WHERE box_id = :box)")
                .param("box", stair.get("B-10"))
                .update();
        issueAt(far);
        jdbc.sql(
                        "DELETE FROM issued_plan_box WHERE box_id <> :box AND plan_id IN (SELECT id FROM issued_plan WHERE box_id = :box)")
                .param("box", far)
                .update();
        lead.post(sheetOf(stair.get("B-10")), null).ok();
        assertThat(lead.post(sheetOf(far), null).status()).isEqualTo(409);
    }

    /** Two people share it: each reads and ticks what is at his own box, and the step is done once. */
    @Test
    void peopleShareAStepByBoxes() {
        lead.post(sheetOf(stair.get("B-10")), null).ok();
        String here = stair.get("B-10");
        for (String step : List.of("identify", "switch-off", "prove-tester")) {
            lead.post(sheetOf(here) + "/entries", entry(sheetAt(here), step, box -> true))
                    .ok();
        }
        fitter.post(sheetOf(other()) + "/lock", null).ok();
        step(sheetAt(here), "test-dead").get("readings").forEach(reading -> {
            boolean mine = reading.get("box").asString().equals(here);
            if (!mine) {
                fitter.post(
                                sheetOf(reading.get("box").asString()) + "/measurements",
                                Map.of(
                                        "stepId",
                                        "test-dead",
                                        "item",
                                        reading.get("id").asString(),
                                        "value",
                                        0))
                        .ok();
            }
        });
        JsonNode done = lead.post(sheetOf(here) + "/entries", entry(sheetAt(here), "test-dead", here::equals))
                .ok();
        assertThat(step(done, "test-dead").hasNonNull("done")).isTrue();
        assertThat(step(done, "test-dead").get("readings"))
                .extracting(reading -> reading.get("box").asString())
                .as("every box that is opened is tested")
                .containsAll(opens);
    }

    @Test
    void theDayHasOnePlaceForItAndHandOverKnowsThatAllItsBoxesAreDone() {
        JsonNode day = lead.get("/api/v1/jobs/" + house.job() + "/day").ok();
        assertThat(day.get("works").asInt()).isEqualTo(1);
        house.fitAt(stair.get("B-10"), opens);

        JsonNode overview = lead.get("/api/v1/jobs/" + house.job()).ok();
        overview.get("boxes").forEach(box -> {
            if (opens.contains(box.get("id").asString())) {
                assertThat(box.get("stages")
                                .valueStream()
                                .filter(stage -> stage.get("stage").asString().equals("FIT"))
                                .findFirst()
                                .orElseThrow()
                                .get("progress")
                                .asString())
                        .as(box.get("label").asString())
                        .isEqualTo("DONE");
            }
        });
        assertThat(lead.get("/api/v1/jobs/" + house.job() + "/handover")
                        .ok()
                        .get("blocks")
                        .toString())
                .doesNotContain("run sheet is not finished");
        assertThat(lead.get("/api/v1/jobs/" + house.job() + "/day")
                        .ok()
                        .get("works")
                        .asInt())
                .isZero();
    }

    /** Work that was issued vanished when a box of it was changed. */
    @Test
    void whatIsIssuedIsOpenedAgainOnlyWhenThatIsMeant() {
        String box = other();
        String survey = "/api/v1/boxes/" + box + "/survey";
        long version = lead.get(survey).ok().get("version").asLong();
        var changed = survey(box).deepCopy().asObject().put("label", "B-19");

        Person.Answer refused = lead.put(survey, Map.of("version", version, "survey", changed));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().get("type").asString()).isEqualTo("urn:problem:opens-issued-work");
        assertThat(lead.put("/api/v1/boxes/" + box + "/plan", Map.of("version", version, "picks", List.of()))
                        .status())
                .as("nor by picks")
                .isEqualTo(409);
        assertThat(lead.put(survey, Map.of("version", version, "survey", survey(box)))
                        .ok()
                        .get("version")
                        .asLong())
                .as("what is the same changes nothing")
                .isEqualTo(version);
        assertThat(house.plan(box).get("issued").get("current").asBoolean()).isTrue();

        lead.openingAgain()
                .put(survey, Map.of("version", version, "survey", changed))
                .ok();
        assertThat(house.plan(stair.get("B-10")).get("issued").get("current").asBoolean())
                .isFalse();
    }

    private JsonNode survey(String box) {
        return lead.get("/api/v1/boxes/" + box + "/survey").ok().get("survey");
    }

    private static JsonNode step(JsonNode sheet, String id) {
        return sheet.get("steps")
                .valueStream()
                .filter(step -> step.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** @param at boxes of which readings and ticks are entered */
    private static Map<String, Object> entry(JsonNode sheet, String id, java.util.function.Predicate<String> at) {
        JsonNode step = step(sheet, id);
        List<String> confirmed = new ArrayList<>();
        step.get("confirms").forEach(confirm -> confirmed.add(confirm.get("id").asString()));
        Map<String, Object> readings = new LinkedHashMap<>();
        step.get("readings")
                .valueStream()
                .filter(reading -> at.test(reading.get("box").asString()))
                .forEach(reading -> readings.put(
                        reading.get("id").asString(),
                        reading.get("least")
                                .decimalValue()
                                .add(reading.get("most").decimalValue())
                                .divide(BigDecimal.valueOf(2))));
        return Map.of("stepId", id, "confirmed", confirmed, "readings", readings, "note", "");
    }
}
