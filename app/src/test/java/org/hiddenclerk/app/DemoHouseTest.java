package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.Stair;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** The demo houses hold traps, and the clerk finds them. */
@WithDatabase
class DemoHouseTest {
    @Autowired
    private MockMvc mvc;

    private Person person;

    @BeforeEach
    void start() {
        person = new Person(mvc);
    }

    @Test
    void theLedBankOverItsContactIsFound() {
        assertThat(findings("B-03"))
                .contains("CONTACT_OVERLOAD 288\u2009W of LED lamp on a contact for 180\u2009W: over by 108\u2009W.");
    }

    @Test
    void theShallowBoxIsFound() {
        assertThat(findings("B-04"))
                .anySatisfy(f -> assertThat(f).startsWith("BOX_TOO_SHALLOW").contains("7\u2009mm too little"));
    }

    @Test
    void theBorrowedNeutralIsFound() {
        assertThat(findings("B-09"))
                .contains("BORROWED_NEUTRAL Current from circuit 4 returns by the neutral of circuit 5.");
    }

    @Test
    void theBootRoomIsProvedInEveryState() {
        JsonNode plan =
                person.get("/api/v1/boxes/" + person.demoBox("B-01") + "/plan").ok();

        assertThat(plan.get("verdict").asString()).isEqualTo("OK");
        assertThat(plan.get("states").asInt()).isEqualTo(16);
        assertThat(plan.get("issued").get("current").asBoolean()).isTrue();
    }

    @Test
    void theStairWithThreeSwitchesOpensOneOfThemAndTheLamp() {
        JsonNode plan =
                person.get("/api/v1/boxes/" + person.demoBox("B-10") + "/plan").ok();

        assertThat(plan.get("verdict").asString())
                .as(plan.get("findings").toString())
                .isEqualTo("OK");
        assertThat(plan.get("states").asInt()).isEqualTo(16);
        assertThat(plan.get("places"))
                .extracting(place -> place.get("place").asString())
                .as("one link across the travellers is enough for all three")
                .containsExactly("B-10", "B-13");
    }

    @Test
    void anEndPutElsewhereIsToldAtOnceAndNothingIsKept() {
        String plan = "/api/v1/boxes/" + person.demoBox("B-01") + "/plan";
        JsonNode before = person.get(plan).ok();
        JsonNode ends = before.get("ends").get(0);
        JsonNode lamp = null;
        for (JsonNode end : ends.get("movable")) {
            lamp = end.get("at").asString().equals("m1.O1") ? end : lamp;
        }

        JsonNode moved = person.post(plan + "/what-if", move(lamp.get("wire").asString(), "m1.L"))
                .ok();

        assertThat(moved.get("verdict").asString()).isEqualTo("HOLD");
        assertThat(moved.get("findings"))
                .extracting(f -> f.get("code").asString())
                .contains("LOAD_ALWAYS_ON");
        assertThat(person.get(plan).ok()).isEqualTo(before);
    }

    @Test
    void anEndPutWhereNothingIsIsRefusedAtItsPlace() {
        String whatIf = "/api/v1/boxes/" + person.demoBox("B-01") + "/plan/what-if";

        Person.Answer nonsense = person.post(whatIf, move("c1.1", "somewhere"));
        Person.Answer unknown = person.post(whatIf, move("c1.1", "m7.L"));

        assertThat(nonsense.status()).isEqualTo(422);
        assertThat(nonsense.pointer()).isEqualTo("/moves/0/to");
        assertThat(unknown.status()).isEqualTo(422);
        assertThat(unknown.pointer()).isEqualTo("/moves/0");
        assertThat(person.post(whatIf, Map.of("moves", List.of())).status()).isEqualTo(422);
    }

    private static Map<String, Object> move(String wire, String to) {
        return Map.of("moves", List.of(Map.of("wire", wire, "secondEnd", false, "to", to)));
    }

