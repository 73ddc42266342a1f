package org.hiddenclerk.app.platform.nodes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Two nodes on one database, told apart by their names. */
@WithDatabase
class NodesTest {
    private static final String WORK = "work of a test";

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private JdbcClient client;

    private Leases one;
    private Leases other;

    private Leases node(String name) {
        return new Leases(jdbc, new Node(name));
    }

    @AfterEach
    void end() {
        for (Leases leases : new Leases[] {one, other}) {
            if (leases != null) {
                leases.giveAllBack();
            }
        }
    }

    @Test
    void oneNodeDoesItAtATimeAndTheOtherAfterIt() {
        one = node("one");
        other = node("other");
        List<String> done = new ArrayList<>();
        one.alone(WORK, () -> {
            done.add("one");
            other.alone(WORK, () -> done.add("other, meanwhile"));
        });
        other.alone(WORK, () -> done.add("other"));
        assertThat(done).containsExactly("one", "other");
    }

    @Test
    void whatFailsIsGivenBack() {
        one = node("one");
        other = node("other");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> one.alone(WORK, () -> {
                    throw new IllegalStateException("broken");
                }))
                .isInstanceOf(IllegalStateException.class);
        assertThat(other.take(WORK)).isTrue();
    }

    @Test
    void aNodeThatDiedLosesItWhenItRunsOut() {
        one = node("one");
        other = node("other");
        assertThat(one.take(WORK)).isTrue();
        assertThat(other.take(WORK)).isFalse();
        assertThat(jdbc.queryForObject(
                        "SELECT TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(), lock_until) FROM lease WHERE name = ?",
                        Long.class,
                        WORK))
                .isBetween(25L, Leases.AFTER_DEATH.toSeconds());
        jdbc.update("UPDATE lease SET lock_until = UTC_TIMESTAMP(3) WHERE name = ?", WORK);
        assertThat(other.take(WORK)).isTrue();
    }

    @Test
    void aHouseThatAnotherNodeReadAnewIsForgottenHereAndNotToldBack() {
        List<Object> heard = new CopyOnWriteArrayList<>();
        HousesReadElsewhere listening = new HousesReadElsewhere(client, heard::add, new Node("listening"));
        HousesReadElsewhere telling = new HousesReadElsewhere(client, event -> {}, new Node("telling"));
        listening.listen();
        try {
            HouseReadAnew anew = HouseReadAnew.here(UUID.randomUUID(), Set.of(UUID.randomUUID(), UUID.randomUUID()));
            telling.tell(anew);
            Awaitility.await().atMost(Duration.ofSeconds(60)).until(() -> !heard.isEmpty());
            assertThat(heard).contains(new HouseReadAnew(anew.job(), anew.boxes(), true));
            listening.tell((HouseReadAnew) heard.get(0));
            assertThat(jdbc.queryForObject(
                            "SELECT COUNT(*) FROM house_read_anew WHERE job_id = ?",
                            Integer.class,
                            anew.job().toString()))
                    .isEqualTo(1);
        } finally {
            listening.close();
        }
    }
}
