package org.hiddenclerk.app.stage.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Figures over time; as SenML with the units that RFC 8428, section 12.1 registers, names as its section 4.5.1 allows them. */
@WithDatabase
class ReadingsTest {
    private static final Map<String, Double> SENT = Map.of("ms", 410.0, "dBm", -63.0, "W", 36.5);
    private static final Map<String, Double> WANTED = Map.of("s", 0.41, "dBW", -93.0, "W", 36.5);

    @Autowired
    private MockMvc mvc;

    @Test
    void figuresAreKeptOverTimeAndLeaveInRegisteredUnits() {
        Person person = new Person(mvc);
        SmallHouse house = new SmallHouse(person);
        house.pick(house.box("R"), "SK-1");
        String at = "/api/v1/jobs/" + house.job();
        for (int visit = 0; visit < 2; visit++) {
            for (JsonNode test : person.get(at + "/handover")
                    .ok()
                    .get("boxes")
                    .get(0)
                    .get("outputs")
                    .get(0)
                    .get("tests")) {
                if (test.has("unit")) {
                    person.post(
                                    at + "/handover/entries",
                                    Map.of(
                                            "test",
                                            test.get("id").asString(),
                                            "asPlanned",
                                            true,
                                            "figure",
                                            SENT.get(test.get("unit").asString()),
                                            "note",
                                            "",
                                            "cause",
                                            ""))
                            .ok();
                }
            }
        }
        assertThat(person.get(at + "/trends").ok()).hasSize(3).allSatisfy(trend -> assertThat(trend.get("points"))
                .hasSize(2));
        JsonNode pack = person.get(at + "/readings.senml.json").ok();
        assertThat(pack).hasSize(6);
        assertThat(pack.get(0).get("bn").asString()).isEqualTo("urn:uuid:" + house.job() + ":");
        pack.forEach(record -> {
            assertThat(pack.get(0).get("bn").asString() + record.get("n").asString())
                    .matches("[A-Za-z0-9][A-Za-z0-9:./_-]*");
            assertThat(record.get("v").asDouble())
                    .as(record.get("u").asString())
                    .isEqualTo(WANTED.get(record.get("u").asString()));
            assertThat(record.get("t").asDouble()).isGreaterThan(Math.pow(2, 28));
        });
    }
}
