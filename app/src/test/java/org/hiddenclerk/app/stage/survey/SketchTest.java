package org.hiddenclerk.app.stage.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A survey that begins with the circuit. */
@WithDatabase
class SketchTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
    }

    private JsonNode job() {
        return person.get("/api/v1/jobs/" + house.job()).ok();
    }

    private Map<String, Object> place(String label) {
        return Map.of(
                "room", job().get("rooms").get(0).get("id").asString(), "label", label, "switchName", "Stair " + label);
    }

    private Map<String, Object> wish(String shape, List<Map<String, Object>> places, String... loads) {
        Map<String, Object> wish = new LinkedHashMap<>();
        wish.put("shape", shape);
        wish.put("circuit", job().get("circuits").get(0).get("id").asString());
        wish.put("neutral", true);
        wish.put("between", 0);
        List<Map<String, Object>> typed = new ArrayList<>();
        for (String load : loads) {
            typed.add(Map.of("name", "lamp " + typed.size(), "typed", load));
        }
        wish.put("loads", typed);
        wish.put("places", places);
        return wish;
    }

    private Person.Answer sketch(Map<String, Object> wish) {
        return person.post("/api/v1/jobs/" + house.job() + "/circuit-sketch", wish);
    }

    private JsonNode survey(String box) {
        return person.get("/api/v1/boxes/" + box + "/survey").ok();
    }

    /** Somebody looks at everything in a box and says that it is so. */
    private void lookedAt(String box) {
        JsonNode kept = survey(box);
        var seen = kept.get("survey").deepCopy().asObject();
        seen.get("geometry").asObject().remove("asUsual");
        seen.get("cables").forEach(cable -> cable.asObject().remove("asUsual"));
        person.put(
                        "/api/v1/boxes/" + box + "/survey",
                        Map.of("version", kept.get("version").asLong(), "survey", seen))
                .ok();
    }

    @Test
    void aTwoWayRunFillsBothBoxesAndWaitsUntilSomebodyLooked() {
        JsonNode filled = sketch(wish("TWO_WAY_FEED_AND_LAMP_TOGETHER", List.of(place("S-1"), place("S-2")), "LED 9"))
                .ok()
                .get("boxes");
        String first = filled.get(0).asString();
        String second = filled.get(1).asString();

        assertThat(survey(first).get("survey").get("cables")).hasSize(3);
        assertThat(survey(second).get("survey").get("cables").get(0).get("box").asString())
                .isEqualTo(first);
        assertThat(survey(first).get("verdict").asString()).isEqualTo("HOLD");
        assertThat(survey(first).get("findings").toString()).contains("nobody has looked");

        house.pick(first, "SK-1");
        assertThat(house.plan(first).get("findings").toString())
                .as("the far box is part of what the plan rests on")
                .contains("in S-2 is entered as it usually is");
        lookedAt(first);
        lookedAt(second);
        assertThat(survey(first).get("findings").toString()).doesNotContain("nobody has looked");
        assertThat(house.plan(first).get("findings").toString()).doesNotContain("nobody has looked");
    }

    @Test
    void aCircuitGoesIntoABoxThatIsThere() {
        String box = house.box("S-3");
        JsonNode before = survey(box);
        Map<String, Object> there =
                Map.of("box", box, "version", before.get("version").asLong(), "switchName", "Shelf");
        sketch(wish("ONE_WAY_FEED_AT_SWITCH", List.of(there), "2x9 LED")).ok();

        JsonNode after = survey(box).get("survey");
        assertThat(after.get("gangs")).hasSize(before.get("survey").get("gangs").size() + 1);
        assertThat(after.get("cables")
                        .valueStream()
                        .limit(before.get("survey").get("cables").size())
                        .toList())
                .as("what was surveyed stays as it was")
                .isEqualTo(before.get("survey").get("cables").valueStream().toList());
        assertThat(sketch(wish("ONE_WAY_FEED_AT_SWITCH", List.of(there), "LED 9"))
                        .status())
                .as("on a version that is gone")
                .isEqualTo(409);
    }

    @Test
    void whatCannotBeIsRefusedAtItsPlaceAndNothingIsKept() {
        assertThat(sketch(wish("ONE_WAY_FEED_AT_SWITCH", List.of(place("S-4")), "candle"))
                        .pointer())
                .isEqualTo("/loads/0/typed");
        assertThat(sketch(wish("TWO_WAY_FEED_AT_LAMP", List.of(place("S-4")), "LED 9"))
                        .pointer())
                .isEqualTo("/places");
        assertThat(sketch(wish("FAN_WITH_LIGHT", List.of(place("S-4"), place("S-5")), "fan 40"))
                        .pointer())
                .isEqualTo("/shape");
        Map<String, Object> noLabel =
                Map.of("room", job().get("rooms").get(0).get("id").asString(), "switchName", "x");
        assertThat(sketch(wish("ONE_WAY_FEED_AT_SWITCH", List.of(noLabel), "LED 9"))
                        .pointer())
                .isEqualTo("/places/0/label");
        assertThat(job().get("boxes")).isEmpty();
    }

    /** Every shape comes through the interface as the core makes it: no box is left with a cable to nowhere. */
    @Test
    void everyShapeIsKept() {
        int[] number = {0};
        person.get("/api/v1/circuit-shapes").ok().forEach(shape -> {
            List<Map<String, Object>> places = new ArrayList<>();
            shape.get("places").forEach(place -> places.add(place("T-" + ++number[0])));
            String typed =
                    switch (shape.get("shape").asString()) {
                        case "BLIND" -> "blind 120";
                        case "SOCKET_OUTLET" -> "socket 1000";
                        default -> "LED 9";
                    };
            String[] loads = new String[shape.get("leastLoads").asInt()];
            java.util.Arrays.fill(loads, typed);
            sketch(wish(shape.get("shape").asString(), places, loads)).ok();
        });
        assertThat(job().get("boxes")).hasSize(number[0]);
        job().get("boxes").forEach(box -> assertThat(
                        survey(box.get("id").asString()).get("findings").toString())
                .doesNotContain("leads to"));
    }
}
