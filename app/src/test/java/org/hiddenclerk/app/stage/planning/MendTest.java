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

/** Remedies that change a plan: spacers and bypasses of the stock book, the smallest that mends. */
@WithDatabase
class MendTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
    }

    private String boxOfDepth(int millimetres) {
        return house.box(
                "D-" + millimetres, survey -> survey.get("geometry").asObject().put("depthMm", millimetres));
    }

    private Person.Answer mend(String box, String code, String kind) {
        JsonNode plan = house.plan(box);
        String subject = "";
        for (JsonNode finding : plan.get("findings")) {
            subject = finding.get("code").asString().equals(code)
                    ? finding.get("subject").asString()
                    : subject;
        }
        return person.post(
                "/api/v1/boxes/" + box + "/plan/mend",
                Map.of("version", plan.get("version").asLong(), "code", code, "subject", subject, "kind", kind));
    }

    @Test
    void theLowestSpacerThatMakesTheBoxDeepEnoughGoesIntoPlanAndOrder() {
        String box = boxOfDepth(36);
        assertThat(house.pick(box, "TG-1N").get("findings").toString()).contains("BOX_TOO_SHALLOW");

        JsonNode mended = mend(box, "BOX_TOO_SHALLOW", "DEEPER_BOX").ok();

        assertThat(mended.get("findings").toString()).doesNotContain("BOX_TOO_SHALLOW");
        assertThat(mended.get("picks").get(0).get("spacerMm").asInt()).isEqualTo(10);
        assertThat(mended.get("parts").toString()).contains("spacer of 10");
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/pick-list").ok().toString())
                .contains("SP-10")
                .doesNotContain("SP-20");
    }

    @Test
    void whatNothingOfTheStockBookMendsIsRefusedAndNothingChanges() {
        String box = house.box("FLAT", survey -> {
            survey.get("geometry").asObject().put("depthMm", 24);
            survey.get("gangs").forEach(gang -> gang.asObject().put("depthMm", 40));
        });
        long version = house.pick(box, "TG-1N").get("version").asLong();

        assertThat(mend(box, "BOX_TOO_SHALLOW", "DEEPER_BOX").status()).isEqualTo(422);
        assertThat(mend(box, "NOT_DIMMED", "DEEPER_BOX").status()).isEqualTo(422);
        assertThat(house.plan(box).get("version").asLong()).isEqualTo(version);
        assertThat(house.plan(box).get("picks").get(0).hasNonNull("spacerMm")).isFalse();
    }

    @Test
    void aModuleBelowItsMinimumLoadGetsABypass() {
        String box = house.box("LOOP", survey -> survey.get("loads")
                .forEach(load -> load.asObject().put("typed", "LED 5")));
        String code = "";
        for (JsonNode item : person.get("/api/v1/stock").ok().get("modules")) {
            JsonNode supply = item.get("document").get("supply");
            code = code.isEmpty()
                            && supply.get("type").asString().equals("TWO_WIRE")
                            && supply.path("minimumLoadWatts").asInt(0) > 10
                    ? item.get("document").get("code").asString()
                    : code;
        }
        assertThat(house.pick(box, code).get("findings").toString()).contains("BELOW_MINIMUM_LOAD");

        JsonNode mended = mend(box, "BELOW_MINIMUM_LOAD", "ADD_BYPASS").ok();

        assertThat(mended.get("findings").toString()).doesNotContain("BELOW_MINIMUM_LOAD");
        assertThat(mended.get("picks").get(0).get("bypassWatts").asInt()).isPositive();
    }
}
