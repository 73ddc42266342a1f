package org.hiddenclerk.app.platform.operations;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.QueryCounting;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** What a page asks of the database does not grow with the house: the same number of statements for few boxes and for many. */
@WithDatabase
class QueriesPerPageTest {
    private static final int FEW = 2;
    private static final int MANY = 12;
    /** Of any page: the live house and the hand over need 79 to 85, because they read all of a house; the others 57 at most. */
    private static final long MOST = 90;

    private static final List<String> OF_JOB = List.of(
            "",
            "/bench",
            "/names",
            "/day",
            "/join",
            "/rules",
            "/live",
            "/live/checks",
            "/firmware",
            "/log",
            "/handover",
            "/papers",
            "/pick-list",
            "/settings",
            "/circuit-sums",
            "/trends",
            "/stand-in",
            "/assigned",
            "/guests",
            "/choices",
            "/house-match");
    private static final List<String> OF_BOX = List.of(
            "/survey",
            "/plan",
            "/match?gangs=1",
            "/schemes?gangs=1",
            "/trace",
            "/needs",
            "/photos",
            "/run-sheet",
            "/feel",
            "/found-otherwise");
    private static final List<String> OF_FIRM = List.of(
            "/api/v1/jobs",
            "/api/v1/day-book",
            "/api/v1/stock",
            "/api/v1/firmware/campaigns",
            "/api/v1/search?text=BQ-1",
            "/api/v1/account",
            "/api/v1/people",
            "/api/v1/practice",
            "/api/v1/session");

    @Autowired
    private MockMvc mvc;

    private Person person;

    @BeforeEach
    void open() {
        person = new Person(mvc);
    }

    private Map<String, Long> count(int boxes) {
        SmallHouse house = new SmallHouse(person);
        List<String> all = new ArrayList<>();
        for (int i = 0; i < boxes; i++) {
            all.add(house.box("BQ-" + i));
            house.pick(all.get(i), "SK-1");
        }
        Map<String, Long> counts = new LinkedHashMap<>();
        OF_JOB.forEach(page -> counts.put("job" + page, warm("/api/v1/jobs/" + house.job() + page)));
        OF_BOX.forEach(page -> counts.put("box" + page, warm("/api/v1/boxes/" + all.get(0) + page)));
        OF_FIRM.forEach(page -> counts.put(page, warm(page)));
        return counts;
    }

    /** As it is looked at again: what is judged of boxes is kept in memory by then. */
    private long warm(String path) {
        person.get(path).ok();
        return QueryCounting.of(() -> person.get(path).ok());
    }

    @Test
    void noPageAsksMoreOfALargerHouse() {
        Map<String, Long> few = count(FEW);
        Map<String, Long> many = count(MANY);
        Map<String, String> grown = new LinkedHashMap<>();
        many.forEach((page, count) -> {
            if (count > few.get(page) + 1 || count > MOST) {
                grown.put(page, few.get(page) + " of " + FEW + " boxes, " + count + " of " + MANY);
            }
        });
        assertThat(grown).isEmpty();
        assertThat(many.values()).as("statements are counted at all").anyMatch(count -> count > 0);
    }
}
