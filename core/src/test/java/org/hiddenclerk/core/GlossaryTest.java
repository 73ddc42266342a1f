package org.hiddenclerk.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the glossary calls a type is one: a renamed type is found here. */
class GlossaryTest {
    private static final Path ROOT = Path.of("").toAbsolutePath().getParent();
    private static final Pattern TYPE = Pattern.compile("\\| `([A-Z]\\w*)(?:\\.\\w+)?` \\|$", Pattern.MULTILINE);

    @Test
    void everyTypeThatItNamesIsThere() throws IOException {
        Set<String> named = TYPE.matcher(Files.readString(ROOT.resolve("docs/glossary.md")))
                .results()
                .map(found -> found.group(1))
                .collect(Collectors.toCollection(TreeSet::new));
        Set<String> there = new TreeSet<>();
        for (String module : new String[] {"core", "standins", "app"}) {
            try (Stream<Path> files = Files.walk(ROOT.resolve(module + "/src/main/java"))) {
                files.map(file -> file.getFileName().toString())
                        .filter(name -> name.endsWith(".java"))
                        .forEach(name -> there.add(name.substring(0, name.length() - ".java".length())));
            }
        }
        assertThat(named).hasSizeGreaterThan(50).isSubsetOf(there);
    }
}
