package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.app.testing.SmallHouse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** {@code ./clerk export}, {@code import} and {@code check} against the running application, with their exit codes. */
class JobsScriptIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path ROOT = Path.of(System.getProperty("clerk.root", ".."));

    @TempDir
    private Path here;

    private final Caller caller = new Caller(RunningClerk.get());
    private String token = "";
    private String said = "";

    @BeforeEach
    void logIn() throws IOException, InterruptedException {
        caller.logIn();
        token = caller.ask(
                        "POST",
                        "/api/v1/tokens",
                        Map.of("label", "jobs script", "scopes", java.util.Set.of("READ", "FIRM"), "days", 1))
                .get("token")
                .asString();
    }

    private int clerk(String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                "node",
                ROOT.resolve("scripts/jobs.mjs").toString(),
                RunningClerk.get().address()));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("CLERK_TOKEN", token);
        Process process = builder.start();
        said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return process.exitValue();
    }

    @Test
    void aJobIsExportedCheckedAndTakenAgain() throws IOException, InterruptedException {
        SmallHouse house = new SmallHouse(caller);
        house.box("CL-1");
        Path file = here.resolve("house.json");
        assertThat(clerk("export", house.job(), file.toString())).as(said).isZero();
        assertThat(clerk("check", file.toString())).as(said).isZero();
        assertThat(clerk("import", file.toString())).as(said).isZero();
        assertThat(said).contains("Tried only");
        assertThat(clerk("import", file.toString(), "--apply")).as(said).isZero();
        assertThat(said).contains("Taken.");

        Files.writeString(file, Files.readString(file).replace("\"heightUm\" : ", "\"heightUm\" : \"tall\", \"x\" : "));
        assertThat(clerk("check", file.toString())).isEqualTo(1);
        assertThat(said).contains("/parts/box/0/heightUm", "expected a whole number");
        assertThat(clerk("export", "No such house")).isEqualTo(1);
        assertThat(clerk("check", here.resolve("nothing.json").toString())).isEqualTo(2);
        assertThat(clerk("export")).isEqualTo(2);
    }

    /** Published examples: their verdicts are the exit codes. */
    @ParameterizedTest
    @CsvSource({"at_lamp_blink_2-00, OK, 0", "behind_switch-p2, STOP, 1", "at_lamp_blink_2-p1, HOLD, 3"})
    void aWiringIsJudgedByItsVerdict(String example, String verdict, int code)
            throws IOException, InterruptedException {
        Path file = here.resolve("wiring.json");
        Files.writeString(
                file,
                JSON.readTree(ROOT.resolve("app/src/test/resources/examples/wiring/" + example + ".json")
                                .toFile())
                        .get("request")
                        .toString());
        assertThat(clerk("check", file.toString())).as(said).isEqualTo(code);
        assertThat(said).startsWith(verdict);
    }

    @Test
    void whatIsNoJsonIsRefusedInWords() throws IOException, InterruptedException {
        Path file = here.resolve("broken.json");
        Files.writeString(file, "{\"format\":\"hidden-clerk/wiring\"");
        assertThat(clerk("check", file.toString())).isEqualTo(1);
        assertThat(said).contains("not readable as JSON");
    }
}
