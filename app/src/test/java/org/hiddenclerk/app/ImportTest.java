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
        job = "/api/v1/jobs/" + person.post("/api/v1/jobs", Map.of("name", "Tables " + ++jobs, "place", "Weir Row", "region", "EU_230"))
                .body().get("id").asString();
    }

    private JsonNode take(String what, String csv) {
        return person.post(job + "/import/" + what, Map.of("csv", csv)).ok();
    }

    private static List<String> notTaken(JsonNode report) {
        return report.get("notTaken").valueStream().map(r -> r.get("row").asInt() + " " + r.get("column").asString() + " "
                + r.get("found").asString()).toList();
    }

    @Test
    void goodRowsAreTakenAndEveryOtherIsReportedAtItsPlace() {
        JsonNode circuits = take("circuits", """
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

        JsonNode boxes = take("boxes", """
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
        assertThat(notTaken(boxes)).containsExactly("4 label B-01", "5 depth_mm deep", "6 kind igloo", "7 circuit_1 99",
                "8 load_1 3 candles 7", "9 depth_mm 4000");
        JsonNode house = person.get(job).ok();
        assertThat(house.get("boxes").valueStream().map(b -> b.get("label").asString())).containsExactly("B-01", "B-02");
        assertThat(house.get("rooms").valueStream().map(r -> r.get("name").asString())).as("no room of a row that was not taken")
                .containsExactly("Pantry");
    }

    @Test
    void whatIsNoTableIsRefusedWhole() {
        assertThat(person.post(job + "/import/circuits", Map.of("csv", "a,b\n1,2\n")).status()).isEqualTo(422);
        assertThat(person.post(job + "/import/boxes", Map.of("csv", "\"unclosed\n")).status()).isEqualTo(422);
        assertThat(person.post(job + "/import/boxes", Map.of("csv", "")).status()).isEqualTo(422);
    }
}
