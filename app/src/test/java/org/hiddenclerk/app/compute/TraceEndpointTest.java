package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
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

/** A trace over the API: answers, and mistakes with their places. */
@WithDatabase
class TraceEndpointTest {
    private static final String TRACE = "/api/v1/compute/trace";

    @Autowired
    private MockMvc mvc;

    private Person person;
    private ObjectNode request;

    @BeforeEach
    void readARequest() {
        person = new Person(mvc);
        request = (ObjectNode) new JsonMapper()
                .readTree(Path.of("src/test/resources/examples/trace/02-two-way-pair.json")
                        .toFile())
                .get("request");
    }

    @Test
    void tellsTheNextReadingUntilDone() {
        ((ArrayNode) request.get("readings")).removeAll();

        JsonNode open = person.post(TRACE, request).ok();
        assertThat(open.get("done").asBoolean()).isFalse();
        assertThat(open.get("nextTest").get("leavesIfTrue").asInt()
                        + open.get("nextTest").get("leavesIfFalse").asInt())
                .isGreaterThanOrEqualTo(open.get("possible").size());

        ((ArrayNode) request.get("readings"))
                .add(((ObjectNode) open.get("nextTest").get("reading"))
                        .deepCopy()
                        .put("value", true));
        JsonNode after = person.post(TRACE, request).ok();
        assertThat(after.get("possible"))
                .hasSize(open.get("nextTest").get("leavesIfTrue").asInt());
    }

    @Test
    void mistakesAreToldAtTheirPlace() {
        Map<String, Consumer<ObjectNode>> mistakes = new LinkedHashMap<>();
        mistakes.put("/boxes/0/switch", doc -> box(doc, 0).put("switch", "THREE_WAY"));
        mistakes.put("/boxes/1/id", doc -> box(doc, 1).put("id", "A"));
        mistakes.put("/boxes/0/cores/0/at", doc -> core(doc, 0).put("at", "L9"));
        mistakes.put("/boxes/0/cores/1/id", doc -> core(doc, 1).put("id", "A1"));
        mistakes.put("/boxes/0/cores", doc -> core(doc, 1).put("at", "joint:1"));
        mistakes.put("/readings/0/live", doc -> reading(doc).put("live", "Z9"));
        mistakes.put("/readings/0/with", doc -> ((ObjectNode) reading(doc).get("with")).remove("B"));
        mistakes.put("/readings/0/with/Q", doc -> ((ObjectNode) reading(doc).get("with")).put("Q", 1));
        mistakes.put("/colour", doc -> doc.put("colour", "red"));

        assertSoftly(softly -> mistakes.forEach((pointer, mistake) -> {
            ObjectNode wrong = request.deepCopy();
            mistake.accept(wrong);
            Person.Answer answer = person.post(TRACE, wrong);
            softly.assertThat(answer.status()).as(pointer).isEqualTo(422);
            softly.assertThat(answer.body().path("errors").toString())
                    .as(pointer)
                    .contains("\"pointer\":\"" + pointer + "\"");
        }));
    }

    private static ObjectNode box(ObjectNode document, int number) {
        return (ObjectNode) document.get("boxes").get(number);
    }

    private static ObjectNode core(ObjectNode document, int number) {
        return (ObjectNode) box(document, 0).get("cores").get(number);
    }

    private static ObjectNode reading(ObjectNode document) {
        return (ObjectNode) document.get("readings").get(0);
    }
}
