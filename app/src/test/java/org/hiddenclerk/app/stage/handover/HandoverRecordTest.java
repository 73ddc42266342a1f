package org.hiddenclerk.app.stage.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A record is made test by test, and a change opens only what rests on it. */
@WithDatabase
class HandoverRecordTest {
    private static final Map<String, Integer> FIGURES = Map.of("ms", 300, "dBm", -60, "LQI", 120, "W", 37);

    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;
    private String box;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        box = house.box("H");
        house.pick(box, "SK-1");
    }

    private String at() {
        return "/api/v1/jobs/" + house.job() + "/handover";
    }

    private List<JsonNode> tests() {
        List<JsonNode> tests = new ArrayList<>();
        person.get(at()).ok().get("boxes").forEach(each -> each.get("outputs")
                .forEach(output -> output.get("tests").forEach(tests::add)));
        return tests;
    }

    private JsonNode test(String kind) {
        return tests().stream()
                .filter(test -> test.get("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    private Person.Answer enter(JsonNode test, boolean asPlanned, Map<String, Object> more) {
        Map<String, Object> entry = new HashMap<>(
                Map.of("test", test.get("id").asString(), "asPlanned", asPlanned, "note", "", "cause", ""));
        entry.putAll(more);
        return person.post(at() + "/entries", entry);
    }

    private void enterAll() {
        tests().forEach(test -> enter(
                        test,
                        true,
                        test.has("unit")
                                ? Map.of("figure", FIGURES.get(test.get("unit").asString()))
                                : Map.of())
                .ok());
    }

    @Test
    void aFailureIsDescribedAndMendedWithItsCause() {
        JsonNode wall = test("WALL_SWITCH");
        assertThat(enter(wall, false, Map.of()).pointer()).isEqualTo("/note");
        enter(wall, false, Map.of("note", "the lamp stays dark")).ok();
        assertThat(test("WALL_SWITCH").get("standing").asString()).isEqualTo("FAILED");
        enter(
                        wall,
                        true,
                        Map.of(
                                "cause",
                                "loose core in T3",
                                "sentKey",
                                "once " + house.job().substring(0, 30)))
                .ok();
        JsonNode after = enter(
                        wall,
                        true,
                        Map.of(
                                "cause",
                                "sent twice",
                                "sentKey",
                                "once " + house.job().substring(0, 30)))
                .ok();
        assertThat(after.get("defects")).hasSize(1);
        assertThat(after.get("defects").get(0).get("mended").get("cause").asString())
                .isEqualTo("loose core in T3");
    }

    @Test
    void aFigureIsJudgedByItsScaleWhateverWasTicked() {
        assertThat(enter(test("HAND_TO_HUB"), true, Map.of()).pointer()).isEqualTo("/figure");
        assertThat(enter(test("HAND_TO_HUB"), true, Map.of("figure", 3500)).pointer())
                .as("a fault is described")
                .isEqualTo("/note");
        enter(test("HAND_TO_HUB"), true, Map.of("figure", 3500, "note", "hub shows it late"))
                .ok();
        assertThat(test("HAND_TO_HUB").get("standing").asString()).isEqualTo("FAILED");
        assertThat(test("HAND_TO_HUB").get("last").get("judged").asString()).contains("3500 ms", "over 2000 ms");
    }

    @Test
    void otherSettingsOpenWhatRestsOnThemAndNothingElse() {
        enterAll();
        assertThat(tests()).allSatisfy(test -> assertThat(test.get("standing").asString())
                .as(test.get("id").asString())
                .isEqualTo("PASSED"));
        assertThat(stage()).isEqualTo("DONE");
        JsonNode feel = person.get("/api/v1/boxes/" + box + "/feel").ok();
        JsonNode input = feel.get("inputs").get(0);
        ObjectNode document = input.get("document").deepCopy().asObject();
        document.get("parameters").asObject().put("powerOn", "ON");
        person.put(
                        "/api/v1/boxes/" + box + "/feel/" + input.get("key").asString(),
                        Map.of(
                                "version",
                                0,
                                "boxVersion",
                                feel.get("boxVersion").asLong(),
                                "behaviour",
                                input.get("behaviour").asString(),
                                "document",
                                document))
                .ok();
        assertThat(test("POWER_CUT").get("standing").asString()).isEqualTo("AGAIN");
        assertThat(test("POWER_CUT").get("changed").get(0).asString()).isEqualTo("the settings");
        assertThat(test("POWER_CUT").get("expected").asString()).isEqualTo("It comes on.");
        assertThat(test("REMOTE").get("standing").asString()).isEqualTo("PASSED");
        assertThat(stage()).isEqualTo("REOPENED");
    }

    @Test
    void whatIsOpenKeepsTheHouseFromBeingHandedOver() {
        enterAll();
        Person.Answer refused = person.post(at() + "/given", Map.of("to", "the household"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("errors").toString()).contains("H: no plan is issued");
        assertThat(person.get(at()).ok().get("given")).isEmpty();
        assertThat(Person.fitter(mvc)
                        .post(at() + "/given", Map.of("to", "the household"))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aHouseWithNothingOpenIsHandedOverAndItsPapersAreFinal() throws Exception {
        house.fit(box);
        enterAll();
        assertThat(person.get(at()).ok().get("blocks")).isEmpty();
        JsonNode given = person.post(at() + "/given", Map.of("to", "the household"))
                .ok()
                .get("given")
                .get(0);
        assertThat(given.get("to").asString()).isEqualTo("the household");
        assertThat(given.get("tests").asInt()).isEqualTo(tests().size());
        String papers = "/api/v1/jobs/" + house.job() + "/papers";
        String id = person.post(papers, Map.of("kind", "AS_BUILT", "size", "A4"))
                .ok()
                .get("id")
                .asString();
        Awaitility.await().atMost(Duration.ofMinutes(2)).until(() -> !person.get(papers)
                .ok()
                .at("/papers/0/state")
                .asString()
                .equals("RUNNING"));
        assertThat(person.get(papers).ok().get("papers").get(0).get("draft").asBoolean())
                .isFalse();
        byte[] pdf = mvc.perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(
                                        papers + "/" + id + "/file.pdf")
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.user("tarrow")
                                        .roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (org.apache.pdfbox.pdmodel.PDDocument book = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper()
                            .getText(book)
                            .replaceAll("\\s+", " "))
                    .doesNotContain("DRAFT")
                    .contains(
                            "Final. Every test is recorded",
                            "Handed over to the household",
                            "known source, live to neutral");
        }
    }

    private String stage() {
        for (JsonNode each : person.get("/api/v1/jobs/" + house.job())
                .ok()
                .get("boxes")
                .get(0)
                .get("stages")) {
            if (each.get("stage").asString().equals("HAND_OVER")) {
                return each.get("progress").asString();
            }
        }
        throw new AssertionError("no such stage");
    }
}
