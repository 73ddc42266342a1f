package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.io.File;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The wiring check through the web: the right answer, and a clear refusal of everything that is not a wiring. */
@WithDatabase
class WiringCheckEndpointTest {
    private static final String CHECK = "/api/v1/compute/wiring-check";
    private final JsonMapper json = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    private Person person;
    private ObjectNode request;

    @BeforeEach
    void takeASoundRequest() {
        person = new Person(mvc);
        request = (ObjectNode) json.readTree(new File("src/test/resources/examples/wiring/behind_switch-00.json"))
                .get("request");
    }

    @Test
    void aSoundWiringIsOk() {
        JsonNode answer = person.post(CHECK, request).ok();

        assertThat(answer.get("verdict").asString()).isEqualTo("OK");
        assertThat(answer.get("truthTable")).hasSize(4);
    }

    @Test
    void badInputIsRefusedAtItsPlace() {
        Map<String, java.util.function.Consumer<ObjectNode>> mistakes = new LinkedHashMap<>();
        mistakes.put("/colour", doc -> doc.put("colour", "red"));
        mistakes.put("/version", doc -> doc.put("version", 2));
        mistakes.put("/format", doc -> doc.put("format", "other"));
        mistakes.put("/supply/nominalVolts", doc -> ((ObjectNode) doc.get("supply")).put("nominalVolts", -230));
        mistakes.put("/parts/0/kind", doc -> part(doc, 0).put("kind", "battery"));
        mistakes.put("/parts/3/id", doc -> part(doc, 3).put("id", "F1"));
        mistakes.put("/parts/10/pins/COMX", doc -> pins(doc, 10).put("COMX", "a.live"));
        mistakes.put("/parts/3/pins", doc -> pins(doc, 3).remove("b"));
        mistakes.put("/parts/11/watts", doc -> part(doc, 11).put("watts", 1e12));
        mistakes.put("/parts/11/powerFactor", doc -> part(doc, 11).put("powerFactor", 0));
        mistakes.put(
                "/parts/12/module/inputs/0/channel",
                doc -> ((ObjectNode) part(doc, 12).get("module").get("inputs").get(0)).put("channel", "7"));
        mistakes.put("/intent/0/load", doc -> ((ObjectNode) doc.get("intent").get(0)).put("load", "X7"));
        mistakes.put("/parts/0/circuit", doc -> part(doc, 0).remove("circuit"));

        assertSoftly(softly -> mistakes.forEach((pointer, mistake) -> {
            ObjectNode wrong = request.deepCopy();
            mistake.accept(wrong);
            Person.Answer answer = person.post(CHECK, wrong);
            softly.assertThat(answer.status()).as(pointer).isEqualTo(422);
            softly.assertThat(answer.body().path("errors").toString())
                    .as(pointer)
                    .contains("\"pointer\":\"" + pointer + "\"");
            softly.assertThat(answer.body().path("errors").path(0).path("found").asString(""))
                    .as(pointer)
                    .isNotBlank();
            softly.assertThat(answer.body()
                            .path("errors")
                            .path(0)
                            .path("expected")
                            .asString(""))
                    .as(pointer)
                    .isNotBlank();
        }));
    }

    @Test
    void whatIsNotJsonIsRefused() {
        assertSoftly(softly -> {
            for (String text : new String[] {
                "",
                "{",
                "[]",
                "null",
                "7",
                "\"wiring\"",
                "{\"format\":1,\"format\":2}",
                "[".repeat(2000),
                "{\"supply\":{\"nominalVolts\":1e999}}",
                "{} {}",
                "{\"parts\":[null,7]}"
            }) {
                Person.Answer answer = person.post(CHECK, text);
                softly.assertThat(answer.status())
                        .as(text.substring(0, Math.min(40, text.length())))
                        .isBetween(400, 422);
                softly.assertThat(answer.body().toString()).doesNotContain("Exception", "org.springframework");
            }
        });
    }

    @Test
    void anOversizedBodyIsRefused() {
        Person.Answer answer = person.post(CHECK, "{\"format\":\"" + "x".repeat(10_000_000) + "\"}");

        assertThat(answer.status()).isEqualTo(413);
        assertThat(answer.body().get("errors").get(0).get("expected").asString())
                .isEqualTo("at most 1048576 bytes");
    }

    @Test
    void thirtySwitchesInOneRegionAreRefused() {
        ArrayNode parts = (ArrayNode) request.get("parts");
        for (int i = 0; i < 30; i++) {
            parts.addObject()
                    .put("id", "T" + i)
                    .put("kind", "switch")
                    .put("mechanism", "ONE_WAY")
                    .putObject("pins")
                    .put("COM", "a.live")
                    .put("L1", "a.out");
        }

        Person.Answer answer = person.post(CHECK, request);

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().get("errors").get(0).get("found").asString()).startsWith("32 switches and channels");
    }

    /** Seeded senseless wirings: any answer will do, but never a fault of ours. */
    @Test
    void senselessWiringsNeverBreakTheClerk() {
        Random random = new Random(20260302);
        for (int round = 0; round < 300; round++) {
            ObjectNode wrong = request.deepCopy();
            ArrayNode parts = (ArrayNode) wrong.get("parts");
            for (int change = 0; change < 3; change++) {
                ObjectNode pins =
                        (ObjectNode) parts.get(random.nextInt(parts.size())).get("pins");
                pins.propertyNames().stream().toList().forEach(pin -> {
                    if (random.nextInt(3) == 0) {
                        pins.put(
                                pin,
                                new String[] {"cu.l", "cu.n", "cu.e", "a.live", "a.out", "x.l", "new"}
                                        [random.nextInt(7)]);
                    }
                });
            }
            assertThat(person.post(CHECK, wrong).status())
                    .as("round " + round + ": " + wrong)
                    .isIn(200, 422);
        }
    }

    private static ObjectNode part(ObjectNode document, int index) {
        return (ObjectNode) document.get("parts").get(index);
    }

    private static ObjectNode pins(ObjectNode document, int index) {
        return (ObjectNode) part(document, index).get("pins");
    }
}
