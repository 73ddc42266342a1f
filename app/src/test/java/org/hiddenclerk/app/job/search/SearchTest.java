package org.hiddenclerk.app.job.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.stream.StreamSupport;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@WithDatabase
class SearchTest {
    @Autowired
    private MockMvc mvc;

    private List<String> found(String text) {
        return StreamSupport.stream(
                        new Person(mvc)
                                .get("/api/v1/search?text="
                                        + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8))
                                .ok()
                                .spliterator(),
                        false)
                .map(hit -> hit.get("kind").asString() + " " + hit.get("title").asString())
                .toList();
    }

    @Test
    void boxesSwitchesLoadsRoomsAndTheLogAreFound() {
        SmallHouse house = new SmallHouse(new Person(mvc));
        String room = house.room("Weaving gallery");
        house.boxIn(room, "ZQ-77", survey -> {
            survey.get("gangs").get(0).asObject().put("name", "Heddle lamp");
            survey.get("loads").get(0).asObject().put("name", "treadle fan");
        });
        assertThat(found("ZQ-7")).contains("BOX ZQ-77");
        assertThat(found("weaving gall")).contains("ROOM Weaving gallery");
        assertThat(found("heddle")).contains("SWITCH Heddle lamp");
        assertThat(found("treadle fan")).anyMatch(hit -> hit.startsWith("LOAD treadle fan"));
        assertThat(found("weaving")).anyMatch(hit -> hit.startsWith("LOG room"));
        assertThat(found("heddle nowhere")).isEmpty();
    }

    /** Looked for in the first rows, and by the index behind them. */
    @Test
    void aWordIsFoundByItsBeginningAndInNoOtherPlace() {
        SmallHouse house = new SmallHouse(new Person(mvc));
        for (int i = 0; i < 9; i++) {
            house.box("ZW-" + i, survey -> survey.get("gangs").get(0).asObject().put("name", "Warpbeam lamp"));
        }
        assertThat(found("warpbe lam").stream().filter(hit -> hit.equals("SWITCH Warpbeam lamp")))
                .isNotEmpty();
        assertThat(found("warpbeam").stream().filter(hit -> hit.startsWith("SWITCH")))
                .hasSizeLessThanOrEqualTo(8);
        assertThat(found("arpbeam")).as("not within a word").noneMatch(hit -> hit.startsWith("SWITCH"));
    }

    @Test
    void whatWasFoundOfABoxIsFoundByItsWords() {
        Person person = new Person(mvc);
        SmallHouse house = new SmallHouse(person);
        String box = house.box(
                "ZF-1", survey -> survey.get("loads").get(0).asObject().put("typed", "40x LED 90"));
        house.pick(box, "SK-1");
        person.get("/api/v1/jobs/" + house.job()).ok();
        String word = "contact";
        Awaitility.await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> assertThat(ofBox(box, word))
                .isNotEmpty());
    }

    private List<String> ofBox(String box, String text) {
        return StreamSupport.stream(
                        new Person(mvc).get("/api/v1/search?text=" + text).ok().spliterator(), false)
                .filter(hit -> hit.get("kind").asString().equals("FINDING")
                        && hit.path("box").asString("").equals(box))
                .map(hit -> hit.get("title").asString())
                .toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "%", "_", "+-*\"()<>~@", "a", "' OR 1=1 --", "\\"})
    void signsOfTheDatabaseMeanNothing(String text) {
        assertThat(found(text)).hasSizeLessThan(20);
    }
}
