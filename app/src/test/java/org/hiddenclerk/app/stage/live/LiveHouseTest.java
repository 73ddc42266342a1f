package org.hiddenclerk.app.stage.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.job.network.BrokerLine;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.Happening;
import org.hiddenclerk.standins.wire.MqttLine;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A small house runs: hands, faults, outside clients, what passes over the broker, and checks as sentences. */
@WithDatabase
class LiveHouseTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private BrokerLine broker;

    @Autowired
    private JsonMapper springJson;

    private final JsonMapper json = JsonMapper.builder().build();
    private Person person;
    private SmallHouse house;
    private String first;
    private String second;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        first = house.box("L-1");
        second = house.box("L-2");
        house.pick(first, "SK-1");
        house.pick(second, "TG-1N");
    }

    @AfterEach
    void stop() {
        person.delete(path(""));
    }

    private String path(String rest) {
        return "/api/v1/jobs/" + house.job() + "/live" + rest;
    }

    private JsonNode live() {
        return person.get(path("")).ok();
    }

    private Person.Answer deed(Map<String, Object> deed) {
        return person.post(path("/deeds"), deed);
    }

    private static void await(String what, BooleanSupplier holds) {
        Awaitility.await(what)
                .atMost(Duration.ofSeconds(60))
                .pollInterval(Duration.ofMillis(30))
                .until(holds::getAsBoolean);
    }

    private String output(int at) {
        return live().get("outputs").get(at).get("id").asString();
    }

    private boolean isLit(int at) {
        JsonNode now = live().get("now");
        return now.get("outputs").get(output(at)).get("percent").asInt() > 0
                && now.get("lamps")
                        .valueStream()
                        .anyMatch(lamp -> lamp.get("percent").asInt() > 0);
    }

    private boolean agrees() {
        JsonNode now = live().get("now");
        return now.get("agrees").asBoolean() && now.get("connected").asBoolean();
    }

    @Test
    void aHandLightsALampAndFaultsAreTold() {
        assertThat(deed(Map.of("kind", "HAND", "at", first + "/S1", "doing", "FLIP"))
                        .status())
                .as("it does not run yet")
                .isEqualTo(409);
        assertThat(person.post(path("/start"), Map.of()).ok().get("now").isMissingNode())
                .isFalse();
        await("the hub knows all", this::agrees);
        deed(Map.of("kind", "HAND", "at", first + "/S1", "doing", "FLIP")).ok();
        await("by wire", () -> isLit(0));
        await("the hub hears over the broker", this::agrees);
        deed(Map.of("kind", "PART", "at", "BROKER", "is", true)).ok();
        await(
                "the connections are gone",
                () -> !live().get("now").get("connected").asBoolean());
        deed(Map.of("kind", "HAND", "at", first + "/S1", "doing", "FLIP")).ok();
        await("the wall switch works without a broker", () -> !isLit(0));
        assertThat(deed(Map.of("kind", "ORDER", "at", output(0), "percent", 100))
                        .status())
                .isEqualTo(200);
        deed(Map.of("kind", "PART", "at", "BROKER", "is", false)).ok();
        await("everybody agrees again", this::agrees);
        assertThat(isLit(0)).as("an order that was lost stays lost").isFalse();
        String circuit = live().get("parts")
                .valueStream()
                .map(part -> part.get("key").asString())
                .filter(key -> key.startsWith("MAINS"))
                .findFirst()
                .orElseThrow();
        deed(Map.of("kind", "ORDER", "at", output(1), "percent", 100)).ok();
        await("the other module, over its own network", () -> isLit(1));
        deed(Map.of("kind", "PART", "at", circuit, "is", true)).ok();
        await("dark without the circuit", () -> live().get("now")
                .get("lamps")
                .valueStream()
                .allMatch(lamp -> lamp.get("percent").asInt() == 0));
        assertThat(live().get("now").get("powered")).isEmpty();
        await(
                "it was told what happened",
                () -> live().get("events").toString().contains("is lost")
                        || live().get("events").toString().contains("lost, "));
    }

    @Test
    void whatCannotBeDoneIsRefusedWithItsPlace() {
        person.post(path("/start"), Map.of()).ok();
        assertThat(deed(Map.of("kind", "HAND", "at", "nowhere", "doing", "FLIP"))
                        .pointer())
                .isEqualTo("/at");
        assertThat(deed(Map.of("kind", "HAND", "at", first + "/S1")).pointer()).isEqualTo("/doing");
        assertThat(deed(Map.of("kind", "PART", "at", "MOON", "is", true)).pointer())
                .isEqualTo("/at");
        assertThat(deed(Map.of("kind", "ORDER", "at", output(0), "percent", 101))
                        .status())
                .isEqualTo(422);
        assertThat(deed(Map.of("kind", "CLOCK")).pointer()).isEqualTo("/time");
        SmallHouse empty = new SmallHouse(person);
        assertThat(person.post("/api/v1/jobs/" + empty.job() + "/live/start", Map.of())
                        .status())
                .as("nothing is planned")
                .isEqualTo(409);
    }

    private MqttLine enter(JsonNode made, Map<String, String> heard, String... filters) {
        return new MqttLine(
                new MqttLine.Broker(
                        broker.broker().url(),
                        made.get("account").get("user").asString(),
                        made.get("password").asString()),
                "outside-" + UUID.randomUUID(),
                List.of(filters),
                (topic, message) -> heard.put(topic, new String(message, StandardCharsets.UTF_8)));
    }

    @Test
    void outsideClientsSeeAndCommandTheirHouseAndNothingElse() {
        person.post(path("/start"), Map.of()).ok();
        await("the hub knows all", this::agrees);
        SmallHouse other = new SmallHouse(person);
        JsonNode watching =
                person.post(path("/accounts"), Map.of("mayCommand", false)).ok();
        JsonNode commanding =
                person.post(path("/accounts"), Map.of("mayCommand", true)).ok();
        String order = live().get("outputs").get(0).get("topic").asString();
        String root = "house/" + house.job();
        Map<String, String> heard = new ConcurrentHashMap<>();
        try (MqttLine watcher = enter(watching, heard, root + "/#");
                MqttLine commander = enter(commanding, new ConcurrentHashMap<>())) {
            await("retained states", () -> heard.keySet().stream().anyMatch(topic -> topic.endsWith("/state")));
            watcher.send(order, "{\"level\":100}");
            commander.send(root + "/hub/presence", "gone");
            commander.send("house/" + other.job() + "/lamp/outputs/1/order", "{\"level\":100}");
            commander.send(order, "{\"level\":100}");
            await("ordered by whoever may", () -> isLit(0));
            await("and seen by whoever watches", () -> heard.getOrDefault(order.replace("/order", "/state"), "")
                    .contains("\"level\":100"));
            assertThat(live().get("events").toString())
                    .as("who only watches was not obeyed")
                    .doesNotContain("lost");
            assertThat(heard.get(root + "/hub/presence")).isEqualTo("here");
            assertThatThrownBy(() -> enter(commanding, heard, "house/" + other.job() + "/#"))
                    .as("another house")
                    .isInstanceOf(UncheckedIOException.class);
            assertThatThrownBy(() -> enter(watching, heard, "house/+/#"))
                    .as("every house")
                    .isInstanceOf(UncheckedIOException.class);
            assertThatThrownBy(() -> enter(watching, heard, "clerk/#"))
                    .as("the talk of the application")
                    .isInstanceOf(UncheckedIOException.class);
            person.delete(path(
                            "/accounts/" + commanding.get("account").get("id").asString()))
                    .ok();
            await("sent out", () -> !commander.isUp());
            assertThatThrownBy(() -> enter(commanding, heard)).isInstanceOf(UncheckedIOException.class);
        }
        assertThat(Person.fitter(mvc)
                        .post(path("/accounts"), Map.of("mayCommand", true))
                        .status())
                .as("accounts are for a lead")
                .isEqualTo(403);
    }

    /** Every message of a run fits the channel of its topic in the published document, and each kind of channel was seen. */
    @Test
    void whatPassesOverTheBrokerIsAsTheDocumentSays() throws IOException {
        JsonNode document = json.readTree(Files.readString(Path.of("../docs/formats/live-house.asyncapi.json")));
        SchemaRegistry schemas = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_7);
        Schema asyncApi =
                schemas.getSchema(Files.readString(Path.of("../web/node_modules/@asyncapi/specs/schemas/3.0.0.json")));
        assertThat(asyncApi.validate(document))
                .as("against the published schema of AsyncAPI 3.0.0")
                .isEmpty();

        Map<String, Set<String>> heard = new ConcurrentHashMap<>();
        try (MqttLine all = new MqttLine(
                broker.broker(),
                "all",
                List.of("house/" + house.job() + "/#"),
                (topic, message) -> heard.computeIfAbsent(topic, t -> ConcurrentHashMap.newKeySet())
                        .add(new String(message, StandardCharsets.UTF_8)))) {
            String rules = "/api/v1/jobs/" + house.job() + "/rules";
            person.post(
                            rules + "/things",
                            Map.of(
                                    "version",
                                    0,
                                    "name",
                                    "Door",
                                    "room",
                                    "Hall",
                                    "protocol",
                                    "MQTT_WIFI",
                                    "senses",
                                    "DOOR"))
                    .ok();
            person.post(path("/start"), Map.of()).ok();
            await("the hub knows all", this::agrees);
            deed(Map.of("kind", "HAND", "at", first + "/S1", "doing", "FLIP")).ok();
            deed(Map.of("kind", "ORDER", "at", output(1), "percent", 100)).ok();
            deed(Map.of("kind", "ORDER", "at", output(0), "percent", 100)).ok();
            deed(Map.of(
                            "kind",
                            "SENSE",
                            "at",
                            live().get("sensors").get(0).get("id").asString(),
                            "value",
                            1))
                    .ok();
            all.send(
                    document.get("channels")
                            .get("order")
                            .get("address")
                            .asString()
                            .replace("{house}", house.job())
                            .replace("{device}/outputs/{output}", anOutput(heard.keySet())),
                    "{\"move\":\"UP\"}");
            await(
                    "all of it",
                    () -> isLit(1)
                            && agrees()
                            && heard.keySet().stream().anyMatch(topic -> topic.endsWith("/reading"))
                            && heard.keySet().stream().anyMatch(topic -> topic.endsWith("/order"))
                            && heard.keySet().stream().anyMatch(topic -> topic.endsWith("/refused")));
        }
        Set<String> seen = new HashSet<>();
        Map<String, String> wrong = new LinkedHashMap<>();
        heard.forEach((topic, messages) -> {
            Map.Entry<String, JsonNode> channel = document.get("channels").properties().stream()
                    .filter(each -> topic.matches(
                            each.getValue().get("address").asString().replaceAll("\\{\\w+}", "[^/]+")))
                    .filter(each -> !topic.contains("/hub/") || each.getKey().equals("hubPresence"))
                    .findFirst()
                    .orElseThrow();
            seen.add(channel.getKey());
            String message = channel.getValue()
                    .get("messages")
                    .propertyNames()
                    .iterator()
                    .next();
            JsonNode payload = document.get("components")
                    .get("schemas")
                    .get(document.get("components")
                            .get("messages")
                            .get(message)
                            .get("payload")
                            .get("$ref")
                            .asString()
                            .replace("#/components/schemas/", ""))
                    .deepCopy();
            String text = payload.toString().replace("#/components/schemas/Named", "#/$defs/Named");
            JsonNode whole = json.readTree(text)
                    .asObject()
                    .set(
                            "$defs",
                            json.createObjectNode()
                                    .set(
                                            "Named",
                                            document.get("components")
                                                    .get("schemas")
                                                    .get("Named")));
            Schema schema = schemas.getSchema(whole.toString());
            messages.forEach(
                    said -> schema.validate(topic.endsWith("/presence") ? json.valueToTree(said) : json.readTree(said))
                            .forEach(error -> wrong.put(topic + " " + said, error.toString())));
        });
        assertThat(wrong).isEmpty();
        assertThat(seen).isEqualTo(new HashSet<>(document.get("channels").propertyNames()));
    }

    /** Device and output of a lamp that told its state. */
    private static String anOutput(Set<String> topics) {
        return topics.stream()
                .filter(topic -> topic.endsWith("/state"))
                .findFirst()
                .orElseThrow()
                .replaceAll("house/[^/]+/(.+)/state", "$1");
    }

    /** Another node of the application, which has nothing of the house but the broker. */
    @Test
    void anotherNodeShowsTheSameAndPassesOnWhatIsAsked() {
        UUID job = UUID.fromString(house.job());
        LiveNews other = new LiveNews(broker, springJson);
        try {
            person.post(path("/start"), Map.of()).ok();
            await(
                    "told to the other node",
                    () -> other.last(job).filter(LiveNow::agrees).isPresent());
            assertThat(other.ask(
                            job,
                            new LiveDeed(
                                    LiveDeed.Kind.HAND, first + "/S1", Hand.Doing.FLIP, null, null, null, null, null)))
                    .isTrue();
            await("done where it runs", () -> isLit(0));
            await(
                    "and seen from the other",
                    () -> other.last(job).orElseThrow().outputs().get(output(0)).percent() == 100);
            assertThat(other.events(job))
                    .extracting(LiveEvent::kind)
                    .contains(Happening.Kind.HAND, Happening.Kind.OUTPUT, Happening.Kind.MESSAGE);
            assertThat(other.askToStop(job)).isTrue();
            await("over", () -> other.last(job).isEmpty());
            await(
                    "stopped where it ran",
                    () -> person.get(path("")).ok().path("now").isMissingNode());
            assertThat(other.ask(job, new LiveDeed(LiveDeed.Kind.DARK, null, null, null, null, null, null, null)))
                    .isFalse();
        } finally {
            other.stop();
        }
    }

    private JsonNode checks() {
        return person.get(path("/checks")).ok();
    }

    private static String sentence(JsonNode check) {
        StringBuilder words = new StringBuilder();
        check.get("sentence").forEach(piece -> words.append(piece.get("words").asString())
                .append(
                        piece.path("unit").asString("").isEmpty()
                                ? ""
                                : " " + piece.get("unit").asString()));
        return words.toString();
    }

    private Person.Answer fill(JsonNode check, String pointer, Object value) {
        return person.put(
                path("/checks/" + check.get("id").asString() + "/slot"),
                Map.of("version", checks().get("version").asLong(), "pointer", pointer, "value", value));
    }

    @Test
    void aCheckIsWrittenTriedFailsAndIsMended() {
        JsonNode check = person.post(path("/checks"), Map.of("version", 0))
                .ok()
                .get("checks")
                .get(0);
        assertThat(sentence(check))
                .startsWith("Given Hall ")
                .contains(" is off, when Hall, ")
                .contains(" is flipped, then Hall ")
                .endsWith(" is on within 500 ms.");
        String run = path("/checks/" + check.get("id").asString() + "/run");
        JsonNode passed = person.post(run, Map.of()).ok();
        assertThat(passed.get("passed").asBoolean()).isTrue();
        assertThat(passed.get("thens").get(0).get("afterMs").asLong())
                .as("the debounce")
                .isEqualTo(30);

        person.post(
                        path("/checks/" + check.get("id").asString() + "/parts"),
                        Map.of("version", checks().get("version").asLong(), "part", "GIVEN_DOWN"))
                .ok();
        assertThat(person.post(run, Map.of()).ok().get("passed").asBoolean())
                .as("by wire it works without a hub")
                .isTrue();
        person.post(
                        path("/checks/" + check.get("id").asString() + "/parts"),
                        Map.of("version", checks().get("version").asLong(), "part", "THEN_HUB_KNOWS"))
                .ok();
        JsonNode failed = person.post(run, Map.of()).ok();
        assertThat(failed.get("passed").asBoolean())
                .as("a hub that is down hears nothing")
                .isFalse();
        assertThat(failed.get("story").toString()).contains("is flipped", "lost, the hub is not there");

        assertThat(fill(check, "/thens/0/withinMs", 0).pointer()).isEqualTo("/thens/0/withinMs");
        assertThat(fill(check, "/whens/0/at", "nowhere").pointer()).isEqualTo("/whens/0/at");
        assertThat(fill(check, "/id", "other").pointer()).isEqualTo("/pointer");
        assertThat(person.post(path("/checks"), Map.of("version", 0)).status())
                .as("somebody changed it meanwhile")
                .isEqualTo(409);
        JsonNode parts = checks().get("checks").get(0).get("parts");
        assertThat(parts).hasSize(5);
        person.delete(path("/checks/" + check.get("id").asString() + "/parts?version="
                        + checks().get("version").asLong() + "&pointer=/givens/1"))
                .ok();
        assertThat(person.post(run, Map.of()).ok().get("passed").asBoolean()).isTrue();
    }

    @Test
    void theHandoverIsRehearsedForEveryOutput() {
        List<String> outputs = checks().get("outputs")
                .valueStream()
                .map(output -> output.get("code").asString())
                .toList();
        JsonNode tests = person.post(path("/checks/rehearsal"), Map.of("outputs", outputs))
                .ok();
        assertThat(tests.valueStream().map(test -> test.get("kind").asString()))
                .contains("WALL_SWITCH", "REMOTE", "POWER_CUT", "INTERNET_OFF", "HUB_OFF", "HAND_TO_HUB");
        assertThat(tests.valueStream()
                        .filter(test -> !test.get("result").get("passed").asBoolean())
                        .map(test -> test.get("sentence").asString()))
                .isEmpty();
    }
}
