package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published traces with their expected answers, reading after reading. */
class TraceExamplesTest {
    private static final Path EXAMPLES = Path.of("src/test/resources/examples/trace");
    private final JsonMapper json = JsonMapper.builder().build();

    static Stream<File> examples() throws Exception {
        try (Stream<Path> files = Files.list(EXAMPLES)) {
            List<File> all = files.map(Path::toFile).sorted().toList();
            assertThat(all).hasSize(6);
            return all.stream();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("examples")
    void answersAsPublished(File example) {
        JsonNode document = json.readTree(example);
        assertThat(new FormatSchema("trace").problemsOf(document.get("request")))
                .isEmpty();
        TraceReader reader = new TraceReader(document.get("request"));
        assertThat(reader.problems()).isEmpty();

        for (JsonNode expected : document.get("expect")) {
            int readings = expected.get("afterReadings").asInt();
            Traced traced = Tracing.of(
                    reader.board(), reader.region(), reader.readings().subList(0, readings));
            JsonNode answer = json.valueToTree(TraceAnswer.of(traced, false));

            assertThat(entries(answer.get("possible")))
                    .as("after %d", readings)
                    .isEqualTo(entries(expected.get("possible")));
            assertThat(answer.get("certain")).as("after %d", readings).isEqualTo(expected.get("certain"));
            assertThat(answer.get("contradictions")).as("after %d", readings).isEqualTo(expected.get("contradictions"));
            assertThat(answer.get("done").asBoolean())
                    .as("after %d", readings)
                    .isEqualTo(expected.get("done").asBoolean());
            assertThat(answer.get("nextTest").isNull())
                    .as("after %d", readings)
                    .isEqualTo(traced.done() || traced.possible().isEmpty());
        }
    }

    private static Set<String> entries(JsonNode possible) {
        Set<String> entries = new TreeSet<>();
        possible.forEach(p -> entries.add(p.get("topology").asString() + " "
                + new TreeMap<>(
                        p.get("roles").properties().stream().collect(Collectors.toMap(e -> e.getKey(), e -> e.getValue()
                                .asString())))));
        assertThat(entries).as("one entry for each pair of topology and roles").hasSize(possible.size());
        return entries;
    }
}
