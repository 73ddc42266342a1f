package org.hiddenclerk.app.stage.planning;

import static org.assertj.core.api.Assertions.assertThat;

import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** A plan is held to what its circuits carry in the whole house, not in its own boxes alone. */
@WithDatabase
class WholeCircuitTest {
    @Autowired
    private MockMvc mvc;

    @Test
    void aHeaterInAnotherBoxStopsThePlanOfALamp() {
        SmallHouse house = new SmallHouse(new Person(mvc));
        String lamp = house.box("WC-1");
        assertThat(house.pick(lamp, "SK-1").get("findings").toString()).doesNotContain("CIRCUIT_OVERLOAD");

        house.box("WC-2", survey -> survey.get("loads").get(0).asObject().put("typed", "heater 2400"));

        assertThat(house.plan(lamp).get("verdict").asString()).isEqualTo("STOP");
        assertThat(house.plan(lamp).get("findings").toString()).contains("CIRCUIT_OVERLOAD");
    }
}
