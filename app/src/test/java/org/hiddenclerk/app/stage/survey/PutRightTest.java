package org.hiddenclerk.app.stage.survey;

import static org.assertj.core.api.Assertions.assertThat;

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

/** Whatever was entered can be changed and taken away; what rests on it is opened again when that is meant, and told before. */
@WithDatabase
class PutRightTest {
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

    private JsonNode circuit() {
        return job().get("circuits").get(0);
    }

    private static Map<String, Object> rated(JsonNode circuit, int amps) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("label", circuit.get("label").asString());
        body.put("ratingAmps", amps);
        body.put("phase", "L1");
        body.put("alternativelySupplied", true);
        body.put("cableMm2", 1.5);
        return Map.of("version", circuit.get("version").asLong(), "circuit", body);
    }

    private static String at(JsonNode circuit) {
        return "/api/v1/circuits/" + circuit.get("id").asString();
    }

    private JsonNode survey(String box) {
        return person.get("/api/v1/boxes/" + box + "/survey").ok();
    }

    private String box(String id) {
        return "/api/v1/boxes/" + id + "?version=" + survey(id).get("version").asLong();
    }

    @Test
    void aCircuitIsChangedAndItsIssuedPlansAreOpenAgain() {
        String box = house.box("P-01");
        house.pick(box, "SK-1");
        person.ask(
                "POST",
                "/api/v1/boxes/" + box + "/plan/issue",
                Map.of("version", house.plan(box).get("version").asLong()));
        JsonNode before = circuit();

        Person.Answer asked = person.put(at(before), rated(before, 16));
        assertThat(asked.status()).isEqualTo(409);
        assertThat(asked.body().toString()).contains("P-01");
        assertThat(circuit().get("ratingAmps").asInt()).isEqualTo(10);

        assertThat(person.openingAgain().put(at(before), rated(before, 16)).status())
                .isEqualTo(204);
        assertThat(circuit().get("ratingAmps").asInt()).isEqualTo(16);
        assertThat(circuit().get("alternativelySupplied").asBoolean()).isTrue();
        assertThat(stage(box, "DRAW")).isEqualTo("REOPENED");
        assertThat(person.openingAgain().put(at(before), rated(before, 20)).status())
                .as("changed on a version that is gone")
                .isEqualTo(409);
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/log").ok().toString())
                .contains("circuit");
    }

    private String stage(String box, String stage) {
        return job().get("boxes")
                .valueStream()
                .filter(each -> each.get("id").asString().equals(box))
                .flatMap(each -> each.get("stages").valueStream())
                .filter(each -> each.get("stage").asString().equals(stage))
                .map(each -> each.get("progress").asString())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aCircuitOfNoBoxGoesAndOneInUseSaysWhere() {
        person.post(
                        "/api/v1/jobs/" + house.job() + "/circuits",
                        Map.of("label", "9", "ratingAmps", 16, "phase", "L1", "alternativelySupplied", false))
                .ok();
        house.box("P-02");
        JsonNode used = circuit();
        Person.Answer refused = person.delete(at(used) + "?version=0");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().toString()).contains("P-02");

        JsonNode unused = job().get("circuits").get(1);
        assertThat(person.delete(at(unused) + "?version=7").status()).isEqualTo(409);
        assertThat(person.delete(at(unused) + "?version=0").status()).isEqualTo(204);
        assertThat(job().get("circuits")).hasSize(1);
    }

    @Test
    void aPhaseThatTheRegionDoesNotHaveIsRefusedAtItsPlace() {
        JsonNode circuit = circuit();
        Map<String, Object> wrong = new LinkedHashMap<>(rated(circuit, 10));
        Map<String, Object> body = new LinkedHashMap<>();
        body.putAll(Map.of("label", "1", "ratingAmps", 10, "phase", "ELV_PLUS", "alternativelySupplied", false));
        wrong.put("circuit", body);
        Person.Answer answer = person.put(at(circuit), wrong);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.pointer()).isEqualTo("/circuit/elvVolts");
    }

    @Test
    void aBoxThatWasBegunByMistakeLeavesNothingAndCanBePutBack() {
        String box = house.box("P-03");
        assertThat(person.delete("/api/v1/boxes/" + box + "?version=99").status())
                .isEqualTo(409);
        assertThat(person.delete(box(box)).status()).isEqualTo(204);

        assertThat(job().get("boxes")).isEmpty();
        assertThat(person.get("/api/v1/boxes/" + box + "/survey").status()).isEqualTo(404);
        assertThat(person.get("/api/v1/search?text=P-03").ok().toString()).doesNotContain(box);
        assertThat(person.delete("/api/v1/boxes/" + box + "?version=1").status())
                .isEqualTo(404);

        assertThat(person.post("/api/v1/boxes/" + box + "/put-back", null).status())
                .isEqualTo(204);
        assertThat(survey(box).get("survey").get("label").asString()).isEqualTo("P-03");
        assertThat(person.post("/api/v1/boxes/" + box + "/put-back", null).status())
                .isEqualTo(404);
    }

    @Test
    void aBoxInWhichWorkWasDoneStays() {
        String box = house.box("P-04");
        house.pick(box, "SK-1");
        house.fit(box);
        Person.Answer refused = person.openingAgain().delete(box(box));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().toString()).contains("P-04", "run sheet");
    }

    /** A plan on the other end of a cable does not go on as if the box were there. */
    @Test
    void whatLedToABoxThatIsGoneHolds() {
        String gone = house.box("P-05");
        String left = house.box("P-06", survey -> {
            var cable = survey.get("cables").get(0).deepCopy().asObject();
            cable.put("name", "z1").put("leadsTo", "BOX").put("box", gone).put("farCable", "z9");
            cable.remove("circuit");
            survey.get("cables").asArray().add(cable);
        });
        assertThat(person.delete(box(gone)).status()).isEqualTo(204);

        assertThat(survey(left).get("verdict").asString()).isEqualTo("HOLD");
        var kept = survey(left);
        var unknown = kept.get("survey").deepCopy().asObject();
        unknown.get("cables").forEach(cable -> {
            if (cable.get("name").asString().equals("z1")) {
                cable.asObject().remove(List.of("box", "farCable"));
            }
        });
        assertThat(person.put(
                                "/api/v1/boxes/" + left + "/survey",
                                Map.of("version", kept.get("version").asLong(), "survey", unknown))
                        .status())
                .as("its end may be unknown")
                .isEqualTo(200);
        assertThat(survey(left).get("verdict").asString()).isEqualTo("HOLD");
    }

    @Test
    void aRoomGoesThoughABoxWasTakenAwayFromIt() {
        String porch = house.room("Porch");
        String box = house.boxIn(porch, "P-08", survey -> {});
        assertThat(person.delete(box(box)).status()).isEqualTo(204);
        assertThat(person.delete("/api/v1/rooms/" + porch + "?version=0").status())
                .isEqualTo(204);
        String hall = job().get("rooms").get(0).get("id").asString();
        assertThat(person.delete("/api/v1/rooms/" + hall + "?version=0").status())
                .as("the only room")
                .isEqualTo(409);

        assertThat(person.post("/api/v1/boxes/" + box + "/put-back", null).status())
                .isEqualTo(204);
        assertThat(survey(box).get("roomId").asString()).isEqualTo(hall);
    }

    @Test
    void roomsAreRenamedEmptiedAndTakenAway() {
        String box = house.box("P-07");
        String porch = house.room("Porch");
        JsonNode hall = job().get("rooms").get(0);
        String room = "/api/v1/rooms/" + hall.get("id").asString();
        Person.Answer refused =
                person.delete(room + "?version=" + hall.get("version").asLong());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().toString()).contains("P-07");

        person.put(
                "/api/v1/boxes/" + box + "/room",
                Map.of("version", survey(box).get("version").asLong(), "room", porch));
        assertThat(survey(box).get("roomId").asString()).isEqualTo(porch);
        assertThat(person.put(room, Map.of("was", "Hall", "name", "Hall", "storey", "Upper floor"))
                        .status())
                .isEqualTo(200);
        long version = job().get("rooms")
                .valueStream()
                .filter(each -> each.get("name").asString().equals("Hall"))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asLong();
        assertThat(person.delete(room + "?version=" + version).status()).isEqualTo(204);
        assertThat(job().get("rooms")).hasSize(1);
    }
}
