package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** From an empty job to a finished run sheet, through the API and on the database. */
@WithDatabase
class MainJobTest {
    private static int jobs;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private String job;
    private String room;
    private String circuit;

    @BeforeEach
    void openAJob() {
        person = new Person(mvc);
        job = id(person.post("/api/v1/jobs", Map.of("name", "Job " + ++jobs, "place", "Weir Row", "region", "EU_230")));
        circuit = id(person.post(
                "/api/v1/jobs/" + job + "/circuits",
                Map.of("label", "12", "ratingAmps", 10, "phase", "L1", "alternativelySupplied", false)));
        room = id(person.post("/api/v1/jobs/" + job + "/rooms", Map.of("name", "Scullery", "storey", "Ground floor")));
    }

    @Nested
    class Surveys {
        @Test
        void areReadBackAsTheyWereWritten() {
            ObjectNode survey = survey();

            JsonNode kept = person.post("/api/v1/rooms/" + room + "/boxes", Map.of("survey", survey))
                    .ok();

            assertThat(kept.get("survey")).isEqualTo(new JsonMapper().readTree(survey.toString()));
            assertThat(kept.get("verdict").asString()).isEqualTo("OK");
        }

        @Test
        void withAMistakeAreRefusedAtTheirPlaceAndNothingIsKept() {
            ObjectNode survey = survey();
            ((ObjectNode) survey.get("loads").get(0)).put("typed", "3 candles 7");
            ((ObjectNode) survey.get("cables").get(0).get("cores").get(0).get("end")).put("terminal", "L9");

            Person.Answer answer = person.post("/api/v1/rooms/" + room + "/boxes", Map.of("survey", survey));

            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.pointer()).isEqualTo("/loads/0/typed");
            assertThat(person.get("/api/v1/jobs/" + job).ok().get("boxes")).isEmpty();
        }

        @Test
        void changedByTwoPeopleAreKeptFromTheFirstAndTheSecondIsTold() {
            String box = keep(survey());
            long seen = versionOf(box);
            Map<String, Object> change = Map.of("version", seen, "survey", survey().put("label", "B-77"));

            assertThat(person.put("/api/v1/boxes/" + box + "/survey", change).status())
                    .isEqualTo(200);
            Person.Answer second = person.put(
                    "/api/v1/boxes/" + box + "/survey",
                    Map.of("version", seen, "survey", survey().put("label", "B-78")));

            assertThat(second.status()).isEqualTo(409);
            assertThat(second.body().get("title").asString()).startsWith("M. Tarrow changed this box meanwhile");
            assertThat(person.get("/api/v1/boxes/" + box + "/survey")
                            .ok()
                            .get("survey")
                            .get("label")
                            .asString())
                    .isEqualTo("B-77");
        }

        @Test
        void draftedFromTemplatesAreSound() {
            ObjectNode survey = survey();
            survey.putArray("cables");
            survey.putArray("jumpers");
            add(survey, Map.of("survey", survey, "leadsTo", "SUPPLY", "circuit", circuit));
            add(survey, Map.of("survey", survey, "leadsTo", "LOAD", "load", 1));
            add(survey, Map.of("survey", survey, "leadsTo", "LOAD", "load", 2));

            JsonNode kept = person.post("/api/v1/rooms/" + room + "/boxes", Map.of("survey", survey))
                    .ok();

            assertThat(kept.get("verdict").asString())
                    .as(kept.get("findings").toString())
                    .isEqualTo("OK");
            assertThat(survey.get("jumpers")).hasSize(1);
        }

