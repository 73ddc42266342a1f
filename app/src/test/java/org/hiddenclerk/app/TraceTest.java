package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Traces of the demo house, kept in the database. */
@WithDatabase
class TraceTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private String trace;

    @BeforeEach
    void openTheMangleRoom() {
        person = new Person(mvc);
        trace = "/api/v1/boxes/" + person.demoBox("B-14") + "/trace";
    }

    @AfterEach
    void takeEverythingBack() {
        person.get(trace)
                .ok()
                .get("readings")
                .forEach(reading ->
                        person.delete(trace + "/readings/" + reading.get("id").asString()));
    }

    @Test
    void theCardsLeadToCertaintyAndReadingsAreKept() {
        JsonNode state = person.get(trace).ok();
        assertThat(state.get("obstacles")).isEmpty();
        int made = 0;
        while (state.has("next")) {
            assertThat(made++).isLessThan(12);
            state = answerAsWired(state);
        }

        assertThat(state.get("done").asBoolean()).as(state.toString()).isTrue();
        assertThat(person.get(trace).ok().get("readings")).hasSize(made);
        assertThat(roles(state)).contains("strap", "traveller", "permanent live", "switched live");
    }

    /** The lamp of this circuit burns when its two switches stand apart. */
    private JsonNode answerAsWired(JsonNode state) {
        ObjectNode reading = (ObjectNode) state.get("next").get("reading").deepCopy();
        JsonNode yes =
                person.post(trace + "/readings", reading.put("value", true)).ok();
        if (!yes.get("contradictory").asBoolean() && yes.get("possible").asInt() > 0 && agrees(yes)) {
            return yes;
        }
        JsonNode last = yes.get("readings").get(yes.get("readings").size() - 1);
        person.delete(trace + "/readings/" + last.get("id").asString()).ok();
        return person.post(trace + "/readings", reading.put("value", false)).ok();
    }

    /** Whether what the demo house was surveyed as is still possible. */
    private static boolean agrees(JsonNode state) {
        for (JsonNode box : state.get("boxes")) {
            for (JsonNode core : box.get("cores")) {
                if (!core.get("agrees").asBoolean()) {
                    return false;
                }
            }
        }
        return true;
    }

    private static List<String> roles(JsonNode state) {
        return state.get("boxes")
                .valueStream()
                .flatMap(box -> box.get("cores").valueStream())
                .map(core -> core.get("roles").get(0).asString())
                .distinct()
                .toList();
    }

    @Test
    void readingsThatContradictEachOtherAreShownAsAPair() {
        String core = person.get(trace)
                .ok()
                .get("boxes")
                .get(0)
                .get("cores")
                .get(0)
                .get("id")
                .asString();
        Map<String, Integer> with = Map.of(person.demoBox("B-14"), 0, person.demoBox("B-15"), 0);
        person.post(trace + "/readings", Map.of("kind", "LIVE", "core", core, "with", with, "value", true))
                .ok();

        JsonNode state = person.post(
                        trace + "/readings", Map.of("kind", "LIVE", "core", core, "with", with, "value", false))
                .ok();

        assertThat(state.get("contradictory").asBoolean()).isTrue();
        assertThat(state.get("possible").asInt()).isZero();
        assertThat(state.get("readings"))
                .allSatisfy(r -> assertThat(r.get("conflicts").asBoolean()).isTrue());
        assertThat(person.post(trace + "/write", null).status()).isEqualTo(409);
        assertThat(progress("TRACE")).isEqualTo("REOPENED");
        assertThat(progress("SURVEY")).isEqualTo("DONE");
        assertThat(person.get("/api/v1/boxes/" + person.demoBox("B-14") + "/needs")
                        .ok()
                        .toString())
                .contains("colours prove nothing");
    }

    /** It stayed proved, and could be issued and worked by. */
    @Test
    void aReadingThatContradictsStopsThePlanAtOnceAndTakingItBackFreesIt() {
        SmallHouse house = new SmallHouse(person);
        String box = house.box("T");
        assertThat(house.pick(box, "SK-1").get("verdict").asString()).isEqualTo("OK");
        person.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
        String own = "/api/v1/boxes/" + box + "/trace";
        String core = person.get(own)
                .ok()
                .get("boxes")
                .get(0)
                .get("cores")
                .get(0)
                .get("id")
                .asString();
        Map<String, Integer> with = Map.of(box, 0);
        person.post(own + "/readings", Map.of("kind", "LIVE", "core", core, "with", with, "value", true))
                .ok();
        person.post(own + "/readings", Map.of("kind", "LIVE", "core", core, "with", with, "value", false))
                .ok();

        JsonNode stopped = house.plan(box);
        assertThat(stopped.get("verdict").asString()).isEqualTo("STOP");
        assertThat(stopped.get("findings").toString()).contains("READINGS_CONTRADICT");
        assertThat(stopped.get("mayBeIssued").asBoolean()).isFalse();
        assertThat(person.post(
                                "/api/v1/boxes/" + box + "/plan/issue",
                                Map.of("version", stopped.get("version").asLong()))
                        .status())
                .isEqualTo(422);
        assertThat(person.post("/api/v1/boxes/" + box + "/run-sheet", null).status())
                .as("issued before it was read")
                .isEqualTo(409);

        person.get(own)
                .ok()
                .get("readings")
                .forEach(reading ->
                        person.delete(own + "/readings/" + reading.get("id").asString()));
        assertThat(house.plan(box).get("verdict").asString()).isEqualTo("OK");
        assertThat(person.post("/api/v1/boxes/" + box + "/run-sheet", null).status())
                .isLessThan(300);
    }

    /** A note of a pen is kept as weak: it excludes nothing. */
    @Test
    void aPenIsNotedAndExcludesNothing() {
        JsonNode before = person.get(trace).ok();
        String core = before.get("boxes").get(0).get("cores").get(0).get("id").asString();
        JsonNode after = person.post(
                        trace + "/readings",
                        Map.of(
                                "kind",
                                "PEN",
                                "core",
                                core,
                                "with",
                                Map.of(person.demoBox("B-14"), 0, person.demoBox("B-15"), 0),
                                "value",
                                true))
                .ok();

        assertThat(after.get("possible")).isEqualTo(before.get("possible"));
        assertThat(after.get("readings").get(0).get("weak").asBoolean()).isTrue();
        assertThat(after.get("readings").get(0).get("words").asString()).startsWith("The pen beeps at");
    }

    /** Boxes with several gangs are traced; the demo house has one whose gangs share a feed. */
    @Test
    void aBoxWithTwoGangsIsTraced() {
        JsonNode state =
                person.get("/api/v1/boxes/" + person.demoBox("B-01") + "/trace").ok();

        assertThat(state.get("obstacles")).isEmpty();
        assertThat(state.get("boxes").get(0).get("switches")).hasSize(2);
        assertThat(state.get("possible").asInt()).isPositive();
    }

    private String progress(String stage) {
        for (JsonNode box : person.get("/api/v1/jobs/" + person.demoJob()).ok().get("boxes")) {
            if (box.get("label").asString().equals("B-14")) {
                for (JsonNode each : box.get("stages")) {
                    if (each.get("stage").asString().equals(stage)) {
                        return each.get("progress").asString();
                    }
                }
            }
        }
        throw new AssertionError("B-14 has no stage " + stage);
    }

    @Test
    void aReadingOfWhatIsNotThereIsRefused() {
        Person.Answer answer = person.post(
                trace + "/readings",
                Map.of(
                        "kind",
                        "LIVE",
                        "core",
                        "nowhere/c9.1",
                        "with",
                        Map.of(person.demoBox("B-14"), 0, person.demoBox("B-15"), 1),
                        "value",
                        true));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.pointer()).isEqualTo("/core");
    }
}
