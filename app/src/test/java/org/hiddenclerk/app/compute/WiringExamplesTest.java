package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.WiringRules;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.Finding;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published requests with their expected answers, exactly: verdict, codes, every row of the truth table. */
class WiringExamplesTest {
    private static final Path EXAMPLES = Path.of("src/test/resources/examples/wiring");
    /** The codes that the examples speak of; others may be answered beside them. */
    private static final Set<String> SPOKEN_OF = Set.of(
            "BELOW_MINIMUM_LOAD",
            "BORROWED_NEUTRAL",
            "BOTH_DIRECTIONS_ON",
            "CONTACT_OVERLOAD",
            "EARTH_AS_NEUTRAL",
            "INPUT_STUCK",
            "LIVE_END_OPEN",
            "LOADS_IN_SERIES",
            "LOAD_ALWAYS_ON",
            "LOAD_NEVER_ON",
            "MAINS_ON_ELV",
            "MODULE_CUT_BY_SWITCH",
            "MODULE_UNPOWERED",
            "NEUTRAL_SWITCHED",
            "OVER_VOLTAGE",
            "PHASES_JOINED",
            "REMOTE_WITHOUT_EFFECT",
            "REVERSED_POLARITY",
            "SECOND_FEED",
            "SHORT_LIVE_EARTH",
            "SHORT_LIVE_NEUTRAL",
            "SWITCH_WITHOUT_EFFECT");

    private final JsonMapper json = JsonMapper.builder().build();

    static Stream<File> examples() throws Exception {
        try (Stream<Path> files = Files.list(EXAMPLES)) {
            List<File> all = files.map(Path::toFile).sorted().toList();
            assertThat(all).hasSize(25);
            return all.stream();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("examples")
    void answersAsPublished(File example) {
        JsonNode document = json.readTree(example);
        Wiring wiring = WiringReader.read(document.get("request"));

        assertThat(WiringRules.problemsOf(wiring)).isEmpty();
        WiringCheck.Result result = WiringCheck.of(wiring);

        JsonNode expected = document.get("expected");
        assertThat(codesOf(result)).as(() -> sentences(result)).isEqualTo(textsOf(expected.get("codes")));
        assertThat(result.verdict()).hasToString(expected.get("verdict").asString());
        assertThat(rowsOf(json.valueToTree(WiringAnswer.of(result)).get("truthTable")))
                .isEqualTo(rowsOf(expected.get("truthTable")));
    }

    private static Set<String> codesOf(WiringCheck.Result result) {
        Set<String> codes = new TreeSet<>();
        result.findings().stream()
                .map(f -> f.code().name())
                .filter(SPOKEN_OF::contains)
                .forEach(codes::add);
        return codes;
    }

    private static Set<String> textsOf(JsonNode texts) {
        Set<String> found = new TreeSet<>();
        texts.forEach(text -> found.add(text.asString()));
        return found;
    }

    private Set<String> rowsOf(JsonNode table) {
        Set<String> rows = new TreeSet<>();
        table.forEach(row -> rows.add(
                json.valueToTree(json.treeToValue(row, java.util.TreeMap.class)).toString()));
        return rows;
    }

    private static String sentences(WiringCheck.Result result) {
        return String.join(
                "\n", result.findings().stream().map(Finding::toString).toList());
    }
}