        @Test
        void draftedInTheColoursOfAnotherTimeAreOfTheSameRegion() {
            Map<String, Object> wish =
                    Map.of("survey", survey(), "leadsTo", "SUPPLY", "circuit", circuit, "era", "DE_BEFORE_1965");
            JsonNode cores = person.post("/api/v1/jobs/" + job + "/cable-draft", wish)
                    .ok()
                    .get("cables")
                    .get(0)
                    .get("cores");
            assertThat(cores.findValuesAsString("colour")).containsExactly("BLACK", "GREY", "RED");

            Map<String, Object> elsewhere =
                    Map.of("survey", survey(), "leadsTo", "SUPPLY", "circuit", circuit, "era", "UK_BEFORE_2004");
            assertThat(person.post("/api/v1/jobs/" + job + "/cable-draft", elsewhere)
                            .pointer())
                    .isEqualTo("/era");
        }

        @Test
        void draftedAsSinglesAreCablesOfOneCoreEach() {
            ObjectNode survey = survey();
            survey.putArray("cables");
            survey.putArray("jumpers");
            add(survey, Map.of("survey", survey, "leadsTo", "SUPPLY", "circuit", circuit, "singles", true));

            assertThat(survey.get("cables")).hasSize(3).allSatisfy(cable -> assertThat(cable.get("cores"))
                    .hasSize(1));
            assertThat(survey.get("cables").findValuesAsString("name")).containsExactly("c1", "c2", "c3");
        }

