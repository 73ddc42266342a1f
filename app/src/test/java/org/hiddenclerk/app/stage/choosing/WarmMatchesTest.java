package org.hiddenclerk.app.stage.choosing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** A house is matched before anybody asks for it: after a survey, and after it wants something else. */
@WithDatabase
class WarmMatchesTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private WarmMatches warm;

    private void awaitMatched(UUID job, int times) {
        Awaitility.await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> assertThat(warm.timesMatched(job))
                .isGreaterThanOrEqualTo(times));
    }

    @Test
    void aHouseIsMatchedWhenItWasLeftAloneAfterAChange() {
        Person person = new Person(mvc);
        SmallHouse house = new SmallHouse(person);
        UUID job = UUID.fromString(house.job());
        assertThat(warm.timesMatched(job)).isZero();
        house.box("A");
        house.box("B");
        awaitMatched(job, 1);
        assertThat(warm.timesMatched(job)).as("once for both").isLessThanOrEqualTo(2);
        int sofar = warm.timesMatched(job);
        var settings = person.get("/api/v1/jobs/" + job + "/settings").ok();
        person.put(
                        "/api/v1/jobs/" + job + "/settings",
                        Map.of("version", settings.get("version").asLong(), "document", settings.get("document")))
                .ok();
        awaitMatched(job, sofar + 1);
    }
}
