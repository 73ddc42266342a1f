package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** NOTICES.md names whatever was added since it was written: run `./clerk notices` then. */
class NoticesTest {
    private static final Path ROOT = Path.of("").toAbsolutePath().getParent();
    private static final Pattern DEPENDENCY = Pattern.compile(
            "<dependency>\\s*<groupId>([^<]+)</groupId>\\s*<artifactId>([^<]+)</artifactId>(.*?)</dependency>",
            Pattern.DOTALL);

    private static String notices() throws IOException {
        return Files.readString(ROOT.resolve("NOTICES.md"));
    }

    @Test
    void everyLibraryOfTheApplicationIsNamed() throws IOException {
        List<String> libraries = new ArrayList<>();
        for (String module : List.of("core", "standins", "app")) {
            // What the build and its profiles use does not ship.
            String pom = Files.readString(ROOT.resolve(module + "/pom.xml")).split("<build>|<profiles>")[0];
            DEPENDENCY
                    .matcher(pom)
                    .results()
                    .filter(found -> !found.group(3).contains("<scope>test</scope>"))
                    .filter(found -> !found.group(1).contains("hiddenclerk"))
                    .map(NoticesTest::row)
                    .forEach(libraries::add);
        }
        assertThat(libraries).hasSizeGreaterThan(10).allSatisfy(row -> assertThat(notices())
                .contains(row));
    }

    private static String row(MatchResult dependency) {
        return "| " + dependency.group(1) + ":" + dependency.group(2) + " |";
    }

    @Test
    void everyPackageOfThePagesIsNamedWithItsVersion() throws IOException {
        JsonNode dependencies = JsonMapper.shared()
                .readTree(Files.readString(ROOT.resolve("web/package.json")))
                .get("dependencies");
        String notices = notices();
        assertThat(dependencies.propertyNames()).isNotEmpty().allSatisfy(name -> assertThat(notices)
                .contains("| " + name + " | " + dependencies.get(name).asString() + " |"));
    }
}