    @Test
    void everySchemeAppliesSomewhereInTheDemoHouse() {
        Set<String> applying = new TreeSet<>();
        for (String box : List.of(
                "B-01", "B-05", "B-06", "B-10", "B-14", "B-16", "B-18", "B-19", "B-20", "B-21", "B-22", "B-25")) {
            String asked =
                    switch (box) {
                        case "B-20" -> "loads=1";
                        case "B-01", "B-19" -> "gangs=1,2";
                        case "B-25" -> "gangs=2";
                        default -> "gangs=1";
                    };
            JsonNode schemes = person.get("/api/v1/boxes/" + person.demoBox(box) + "/schemes?" + asked)
                    .ok();
            assertThat(schemes.get("offers"))
                    .as("%s: a module is in one of them only", box)
                    .hasSize(SchemeCode.values().length - (box.equals("B-25") ? 0 : 1));
            schemes.get("offers").forEach(offer -> {
                if (offer.has("best")) {
                    applying.add(offer.get("scheme").asString());
                } else {
                    assertThat(offer.get("reasons"))
                            .as(box + " " + offer.get("scheme"))
                            .isNotEmpty();
                }
            });
        }
        assertThat(applying)
                .containsExactlyInAnyOrderElementsOf(
                        Stream.of(SchemeCode.values()).map(SchemeCode::name).toList());
    }

    @Test
    void theCabinHidesAFullBoxAHeaterForLongAndANeutralOfAnotherCircuit() {
        assertThat(findings("Juniper Bend cabin", "J-01")).anySatisfy(f -> assertThat(f)
                .startsWith("BOX_TOO_SMALL Conductors, devices and earths need 16\u2009in³")
                .endsWith("the box has 12.5\u2009in³."));
        assertThat(findings("Juniper Bend cabin", "J-04"))
                .contains("BORROWED_NEUTRAL Current from circuit 2 returns by the neutral of circuit 1.");
        assertThat(findings("Juniper Bend cabin", "J-05"))
                .anySatisfy(f -> assertThat(f).startsWith("CONTINUOUS_OVERLOAD"));
        assertThat(verdict("Juniper Bend cabin", "J-02")).isEqualTo("OK");
    }

    @Test
    void theFlatHidesAShallowBoxAnOverratedBankAndANeutralOfAnotherCircuit() {
        assertThat(findings("Chandlers' Flat", "F-03"))
                .anySatisfy(f -> assertThat(f).startsWith("BOX_TOO_SHALLOW"))
                .anySatisfy(f -> assertThat(f).startsWith("CONTACT_OVERLOAD").contains("208\u2009W"));
        assertThat(findings("Chandlers' Flat", "F-06"))
                .contains("BORROWED_NEUTRAL Current from circuit L1 returns by the neutral of circuit L2.");
        assertThat(verdict("Chandlers' Flat", "F-05")).isEqualTo("OK");
    }

    private String verdict(String job, String box) {
        return person.get("/api/v1/boxes/" + person.demoBox(job, box) + "/plan")
                .ok()
                .get("verdict")
                .asString();
    }

    private List<String> findings(String box) {
        return findings("Tannery House", box);
    }

    private List<String> findings(String job, String box) {
        List<String> texts = new ArrayList<>();
        person.get("/api/v1/boxes/" + person.demoBox(job, box) + "/plan")
                .ok()
                .get("findings")
                .forEach(f -> texts.add(
                        f.get("code").asString() + " " + f.get("reason").asString()));
        return texts;
    }

    /** A change of any box of a piece of work opens what was issued for it: whoever changes one is told before. */
    @Test
    void whatWasIssuedOnASurveyIsToldAtEachOfItsBoxes() {
        List<String> opened = person.get("/api/v1/boxes/" + person.demoBox("B-10") + "/plan")
                .ok()
                .get("opens")
                .valueStream()
                .map(JsonNode::asString)
                .toList();
        List<String> labels = Stair.LABELS.stream()
                .filter(label -> opened.contains(person.demoBox(label)))
                .toList();
        assertThat(labels).hasSizeGreaterThan(1);
        for (String label : Stair.LABELS) {
            JsonNode survey = person.get("/api/v1/boxes/" + person.demoBox(label) + "/survey")
                    .ok();
            assertThat(survey.get("issuedOnIt"))
                    .as(label)
                    .extracting(JsonNode::asString)
                    .containsExactlyElementsOf(labels);
        }
        assertThat(person.get("/api/v1/boxes/" + person.demoBox("B-05") + "/survey")
                        .ok()
                        .get("issuedOnIt"))
                .isEmpty();
    }
}
