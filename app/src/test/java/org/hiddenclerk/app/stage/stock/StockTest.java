package org.hiddenclerk.app.stage.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The stock book through the API: changes with what they re-open, files row by row, and what is refused. */
@WithDatabase
class StockTest {
    private static int copies;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JsonMapper json;

    private Person person;

    @BeforeEach
    void open() {
        person = new Person(mvc);
    }

    /** A copy under a code of its own, so that no other test sees the change. */
    private String copyOf(String code) {
        String other = code + "-T" + ++copies;
        ObjectNode document = module(code).get("document").deepCopy().asObject().put("code", other);
        person.post("/api/v1/stock/modules", Map.of("document", document, "onHand", 3))
                .ok();
        return other;
    }

    private JsonNode module(String code) {
        return person.get("/api/v1/stock/modules/" + code).ok();
    }

    /** A module with another document, as many on the shelf as before. */
    private Person.Answer changed(JsonNode item, ObjectNode document) {
        return person.put(
                "/api/v1/stock/modules/" + item.get("document").get("code").asString(),
                Map.of(
                        "version",
                        item.get("version").asLong(),
                        "document",
                        document,
                        "onHand",
                        item.get("onHand").asInt(),
                        "retired",
                        false));
    }

    /** Whatever the locale of the machine is: the words are the clerk's own. */
    @Test
    void aRefusalSaysWhatIsExpectedAsTheEndOfASentence() {
        JsonNode item = module("SK-1");
        ObjectNode document = item.get("document").deepCopy().asObject().put("lengthMm", -3);
        JsonNode error = changed(item, document).body().path("errors").path(0);
        assertThat(error.path("pointer").asString()).isEqualTo("/document/lengthMm");
        assertThat(error.path("found").asString()).isEqualTo("-3");
        assertThat(error.path("expected").asString()).isEqualTo("at least 5");
    }

