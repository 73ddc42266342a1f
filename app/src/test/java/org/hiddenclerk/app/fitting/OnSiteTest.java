package org.hiddenclerk.app.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Two people on one run sheet: ticks that add up, locks, bypasses that are refused and written down, what is otherwise than drawn. */
@WithDatabase
class OnSiteTest {
    @Autowired
    private MockMvc mvc;
    private Person lead;
    private Person fitter;
    private SmallHouse house;
    private String box;

    @BeforeEach
    void open() {
        lead = new Person(mvc);
        fitter = Person.named(mvc, "H. Reed");
        house = new SmallHouse(lead);
        box = house.box("W");
        house.pick(box, "WX-10");
        lead.post("/api/v1/boxes/" + box + "/plan/issue", Map.of("version", house.plan(box).get("version").asLong())).ok();
        lead.post(sheetPath(""), null).ok();
    }

    private String sheetPath(String more) {
        return "/api/v1/boxes/" + box + "/run-sheet" + more;
    }

    private JsonNode sheet() {
        return lead.get(sheetPath("")).ok().get("sheet");
    }

    private JsonNode step(String id) {
        for (JsonNode step : sheet().get("steps")) {
            if (step.get("id").asString().equals(id)) {
                return step;
            }
        }
        throw new AssertionError(id);
    }

    private static Map<String, Object> entry(JsonNode step) {
        List<String> confirmed = new ArrayList<>();
        step.get("confirms").forEach(confirm -> confirmed.add(confirm.get("id").asString()));
        Map<String, Object> readings = new LinkedHashMap<>();
        step.get("readings").forEach(reading -> readings.put(reading.get("id").asString(), reading.get("least").decimalValue()
                .add(reading.get("most").decimalValue()).divide(BigDecimal.valueOf(2))));
        return new LinkedHashMap<>(Map.of("stepId", step.get("id").asString(), "confirmed", confirmed, "readings", readings, "note", ""));
    }

    private Person.Answer enter(Person who, String step) {
        return who.post(sheetPath("/entries"), entry(step(step)));
    }

    private void enterUntil(String last) {
        for (JsonNode step : sheet().get("steps")) {
            if (step.get("id").asString().equals(last)) {
                return;
            }
            if (!step.hasNonNull("done")) {
                enter(lead, step.get("id").asString()).ok();
            }
        }
    }

    @Test
    void ticksOfTwoPeopleAtTheSameMomentAddUp() {
        enterUntil("label");
        List<JsonNode> items = new ArrayList<>();
        step("label").get("confirms").forEach(items::add);
        List<CompletableFuture<Person.Answer>> sent = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            Person who = i % 2 == 0 ? lead : fitter;
            Map<String, Object> tick = Map.of("stepId", "label", "item", items.get(i).get("id").asString(), "on", true);
            sent.add(CompletableFuture.supplyAsync(() -> who.post(sheetPath("/ticks"), tick)));
        }
        sent.forEach(answer -> answer.join().ok());

