package org.hiddenclerk.app.stage.ordering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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
import tools.jackson.databind.node.ObjectNode;

/** What the demo house takes, and goods that arrive for it. */
@WithDatabase
class PickListTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private String job;

    @BeforeEach
    void open() {
        person = new Person(mvc);
        job = person.demoJob();
    }

    private List<JsonNode> lines() {
        List<JsonNode> lines = new ArrayList<>();
        person.get("/api/v1/jobs/" + job + "/pick-list").ok().forEach(order -> order.get("lines")
                .forEach(lines::add));
        return lines;
    }

    private JsonNode lineOf(String kind) {
        for (JsonNode line : lines()) {
            if (line.get("kind").asString().equals(kind) && line.get("toOrder").asDouble() > 0) {
                return line;
            }
        }
        throw new AssertionError("no " + kind + " to order");
    }

    @Test
    void whatIsOnTheShelfOrArrivedIsNotOrdered() {
        for (JsonNode line : lines()) {
            double total = line.get("needed").asDouble() + line.get("spare").asDouble();
            assertThat(line.get("toOrder").asDouble())
                    .as(line.toString())
                    .isCloseTo(
                            Math.max(
                                    0,
                                    total
                                            - line.get("onHand").asDouble()
                                            - line.get("arrived").asDouble()),
                            within(1e-9));
        }
        JsonNode module = lineOf("MODULE");
        String code = module.get("code").asString();
        person.post(
                        "/api/v1/jobs/" + job + "/goods-in",
                        Map.of("code", code, "quantity", 1, "serials", List.of("SN-1-" + code)))
                .ok();

        JsonNode after = null;
        for (JsonNode line : lines()) {
            after = line.get("code").asString().equals(code) ? line : after;
        }
        assertThat(after.get("toOrder").asInt()).isEqualTo(module.get("toOrder").asInt() - 1);
        assertThat(after.get("serials").toString()).contains("SN-1-" + code);
    }

    @Test
    void whatASupplierGetsIsSummedWithoutWhatHasNoPrice() {
        for (JsonNode order : person.get("/api/v1/jobs/" + job + "/pick-list").ok()) {
            double sum = 0;
            boolean unpriced = false;
            for (JsonNode line : order.get("lines")) {
                sum += line.hasNonNull("price") ? line.get("price").asDouble() : 0;
                unpriced |= !line.hasNonNull("price") && line.get("toOrder").asDouble() > 0;
            }
            assertThat(order.get("sum").asDouble()).isCloseTo(sum, within(0.005));
            assertThat(order.get("unpriced").asBoolean()).isEqualTo(unpriced);
        }
    }

    /** 17 labels are one pack of 100 at 8.90, and not 17 packs at 151.30. */
    @Test
    void whatComesInPacksIsPaidByThePack() {
        JsonNode labels = lineOf("LABEL");
        int packs = labels.get("packs").get("packs").asInt();

        assertThat(labels.get("packs").get("pieces").asInt()).isEqualTo(100);
        assertThat(packs).isEqualTo((labels.get("toOrder").asInt() + 99) / 100);
        assertThat(labels.get("packs").get("left").asInt())
                .isEqualTo(packs * 100 - labels.get("toOrder").asInt());
        assertThat(labels.get("price").asDouble()).isCloseTo(packs * 8.90, within(1e-9));
        assertThat(lineOf("MODULE").has("packs"))
                .as("a module is bought singly")
                .isFalse();
    }

    /** A quote: what the plans take, and the hours by what an hour costs. */
    @Test
    void aJobHasItsCost() {
        JsonNode trade = person.get("/api/v1/stock/trade").ok();
        ObjectNode document = trade.get("document")
                .deepCopy()
                .asObject()
                .put("currency", "CHF")
                .put("taxPercent", 8)
                .put("hour", 90);
        assertThat(person.put(
                                "/api/v1/stock/trade",
                                Map.of(
                                        "version",
                                        trade.get("version"),
                                        "document",
                                        document.deepCopy().put("taxPercent", 80)))
                        .status())
                .isEqualTo(422);
        JsonNode kept = person.put("/api/v1/stock/trade", Map.of("version", trade.get("version"), "document", document))
                .ok();
        JsonNode cost = person.get("/api/v1/jobs/" + job + "/cost").ok();

        assertThat(cost.get("currency").asString()).isEqualTo("CHF");
        assertThat(cost.get("minutes").asInt()).isPositive();
        assertThat(cost.get("labour").asDouble()).isCloseTo(cost.get("minutes").asInt() * 1.5, within(0.005));
        double net = cost.get("modules").asDouble()
                + cost.get("smallParts").asDouble()
                + cost.get("labour").asDouble();
        assertThat(cost.get("net").asDouble()).isCloseTo(net, within(0.005));
        assertThat(cost.get("total").asDouble()).isCloseTo(net * 1.08, within(0.01));
        double modules = lines().stream()
                .filter(line -> line.get("kind").asString().equals("MODULE"))
                .mapToDouble(line ->
                        line.get("needed").asDouble() * priceOf(line.get("code").asString()))
                .sum();
        assertThat(cost.get("modules").asDouble())
                .as("what is on the shelf is no gift")
                .isCloseTo(modules, within(0.005));
        assertThat(person.get("/api/v1/jobs/" + job + "/pick-list")
                        .ok()
                        .get(0)
                        .get("currency")
                        .asString())
                .isEqualTo("CHF");
        assertThat(Person.fitter(mvc).get("/api/v1/jobs/" + job + "/cost").status())
                .isEqualTo(403);
        person.put("/api/v1/stock/trade", Map.of("version", kept.get("version"), "document", trade.get("document")))
                .ok();
    }

    private double priceOf(String code) {
        return person.get("/api/v1/stock/modules/" + code)
                        .ok()
                        .get("document")
                        .path("priceCents")
                        .asInt(0)
                / 100.0;
    }

    @Test
    void aSerialComesInOnce() {
        String code = lineOf("MODULE").get("code").asString();
        Map<String, Object> arrival = Map.of("code", code, "quantity", 1, "serials", List.of("SN-TWICE"));
        person.post("/api/v1/jobs/" + job + "/goods-in", arrival).ok();

        Person.Answer again = person.post("/api/v1/jobs/" + job + "/goods-in", arrival);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.pointer()).isEqualTo("/serials");
        assertThat(person.post(
                                "/api/v1/jobs/" + job + "/goods-in",
                                Map.of("code", "NOT-LISTED", "quantity", 1, "serials", List.of()))
                        .pointer())
                .isEqualTo("/code");
    }
}
