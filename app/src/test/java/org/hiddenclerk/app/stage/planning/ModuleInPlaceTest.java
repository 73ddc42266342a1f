package org.hiddenclerk.app.stage.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A module that was in a box before anybody planned: surveyed with its conductors, it takes another lamp, and every stage knows it. */
@WithDatabase
class ModuleInPlaceTest {
    private static final String TEXT =
            """
            box B-70 wall 140x70x75
            switch 1 one-way "Stove lamp" circuit 1 depth 22
            load 1 "stove lamp" on 1 is LED 9
            switch 2 one-way "Table lamp" circuit 1 depth 22
            load 2 "table lamp" on 2 is LED 9
            module TG-2N
            cable feed 1.5 feed 1
              brown live joint:live
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable stove 1.5 lamp 1
              brown switched module1.O1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable table 1.5 lamp 2
              brown switched 2.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            jumper j1 brown joint:live module1.L
            jumper j2 blue joint:neutral module1.N
            jumper j3 brown joint:live 1.COM
            jumper j4 brown 1.COM 2.COM
            jumper j5 black 1.L1 module1.S1
            """;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;

    @BeforeEach
    void build() {
        person = new Person(mvc);
        house = new SmallHouse(person);
    }

    private JsonNode read(String text) {
        return person.post("/api/v1/jobs/" + house.job() + "/box-text/read", Map.of("text", text))
                .ok();
    }

    private String box() {
        JsonNode read = read(TEXT);
        assertThat(read.get("problems")).isEmpty();
        return house.box("B-70", survey -> {
            survey.removeAll();
            survey.setAll(read.get("survey").asObject());
        });
    }

    private JsonNode of(String what) {
        return person.get("/api/v1/jobs/" + house.job() + "/" + what).ok();
    }

    private JsonNode offer(String box, String scheme) {
        for (JsonNode offer :
                person.get("/api/v1/boxes/" + box + "/schemes?gangs=2").ok().get("offers")) {
            if (offer.get("scheme").asString().equals(scheme)) {
                return offer;
            }
        }
        throw new AssertionError("no " + scheme);
    }

    @Test
    void itsFreeChannelIsPlannedOnThroughEveryStage() {
        String box = box();
        JsonNode offer = offer(box, "FREE_CHANNEL");
        assertThat(offer.get("best").get("moduleCode").asString()).isEqualTo("TG-2N");
        assertThat(offer.get("toll").get("modules").asInt()).isZero();

        JsonNode plan = house.pick(box, "TG-2N", "FREE_CHANNEL", 2);
        assertThat(plan.get("verdict").asString())
                .as("%s", plan.get("findings"))
                .isEqualTo("OK");

        assertThat(of("pick-list").findValuesAsString("kind"))
                .as("nothing is bought for it")
                .doesNotContain("MODULE");
        assertThat(of("bench").get("waiting")).singleElement().satisfies(waiting -> {
            assertThat(waiting.get("moduleCode").asString()).isEqualTo("TG-2N");
            assertThat(waiting.get("inPlace").asInt()).isEqualTo(1);
        });
        assertThat(of("names").get("names")).singleElement().satisfies(name -> assertThat(name.toString())
                .contains("stove", "table"));
        house.fit(box);
        assertThat(of("handover").get("boxes")).singleElement().satisfies(row -> assertThat(row.get("outputs"))
                .as("what hung on it before is handed over too")
                .hasSize(2));
    }

    @Test
    void itsEndsAreKeptAndWrittenAsText() {
        JsonNode survey = person.get("/api/v1/boxes/" + box() + "/survey").ok().get("survey");

        assertThat(person.post("/api/v1/jobs/" + house.job() + "/box-text/write", Map.of("survey", survey))
                        .ok()
                        .get("text")
                        .asString())
                .contains("brown switched module1.O1", "joint:live module1.L");
    }

    @Test
    void aTerminalThatItDoesNotHaveIsRefusedAtItsLine() {
        assertThat(read(TEXT.replace("module1.O1", "module1.O7")).get("problems"))
                .singleElement()
                .satisfies(problem -> assertThat(problem.toString()).contains("O7", "L N O1 O2 S1 S2"));
        assertThat(read(TEXT.replace("module TG-2N", "module \"no name\"")).get("problems"))
                .as("each of its ends")
                .hasSize(4);
        assertThat(read(TEXT.replace("module1.O1", "module2.O1")).get("problems"))
                .hasSize(1);
    }
}
