package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A box as plain text, both ways. */
@WithDatabase
class BoxTextTest {
    private static final String TEXT =
            """
            box B-31 wall 60x60x61 metal   # under the stair
            switch 1 one-way "Shelf # lamps" circuit 4 depth 22
            load 1 shelf on 1 continuous is 3x2 LED 7
            switch 2 one-way "Stair lamp" circuit 4 depth 22
            load 2 stair on 2 is LED 9
            cable c1 1.5 feed 4
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 lamp 1
              blue/brown switched 1.L1
              grey switched 2.L1 of 2
              blue neutral joint:neutral
              green-yellow earth joint:earth
            module "SK 2" measures 40x36x14 draws 0.6 free 1
            module OLD
            """;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private String boxText;

    @BeforeEach
    void openTheHouse() {
        person = new Person(mvc);
        boxText = "/api/v1/jobs/" + person.demoJob() + "/box-text";
    }

    @ParameterizedTest
    @ValueSource(strings = {"Tannery House", "Juniper Bend cabin", "Chandlers' Flat"})
    void everyBoxOfADemoHouseIsTheSameAfterAWalkThroughText(String house) {
        String boxText = "/api/v1/jobs/" + person.demoJob(house) + "/box-text";
        person.get("/api/v1/jobs/" + person.demoJob(house)).ok().get("boxes").forEach(box -> {
            JsonNode survey = person.get("/api/v1/boxes/" + box.get("id").asString() + "/survey")
                    .ok()
                    .get("survey");
            String text = person.post(boxText + "/write", Map.of("survey", survey))
                    .ok()
                    .get("text")
                    .asString();

            JsonNode read = person.post(boxText + "/read", Map.of("text", text)).ok();

            assertThat(read.get("problems")).as(text).isEmpty();
            String again = person.post(boxText + "/write", Map.of("survey", read.get("survey")))
                    .ok()
                    .get("text")
                    .asString();
            assertThat(again).isEqualTo(text);
            assertThat(read.get("survey").get("cables")).as(text).hasSameSizeAs(survey.get("cables"));
        });
    }

    @Test
    void aTypedBoxIsRead() {
        JsonNode survey =
                person.post(boxText + "/read", Map.of("text", TEXT)).ok().get("survey");

        assertThat(survey.get("label").asString()).isEqualTo("B-31");
        assertThat(survey.get("geometry").get("metal").asBoolean()).isTrue();
        assertThat(survey.get("gangs").get(0).get("name").asString()).isEqualTo("Shelf # lamps");
        assertThat(survey.get("loads").get(0).get("continuous").asBoolean()).isTrue();
        assertThat(survey.get("cables").get(1).get("cores").get(0).get("sleeve").asString())
                .isEqualTo("BROWN");
        assertThat(survey.get("cables").get(1).get("cores").get(1).get("load").asInt())
                .isEqualTo(2);
        assertThat(survey.get("modules")).hasSize(2);
        assertThat(person.post(boxText + "/write", Map.of("survey", survey))
                        .ok()
                        .get("text")
                        .asString())
                .contains(
                        "  grey switched 2.L1 of 2\n",
                        "module \"SK 2\" measures 40x36x14 draws 0.6 free 1\n",
                        "module OLD\n");
    }

    @Test
    void mistakesAreToldAtTheirLineAndColumn() {
        Map<String, int[]> mistakes = new LinkedHashMap<>();
        mistakes.put(TEXT.replace("60x60x61", "60x60"), new int[] {1, 15});
        mistakes.put(TEXT.replace("one-way", "sideways"), new int[] {2, 10});
        mistakes.put(TEXT.replace("circuit 4 depth", "circuit 99 depth"), new int[] {2, 42});
        mistakes.put(TEXT.replace("feed 4", "feed"), new int[] {6, 18});
        mistakes.put(TEXT.replace("brown live", "pink live"), new int[] {7, 3});
        mistakes.put(TEXT.replace("blue/brown switched", "blue/brown swiched"), new int[] {11, 14});
        mistakes.put(TEXT.replace("1.L1", "nowhere"), new int[] {11, 23});
        mistakes.put(TEXT.replace("1.L1", "1.L9"), new int[] {11, 1});
        mistakes.put(TEXT.replace("3x2 LED 7", "3 candles 7"), new int[] {3, 1});
        mistakes.put("  brown live 1.COM\n" + TEXT, new int[] {1, 3});
        mistakes.put("", new int[] {1, 1});

        assertSoftly(softly -> mistakes.forEach((text, place) -> {
            JsonNode read = person.post(boxText + "/read", Map.of("text", text)).ok();
            softly.assertThat(read.has("survey")).as(text).isFalse();
            JsonNode problem = read.get("problems").path(0);
            softly.assertThat(new int[] {
                        problem.path("line").asInt(), problem.path("column").asInt()
                    })
                    .as(text + problem)
                    .isEqualTo(place);
            softly.assertThat(problem.path("expected").asString("")).as(text).isNotBlank();
        }));
    }
}
