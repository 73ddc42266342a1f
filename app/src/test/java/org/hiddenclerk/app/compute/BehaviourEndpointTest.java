package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The computation of a behaviour as it is served. */
@WithDatabase
class BehaviourEndpointTest {
    private static final String PATH = "/api/v1/compute/behaviour";

    @Autowired
    private MockMvc mvc;

    private final JsonNode example =
            JsonMapper.builder().build().readTree(new File("src/test/resources/examples/behaviour/05-every-flip.json"));

    @Test
    void answersAsPublishedAndLeavesOutWhatIsNot() {
        assertThat(new Person(mvc).post(PATH, example.get("request")).ok()).isEqualTo(example.get("expect"));
    }

    @Test
    void aCostThatCannotBeIsNullAndNotLeftOut() {
        ObjectNode only = example.get("request").deepCopy().asObject().put("behaviour", "REPORT_ONLY");
        JsonNode cost = new Person(mvc).post(PATH, only).ok().get("cost");
        assertThat(cost.get("handAfterRemote").isNull()).isTrue();
    }

    @Test
    void whatIsWrongIsRefusedWithItsPlace() {
        Person person = new Person(mvc);
        ObjectNode request = example.get("request").deepCopy().asObject();
        request.get("parameters").asObject().put("minimumBlinkMs", 900);
        Person.Answer refused = person.post(PATH, request);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.pointer()).isEqualTo("/parameters/minimumBlinkMs");
        assertThat(person.post(
                                PATH,
                                example.get("request").deepCopy().asObject().put("colour", "red"))
                        .pointer())
                .isEqualTo("/colour");
    }
}
