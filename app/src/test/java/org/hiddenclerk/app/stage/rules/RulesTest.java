package org.hiddenclerk.app.stage.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rules of a small house through the API: drafted, told, changed by their slots, found wrong, mended, and their reach. */
@WithDatabase
class RulesTest {
    @Autowired
    private MockMvc mvc;

    private final JsonMapper json = JsonMapper.builder().build();
    private Person person;
    private SmallHouse house;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        for (String label : List.of("R-1", "R-2")) {
            house.pick(house.box(label), "TG-1N");
        }
    }

    private String path(String rest) {
        return "/api/v1/jobs/" + house.job() + "/rules" + rest;
    }

    private JsonNode rules() {
        return person.get(path("")).ok();
    }

    private long version() {
        return rules().get("version").asLong();
    }

    private JsonNode add(String recipe) {
        return person.post(path(""), Map.of("version", version(), "recipe", recipe))
                .ok();
    }

    private static String sentence(JsonNode rule) {
        StringBuilder words = new StringBuilder();
        rule.get("sentence").forEach(piece -> words.append(piece.get("words").asString())
                .append(
                        piece.path("unit").asString("").isEmpty()
                                ? ""
                                : " " + piece.get("unit").asString()));
        return words.toString();
    }

    private static List<String> codes(JsonNode rules) {
        List<String> codes = new ArrayList<>();
        rules.get("findings")
                .forEach(found -> codes.add(found.get("finding").get("code").asString()));
        return codes;
    }

    private Person.Answer fill(JsonNode rule, String pointer, Object value) {
        return person.put(
                path("/" + rule.get("id").asString() + "/slot"),
                Map.of("version", version(), "pointer", pointer, "value", value));
    }

    @Test
    void plannedModulesAreTheDevicesAndARecipeReadsAsASentence() {
        assertThat(rules().get("devices").asInt()).isEqualTo(2);
        assertThat(rules().get("choices").get("OUTPUT")).hasSize(2);
        assertThat(rules().get("choices").get("CONTROL")).hasSize(2);
        JsonNode rule = add("ALL_OFF").get("rules").get(0);
        assertThat(sentence(rule)).startsWith("When Hall switch (").endsWith("then all lights go off, except none.");
        assertThat(person.post(path(""), Map.of("version", version(), "recipe", "BLINDS"))
                        .status())
                .as("no blind in this house")
                .isEqualTo(409);
    }

    @Test
    void aRuleOfOnesOwnIsPutTogetherByItsParts() {
        JsonNode rule = person.post(path(""), Map.of("version", version()))
                .ok()
                .get("rules")
                .get(0);
        assertThat(sentence(rule)).startsWith("When Hall switch (").contains(" is flipped, then Hall ");
        String parts = path("/" + rule.get("id").asString() + "/parts");
        person.post(parts, Map.of("version", version(), "part", "WHILE_DARK")).ok();
        JsonNode more = person.post(parts, Map.of("version", version(), "part", "THEN_RUN_ON"))
                .ok()
                .get("rules")
                .get(0);
        assertThat(sentence(more)).contains("but only while it is dark", "180 s");
        assertThat(more.get("parts").valueStream().map(part -> part.get("pointer")
                        .asString()))
                .containsExactly("/triggers/0", "/guards/0", "/deeds/0", "/deeds/1");
        assertThat(person.post(parts, Map.of("version", version(), "part", "WHEN_SENSED"))
                        .status())
                .as("no sensor in this house")
                .isEqualTo(409);
        assertThat(sentence(person.delete(parts + "?version=" + version() + "&pointer=/deeds/0")
                        .ok()
                        .get("rules")
                        .get(0)))
                .doesNotContain("changes over");
        assertThat(person.delete(parts + "?version=" + version() + "&pointer=/triggers/0")
                        .status())
                .as("something must set it going")
                .isEqualTo(422);
        assertThat(person.delete(parts + "?version=" + version() + "&pointer=/name")
                        .pointer())
                .isEqualTo("/pointer");
    }

    @Test
    void delaysOfTheHouseAreKeptAndReachGoesByThem() {
        assertThat(rules().get("reach").get("rows").get(0).get("delayMs").asInt())
                .isEqualTo(40);
        Map<String, Object> own = new LinkedHashMap<>(Map.of(
                "version", version(), "wire", 55, "group", 60, "binding", 80, "mesh", 60, "wifi", 30, "broker", 10,
                "hub", 50, "cloud", 800));
        JsonNode changed = person.put(path("/delays"), own).ok();
        assertThat(changed.get("reach").get("rows").get(0).get("delayMs").asInt())
                .isEqualTo(55);
        assertThat(changed.get("delays").get(0).get("ms").asInt()).isEqualTo(55);
        assertThat(changed.get("delays").get(0).get("usual").asInt()).isEqualTo(40);
        own.put("version", version());
        own.put("wire", -1);
        assertThat(person.put(path("/delays"), own).status()).isEqualTo(422);
        person.post(path("/undo"), Map.of("version", version())).ok();
        assertThat(rules().get("delays").get(0).get("ms").asInt()).isEqualTo(40);
    }

    @Test
    void aSlotIsFilledAndWhatDoesNotFitIsRefused() {
        person.put(
                        path("/place"),
                        Map.of("version", version(), "latitude", 48.2, "longitude", 16.37, "zone", "Europe/Vienna"))
                .ok();
        JsonNode fan = add("LEAVING").get("rules").get(0);
        String output = rules().get("choices").get("OUTPUT").get(0).get("code").asString();
        assertThat(sentence(fill(fan, "/deeds/0/action/except", List.of(output))
                        .ok()
                        .get("rules")
                        .get(0)))
                .contains("except Hall ");
        assertThat(fill(fan, "/deeds/0/action/except", List.of("nobody")).pointer())
                .isEqualTo("/rules/0/deeds/0/action/except");
        assertThat(fill(fan, "/triggers/0/comes", "perhaps").pointer()).isEqualTo("/value");
        assertThat(fill(fan, "/id", "other").pointer()).isEqualTo("/pointer");
        assertThat(fill(fan, "/triggers/7/comes", true).pointer()).isEqualTo("/pointer");
        assertThat(person.put(
                                path("/" + fan.get("id").asString() + "/slot"),
                                Map.of("version", 0, "pointer", "/triggers/0/comes", "value", true))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aRelayThatDrivesALightIsMissingFromAllOffUntilItIsMarked() {
        person.post(
                        path("/things"),
                        Map.of("version", version(), "name", "Bed remote", "room", "Hall", "protocol", "ZIGBEE"))
                .ok();
        String box = house.box("R-3", survey -> survey.get("loads")
                .forEach(load -> load.asObject().put("typed", "LED 9").put("name", "Shed light")));
        house.pick(box, "TG-1N");
        JsonNode found = add("LEAVING");
        assertThat(codes(found)).containsExactly("MISSING_FROM_ALL_OFF");
        JsonNode fix = found.get("findings").get(0).get("fixes").get(0);
        assertThat(fix.get("words").asString()).isEqualTo("mark and add");
        JsonNode mended = person.post(
                        path("/fix"),
                        Map.of(
                                "version",
                                version(),
                                "kind",
                                fix.get("kind").asString(),
                                "subjects",
                                fix.get("subjects")))
                .ok();
        assertThat(codes(mended)).isEmpty();
        assertThat(mended.get("rules")).hasSize(1);
    }

    @Test
    void aLinkThatGoesDirectlyOutlivesTheHub() {
        JsonNode choices = rules().get("choices");
        String control = choices.get("CONTROL").get(0).get("code").asString();
        String output = choices.get("OUTPUT").get(1).get("code").asString();
        JsonNode byHub = person.post(
                        path("/links"),
                        Map.of(
                                "version",
                                version(),
                                "control",
                                control,
                                "output",
                                output,
                                "way",
                                "HUB",
                                "effect",
                                "TOGGLE",
                                "throughGroup",
                                false))
                .ok();
        assertThat(stateWithoutHub(byHub)).isEqualTo("LOST");
        JsonNode link = byHub.get("links").get(0);
        assertThat(link.get("ways").toString()).contains("DIRECT_BINDING");
        JsonNode direct = person.put(
                        path("/links/" + link.get("id").asString() + "/way/DIRECT_BINDING?version=" + version()),
                        Map.of())
                .ok();
        assertThat(direct.get("links").get(0).get("sentence").asString()).endsWith("by direct binding.");
        assertThat(direct.get("reach").get("columns"))
                .as("nothing of the house is needed any more")
                .isEmpty();
    }

    private static String stateWithoutHub(JsonNode rules) {
        int hub = StreamSupport.stream(rules.get("reach").get("columns").spliterator(), false)
                .map(JsonNode::asString)
                .toList()
                .indexOf("no hub");
        for (JsonNode row : rules.get("reach").get("rows")) {
            if (!row.get("by").asString().equals("by wire")) {
                return row.get("down").get(hub).get("state").asString();
            }
        }
        throw new AssertionError("no row");
    }

    @Test
    void schedulesTellTheirNextTimesByTheClocksOfTheHouse() {
        String box = house.box("R-4", survey -> survey.get("loads")
                .forEach(load -> load.asObject().put("typed", "LED 9").put("name", "Porch light")));
        house.pick(box, "TG-1N");
        JsonNode unknown = add("SUN").get("rules").get(0);
        assertThat(unknown.get("nextUnknown").asString()).contains("where the house is");
        JsonNode placed = person.put(
                        path("/place"),
                        Map.of(
                                "version",
                                version(),
                                "latitude",
                                60.1699,
                                "longitude",
                                24.9384,
                                "zone",
                                "Europe/Helsinki"))
                .ok();
        assertThat(placed.get("rules").get(0).get("next")).hasSize(10);
        assertThat(person.put(
                                path("/place"),
                                Map.of("version", version(), "latitude", 60, "longitude", 24, "zone", "Europe/Nowhere"))
                        .pointer())
                .isEqualTo("/place");
    }

    @Test
    void whatWasTakenAwayComesBack() {
        assertThat(person.post(path("/undo"), Map.of("version", version())).status())
                .as("nothing was done")
                .isEqualTo(409);
        add("ALL_OFF");
        add("LEAVING");
        String id = rules().get("rules").get(0).get("id").asString();
        JsonNode less = json.readTree(json.writeValueAsString(
                person.delete(path("/" + id + "?version=" + version())).ok()));
        assertThat(less.get("rules")).hasSize(1);
        JsonNode again =
                person.post(path("/undo"), Map.of("version", version())).ok();
        assertThat(again.get("rules")).hasSize(2);
        assertThat(again.get("rules").get(0).get("id").asString()).isEqualTo(id);
        assertThat(person.post(path("/undo"), Map.of("version", version())).ok().get("rules"))
                .as("and away again")
                .hasSize(1);
    }

    @Test
    void schedulesGoOutAndComeInAsACalendar() throws Exception {
        String box = house.box("R-6", survey -> survey.get("loads")
                .forEach(load -> load.asObject().put("typed", "LED 9").put("name", "Yard light")));
        house.pick(box, "TG-1N");
        add("SUN");
        assertThat(person.get(path("/calendar.ics")).status())
                .as("nobody said where the house is")
                .isEqualTo(409);
        person.put(
                        path("/place"),
                        Map.of(
                                "version",
                                version(),
                                "latitude",
                                40.7128,
                                "longitude",
                                -74.006,
                                "zone",
                                "America/New_York"))
                .ok();
        String text = mvc.perform(MockMvcRequestBuilders.get(path("/calendar.ics"))
                        .with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsString();
        Calendar calendar = new CalendarBuilder().build(new StringReader(text));
        assertThat(calendar.validate().hasErrors()).isFalse();
        assertThat(calendar.getComponents("VEVENT"))
                .as("sixty sunsets, and one that recurs")
                .hasSize(61);
        assertThat(text).contains("RRULE:FREQ=DAILY", "TZID=America/New_York", "BEGIN:VTIMEZONE");

        String event = String.join(
                "\r\n",
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                "PRODID:-//test//EN",
                "BEGIN:VEVENT",
                "UID:1@test",
                "DTSTAMP:19970101T000000Z",
                "DTSTART;TZID=America/New_York:20990902T090000",
                "RRULE:FREQ=DAILY;INTERVAL=10;COUNT=5",
                "SUMMARY:Water the yard",
                "END:VEVENT",
                "END:VCALENDAR",
                "");
        JsonNode imported = person.post(path("/calendar"), Map.of("version", version(), "text", event))
                .ok()
                .get("rules")
                .get(2);
        assertThat(imported.get("name").asString()).isEqualTo("Water the yard");
        assertThat(imported.get("enabled").asBoolean()).isFalse();
        assertThat(imported.get("next")).hasSize(5);
        assertThat(imported.get("next").get(1).asString())
                .startsWith("2099-09-12T09:00")
                .endsWith("-04:00");
        assertThat(person.post(path("/calendar"), Map.of("version", version(), "text", "no calendar"))
                        .pointer())
                .isEqualTo("/text");
        assertThat(person.post(
                                path("/calendar"),
                                Map.of(
                                        "version",
                                        version(),
                                        "text",
                                        event.replace("COUNT=5", "COUNT=5;UNTIL=20990101T000000Z")))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aRuleOfAModuleThatIsNoLongerPlannedIsToldAsLost() {
        String box = house.box("R-5", survey -> survey.get("loads")
                .forEach(load -> load.asObject().put("typed", "LED 9").put("name", "Cellar light")));
        house.pick(box, "TG-1N");
        add("SUN");
        person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of("version", house.plan(box).get("version").asLong(), "picks", List.of()))
                .ok();
        JsonNode after = rules();
        assertThat(after.get("rules")).isEmpty();
        assertThat(after.get("lost")).hasSize(2);
    }

    @Test
    void theComputationAnswersTheExampleOfItsDocument() throws Exception {
        String text = java.nio.file.Files.readString(java.nio.file.Path.of("../docs/formats/rules.md"));
        JsonNode example = json.readTree(
                text.substring(text.indexOf("```json") + 7, text.indexOf("```", text.indexOf("```json") + 7)));
        JsonNode answer = person.post("/api/v1/compute/rules-check", example).ok();
        assertThat(codes(answer)).containsExactly("RULE_FIGHTS_SWITCH");
        assertThat(answer.get("sentences").get("r1").asString())
                .isEqualTo("When loft lamp goes on by whatever it may be, then loft lamp goes off.");
        assertThat(answer.get("reach").get(0).get("down")).hasSize(3);
        JsonNode wrong = example.deepCopy();
        wrong.get("rules").get(0).get("triggers").get(0).asObject().put("output", "o9");
        assertThat(person.post("/api/v1/compute/rules-check", wrong).pointer()).isEqualTo("/rules/0/triggers/0/output");
        wrong.get("rules").get(0).asObject().put("colour", "red");
        assertThat(person.post("/api/v1/compute/rules-check", wrong).pointer()).isEqualTo("/rules/0/colour");
    }

    @Test
    void theSunOfADay() {
        JsonNode days = person.post(
                        "/api/v1/compute/sun",
                        Map.of(
                                "latitude",
                                60.1699,
                                "longitude",
                                24.9384,
                                "zone",
                                "Europe/Helsinki",
                                "from",
                                "2026-03-28",
                                "days",
                                2))
                .ok();
        assertThat(days.get(0).get("rise").asString())
                .startsWith("2026-03-28T05:5")
                .endsWith("+02:00");
        assertThat(days.get(1).get("rise").asString())
                .startsWith("2026-03-29T06:5")
                .endsWith("+03:00");
        JsonNode polar = person.post(
                        "/api/v1/compute/sun",
                        Map.of(
                                "latitude",
                                69.909,
                                "longitude",
                                27.027,
                                "zone",
                                "Europe/Helsinki",
                                "from",
                                "2026-12-21",
                                "days",
                                1))
                .ok();
        assertThat(polar.get(0).has("rise")).isFalse();
        assertThat(polar.get(0).get("up").asBoolean()).isFalse();
        assertThat(person.post(
                                "/api/v1/compute/sun",
                                Map.of(
                                        "latitude",
                                        1,
                                        "longitude",
                                        2,
                                        "zone",
                                        "Moon/Base",
                                        "from",
                                        "2026-12-21",
                                        "days",
                                        1))
                        .pointer())
                .isEqualTo("/zone");
    }
}