        private void add(ObjectNode survey, Map<String, Object> wish) {
            JsonNode draft =
                    person.post("/api/v1/jobs/" + job + "/cable-draft", wish).ok();
            draft.get("cables").forEach(cable -> survey.withArray("cables").add(cable));
            draft.get("jumpers").forEach(jumper -> survey.withArray("jumpers").add(jumper));
        }
    }

    @Nested
    class Plans {
        @Test
        void thatAreNotProvedAreNeverIssued() {
            String box = keep(survey());
            person.put("/api/v1/boxes/" + box + "/survey", Map.of("version", versionOf(box), "survey", shallow()))
                    .ok();
            long version = choose(box, "SK-2");

            Person.Answer answer = person.post("/api/v1/boxes/" + box + "/plan/issue", Map.of("version", version));

            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.body().get("errors").get(0).get("found").asString())
                    .startsWith("BOX_TOO_SHALLOW");
            assertThat(person.post("/api/v1/boxes/" + box + "/run-sheet", null).status())
                    .isEqualTo(409);
        }

        @Test
        void ofAChangedBoxAreReopenedAndNoSheetStartsFromThem() {
            String box = keep(survey());
            issue(box, choose(box, "SK-2"));
            person.openingAgain()
                    .put(
                            "/api/v1/boxes/" + box + "/survey",
                            Map.of("version", versionOf(box), "survey", survey().put("label", "B-9")))
                    .ok();

            assertThat(person.get("/api/v1/boxes/" + box + "/plan")
                            .ok()
                            .get("issued")
                            .get("current")
                            .asBoolean())
                    .isFalse();
            assertThat(stageOf(box, "DRAW")).isEqualTo("REOPENED");
            assertThat(person.post("/api/v1/boxes/" + box + "/run-sheet", null).status())
                    .isEqualTo(409);
        }

        private ObjectNode shallow() {
            ObjectNode survey = survey();
            ((ObjectNode) survey.get("geometry")).put("depthMm", 30);
            return survey;
        }
    }

    @Nested
    class RunSheets {
        @Test
        void areWorkedThroughStepByStep() {
            String box = startSheet();

            person.photograph(box);
            JsonNode sheet = sheet(box);
            while (!sheet.get("finished").asBoolean()) {
                sheet = enterCurrent(box, sheet).ok();
            }

            assertThat(stageOf(box, "FIT")).isEqualTo("DONE");
            assertThat(sheet.get("isolation").asString()).isEqualTo("ON");
        }

        @Test
        void refuseEveryStepButTheOneThatIsOpen() {
            String box = startSheet();
            JsonNode sheet = sheet(box);

            for (int i = 1; i < sheet.get("steps").size(); i++) {
                Person.Answer answer = enter(box, sheet, sheet.get("steps").get(i));
                assertThat(answer.status())
                        .as(sheet.get("steps").get(i).get("id").asString())
                        .isEqualTo(422);
                assertThat(answer.pointer()).isEqualTo("/stepId");
            }
            assertThat(sheet(box).get("done").asInt()).isZero();
        }

        @Test
        void stopAtALiveReadingAndShowItOnTheStrip() {
            String box = startSheet();
            JsonNode sheet = enterCurrent(box, sheet(box)).ok();
            sheet = enterCurrent(box, sheet).ok();
            sheet = enterCurrent(box, sheet).ok();
            Map<String, Object> live = entry(sheet, sheet.get("steps").get(3));
            @SuppressWarnings("unchecked")
            Map<String, Object> readings = (Map<String, Object>) live.get("readings");
            readings.replaceAll((id, value) -> 231);

            JsonNode stopped = person.post("/api/v1/boxes/" + box + "/run-sheet/entries", live)
                    .ok();

            assertThat(stopped.get("stopped").get("reason").asString()).contains("231\u2009V");
            JsonNode strip =
                    person.get("/api/v1/jobs/" + job).ok().get("isolation").get(0);
            assertThat(strip.get("circuit").asString()).isEqualTo("12");
            assertThat(strip.get("state").asString()).isEqualTo("OFF_NOT_PROVED");
        }

        @Test
        void lockTheSurveyUntilTheyAreSetAside() {
            String box = startSheet();
            Map<String, Object> change = Map.of("version", versionOf(box), "survey", survey().put("label", "B-5"));

            assertThat(person.openingAgain()
                            .put("/api/v1/boxes/" + box + "/survey", change)
                            .status())
                    .isEqualTo(409);
            person.post(
                            "/api/v1/boxes/" + box + "/run-sheet/set-aside",
                            Map.of("version", sheet(box).get("version").asLong()))
                    .ok();
            assertThat(person.openingAgain()
                            .put("/api/v1/boxes/" + box + "/survey", change)
                            .status())
                    .isEqualTo(200);
        }

        private String startSheet() {
            String box = keep(survey());
            issue(box, choose(box, "SK-2"));
            person.post("/api/v1/boxes/" + box + "/run-sheet", null).ok();
            return box;
        }

        private JsonNode sheet(String box) {
            return person.get("/api/v1/boxes/" + box + "/run-sheet").ok().get("sheet");
        }

        private Person.Answer enterCurrent(String box, JsonNode sheet) {
            for (JsonNode step : sheet.get("steps")) {
                if (step.get("id").equals(sheet.get("current"))) {
                    return enter(box, sheet, step);
                }
            }
            throw new AssertionError("No current step");
        }

        private Person.Answer enter(String box, JsonNode sheet, JsonNode step) {
            return person.post("/api/v1/boxes/" + box + "/run-sheet/entries", entry(sheet, step));
        }

        private Map<String, Object> entry(JsonNode sheet, JsonNode step) {
            List<String> confirmed = new ArrayList<>();
            step.get("confirms")
                    .forEach(confirm -> confirmed.add(confirm.get("id").asString()));
            Map<String, Object> readings = new LinkedHashMap<>();
            step.get("readings")
                    .forEach(reading -> readings.put(
                            reading.get("id").asString(),
                            reading.get("least")
                                    .decimalValue()
                                    .add(reading.get("most").decimalValue())
                                    .divide(BigDecimal.valueOf(2))));
            Map<String, Object> entry = new LinkedHashMap<>();
            entry.put("stepId", step.get("id").asString());
            entry.put("confirmed", confirmed);
            entry.put("readings", readings);
            entry.put("note", "");
            return entry;
        }
    }

    private long versionOf(String box) {
        return person.get("/api/v1/boxes/" + box + "/survey")
                .ok()
                .get("version")
                .asLong();
    }

    private String keep(ObjectNode survey) {
        return id(person.post("/api/v1/rooms/" + room + "/boxes", Map.of("survey", survey)));
    }

    private long choose(String box, String module) {
        long version =
                person.get("/api/v1/boxes/" + box + "/plan").ok().get("version").asLong();
        return person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of(
                                "version",
                                version,
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        module,
                                        "gangs",
                                        List.of(1, 2),
                                        "behaviours",
                                        Map.of("1", "EVERY_FLIP")))))
                .ok()
                .get("version")
                .asLong();
    }

    private void issue(String box, long version) {
        person.post("/api/v1/boxes/" + box + "/plan/issue", Map.of("version", version))
                .ok();
    }

    private String stageOf(String box, String stage) {
        for (JsonNode view : person.get("/api/v1/jobs/" + job).ok().get("boxes")) {
            for (JsonNode progress : view.get("stages")) {
                if (view.get("id").asString().equals(box)
                        && progress.get("stage").asString().equals(stage)) {
                    return progress.get("progress").asString();
                }
            }
        }
        throw new AssertionError("No stage " + stage);
    }

    private static String id(Person.Answer answer) {
        return answer.ok().get("id").asString();
    }

    private ObjectNode survey() {
        return (ObjectNode) new JsonMapper()
                .readTree(
                        """
                { "label": "B-1", "kind": "WALL", "geometry": { "widthMm": 131, "heightMm": 60, "depthMm": 61.5, "metal": false },
                  "gangs": [
                    { "number": 1, "name": "Sink", "mechanism": "ONE_WAY", "depthMm": 22, "circuit": "%1$s" },
                    { "number": 2, "name": "Table", "mechanism": "ONE_WAY", "depthMm": 22, "circuit": "%1$s" } ],
                  "loads": [
                    { "number": 1, "name": "sink", "typed": "3x2 LED 7", "gang": 1, "continuous": false },
                    { "number": 2, "name": "table", "typed": "LED 9", "gang": 2, "continuous": true } ],
                  "cables": [
                    { "name": "c1", "leadsTo": "SUPPLY", "circuit": "%1$s", "mm2": 1.5, "cores": [
                      { "number": 1, "colour": "BROWN", "role": "PERMANENT_LIVE", "end": { "at": "MECHANISM", "gang": 1, "terminal": "COM" } },
                      { "number": 2, "colour": "BLUE", "role": "NEUTRAL", "end": { "at": "CONNECTOR", "connector": "neutral" } },
                      { "number": 3, "colour": "GREEN_YELLOW", "role": "EARTH", "end": { "at": "CONNECTOR", "connector": "earth" } } ] },
                    { "name": "c2", "leadsTo": "LOAD", "load": 1, "mm2": 1.5, "cores": [
                      { "number": 1, "colour": "BLACK", "sleeve": "BROWN", "role": "SWITCHED_LIVE", "end": { "at": "MECHANISM", "gang": 1, "terminal": "L1" } },
                      { "number": 2, "colour": "BLUE", "role": "NEUTRAL", "end": { "at": "CONNECTOR", "connector": "neutral" } },
                      { "number": 3, "colour": "GREY", "role": "SPARE", "end": { "at": "CAPPED" } } ] },
                    { "name": "c3", "leadsTo": "LOAD", "load": 2, "mm2": 1.5, "cores": [
                      { "number": 1, "colour": "BROWN", "role": "SWITCHED_LIVE", "end": { "at": "MECHANISM", "gang": 2, "terminal": "L1" } },
                      { "number": 2, "colour": "BLUE", "role": "NEUTRAL", "end": { "at": "CONNECTOR", "connector": "neutral" } } ] } ],
                  "jumpers": [ { "key": "w-1", "colour": "BROWN",
                    "from": { "at": "MECHANISM", "gang": 1, "terminal": "COM" }, "to": { "at": "MECHANISM", "gang": 2, "terminal": "COM" } } ] }
                """
                                .formatted(circuit));
    }
}
