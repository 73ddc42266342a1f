package org.hiddenclerk.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Topics by MQTT 3.1.1 and 5.0, section 4.7 (OASIS). */
class TopicTest {
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "TN-1, sport/tennis, true",
        "TN-2, /, true",
        "TN-3, /finance, true",
        "TN-4, a//b, true",
        "TN-5, sport/+, false",
        "TN-6, sport/#, false",
        "TN-7, '', false",
        "TN-9, $SYS/x, true",
        "TN-10, Küche/Licht, true",
        "TN-11, a b/c, true"
    })
    void names(String id, String topic, boolean valid) {
        assertThat(Topic.isName(topic)).isEqualTo(valid);
    }

    @Test
    void namesAtTheLimits() {
        assertThat(Topic.isName("a\0b")).as("TN-8").isFalse();
        assertThat(Topic.isName("a".repeat(65_535))).as("TN-12").isTrue();
        assertThat(Topic.isName("é".repeat(32_768))).as("TN-13").isFalse();
        assertThat(Topic.isName("a\uD800b")).as("lone surrogate").isFalse();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "TF-1, #, true",
        "TF-2, sport/tennis/#, true",
        "TF-3, sport/tennis#, false",
        "TF-4, sport/tennis/#/ranking, false",
        "TF-5, +, true",
        "TF-6, +/tennis/#, true",
        "TF-7, sport+, false",
        "TF-8, sport/+/player1, true",
        "TF-9, /+, true",
        "TF-10, a/#b, false",
        "TF-11, ++, false",
        "TF-12, $share/g1/home/+, true",
        "TF-13, $share//home, false",
        "TF-14, $share/g+/home, false"
    })
    void filters(String id, String filter, boolean valid) {
        assertThat(Topic.isFilter(filter)).isEqualTo(valid);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "TM-1, sport/tennis/player1/#, sport/tennis/player1, true",
        "TM-2, sport/tennis/player1/#, sport/tennis/player1/score/wimbledon, true",
        "TM-3, sport/#, sport, true",
        "TM-4, sport/tennis/+, sport/tennis/player1, true",
        "TM-5, sport/tennis/+, sport/tennis/player1/ranking, false",
        "TM-6, sport/+, sport, false",
        "TM-7, sport/+, sport/, true",
        "TM-8, +/+, /finance, true",
        "TM-9, /+, /finance, true",
        "TM-10, +, /finance, false",
        "TM-11, #, $SYS/uptime, false",
        "TM-12, +/monitor/Clients, $SYS/monitor/Clients, false",
        "TM-13, $SYS/#, $SYS/monitor/Clients, true",
        "TM-14, home/+/set, home/hall/set, true",
        "TM-15, home/+/set, home/hall/lamp/set, false",
        "TM-16, home/#, Home/hall, false"
    })
    void whatReachesASubscription(String id, String filter, String name, boolean reaches) {
        assertThat(Topic.matches(filter, name)).isEqualTo(reaches);
    }
}