        assertThat(step("label").get("ticks")).hasSameSizeAs(items);
        assertThat(step("label").get("ticks")).extracting(tick -> tick.get("who").asString()).contains("H. Reed");
        fitter.post(sheetPath("/entries"), Map.of("stepId", "label", "confirmed", List.of(), "readings", Map.of(), "note", "")).ok();
        assertThat(step("label").hasNonNull("done")).isTrue();
    }

    @Test
    void whatIsSentTwiceCountsOnce() {
        Map<String, Object> entry = entry(step("identify"));
        entry.put("key", "phone-1");
        lead.post(sheetPath("/entries"), entry).ok();
        JsonNode again = lead.post(sheetPath("/entries"), entry).ok();
        assertThat(again.get("done").asInt()).isEqualTo(1);
    }

    @Test
    void everyWayPastAGateIsRefusedAndWrittenDown() {
        int tried = 0;
        for (JsonNode step : sheet().get("steps")) {
            if (step.get("open").asBoolean()) {
                continue;
            }
            String id = step.get("id").asString();
            assertThat(lead.post(sheetPath("/entries"), entry(step)).status()).as(id).isEqualTo(422);
            assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", id, "reason", "no time")).status()).as(id).isEqualTo(422);
            tried += 2;
            for (JsonNode confirm : step.get("confirms")) {
                assertThat(lead.post(sheetPath("/ticks"), Map.of("stepId", id, "item", confirm.get("id").asString(), "on", true)).status()).isEqualTo(422);
                tried++;
            }
            for (JsonNode reading : step.get("readings")) {
                assertThat(lead.post(sheetPath("/measurements"), Map.of("stepId", id, "item", reading.get("id").asString(), "value", 0)).status()).isEqualTo(422);
                tried++;
            }
        }
        assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", "identify", "reason", "no time")).status()).as("a gate is never left out").isEqualTo(422);
        assertThat(sheet().get("done").asInt()).isZero();
        assertThat(sheet().get("refusals")).hasSize(tried + 1).allSatisfy(refusal -> assertThat(refusal.get("who").asString()).isNotEmpty());
    }

    @Test
    void aMoveMayBeLeftOutWithAReasonAndMovesGoInAnyOrder() {
        enterUntil("move-1");
        assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", "move-2", "reason", " ")).status()).isEqualTo(422);
        lead.post(sheetPath("/skips"), Map.of("stepId", "move-2", "reason", "was on it already")).ok();
        enter(fitter, "move-1").ok();
        assertThat(step("move-2").get("done").get("skipped").asBoolean()).isTrue();
    }

    @Test
    void aCircuitIsSwitchedOnOnlyWhenEverybodyHasSignedOff() {
        enterUntil("energise-open");
        fitter.post(sheetPath("/lock"), null).ok();
        assertThat(sheet().get("locks")).extracting(lock -> lock.get("person").asString()).containsExactlyInAnyOrder("M. Tarrow", "H. Reed");
        Person.Answer refused = enter(lead, "energise-open");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("locked by H. Reed");
        assertThat(sheet().get("refusals").get(0).get("why").asString()).contains("locked by H. Reed");

        fitter.post(sheetPath("/sign-off"), null).ok();
        assertThat(fitter.post(sheetPath("/sign-off"), null).status()).as("nothing hangs any more").isEqualTo(409);
        enter(lead, "energise-open").ok();
        assertThat(sheet().get("locks")).isEmpty();
    }

    /** Somebody works on another box of the circuit. */
    @Test
    void aLockForAnotherBoxKeepsTheCircuitOff() {
        String first = box;
        enterUntil("energise-open");
        box = house.box("V");
        house.pick(box, "WX-10");
        lead.post("/api/v1/boxes/" + box + "/plan/issue", Map.of("version", house.plan(box).get("version").asLong())).ok();
        fitter.post(sheetPath(""), null).ok();
        enter(fitter, "identify").ok();
        enter(fitter, "switch-off").ok();
        box = first;
        assertThat(enter(lead, "energise-open").body().toString()).contains("locked by H. Reed for V");
    }

    @Test
    void poorInsulationStopsTheSheet() {
        enterUntil("test-wiring");
        Map<String, Object> entry = entry(step("test-wiring"));
        @SuppressWarnings("unchecked")
        Map<String, Object> readings = (Map<String, Object>) entry.get("readings");
        readings.replaceAll((id, value) -> id.startsWith("insulation") ? new BigDecimal("0.4") : value);
        JsonNode stopped = lead.post(sheetPath("/entries"), entry).ok();
        assertThat(stopped.get("stopped").get("reason").asString()).contains("0.4", "1 to");
    }

    @Test
    void whatIsOtherwiseThanDrawnGoesBackToTrace() {
        enterUntil("label");
        lead.post(sheetPath("/found-otherwise"), Map.of("reason", "a third cable, brown and blue, from above")).ok();
        assertThat(sheet().hasNonNull("stopped")).isTrue();
        assertThat(trace()).isEqualTo("REOPENED");
        JsonNode found = lead.get("/api/v1/boxes/" + box + "/found-otherwise").ok().get(0);
        lead.post("/api/v1/found-otherwise/" + found.get("id").asString() + "/settle", null).ok();
        assertThat(trace()).isNotEqualTo("REOPENED");
    }

    private String trace() {
        for (JsonNode each : lead.get("/api/v1/jobs/" + house.job()).ok().get("boxes")) {
            if (each.get("id").asString().equals(box)) {
                for (JsonNode stage : each.get("stages")) {
                    if (stage.get("stage").asString().equals("TRACE")) {
                        return stage.get("progress").asString();
                    }
                }
            }
        }
        throw new AssertionError(box);
    }
}
