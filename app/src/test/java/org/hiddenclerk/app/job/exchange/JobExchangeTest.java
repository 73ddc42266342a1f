package org.hiddenclerk.app.job.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A job leaves as a file and comes back the same, to the byte; a file that is not whole is not taken at all. */
@WithDatabase
class JobExchangeTest {
    private static final Path FORMATS = Path.of("../docs/formats");

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JobExchange exchange;

    @Autowired
    private Columns columns;

    @Autowired
    private JdbcClient jdbc;

    private Person person;

    @BeforeEach
    void open() {
        person = new Person(mvc);
    }

    private UUID small() {
        SmallHouse house = new SmallHouse(person);
        house.pick(house.box("E"), "SK-1");
        return UUID.fromString(house.job());
    }

    private ObjectNode file(UUID job) {
        return JobFile.read(exchange.write(job).bytes());
    }

    private JobExchange.Outcome tried(ObjectNode file) {
        return exchange.read(JobFile.MAPPER.writeValueAsBytes(file), false);
    }

    private static List<String> refusals(JobExchange.Outcome outcome) {
        return outcome.refused().stream().map(problem -> problem.pointer()).toList();
    }

    @Test
    void everyDemoJobComesBackTheSameToTheByte() {
        assertThat(person.demoJob()).isNotEmpty();
        for (JsonNode entry : person.get("/api/v1/jobs").ok()) {
            UUID job = UUID.fromString(entry.get("id").asString());
            JobExchange.Written before = exchange.write(job);
            exchange.delete(job, before.print());
            assertThat(person.get("/api/v1/jobs/" + job).status()).isEqualTo(404);
            JobExchange.Outcome outcome = exchange.read(before.bytes(), true);
            assertThat(outcome.refused()).as(before.name()).isEmpty();
            assertThat(outcome.applied()).isTrue();
            assertThat(new String(exchange.write(job).bytes(), StandardCharsets.UTF_8))
                    .as(before.name())
                    .isEqualTo(new String(before.bytes(), StandardCharsets.UTF_8));
            assertThat(person.get("/api/v1/jobs/" + job).status()).isEqualTo(200);
        }
    }

    @Test
    void everyTableBelongsToJobsOrToTheFirm() {
        List<String> tables = jdbc.sql(
                        "SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE()")
                .query(String.class)
                .list();
        assertThat(tables)
                .containsExactlyInAnyOrderElementsOf(
                        Stream.concat(JobPart.ALL.stream().map(JobPart::table), JobPart.OF_NO_JOB.stream())
                                .collect(Collectors.toSet()));
    }

    @Test
    void thePublishedSchemaIsTheOneOfToday() throws IOException {
        String schema = JobFile.MAPPER.writeValueAsString(JobFile.schema(columns)) + "\n";
        Path published = FORMATS.resolve("job.schema.json");
        if (Boolean.getBoolean("formats.write")) {
            Files.writeString(published, schema);
            ObjectNode example = file(small());
            example.at("/parts/job/0")
                    .asObject()
                    .put("name", "Example house")
                    .put("id", "0e8e0000-0000-4000-8000-000000000001");
            String text = JobFile.MAPPER
                            .writeValueAsString(example)
                            .replaceAll(
                                    "\"jobId\" : \"[^\"]+\"", "\"jobId\" : \"0e8e0000-0000-4000-8000-000000000001\"")
                    + "\n";
            Files.writeString(FORMATS.resolve("job.example.json"), text);
        }
        assertThat(Files.readString(published))
                .as("rewrite it with -Dformats.write=true; a changed shape needs a new version and a migration")
                .isEqualTo(schema);
    }

