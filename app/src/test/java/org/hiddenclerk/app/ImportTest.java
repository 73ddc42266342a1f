package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Circuits and boxes from tables, with a report of every row that is not taken. */
@WithDatabase
class ImportTest {
    private static int jobs;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private String job;

    @BeforeEach
    void openAJob() {
        person = new Person(mvc);
        job = "/api/v1/jobs/"
                + person.post(
                                "/api/v1/jobs",
                                Map.of("name", "Tables " + ++jobs, "place", "Weir Row", "region", "EU_230"))
                        .body()
                        .get("id")
                        .asString();
    }

    private JsonNode take(String what, String csv) {
        return person.post(job + "/import/" + what + "?apply=true", Map.of("csv", csv))
                .ok();
    }

    private static List<String> notTaken(JsonNode report) {
        return report.get("notTaken")
                .valueStream()
                .map(r -> r.get("row").asInt() + " " + r.get("column").asString() + " "
                        + r.get("found").asString())
                .toList();
    }

    @Test
    void everyRowThatIsNotTakenIsReportedAtItsPlaceAndThenNoneIs() {
        JsonNode circuits = take(
                "circuits",
                """
                label,rating_a,phase,alternative_supply
                4,10,L1,no
                5,16,L2,yes
                4,10,L1,no
                6,ten,L1,no
                7,10,L9,no
                8,500,L1,no
                """);
        assertThat(circuits.get("taken").asInt()).isEqualTo(2);
        assertThat(notTaken(circuits)).containsExactly("4 label 4", "5 rating_a ten", "6 phase L9", "7 rating_a 500");
        assertThat(circuits.get("applied").asBoolean()).isFalse();
        assertThat(person.get(job).ok().get("circuits")).isEmpty();
        String sound = "label,rating_a,phase,alternative_supply\n4,10,L1,no\n5,16,L2,yes\n";
        assertThat(person.post(job + "/import/circuits", Map.of("csv", sound))
                        .ok()
                        .get("taken")
                        .asInt())
                .as("a try")
                .isEqualTo(2);
        assertThat(person.get(job).ok().get("circuits")).isEmpty();
        assertThat(take("circuits", sound).get("applied").asBoolean()).isTrue();

        JsonNode boxes = take(
                "boxes",
                """
                room;storey;label;kind;width_mm;height_mm;depth_mm;metal;switch_1;mechanism_1;circuit_1;load_1;switch_2;circuit_2;load_2
                Pantry;Ground floor;B-01;wall;60;60;47,5;no;Shelf lamps;one-way;4;3x2 LED 7;;;
                Pantry;Ground floor;B-02;wall;131;60;61;yes;Hatch;two-way;4;LED 9;Bench;5;LED 9
                Pantry;Ground floor;B-01;wall;60;60;47;no;;;;;;;
                Scullery;Ground floor;B-03;wall;60;60;deep;no;;;;;;;
                Scullery;Ground floor;B-04;igloo;60;60;47;no;;;;;;;
                Scullery;Ground floor;B-05;wall;60;60;47;no;Sink;one-way;99;LED 9;;;
                Scullery;Ground floor;B-06;wall;60;60;47;no;Sink;one-way;4;3 candles 7;;;
                Scullery;Ground floor;B-07;wall;60;60;4000;no;;;;;;;
                """);
        assertThat(boxes.get("taken").asInt()).isEqualTo(2);
        assertThat(notTaken(boxes))
                .containsExactly(
                        "4 label B-01",
                        "5 depth_mm deep",
                        "6 kind igloo",
                        "7 circuit_1 99",
                        "8 load_1 3 candles 7",
                        "9 depth_mm 4000");
        assertThat(person.get(job).ok().get("rooms"))
                .as("no room of a table that was not taken")
                .isEmpty();
        take(
                "boxes",
                """
                room;storey;label;kind;width_mm;height_mm;depth_mm;metal;switch_1;mechanism_1;circuit_1;load_1;switch_2;circuit_2;load_2
                Pantry;Ground floor;B-01;wall;60;60;47,5;no;Shelf lamps;one-way;4;3x2 LED 7;;;
                Pantry;Ground floor;B-02;wall;131;60;61;yes;Hatch;two-way;4;LED 9;Bench;5;LED 9
                """);
        JsonNode house = person.get(job).ok();
        assertThat(house.get("boxes").valueStream().map(b -> b.get("label").asString()))
                .containsExactly("B-01", "B-02");
        assertThat(house.get("rooms").valueStream().map(r -> r.get("name").asString()))
                .containsExactly("Pantry");
    }

    @Test
    void whatIsNoTableIsRefusedWhole() {
        assertThat(person.post(job + "/import/circuits", Map.of("csv", "a,b\n1,2\n"))
                        .status())
                .isEqualTo(422);
        assertThat(person.post(job + "/import/boxes", Map.of("csv", "\"unclosed\n"))
                        .status())
                .isEqualTo(422);
        assertThat(person.post(job + "/import/boxes", Map.of("csv", "")).status())
                .isEqualTo(422);
    }

    /** What a spreadsheet would work out, figures without end, and a file of another encoding. */
    @Test
    void hostileTablesAreRefusedAndNothingIsStored() {
        for (String cell : new String[] {"=cmd|' /C calc'!A0", "+1+1", "@SUM(A1)", "-2+3"}) {
            assertThat(notTaken(take("circuits", "label,rating_a,phase\n\"" + cell + "\",10,L1\n")))
                    .hasSize(1);
        }
        assertThat(notTaken(take("circuits", "label,rating_a,phase\n4,1e999,L1\n5,1e999999999,L1\n")))
                .containsExactly("2 rating_a 1e999", "3 rating_a 1e999999999");
        assertThat(person.post(
                                job + "/import/circuits?apply=true",
                                Map.of("csv", "label,rating_a,phase\nK\uFFFDche,10,L1\n"))
                        .status())
                .isEqualTo(422);
        assertThat(person.get(job).ok().get("circuits")).isEmpty();
    }

    @Test
    void whatIsWrittenAsTablesIsTakenAgainTheSame() {
        take(
                "circuits",
                "label,rating_a,phase,alternative_supply,device,residual_ma,cable_mm2\n4,10,L1,no,breaker-with-residual,30,1.5\n5,16,L2,yes,fuse,,2.5\n");
        take(
                "boxes",
                """
                room;storey;label;kind;width_mm;height_mm;depth_mm;metal;switch_1;mechanism_1;circuit_1;load_1;switch_2;circuit_2;load_2
                Pantry;Ground floor;B-01;wall;60;60;47,5;no;Shelf lamps;one-way;4;3x2 LED 7;;;
                "Pantry, rear";Ground floor;B-02;wall;131;60;61;yes;Hatch;two-way;4;LED 9;Bench;5;LED 9
                """);
        String circuits = text("/circuits.csv");
        String boxes = text("/boxes.csv");
        assertThat(boxes).contains("\"Pantry, rear\"");
        openAJob();
        assertThat(take("circuits", circuits).get("applied").asBoolean()).isTrue();
        assertThat(take("boxes", boxes).get("applied").asBoolean()).isTrue();
        assertThat(text("/circuits.csv")).isEqualTo(circuits);
        assertThat(text("/boxes.csv")).isEqualTo(boxes);
    }

    private String text(String path) {
        try {
            return mvc.perform(org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(job + path)
                            .with(org.springframework.security.test.web.servlet.request
                                    .SecurityMockMvcRequestPostProcessors.user("tarrow")
                                    .roles("OWNER")))
                    .andReturn()
                    .getResponse()
                    .getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }
}