    @Test
    void aChangeSaysWhichVerdictsItReopened() {
        String code = copyOf("TG-1N");
        String box = person.demoBox("B-02");
        long version =
                person.get("/api/v1/boxes/" + box + "/plan").ok().get("version").asLong();
        JsonNode before = person.get("/api/v1/boxes/" + box + "/plan").ok().get("picks");
        person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of(
                                "version",
                                version,
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        code,
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of("1", "EVERY_FLIP")))))
                .ok();
        JsonNode item = module(code);
        ObjectNode document = item.get("document").deepCopy().asObject();
        document.putNull("lengthMm").putNull("widthMm").putNull("thicknessMm");

        JsonNode changed = changed(item, document).ok();

        assertThat(changed.get("reopened")).hasSize(1);
        JsonNode after = changed.get("reopened").get(0).get("after");
        assertThat(after.get("label").asString()).isEqualTo("B-02");
        assertThat(after.get("verdict").asString()).isEqualTo("HOLD");
        assertThat(person.get("/api/v1/boxes/" + box + "/plan")
                        .ok()
                        .get("findings")
                        .toString())
                .contains("FIGURE_UNKNOWN");
        assertThat(changed.get("module").get("unknown").toString()).contains("size");
        version =
                person.get("/api/v1/boxes/" + box + "/plan").ok().get("version").asLong();
        person.put("/api/v1/boxes/" + box + "/plan", Map.of("version", version, "picks", before))
                .ok();
    }

    @Test
    void onlyALeadChangesTheBook() {
        JsonNode item = module("TG-1N");

        assertThat(Person.fitter(mvc)
                        .put(
                                "/api/v1/stock/modules/TG-1N",
                                Map.of(
                                        "version",
                                        item.get("version").asLong(),
                                        "document",
                                        item.get("document"),
                                        "onHand",
                                        900,
                                        "retired",
                                        false))
                        .status())
                .isEqualTo(403);
        assertThat(module("TG-1N").get("onHand").asInt())
                .isEqualTo(item.get("onHand").asInt());
    }

    @Test
    void whatIsNoLongerBoughtIsNotOfferedAndStillKnown() {
        String code = copyOf("BR-1S");
        JsonNode item = module(code);
        person.put(
                        "/api/v1/stock/modules/" + code,
                        Map.of(
                                "version",
                                item.get("version").asLong(),
                                "document",
                                item.get("document"),
                                "onHand",
                                0,
                                "retired",
                                true))
                .ok();

        assertThat(module(code).get("retired").asBoolean()).isTrue();
        assertThat(person.get("/api/v1/boxes/" + person.demoBox("B-02") + "/match?gangs=1")
                        .ok()
                        .toString())
                .doesNotContain("\"" + code + "\"");
    }

    @Test
    void aModuleThatContradictsItselfIsRefusedAtItsPlace() {
        ObjectNode document =
                module("TG-1N").get("document").deepCopy().asObject().put("code", "WRONG");
        document.withArray("channels").get(0).asObject().put("to", "Z9");

        Person.Answer answer = person.post("/api/v1/stock/modules", Map.of("document", document, "onHand", 0));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.pointer()).isEqualTo("/document/channels/0/to");
    }

    @Test
    void aTableIsTakenRowByRow() {
        String code = copyOf("TG-1N");
        String csv = "code,like,led_w,price_cents,on_hand,markets\n" + code + ",,175,unknown,7,EU AU\n" + code + "B,"
                + code + ",90,1200,,\nNOWHERE,,5,,,\n" + code + ",,much,,,\n" + code + ",,,,-4,\n";

        JsonNode report = person.post("/api/v1/stock/import?format=CSV&apply=true", Map.of("text", csv))
                .ok();

        assertThat(report.get("changed").asInt()).isEqualTo(1);
        assertThat(report.get("added").asInt()).isEqualTo(1);
        List<Integer> rows = new ArrayList<>();
        report.get("refused").forEach(row -> rows.add(row.get("row").asInt()));
        assertThat(rows).containsExactly(3, 4, 5);
        assertThat(report.get("applied").asBoolean())
                .as("a row refused, none taken")
                .isFalse();
        String sound = csv.substring(0, csv.indexOf("NOWHERE"));
        assertThat(person.post("/api/v1/stock/import?format=CSV", Map.of("text", sound))
                        .ok()
                        .get("added")
                        .asInt())
                .as("a try")
                .isEqualTo(1);
        assertThat(person.get("/api/v1/stock").ok().toString()).doesNotContain("\"" + code + "B\"");
        assertThat(person.post("/api/v1/stock/import?format=CSV&apply=true", Map.of("text", sound))
                        .ok()
                        .get("applied")
                        .asBoolean())
                .isTrue();
        JsonNode changed = module(code);
        assertThat(changed.get("onHand").asInt()).isEqualTo(7);
        assertThat(changed.get("document").get("markets").toString()).contains("EU", "AU");
        assertThat(changed.get("document").hasNonNull("priceCents")).isFalse();
        assertThat(changed.get("document").toString()).contains("\"watts\":175");
        assertThat(module(code + "B").get("document").get("terminals"))
                .isEqualTo(changed.get("document").get("terminals"));
    }

    @Test
    void theFileTakenInAgainChangesNothing() {
        String before = person.get("/api/v1/stock/export?format=JSON").ok().toString();

        JsonNode report = person.post("/api/v1/stock/import?format=JSON&apply=true", Map.of("text", before))
                .ok();

        assertThat(report.get("refused")).isEmpty();
        assertThat(person.get("/api/v1/stock/export?format=JSON").ok().toString())
                .isEqualTo(before);
    }

    @Test
    void accessoriesAreInTheFileToo() {
        JsonNode cap = person.get("/api/v1/stock/export?format=JSON")
                .ok()
                .get("accessories")
                .get(0);
        String code = cap.get("code").asString();
        String file = json.writeValueAsString(Map.of(
                "accessories",
                List.of(
                        cap.deepCopy().asObject().put("onHand", 77),
                        cap.deepCopy().asObject().put("code", "TG-1N"),
                        cap.deepCopy().asObject().put("kind", "ANVIL"))));

        JsonNode report = person.post("/api/v1/stock/import?format=JSON&apply=true", Map.of("text", file))
                .ok();

        assertThat(report.get("changed").asInt()).isEqualTo(1);
        assertThat(report.get("refused")).hasSize(2);
        assertThat(report.get("refused")
                        .get(0)
                        .get("problems")
                        .get(0)
                        .get("pointer")
                        .asString())
                .isEqualTo("/code");
        person.post(
                        "/api/v1/stock/import?format=JSON&apply=true",
                        Map.of(
                                "text",
                                json.writeValueAsString(Map.of(
                                        "accessories",
                                        List.of(cap.deepCopy().asObject().put("onHand", 77))))))
                .ok();
        JsonNode kept = person.get("/api/v1/stock/export?format=JSON")
                .ok()
                .get("accessories")
                .get(0);
        assertThat(kept.get("code").asString()).isEqualTo(code);
        assertThat(kept.get("onHand").asInt()).isEqualTo(77);
        person.post(
                "/api/v1/stock/import?format=JSON&apply=true",
                Map.of("text", json.writeValueAsString(Map.of("accessories", List.of(cap)))));
    }

    /** The shipped modules by the published schema. */
    @Test
    void whatShipsIsOfThePublishedFormat() throws IOException {
        Schema schema = published("module");
        Schema accessories = published("accessory");
        JsonNode file = person.get("/api/v1/stock/export?format=JSON").ok();
        assertSoftly(softly -> file.get("modules").forEach(module -> softly.assertThat(schema.validate(module))
                .as(module.get("code").asString())
                .isEmpty()));
        assertSoftly(softly -> file.get("accessories")
                .forEach(accessory -> softly.assertThat(accessories.validate(accessory))
                        .as(accessory.get("code").asString())
                        .isEmpty()));
        ObjectNode wrong = file.get("modules").get(0).deepCopy().asObject();
        wrong.remove("protocol");
        assertThat(schema.validate(wrong)).isNotEmpty();
    }

    private static Schema published(String name) throws IOException {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("../docs/formats/" + name + ".schema.json")));
    }

    @Test
    void ledLampsAreNeverGuessed() {
        JsonNode estimates = person.get("/api/v1/stock/estimates").ok();
        ObjectNode shares = estimates.get("shares").deepCopy().asObject().put("LED_LAMP", 0.5);

        assertThat(person.put(
                                "/api/v1/stock/estimates",
                                Map.of("version", estimates.get("version").asLong(), "shares", shares))
                        .status())
                .isEqualTo(422);
        assertThat(json.writeValueAsString(
                        person.get("/api/v1/stock/estimates").ok().get("shares")))
                .doesNotContain("LED_LAMP");
    }
}
