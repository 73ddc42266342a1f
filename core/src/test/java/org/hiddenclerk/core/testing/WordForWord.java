package org.hiddenclerk.core.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.hiddenclerk.core.finding.Finding;

/**
 * What people read, held as it was read. What changes on purpose is written anew with {@code -Dwords.write=true}, with which nothing
 * can fail, and read before it is kept.
 */
public final class WordForWord {
    private static final Path HELD = Path.of("src/test/resources");
    private static final boolean WRITES = Boolean.getBoolean("words.write");

    private WordForWord() {}

    /** A finding with everything that it says. */
    public static String of(Finding finding) {
        return finding.code() + " " + finding.severity() + " " + finding.subject() + ": " + finding.reason() + " ("
                + finding.source().text() + ")"
                + finding.remedies().stream()
                        .map(remedy -> "; " + remedy.kind() + ": " + remedy.text())
                        .collect(Collectors.joining());
    }

    /** @param name of a text in a folder of the test's resources, without its ending */
    public static void isAsRead(String folder, String name, String words) {
        Path file = HELD.resolve(folder).resolve(name.replaceAll("[^A-Za-z0-9]+", "-") + ".txt");
        try {
            if (WRITES) {
                Files.createDirectories(file.getParent());
                Files.writeString(file, words);
            }
            assertThat(words).as("%s", file).isEqualTo(Files.readString(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
