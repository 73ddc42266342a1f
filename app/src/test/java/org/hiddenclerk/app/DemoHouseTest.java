package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** The demo house holds traps, and the clerk finds them. */
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
        assertThat(findings("B-03")).contains("CONTACT_OVERLOAD 288 W of LED lamp on a contact for 180 W: over by 108 W.");
    }

    @Test
    void theShallowBoxIsFound() {
        assertThat(findings("B-04")).anySatisfy(f -> assertThat(f).startsWith("BOX_TOO_SHALLOW").contains("7\u2009mm too little"));
    }

    @Test
    void theBorrowedNeutralIsFound() {
        assertThat(findings("B-09")).contains(
                "BORROWED_NEUTRAL Current from circuit 4 returns by the neutral of circuit 5.");
    }

    @Test
    void theBootRoomIsProvedInEveryState() {
        JsonNode plan = person.get("/api/v1/boxes/" + person.demoBox("B-01") + "/plan").ok();

        assertThat(plan.get("verdict").asString()).isEqualTo("OK");
        assertThat(plan.get("states").asInt()).isEqualTo(16);
        assertThat(plan.get("issued").get("current").asBoolean()).isTrue();
    }

    private List<String> findings(String box) {
        List<String> texts = new ArrayList<>();
        person.get("/api/v1/boxes/" + person.demoBox(box) + "/plan").ok().get("findings").forEach(f ->
                texts.add(f.get("code").asString() + " " + f.get("reason").asString()));
        return texts;
    }
}