    @Test
    void thePublishedExampleIsTaken() throws IOException {
        byte[] example = Files.readAllBytes(FORMATS.resolve("job.example.json"));
        assertThat(refusals(exchange.read(example, false))).isEmpty();
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.newInputStream(FORMATS.resolve("job.schema.json")));
        assertThat(schema.validate(JobFile.MAPPER.readTree(example)))
                .as("against the published schema")
                .isEmpty();
        assertThat(schema.validate(
                        JobFile.MAPPER.readTree("{\"format\":\"hidden-clerk-job\",\"version\":4,\"parts\":{}}")))
                .isNotEmpty();
    }

    @Test
    void aTryChangesNothingAndSaysWhatWouldCome() {
        UUID job = small();
        byte[] before = exchange.write(job).bytes();
        ObjectNode file = file(job);
        file.at("/parts/room/0").asObject().put("name", "Parlour");
        JobExchange.Outcome outcome = tried(file);
        assertThat(outcome.isNew()).isFalse();
        assertThat(outcome.counts()).containsExactly(new JobExchange.Count("room", 0, 1, 0));
        assertThat(exchange.write(job).bytes()).isEqualTo(before);
    }

    /** Rows of a file may have the versions of those that are here; nothing that was judged on them may be told of these. */
    @Test
    void whatWasJudgedInATryIsNotToldOfTheJobAndWhatWasTakenIs() {
        UUID job = small();
        ObjectNode other = file(job);
        other.at("/parts/boxLoad/0").asObject().put("name", "weir pump");
        assertThat(outputs(job)).contains("Hall fan");
        assertThat(refusals(tried(other))).isEmpty();
        assertThat(outputs(job)).as("after a try").contains("Hall fan");
        exchange.read(JobFile.MAPPER.writeValueAsBytes(other), true);
        assertThat(outputs(job)).as("with the same versions").contains("Hall weir pump");
    }

    private List<String> outputs(UUID job) {
        return person.get("/api/v1/jobs/" + job + "/handover")
                .ok()
                .get("boxes")
                .get(0)
                .get("outputs")
                .valueStream()
                .map(output -> output.get("name").asString())
                .toList();
    }

    @Test
    void aFileOfAnOlderVersionIsBroughtUp() {
        UUID job = small();
        ObjectNode old = file(job).put("version", 1);
        old.get("parts").asObject().remove(List.of("handoverEntry", "handedOver", "logEntry"));
        old.at("/parts/circuit").forEach(circuit -> circuit.asObject().remove("metal"));
        old.at("/parts/box").forEach(box -> box.asObject().remove("supportFittings"));
        old.at("/parts/job/0").asObject().remove(List.of("archivedAt", "peopleRemovedAt", "visitOn", "contact"));
        assertThat(refusals(tried(old))).isEmpty();
        ObjectNode without = file(job);
        without.get("parts").asObject().remove("handedOver");
        assertThat(refusals(tried(without))).as("today's version must have it").containsExactly("/parts/handedOver");
    }

    @Test
    void whatIsWrongIsNamedWithItsPlaceAndNothingIsStored() {
        UUID job = small();
        byte[] before = exchange.write(job).bytes();
        ObjectNode file = file(job);
        file.at("/parts/box/0")
                .asObject()
                .put("label", "x".repeat(60))
                .put("depthUm", "deep")
                .put("colour", "red");
        file.at("/parts/room/0").asObject().putNull("name");
        assertThat(refusals(tried(file)))
                .containsExactlyInAnyOrder(
                        "/parts/box/0/label", "/parts/box/0/depthUm", "/parts/box/0/colour", "/parts/room/0/name");
        ObjectNode dangling = file(job);
        dangling.at("/parts/box/0").asObject().put("roomId", UUID.randomUUID().toString());
        assertThat(refusals(exchange.read(JobFile.MAPPER.writeValueAsBytes(dangling), true)))
                .containsExactly("/parts/box");
        assertThat(exchange.write(job).bytes()).isEqualTo(before);
    }

    /** A file may bring other loads with the same versions of boxes: what was worked out of the old ones is forgotten. */
    @Test
    void whatWasWorkedOutIsForgottenWhenAJobIsTakenAnew() {
        UUID job = small();
        double before = watts(job);
        ObjectNode file = file(job);
        file.at("/parts/boxLoad/0").asObject().put("typed", "heater 2400");
        assertThat(exchange.read(JobFile.MAPPER.writeValueAsBytes(file), true).applied())
                .isTrue();

        assertThat(watts(job)).isNotEqualTo(before).isGreaterThanOrEqualTo(2400);
    }

    private double watts(UUID job) {
        return person.get("/api/v1/jobs/" + job + "/circuit-sums")
                .ok()
                .valueStream()
                .mapToDouble(sum -> sum.get("watts").asDouble())
                .sum();
    }

    @Test
    void rowsThatWouldSlipIntoAnotherJobAreRefused() {
        UUID other = small();
        ObjectNode file = file(small());
        file.at("/parts/circuit")
                .asArray()
                .add(((ObjectNode) file(other).at("/parts/circuit/0"))
                        .deepCopy()
                        .put("id", UUID.randomUUID().toString())
                        .put("label", "99"));
        assertThat(refusals(tried(file))).containsExactly("/parts/circuit");
    }

    @Test
    void aSurveyThatTheClerkCannotWorkWithIsRefused() {
        ObjectNode file = file(small());
        file.at("/parts/boxLoad/0").asObject().put("typed", "a dragon");
        assertThat(refusals(tried(file))).anyMatch(pointer -> pointer.startsWith("/parts/box (E)"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "[]",
                "{",
                "{\"format\":\"other\"}",
                "{\"format\":\"hidden-clerk-job\",\"version\":99,\"parts\":{}}",
                "{\"format\":\"hidden-clerk-job\",\"version\":4}",
                "{\"format\":\"hidden-clerk-job\",\"version\":4,\"parts\":{},\"parts\":{}}",
                "{\"format\":\"hidden-clerk-job\",\"version\":1e999,\"parts\":{}}"
            })
    void whatIsNoJobFileIsRefusedInWords(String text) {
        assertThatThrownBy(() -> exchange.read(text.getBytes(StandardCharsets.UTF_8), true))
                .isInstanceOf(ProblemException.class);
    }

    @Test
    void hostileFilesAreRefused() {
        String deep = "{\"format\":\"hidden-clerk-job\",\"version\":4,\"parts\":" + "[".repeat(100_000)
                + "]".repeat(100_000) + "}";
        assertThatThrownBy(() -> exchange.read(deep.getBytes(StandardCharsets.UTF_8), true))
                .isInstanceOf(ProblemException.class);
        assertThatThrownBy(() ->
                        exchange.read("{\"format\":\"hidden-clerk-job\"}".getBytes(StandardCharsets.UTF_16), true))
                .isInstanceOf(ProblemException.class);
        assertThatThrownBy(
                        () -> exchange.read(new byte[] {'{', '"', (byte) 0xff, (byte) 0xfe, '"', ':', '1', '}'}, true))
                .isInstanceOf(ProblemException.class);
        String huge = new String(exchange.write(small()).bytes(), StandardCharsets.UTF_8)
                .replaceFirst("\"mm2\" : [0-9.]+", "\"mm2\" : 1e999999999");
        assertThat(refusals(exchange.read(huge.getBytes(StandardCharsets.UTF_8), true)))
                .anyMatch(pointer -> pointer.startsWith("/parts/boxCable"));
        Person.Answer large = person.post("/api/v1/jobs/import", "{\"x\":\"" + "y".repeat(70_000_000) + "\"}");
        assertThat(large.status()).isEqualTo(413);
    }

    @Test
    void onlyLeadsMoveJobsAndOnlyWithTheFileInHandIsOneDeleted() {
        UUID job = small();
        Person fitter = Person.fitter(mvc);
        assertThat(fitter.get("/api/v1/jobs/" + job + "/export").status()).isEqualTo(403);
        assertThat(fitter.post("/api/v1/jobs/import", Map.of()).status()).isEqualTo(403);
        String print = exchange.write(job).print();
        assertThat(fitter.delete("/api/v1/jobs/" + job + "?exported=" + print).status())
                .isEqualTo(403);
        assertThat(person.delete("/api/v1/jobs/" + job + "?exported=" + "0".repeat(64))
                        .status())
                .isEqualTo(409);
        assertThat(person.delete("/api/v1/jobs/" + job + "?exported=" + print).status())
                .isEqualTo(204);
    }
}
