package org.hiddenclerk.app.stage.feel;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.planned.PlannedId;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** How a switch will act: ranked, chosen, kept, and written to the module that waits for the box. */
@WithDatabase
class FeelTest {
    private static int serials;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Feels feels;

    private Person person;
    private SmallHouse house;
    private String box;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        box = house.box("F");
        house.pick(box, "SK-1");
    }

    private JsonNode feel() {
        return person.get("/api/v1/boxes/" + box + "/feel").ok();
    }

    private JsonNode input() {
        return feel().get("inputs").get(0);
    }

    private Person.Answer keep(String behaviour, ObjectNode document, long version) {
        return person.put(
                "/api/v1/boxes/" + box + "/feel/" + input().get("key").asString(),
                Map.of(
                        "version",
                        version,
                        "boxVersion",
                        feel().get("boxVersion").asLong(),
                        "behaviour",
                        behaviour,
                        "document",
                        document));
    }

    private static List<String> allowed(JsonNode input) {
        List<String> allowed = new ArrayList<>();
        input.get("advice").forEach(advice -> {
            if (!advice.has("refusal")) {
                allowed.add(advice.get("behaviour").asString());
            }
        });
        return allowed;
    }

    private ObjectNode document() {
        return input().get("document").deepCopy().asObject();
    }

    /** One wants up to be on, others that any flip acts: both costs are told, and the first is fairest for both. */
    @Test
    void aHouseholdOfTwoSchoolsIsKeptAndWeighedAsOne() {
        assertThat(input().get("advice").get(0).get("costs")).hasSize(1);
        ObjectNode both = document().put("want", "UP_MEANS_ON").put("other", "ANY_FLIP");
        both.putObject("week").put("POWER_CUT", 0);
        JsonNode advice = keep("EVERY_FLIP", both, 0).ok().get("inputs").get(0).get("advice");

        List<Integer> worst = new ArrayList<>();
        advice.valueStream().filter(each -> !each.has("refusal")).forEach(each -> {
            assertThat(each.get("costs")).hasSize(2);
            worst.add(Math.max(
                    each.get("costs").get(0).asInt(), each.get("costs").get(1).asInt()));
        });
        assertThat(worst).isSorted();
        assertThat(input().get("document").get("other").asString()).isEqualTo("ANY_FLIP");
        assertThat(input().get("document").get("week").get("POWER_CUT").asInt()).isZero();
        assertThat(keep(
                                "EVERY_FLIP",
                                document().set("week", document().objectNode().put("POWER_CUT", -1)),
                                1)
                        .status())
                .isEqualTo(422);
    }

    @Test
    void theSwitchIsFoundInTheTruthTableAndBehavioursAreRankedForTheHousehold() {
        JsonNode input = input();
        assertThat(feel().get("inputs")).hasSize(1);
        assertThat(input.get("wall").asString()).isEqualTo("ROCKER");
        assertThat(input.get("ends").asInt()).isEqualTo(1);
        assertThat(input.get("switches")).hasSize(1);
        assertThat(allowed(input).get(0)).isEqualTo("EVERY_FLIP");
        assertThat(keep("EVERY_FLIP", document().put("want", "UP_MEANS_ON"), 0)
                        .ok()
                        .get("inputs")
                        .get(0)
                        .get("advice")
                        .get(0)
                        .get("behaviour")
                        .asString())
                .isEqualTo("POSITION_RULES");
    }

    @Test
    void anotherBehaviourChangesThePlanAndWhatTheModuleIsSetTo() {
        String unit = person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", "SK-1", "serial", "FE-" + ++serials))
                .ok()
                .get("units")
                .get(0)
                .get("id")
                .asString();
        ObjectNode document = document();
        document.get("parameters").asObject().put("powerOn", "SWITCH").put("debounceMs", 80);
        JsonNode kept = keep("POSITION_RULES", document, 0).ok().get("inputs").get(0);
        assertThat(kept.get("behaviour").asString()).isEqualTo("POSITION_RULES");
        assertThat(kept.get("findings")).isEmpty();
        assertThat(house.plan(box)
                        .get("picks")
                        .get(0)
                        .get("behaviours")
                        .get("1")
                        .asString())
                .isEqualTo("POSITION_RULES");
        JsonNode wanted = person.get("/api/v1/jobs/" + house.job() + "/bench")
                .ok()
                .get("units")
                .get(0);
        assertThat(wanted.get("id").asString()).isEqualTo(unit);
        assertThat(wanted.get("wanted").get("input-1.behaviour").asString()).isEqualTo("POSITION_RULES");
        assertThat(wanted.get("wanted").get("input-1.debounce").asString()).isEqualTo("80");
        assertThat(wanted.get("wanted").get("power-on").asString()).isEqualTo("as-switch");

        house.pick(box, "SK-1");
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/bench")
                        .ok()
                        .get("units")
                        .get(0)
                        .get("wanted")
                        .get("input-1.behaviour")
                        .asString())
                .as("what the plan says now")
                .isEqualTo("EVERY_FLIP");
    }

    @Test
    void whatCannotBeIsRefusedOrFound() {
        Person.Answer blink = keep("SUPPLY_BLINK", document(), 0);
        assertThat(blink.status()).isEqualTo(422);
        assertThat(blink.pointer()).isEqualTo("/behaviour");
        ObjectNode contradictory = document();
        contradictory.get("parameters").asObject().put("minimumBlinkMs", 900).put("holdUpMs", 100);
        assertThat(keep("EVERY_FLIP", contradictory, 0).pointer()).isEqualTo("/document/parameters");
        ObjectNode tooLong = document();
        tooLong.get("parameters").asObject().put("holdMs", 60_000);
        assertThat(keep("EVERY_FLIP", tooLong, 0).pointer()).isEqualTo("/document/parameters/holdMs");
        ObjectNode on = document();
        on.get("parameters").asObject().put("powerOn", "ON");
        assertThat(keep("EVERY_FLIP", on, 0)
                        .ok()
                        .get("inputs")
                        .get(0)
                        .get("findings")
                        .get(0)
                        .get("code")
                        .asString())
                .isEqualTo("POWER_ON_UNUSUAL");
        assertThat(keep("EVERY_FLIP", on, 0).status())
                .as("somebody else kept it")
                .isEqualTo(409);
        assertThat(person.put(
                                "/api/v1/boxes/" + box + "/feel/K9/1",
                                Map.of("version", 0, "boxVersion", 0, "behaviour", "EVERY_FLIP", "document", on))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void theStageIsDoneWhenEveryGangIsSpokenOf() {
        assertThat(stage()).isEqualTo("OPEN");
        keep("EVERY_FLIP", document(), 0).ok();
        assertThat(stage()).isEqualTo("DONE");
    }

    private String stage() {
        for (JsonNode stage : person.get("/api/v1/jobs/" + house.job())
                .ok()
                .get("boxes")
                .get(0)
                .get("stages")) {
            if (stage.get("stage").asString().equals("FEEL")) {
                return stage.get("progress").asString();
            }
        }
        throw new AssertionError("no stage");
    }

    @Test
    void aModuleThatLivesOnBlinksIsSetToThem() {
        String stair = person.demoBox("B-10");
        JsonNode feel = person.get("/api/v1/boxes/" + stair + "/feel").ok();
        JsonNode input = feel.get("inputs").get(0);
        assertThat(input.get("wall").asString()).isEqualTo("SUPPLY");
        assertThat(input.get("ends").asInt()).as("a switch on each storey").isGreaterThan(1);
        assertThat(allowed(input)).containsExactly("SUPPLY_BLINK");
        person.put(
                        "/api/v1/boxes/" + stair + "/feel/" + input.get("key").asString(),
                        Map.of(
                                "version",
                                0,
                                "boxVersion",
                                feel.get("boxVersion").asLong(),
                                "behaviour",
                                "SUPPLY_BLINK",
                                "document",
                                input.get("document")))
                .ok();
        assertThat(settingsOf(person.demoJob(), stair)).containsEntry("input-1.behaviour", "SUPPLY_BLINK");
    }

    @Test
    void whatIsRecordedIsKept() {
        ObjectNode document = document();
        ObjectNode sequence = document.putArray("recorded")
                .addObject()
                .put("name", "as the guest did")
                .put("untilMs", 5_000);
        sequence.putArray("events")
                .addObject()
                .put("atMs", 100)
                .put("deed", "CLOSE")
                .put("input", 1);
        assertThat(keep("EVERY_FLIP", document, 0)
                        .ok()
                        .get("inputs")
                        .get(0)
                        .get("document")
                        .get("recorded")
                        .get(0))
                .isEqualTo(sequence);
    }

    /** Where no input says what a module is set to, how it is wired does. */
    @Test
    void whatFollowsFromTheWiringIsWrittenToo() {
        assertThat(wiredAs(house.box("Up"), "TG-1N", "SWITCH_UPSTREAM")).containsExactly(Map.entry("power-on", "on"));
        String gate = house.box(
                "Gate", survey -> survey.get("loads").get(0).asObject().put("typed", "gate 3 at 24 V"));
        assertThat(wiredAs(gate, "SK-VF", "VOLT_FREE"))
                .containsOnly(Map.entry("power-on", "off"), Map.entry("channel-1.off-after", "1"));
        String lamp = house.box("Lamp");
        pick(lamp, "SK-VF", "VOLT_FREE");
        assertThat(settingsOf(house.job(), lamp))
                .as("a contact for a lamp is no pulse")
                .isEmpty();
        assertThat(settingsOf(house.job(), gate)).isNotEmpty();
    }

    private Map<String, String> wiredAs(String of, String module, String scheme) {
        pick(of, module, scheme);
        return settingsOf(house.job(), of);
    }

    /** Of the one module that is picked for a box. */
    private Map<String, String> settingsOf(String job, String box) {
        return feels.settings(UUID.fromString(job)).getOrDefault(new PlannedId.Module(box, 1, 0), Map.of());
    }

    private void pick(String of, String module, String scheme) {
        person.put(
                        "/api/v1/boxes/" + of + "/plan",
                        Map.of(
                                "version",
                                house.plan(of).get("version").asLong(),
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        module,
                                        "scheme",
                                        scheme,
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of()))))
                .ok();
    }
}
