package org.hiddenclerk.app.stage.fitting;

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
        lead.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
        lead.post(sheetPath(""), null).ok();
    }

    /** A second box on the circuit, with a sheet of its own. */
    private void openAnother(Person who) {
        box = house.box("V");
        house.pick(box, "WX-10");
        lead.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
        who.post(sheetPath(""), null).ok();
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
        step.get("readings")
                .forEach(reading -> readings.put(
                        reading.get("id").asString(),
                        reading.get("least")
                                .decimalValue()
                                .add(reading.get("most").decimalValue())
                                .divide(BigDecimal.valueOf(2))));
        return new LinkedHashMap<>(
                Map.of("stepId", step.get("id").asString(), "confirmed", confirmed, "readings", readings, "note", ""));
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
        fitter.post(sheetPath("/lock"), null).ok();
        List<JsonNode> items = new ArrayList<>();
        step("label").get("confirms").forEach(items::add);
        List<CompletableFuture<Person.Answer>> sent = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            Person who = i % 2 == 0 ? lead : fitter;
            Map<String, Object> tick =
                    Map.of("stepId", "label", "item", items.get(i).get("id").asString(), "on", true);
            sent.add(CompletableFuture.supplyAsync(() -> who.post(sheetPath("/ticks"), tick)));
        }
        sent.forEach(answer -> answer.join().ok());

        assertThat(step("label").get("ticks")).hasSameSizeAs(items);
        assertThat(step("label").get("ticks"))
                .extracting(tick -> tick.get("who").asString())
                .contains("H. Reed");
        fitter.post(
                        sheetPath("/entries"),
                        Map.of("stepId", "label", "confirmed", List.of(), "readings", Map.of(), "note", ""))
                .ok();
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
            assertThat(lead.post(sheetPath("/entries"), entry(step)).status())
                    .as(id)
                    .isEqualTo(422);
            assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", id, "reason", "no time"))
                            .status())
                    .as(id)
                    .isEqualTo(422);
            tried += 2;
            for (JsonNode confirm : step.get("confirms")) {
                assertThat(lead.post(
                                        sheetPath("/ticks"),
                                        Map.of(
                                                "stepId",
                                                id,
                                                "item",
                                                confirm.get("id").asString(),
                                                "on",
                                                true))
                                .status())
                        .isEqualTo(422);
                tried++;
            }
            for (JsonNode reading : step.get("readings")) {
                assertThat(lead.post(
                                        sheetPath("/measurements"),
                                        Map.of(
                                                "stepId",
                                                id,
                                                "item",
                                                reading.get("id").asString(),
                                                "value",
                                                0))
                                .status())
                        .isEqualTo(422);
                tried++;
            }
        }
        assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", "identify", "reason", "no time"))
                        .status())
                .as("a gate is never left out")
                .isEqualTo(422);
        assertThat(sheet().get("done").asInt()).isZero();
        assertThat(sheet().get("refusals"))
                .hasSize(tried + 1)
                .allSatisfy(refusal -> assertThat(refusal.get("who").asString()).isNotEmpty());
    }

    /** What cannot be measured everywhere may be left out with a reason; what is planned is done. */
    @Test
    void onlyWhatMayBeIsLeftOutAndMovesGoInAnyOrder() {
        enterUntil("insulation");
        assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", "insulation", "reason", " "))
                        .status())
                .isEqualTo(422);
        lead.post(sheetPath("/skips"), Map.of("stepId", "insulation", "reason", "lamps behind plaster"))
                .ok();
        assertThat(step("insulation").get("done").get("skipped").asBoolean()).isTrue();
        assertThat(lead.post(sheetPath("/skips"), Map.of("stepId", "move-2", "reason", "was on it already"))
                        .status())
                .isEqualTo(422);
        fitter.post(sheetPath("/lock"), null).ok();
        enter(fitter, "move-2").ok();
        enter(lead, "move-1").ok();
    }

    @Test
    void aCircuitIsSwitchedOnOnlyWhenEverybodyHasSignedOff() {
        enterUntil("energise-open");
        fitter.post(sheetPath("/lock"), null).ok();
        assertThat(sheet().get("locks"))
                .extracting(lock -> lock.get("person").asString())
                .containsExactlyInAnyOrder("M. Tarrow", "H. Reed");
        Person.Answer refused = enter(lead, "energise-open");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("locked by H. Reed");
        assertThat(sheet().get("refusals").get(0).get("why").asString()).contains("locked by H. Reed");

        fitter.post(sheetPath("/sign-off"), null).ok();
        assertThat(fitter.post(sheetPath("/sign-off"), null).status())
                .as("nothing hangs any more")
                .isEqualTo(409);
        assertThat(enter(lead, "energise-open").status())
                .as("a lock came off: isolated and proved again first")
                .isEqualTo(422);
        enterUntil("energise-open");
        enter(lead, "energise-open").ok();
        assertThat(sheet().get("locks")).isEmpty();
    }

    /** Dead work needs the own lock. */
    @Test
    void nobodyWorksWhereNoLockOfHisOwnHangs() {
        enterUntil("label");
        Map<String, Object> tick = Map.of(
                "stepId",
                "label",
                "item",
                step("label").get("confirms").get(0).get("id").asString(),
                "on",
                true);
        Person.Answer refused = fitter.post(sheetPath("/ticks"), tick);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("no lock of yours hangs on circuit 1 for W");
        fitter.post(sheetPath("/lock"), null).ok();
        fitter.post(sheetPath("/ticks"), tick).ok();
    }

    /** The circuit of two boxes: what one does sends the other back to isolate, and the strip never says two things. */
    @Test
    void whatOneDoesToACircuitTheOtherBoxKnows() {
        String first = box;
        enterUntil("energise-open");
        openAnother(lead);
        enterUntil("move-1");
        enter(lead, "move-1").ok();
        assertThat(strip()).containsOnly("PROVED_DEAD");

        String second = box;
        box = first;
        assertThat(enter(lead, "energise-open").body().toString()).contains("locked by M. Tarrow for V");
        box = second;
        lead.post(sheetPath("/sign-off"), null).ok();
        assertThat(step("switch-off").hasNonNull("done"))
                .as("V is isolated again")
                .isFalse();
        assertThat(step("move-1").hasNonNull("done")).as("what was wired stays").isTrue();
        assertThat(enter(lead, "move-2").status()).isEqualTo(422);
        assertThat(strip()).doesNotContain("PROVED_DEAD");

        box = first;
        assertThat(step("switch-off").hasNonNull("done"))
                .as("W is isolated again")
                .isFalse();
        enterUntil("energise-open");
        assertThat(enter(lead, "energise-open").body().toString()).contains("wiring is open in V");
    }

    private List<String> strip() {
        List<String> said = new ArrayList<>();
        lead.get("/api/v1/jobs/" + house.job())
                .ok()
                .get("isolation")
                .forEach(line -> said.add(line.get("state").asString()));
        return said;
    }

    /** Two presses at the same moment: a box has one open sheet. */
    @Test
    void aBoxHasAtMostOneOpenSheet() {
        box = house.box("U");
        house.pick(box, "WX-10");
        lead.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
        List<CompletableFuture<Person.Answer>> sent = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            sent.add(CompletableFuture.supplyAsync(() -> lead.post(sheetPath(""), null)));
        }
        assertThat(sent.stream().map(answer -> answer.join().status()).sorted().toList())
                .containsExactly(201, 409, 409, 409);
    }

    @Test
    void noSheetIsFinishedWithoutThePhotoItAsksFor() {
        enterUntil("final-tests");
        Person.Answer refused = enter(lead, "final-tests");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("no photo of W");
        lead.photograph(box);
        assertThat(enter(lead, "final-tests").ok().get("finished").asBoolean()).isTrue();
    }

    @Test
    void aMistypedValueIsPutRightAndNothingElseIsRepeated() {
        enterUntil("insulation-again");
        String reading =
                step("insulation-again").get("readings").get(0).get("id").asString();
        JsonNode stopped = lead.post(
                        sheetPath("/entries"),
                        Map.of(
                                "stepId",
                                "insulation-again",
                                "confirmed",
                                List.of(),
                                "readings",
                                Map.of(reading, 0.5),
                                "note",
                                ""))
                .ok();
        assertThat(stopped.get("stopped").get("correctable").asBoolean()).isTrue();
        assertThat(stopped.get("isolation").asString()).isEqualTo("PROVED_DEAD");
        int done = stopped.get("done").asInt();
        JsonNode corrected = lead.post(
                        sheetPath("/corrections"),
                        Map.of(
                                "stepId",
                                "insulation-again",
                                "item",
                                reading,
                                "value",
                                500,
                                "reason",
                                "the meter shows 500"))
                .ok();
        assertThat(corrected.hasNonNull("stopped")).isFalse();
        assertThat(corrected.get("done").asInt()).isEqualTo(done);
        enter(lead, "insulation-again").ok();
    }

    /** Somebody works on another box of the circuit. */
    @Test
    void aLockForAnotherBoxKeepsTheCircuitOff() {
        String first = box;
        enterUntil("energise-open");
        openAnother(fitter);
        enter(fitter, "identify").ok();
        enter(fitter, "switch-off").ok();
        box = first;
        assertThat(enter(lead, "energise-open").body().toString()).contains("locked by H. Reed for V");
    }

    @Test
    void poorInsulationStopsTheSheet() {
        enterUntil("insulation");
        Map<String, Object> entry = entry(step("insulation"));
        @SuppressWarnings("unchecked")
        Map<String, Object> readings = (Map<String, Object>) entry.get("readings");
        readings.replaceAll((id, value) -> id.startsWith("insulation") ? new BigDecimal("0.4") : value);
        JsonNode stopped = lead.post(sheetPath("/entries"), entry).ok();
        assertThat(stopped.get("stopped").get("reason").asString()).contains("0.4", "1\u2009M\u03a9 or more passes");
    }

    @Test
    void whatIsOtherwiseThanDrawnGoesBackToTrace() {
        enterUntil("label");
        lead.post(sheetPath("/found-otherwise"), Map.of("reason", "a third cable, brown and blue, from above"))
                .ok();
        assertThat(sheet().hasNonNull("stopped")).isTrue();
        assertThat(trace()).isEqualTo("REOPENED");
        JsonNode found =
                lead.get("/api/v1/boxes/" + box + "/found-otherwise").ok().get(0);
        lead.post("/api/v1/found-otherwise/" + found.get("id").asString() + "/settle", null)
                .ok();
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
