package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Machine;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published sequences with their expected answers, exactly; and what may not be asked. */
class BehaviourExamplesTest {
    private static final Path EXAMPLES = Path.of("src/test/resources/examples/behaviour");
    private final JsonMapper json = JsonMapper.builder()
            .changeDefaultPropertyInclusion(
                    old -> old.withValueInclusion(com.fasterxml.jackson.annotation.JsonInclude.Include.NON_NULL))
            .build();

    static Stream<File> examples() throws Exception {
        try (Stream<Path> files = Files.list(EXAMPLES)) {
            List<File> all = files.map(Path::toFile).sorted().toList();
            assertThat(all).hasSize(15);
            return all.stream();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("examples")
    void answersAsPublished(File example) {
        JsonNode document = json.readTree(example);
        assertThat(new FormatSchema("behaviour").problemsOf(document.get("request")))
                .isEmpty();
        BehaviourReader reader = new BehaviourReader(document.get("request"));
        assertThat(reader.problems()).isEmpty();
        Machine machine = reader.machine();

        JsonNode answer = json.readTree(json.writeValueAsString(
                BehaviourAnswer.of(machine, machine.run(reader.start(), reader.events(), reader.untilMs()))));
        assertThat(answer).isEqualTo(document.get("expect"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            /parameters/minimumBlinkMs | {"behaviour": "SUPPLY_BLINK", "parameters": {"minimumBlinkMs": 500}, "start": {"contact": "OPEN", "relay": "OFF"}, "events": [], "untilMs": 1}
            /parameters/holdMs | {"behaviour": "SHORT_LONG", "parameters": {"holdMs": 0}, "start": {"contact": "OPEN", "relay": "OFF"}, "events": [], "untilMs": 1}
            /events/0/do | {"behaviour": "EVERY_FLIP", "start": {"contact": "OPEN", "relay": "OFF"}, "events": [{"atMs": 0, "do": "REMOTE_UP"}], "untilMs": 1}
            /events/0/do | {"behaviour": "UP_DOWN", "start": {"contacts": {"1": "OPEN", "2": "OPEN"}, "motion": "STOP"}, "events": [{"atMs": 0, "do": "REMOTE_ON"}], "untilMs": 1}
            /start/motion | {"behaviour": "EVERY_FLIP", "start": {"contact": "OPEN", "relay": "OFF", "motion": "UP"}, "events": [], "untilMs": 1}
            /start | {"behaviour": "UP_DOWN", "start": {"contacts": {"1": "OPEN", "2": "OPEN"}}, "events": [], "untilMs": 1}
            /events/0/input | {"behaviour": "EVERY_FLIP", "start": {"contact": "OPEN", "relay": "OFF"}, "events": [{"atMs": 0, "do": "CLOSE", "input": "2"}], "untilMs": 1}
            /version | {"version": 1, "behaviour": "EVERY_FLIP", "start": {"contact": "OPEN", "relay": "OFF"}, "events": [], "untilMs": 1}
            """)
    void whatIsWrongIsRefusedWithItsPlace(String pointer, String request) {
        JsonNode document = json.readTree(request);
        List<org.hiddenclerk.app.platform.problem.FieldProblem> problems =
                new FormatSchema("behaviour").problemsOf(document);
        if (problems.isEmpty()) {
            problems = new BehaviourReader(document).problems();
        }
        assertThat(problems).extracting("pointer").contains(pointer);
    }
}
