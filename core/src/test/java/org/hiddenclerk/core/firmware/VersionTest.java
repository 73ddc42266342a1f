package org.hiddenclerk.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Versions by Semantic Versioning 2.0.0. */
class VersionTest {
    private static Version version(String text) {
        return Version.read(text).orElseThrow();
    }

    @Test
    void theOrderOfSectionEleven() {
        List<String> ordered = List.of(
                "1.0.0-alpha",
                "1.0.0-alpha.1",
                "1.0.0-alpha.beta",
                "1.0.0-beta",
                "1.0.0-beta.2",
                "1.0.0-beta.11",
                "1.0.0-rc.1",
                "1.0.0",
                "2.0.0",
                "2.1.0",
                "2.1.1");
        List<Version> shuffled =
                new ArrayList<>(ordered.stream().map(VersionTest::version).toList());
        Collections.shuffle(shuffled, new Random(3));
        Collections.sort(shuffled);
        assertThat(shuffled).extracting(Version::toString).containsExactlyElementsOf(ordered);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "SV-1, 1.9.0, 1.10.0, -1",
        "SV-2, 1.0.0+20130313144700, 1.0.0+exp.sha.5114f85, 0",
        "SV-3, 3.4.0-rc.2, 3.4.0-rc.10, -1",
        "SV-4, 1.0.0-1, 1.0.0-a, -1",
        "SV-5, 1.0.0-A, 1.0.0-a, -1",
        "SV-6, 1.0.0-a-b, 1.0.0-a.b, 1",
        "SV-7, 2.0.0-x, 2.0.0-x.0, -1"
    })
    void pairs(String id, String one, String other, int order) {
        assertThat(Integer.signum(version(one).compareTo(version(other)))).isEqualTo(order);
        assertThat(Integer.signum(version(other).compareTo(version(one)))).isEqualTo(-order);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "SW-1, 1.0.0-0A.is.legal, true",
        "SW-2, 1.2, false",
        "SW-3, v1.2.3, false",
        "SW-4, 1.2.3-01, false",
        "SW-5, 01.1.1, false",
        "SW-6, 1.0.0-beta..1, false",
        "SW-7, 1.2.3+, false",
        "SW-8, 1.0.0--, true",
        "SW-9, 1.2.3.4, false"
    })
    void forms(String id, String text, boolean valid) {
        assertThat(Version.read(text).isPresent()).isEqualTo(valid);
        assertThat(Version.read(text).map(Version::toString).orElse(text)).isEqualTo(text);
    }
}
