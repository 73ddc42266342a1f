package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Ids of the planned house are put together and taken apart in one place; those of a house that runs are types,
 * which nobody makes from pieces.
 */
class OneWriterOfIdsTest {
    /** Text that ids are made of, as it stood in ten places once. */
    private static final Pattern PIECE_OF_AN_ID = Pattern.compile(
            "\"/(?:K|S|X|in)\"|\"/K|\"/in\"|contains\\(\"/K\"\\)|(?:device|control|output)[A-Za-z.()]*\\.(?:split|substring|indexOf|lastIndexOf)\\("
                    + "|new "
                    + "(?:Device|Output|Control|Sensor|Switch|Lamp)Id\\([^,;]*\\+|\\b(?:id|at|output|control|sensor|device)(?:\\(\\))?\\.text\\(\\)\\.(?:split|substring|indexOf|lastIndexOf|startsWith|endsWith|contains)\\(");

    @Test
    void noOtherSourceKnowsHowTheyAreWritten() throws IOException {
        Path root = Path.of("").toAbsolutePath().getParent();
        List<String> found = Stream.of("core", "app", "standins")
                .flatMap(module -> sources(root.resolve(module).resolve("src/main/java")))
                .filter(file ->
                        !file.endsWith("PlannedId.java") && !file.getParent().endsWith("identity"))
                .flatMap(OneWriterOfIdsTest::pieces)
                .toList();

        assertThat(found).isEmpty();
        assertThat(PIECE_OF_AN_ID.matcher("box + \"/K\" + number").find())
                .as("the pattern finds what it is for")
                .isTrue();
        assertThat(PIECE_OF_AN_ID.matcher("test.device().split(\"/\")").find())
                .as("an id taken apart")
                .isTrue();
        assertThat(PIECE_OF_AN_ID.matcher("new OutputId(run.id() + \"/1\")").find())
                .as("an id put together")
                .isTrue();
        assertThat(PIECE_OF_AN_ID
                        .matcher("control.id().text().startsWith(name)")
                        .find())
                .as("an id read as text")
                .isTrue();
    }

    private static Stream<Path> sources(Path directory) {
        try (Stream<Path> files = Files.walk(directory)) {
            return files.filter(file -> file.toString().endsWith(".java")).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Statement by statement: a chain of calls may be broken over lines. */
    private static Stream<String> pieces(Path file) {
        try {
            return Stream.of(
                            Files.readString(file).replaceAll("\\s*\\n\\s*", "").split("[;{}]"))
                    .filter(statement -> PIECE_OF_AN_ID.matcher(statement).find())
                    .map(statement -> file.getFileName() + ": " + statement.strip());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
