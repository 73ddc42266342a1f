package org.hiddenclerk.app.job.daybook;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Jobs by state, what comes next, and what becomes of those that are done. */
@WithDatabase
class DayBookTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcClient jdbc;

    private Person person;
    private SmallHouse house;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
    }

    private JsonNode entry() {
        for (JsonNode entry : person.get("/api/v1/day-book").ok()) {
            if (entry.get("id").asString().equals(house.job())) {
                return entry;
            }
        }
        throw new AssertionError("not in the day book");
    }

    private Person.Answer keep(String name, String place, String contact, LocalDate visit) {
        Map<String, Object> details = new HashMap<>(Map.of("name", name, "place", place, "contact", contact));
        if (visit != null) {
            details.put("visitOn", visit.toString());
        }
        return person.put("/api/v1/jobs/" + house.job() + "/details", details);
    }

    @Test
    void theNextStepFollowsTheWorkAndBlocksAreTold() {
        assertThat(entry().get("next").asString()).isEqualTo("survey the first box");
        String box = house.box("D");
        house.pick(box, "SK-1");
        assertThat(entry().get("next").asString()).isEqualTo("issue plans: 1 of 1 wait");
        JsonNode test = person.get("/api/v1/jobs/" + house.job() + "/handover")
                .ok()
                .get("boxes")
                .get(0)
                .get("outputs")
                .get(0)
                .get("tests")
                .get(0);
        person.post(
                        "/api/v1/jobs/" + house.job() + "/handover/entries",
                        Map.of("test", test.get("id").asString(), "asPlanned", false, "note", "dark", "cause", ""))
                .ok();
        assertThat(entry().get("blocks").get(0).asString()).isEqualTo("1 test failed and is not mended");
        person.post(
                        "/api/v1/jobs/" + house.job() + "/handover/entries",
                        Map.of("test", test.get("id").asString(), "asPlanned", true, "note", "", "cause", "fuse"))
                .ok();
        assertThat(entry().get("blocks")).isEmpty();
    }

    @Test
    void aVisitOfTodayIsToldAndAnArchivedJobCanBeTakenUpAgain() {
        keep(entry().get("name").asString(), "", "", LocalDate.now()).ok();
        assertThat(entry().get("today").asBoolean()).isTrue();
        person.post("/api/v1/jobs/" + house.job() + "/archived", null).ok();
        assertThat(entry().get("state").asString()).isEqualTo("ARCHIVED");
        assertThat(Person.fitter(mvc)
                        .delete("/api/v1/jobs/" + house.job() + "/archived")
                        .status())
                .isEqualTo(403);
        person.delete("/api/v1/jobs/" + house.job() + "/archived").ok();
        assertThat(entry().get("state").asString()).isEqualTo("PLANNING");
    }

    /** Looked for in every text of every table of the database. */
    @Test
    void afterTheirRemovalThePeopleAreNowhereAndTheBoxesStay() {
        String box = house.box("D");
        house.pick(box, "SK-1");
        keep("Quillfeather Mill", "3 Otterbrook Steps", "Ms Quillfeather, bell twice", null)
                .ok();
        JsonNode before = person.get("/api/v1/boxes/" + box + "/plan").ok().get("places");
        person.delete("/api/v1/jobs/" + house.job() + "/people").ok();
        jdbc.sql("SELECT table_name, column_name FROM information_schema.columns WHERE "
                        + "table_schema = DATABASE() AND data_type IN ('varchar', 'longtext', "
                        + "'mediumtext', 'char')")
                .query((row, i) -> Map.entry(row.getString(1), row.getString(2)))
                .list()
                .forEach(column -> assertThat(jdbc.sql("SELECT COUNT(*) FROM `" + column.getKey() + "` WHERE `"
                                        + column.getValue() + "` LIKE '%Quillfeather%' OR `" + column.getValue()
                                        + "` LIKE '%Otterbrook%'")
                                .query(Integer.class)
                                .single())
                        .as("%s.%s", column.getKey(), column.getValue())
                        .isZero());
        assertThat(person.get("/api/v1/boxes/" + box + "/plan").ok().get("places"))
                .isEqualTo(before);
        assertThat(entry().get("peopleRemoved").asBoolean()).isTrue();
        assertThat(keep("x", "", "Ms Quillfeather", null).status()).isEqualTo(409);
    }
}
