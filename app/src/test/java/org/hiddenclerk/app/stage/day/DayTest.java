package org.hiddenclerk.app.stage.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;

/** Days on site: what is to be done comes from issued plans, and ordinary calendars take the outcome. */
@WithDatabase
class DayTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        for (String label : List.of("A", "B", "C")) {
            String box = house.box(label);
            house.pick(box, "WX-10");
            if (!label.equals("C")) {
                person.post(
                                "/api/v1/boxes/" + box + "/plan/issue",
                                Map.of("version", house.plan(box).get("version").asLong()))
                        .ok();
            }
        }
    }

    private String path() {
        return "/api/v1/jobs/" + house.job() + "/day";
    }

    private Map<String, Object> question() {
        JsonNode norms = person.get(path()).ok().get("norms");
        return new HashMap<>(Map.of(
                "date",
                "2026-12-01",
                "zone",
                "Europe/Vienna",
                "from",
                "08:00",
                "to",
                "17:00",
                "daylightFrom",
                "08:00",
                "daylightTo",
                "16:00",
                "crew",
                List.of(Map.of("name", "A. Mead", "mayWire", true), Map.of("name", "H. Reed", "mayWire", false)),
                "mostOff",
                Map.of(),
                "tryOutMinutes",
                20,
                "norms",
                norms));
    }

    @Test
    void issuedPlansAreDoneInOneOpeningOfTheirCircuit() {
        JsonNode plan = person.put(path(), question()).ok();
        assertThat(plan.get("works").asInt()).isEqualTo(2);
        assertThat(plan.get("notIssued")).extracting(JsonNode::asString).containsExactly("Hall, C");
        JsonNode day = plan.get("planned").get("days").get(0);
        assertThat(day.get("openings")).hasSize(1);
        assertThat(day.get("visits"))
                .extracting(v -> v.get("kind").asString())
                .contains("ISOLATE", "WIRE", "SET_UP", "TRY_OUT");
        assertThat(day.get("visits"))
                .filteredOn(v -> v.get("kind").asString().equals("WIRE"))
                .allSatisfy(v -> assertThat(v.get("person").asString()).isEqualTo("A. Mead"));
    }

    @Test
    void aDelayMovesWhatIsLeftAndAShortDayGoesOnTheNext() {
        Map<String, Object> late = question();
        late.put("notBefore", "15:20");
        JsonNode days = person.put(path(), late).ok().get("planned").get("days");
        assertThat(days).hasSize(1);
        assertThat(days.get(0).get("visits").get(0).get("from").asInt()).isEqualTo(15 * 60 + 20);
        // 10 min to isolate, twice 30 and 5 to close do not fit into the last hour.
        late.put("notBefore", "16:00");
        days = person.put(path(), late).ok().get("planned").get("days");
        assertThat(days).hasSize(2);
        assertThat(days.get(0).get("visits")).isEmpty();
        assertThat(days.get(1).get("visits").get(0).get("from").asInt()).isEqualTo(8 * 60);
    }

    @Test
    void whatCannotBeAskedIsRefusedWhereItStands() {
        Map<String, Object> nobody = question();
        nobody.put("crew", List.of(Map.of("name", "H. Reed", "mayWire", false)));
        assertThat(person.put(path(), nobody).pointer()).isEqualTo("/crew");
        Map<String, Object> nowhere = question();
        nowhere.put("zone", "Europe/Nowhere");
        assertThat(person.put(path(), nowhere).pointer()).isEqualTo("/zone");
        Map<String, Object> unknown = question();
        unknown.put("mostOff", Map.of("99", 60));
        assertThat(person.put(path(), unknown).pointer()).isEqualTo("/mostOff/99");
    }

    /** RFC 5545: section 3.1 (lines end with CRLF), 3.3.5 form 2 (UTC), 3.6.1 (UID and DTSTAMP are required). */
    @Test
    void aCalendarTakesTheDays() throws Exception {
        person.put(path(), question()).ok();
        String text = mvc.perform(MockMvcRequestBuilders.get(path() + "/calendar.ics")
                        .with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsString();
        Calendar calendar = new CalendarBuilder().build(new StringReader(text));
        assertThat(calendar.validate().hasErrors()).isFalse();
        assertThat(text)
                .startsWith("BEGIN:VCALENDAR\r\n")
                .contains("DTSTART:20261201T070000Z", "SUMMARY:Isolate circuit 1");
        List<String> uids = new ArrayList<>();
        text.lines().filter(line -> line.startsWith("UID:")).forEach(uids::add);
        assertThat(uids).doesNotHaveDuplicates().hasSize((int)
                text.lines().filter(line -> line.equals("BEGIN:VEVENT")).count());
        assertThat(text.split("BEGIN:VEVENT")).hasSizeGreaterThan(4);
    }
}
