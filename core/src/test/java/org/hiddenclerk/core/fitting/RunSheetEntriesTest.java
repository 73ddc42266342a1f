package org.hiddenclerk.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.fitting.RunSheet.Isolation;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a run sheet takes and what it refuses, entry by entry, on a sheet short enough to be seen whole. */
class RunSheetEntriesTest {
    private static final Instant NOW = Instant.parse("2026-03-02T09:41:00Z");
    private static final Instant LATER = Instant.parse("2026-03-02T10:00:00Z");

    private static final Step OFF = step("off", Phase.ISOLATE, true, Effect.SWITCHED_OFF, false, List.of());
    private static final Step DEAD =
            step("dead", Phase.ISOLATE, true, Effect.PROVED_DEAD, false, List.of(reading("v", "V", 0, 10)));
    private static final Step MOVE = step("move", Phase.WIRE, false, Effect.NONE, false, List.of());
    private static final Step TUG = step("tug", Phase.WIRE, false, Effect.NONE, true, List.of());
    private static final Step TEST = step(
            "test",
            Phase.WIRE,
            true,
            Effect.NONE,
            false,
            List.of(reading("r1", "MΩ", 1, 9999), reading("r2", "MΩ", 1, 9999)));
    private static final Step LIVE = step("live", Phase.FUNCTION, true, Effect.LIVE_WHILE_OPEN, false, List.of());
    private static final Step ON =
            step("on", Phase.FINAL, true, Effect.LIVE_AND_CLOSED, false, List.of(reading("w", "W", 0, 100)));
    private static final List<Step> STEPS = List.of(OFF, DEAD, MOVE, TUG, TEST, LIVE, ON);

    private final List<Entry> entries = new ArrayList<>();

    private static Step step(
            String id, Phase phase, boolean gate, Effect effect, boolean leavable, List<Step.Reading> readings) {
        return new Step(
                id,
                phase,
                "do " + id,
                "",
                gate,
                List.of(new Step.Confirm("yes", id + " is done")),
                readings,
                effect,
                leavable,
                "");
    }

    private static Step.Reading reading(String id, String unit, int least, int most) {
        return new Step.Reading(id, "between " + id, unit, BigDecimal.valueOf(least), BigDecimal.valueOf(most));
    }

    private static Entry.Done done(Step step, Object... readings) {
        Map<String, BigDecimal> values = new HashMap<>();
        step.readings().forEach(reading -> values.put(reading.id(), reading.least()));
        for (int i = 0; i < readings.length; i += 2) {
            values.put((String) readings[i], new BigDecimal(readings[i + 1].toString()));
        }
        return new Entry.Done(step.id(), Set.of("yes"), values, "", "A", NOW);
    }

    private RunSheet sheet() {
        return RunSheet.replay(STEPS, entries);
    }

    private RunSheet.Outcome judge(Entry entry) {
        return sheet().judge(entry);
    }

    private void enter(Entry... more) {
        for (Entry entry : more) {
            assertThat(judge(entry)).as(entry.toString()).isInstanceOfSatisfying(RunSheet.Accepted.class, accepted -> {
                assertThat(accepted.entry().who()).isEqualTo(entry.who());
                entries.addAll(accepted.entries());
            });
        }
    }

    private void enterBefore(Step end) {
        STEPS.subList(0, STEPS.indexOf(end)).forEach(step -> enter(done(step)));
    }

    private void refused(Entry entry, String field, String expected) {
        assertThat(judge(entry)).isInstanceOfSatisfying(RunSheet.Refused.class, refused -> {
            assertThat(refused.field()).isEqualTo(field);
            assertThat(refused.expected()).contains(expected);
        });
    }

    @Test
    void aStepTakesWhatItAsksForAndNothingElse() {
        enter(done(OFF));
        refused(new Entry.Done("dead", Set.of(), Map.of("v", BigDecimal.ZERO), "", "A", NOW), "confirmed", "yes");
        refused(new Entry.Done("dead", Set.of("yes"), Map.of(), "", "A", NOW), "readings", "a value in V");
        refused(done(DEAD, "x", 1), "readings", "readings of this step only");
        refused(done(MOVE), "stepId", "dead, the step that is open (do dead)");
        enter(done(DEAD, "v", 10));
        assertThat(sheet().progress()).isEqualTo(2);
        assertThat(sheet().entryOf(DEAD)).isPresent();
        assertThat(sheet().entryOf(MOVE)).isEmpty();
        assertThat(sheet().steps()).isEqualTo(STEPS);
        assertThat(RunSheet.answeredBy(STEPS, entries)).containsExactly(OFF, DEAD);
    }

    @Test
    void whatIsTickedAndMeasuredBeforeBelongsToTheStep() {
        enter(done(OFF));
        refused(new Entry.Ticked("dead", "no", true, "A", NOW), "confirmed", "something that this step asks for");
        refused(new Entry.Ticked("move", "yes", true, "A", NOW), "stepId", "dead");
        refused(new Entry.Measured("dead", "x", BigDecimal.ONE, "A", NOW), "readings", "readings of this step only");
        refused(new Entry.Measured("test", "r1", BigDecimal.ONE, "A", NOW), "stepId", "dead");
        enter(
                new Entry.Ticked("dead", "yes", true, "A", NOW),
                new Entry.Ticked("dead", "yes", true, "B", LATER),
                new Entry.Measured("dead", "v", BigDecimal.TEN, "B", NOW),
                new Entry.Measured("dead", "v", BigDecimal.ONE, "C", LATER));
        assertThat(sheet().ticksOf("dead").get("yes").who())
                .as("the first says so")
                .isEqualTo("A");
        assertThat(sheet().measurementsOf("dead").get("v").value()).isEqualByComparingTo("1");
        RunSheet.Outcome bare = judge(new Entry.Done("dead", Set.of(), Map.of(), "", "D", NOW));
        assertThat(bare).isInstanceOfSatisfying(RunSheet.Accepted.class, accepted -> assertThat(
                        ((Entry.Done) accepted.entry()).readings())
                .containsEntry("v", BigDecimal.ONE));

        enter(new Entry.Ticked("dead", "yes", false, "A", LATER));
        refused(new Entry.Done("dead", Set.of(), Map.of(), "", "D", NOW), "confirmed", "yes");
    }

    @Test
    void stepsBetweenGatesGoInAnyOrderAndAGateWaitsForAll() {
        enterBefore(MOVE);
        assertThat(STEPS.stream().filter(sheet()::isOpen)).containsExactly(MOVE, TUG);
        assertThat(sheet().isWiringOpen()).isFalse();
        enter(done(TUG));
        assertThat(sheet().isWiringOpen()).isTrue();
        assertThat(sheet().current()).contains(MOVE);
        refused(done(TEST), "stepId", "move");
        refused(done(TUG), "stepId", "move");
        enter(done(MOVE), done(TEST));
        assertThat(sheet().isWiringOpen()).as("moved, tugged and tested").isFalse();
    }

    @Test
    void onlyWhatMayBeIsLeftOutAndWithAReason() {
        enterBefore(MOVE);
        refused(new Entry.Skipped("move", "no time", "A", NOW), "stepId", "planned again");
        refused(new Entry.Skipped("tug", " ", "A", NOW), "reason", "why it is left out");
        refused(new Entry.Skipped("live", "no time", "A", NOW), "stepId", "move");
        enter(new Entry.Skipped("tug", "soldered", "A", NOW));
        assertThat(sheet().skipOf(TUG)).map(Entry.Skipped::reason).contains("soldered");
        assertThat(sheet().skipOf(MOVE)).isEmpty();
        assertThat(sheet().progress()).isEqualTo(3);
        assertThat(RunSheet.answeredBy(STEPS, entries)).contains(TUG);
    }

    @Test
    void aReadingOutsideItsLimitsStopsTheSheetAndWhatWasReadBesideItStays() {
        enterBefore(TEST);
        enter(done(TEST, "r1", "0.99", "r2", 5));
        assertThat(sheet().stopped()).hasValueSatisfying(stop -> {
            assertThat(stop.reading()).contains("r1");
            assertThat(stop.reason()).isEqualTo("between r1 reads 0.99\u2009MΩ; 1\u2009MΩ or more passes.");
        });
        assertThat(sheet().measurementsOf("test")).containsOnlyKeys("r2");
        assertThat(sheet().ticksOf("test")).containsOnlyKeys("yes");
        refused(done(TEST), "stepId", "put right first");
        refused(new Entry.Skipped("tug", "why", "A", NOW), "stepId", "put right first");
        assertThat(sheet().isFinished()).isFalse();
    }

    @Test
    void aMeasurementAloneStopsItToo() {
        enterBefore(TEST);
        enter(new Entry.Measured("test", "r2", BigDecimal.ZERO, "A", NOW));
        assertThat(sheet().stopped()).map(Entry.Stopped::reading).contains(Optional.of("r2"));
        assertThat(sheet().mayBeCorrected()).isTrue();
    }

    @Test
    void aStopAndWhatPutItRightSayWhy() {
        enter(done(OFF));
        refused(new Entry.Stopped("dead", " ", "A", NOW), "reason", "what was found");
        refused(new Entry.Resumed("put right", "A", NOW), "reason", "a stopped sheet");
        enter(new Entry.Stopped("dead", "the tester stays dark", "A", NOW));
        assertThat(sheet().mayBeCorrected()).as("no reading stopped it").isFalse();
        refused(new Entry.Resumed("", "A", NOW), "reason", "what was put right");
        enter(new Entry.Resumed("another tester", "A", NOW));
        assertThat(sheet().current()).contains(OFF);
    }

    @Test
    void aMistypedValueIsPutRightWhereItStoppedTheSheetOrWhereItStands() {
        enterBefore(TEST);
        BigDecimal good = BigDecimal.valueOf(500);
        refused(new Entry.Corrected("test", "x", good, "slip", "A", NOW), "readings", "a reading of this sheet");
        refused(new Entry.Corrected("nowhere", "r1", good, "slip", "A", NOW), "readings", "a reading of this sheet");
        refused(new Entry.Corrected("test", "r1", good, "", "A", NOW), "reason", "mistyped");
        refused(new Entry.Corrected("test", "r1", good, "slip", "A", NOW), "stepId", "a step that is done");
        refused(new Entry.Corrected("dead", "v", BigDecimal.ONE, "slip", "A", NOW), "stepId", "measured again");

        enter(done(TEST, "r1", "0.5"));
        refused(new Entry.Corrected("test", "r2", good, "slip", "A", NOW), "stepId", "the reading that stopped");
        enter(new Entry.Corrected("test", "r1", BigDecimal.ZERO, "slip", "B", NOW));
        assertThat(sheet().stopped()).as("still outside its limits").isPresent();
        enter(new Entry.Corrected("test", "r1", good, "slip", "B", NOW));
        assertThat(sheet().stopped()).isEmpty();
        assertThat(sheet().measurementsOf("test").get("r1").who()).isEqualTo("B");

        enter(done(TEST));
        enter(new Entry.Corrected("test", "r2", good, "slip", "B", LATER));
        assertThat(sheet().entryOf(TEST)).hasValueSatisfying(entry -> {
            assertThat(entry.readings()).containsEntry("r2", good).containsEntry("r1", BigDecimal.ONE);
            assertThat(entry.who()).as("who did the step").isEqualTo("A");
        });
    }

    @Test
    void aFinishedSheetTakesNothingMore() {
        STEPS.forEach(step -> enter(done(step)));
        assertThat(sheet().isFinished()).isTrue();
        assertThat(sheet().current()).isEmpty();
        assertThat(sheet().progress()).isEqualTo(STEPS.size());
        refused(done(ON), "stepId", "nothing: the sheet is finished");
        refused(new Entry.Stopped("on", "found live", "A", NOW), "stepId", "nothing: the sheet is finished");
        refused(new Entry.Voided("lock off", "B", NOW), "stepId", "circuits are off");
    }

    /** How the circuits stand is what was recorded last, by whom and when. */
    @ParameterizedTest
    @CsvSource({
        "0, ON, false",
        "1, OFF_NOT_PROVED, true",
        "2, PROVED_DEAD, true",
        "4, PROVED_DEAD, true",
        "5, PROVED_DEAD, true",
        "6, LIVE_WHILE_OPEN, false",
        "7, ON, false"
    })
    void circuitsStandAsTheLastStepLeftThem(int steps, Isolation.State state, boolean off) {
        STEPS.subList(0, steps).forEach(step -> enter(done(step)));
        assertThat(sheet().isolation().state()).isEqualTo(state);
        assertThat(sheet().isProvingOrProved()).isEqualTo(off);
        assertThat(sheet().isolation().who()).isEqualTo(steps == 0 ? "" : "A");
        assertThat(judge(new Entry.Voided("lock off", "B", NOW)) instanceof RunSheet.Accepted)
                .isEqualTo(off);
    }

    @Test
    void aStopDoubtsTheProofUnlessItIsATestOfTheDeadWiring() {
        enterBefore(TEST);
        enter(new Entry.Stopped("test", "something is live", "A", NOW));
        assertThat(sheet().isolation().state()).isEqualTo(Isolation.State.OFF_NOT_PROVED);
        entries.remove(entries.size() - 1);
        enter(done(TEST, "r1", 0));
        assertThat(sheet().isolation().state()).isEqualTo(Isolation.State.PROVED_DEAD);
    }

    @Test
    void afterAFailedTestTheWiringIsTestedAnewAndStaysDead() {
        enterBefore(TEST);
        enter(done(TEST, "r1", 0), new Entry.Resumed("a strand stood off", "A", NOW));
        assertThat(sheet().current()).contains(TEST);
        assertThat(sheet().measurementsOf("test"))
                .as("all of it is measured anew")
                .isEmpty();
        assertThat(sheet().ticksOf("test")).isEmpty();
        assertThat(sheet().entryOf(MOVE)).isPresent();
        assertThat(sheet().isolation().state()).isEqualTo(Isolation.State.PROVED_DEAD);
    }

    @Test
    void afterAnyOtherStopItIsIsolatedAndTestedAnewAndWhatWasMovedStays() {
        enterBefore(LIVE);
        enter(new Entry.Stopped("live", "found live", "A", NOW), new Entry.Resumed("another feed", "A", NOW));
        assertThat(sheet().current()).contains(OFF);
        assertThat(STEPS.stream().filter(step -> sheet().entryOf(step).isPresent()))
                .containsExactly(MOVE, TUG);
        assertThat(sheet().isolation().state()).isEqualTo(Isolation.State.ON);
        assertThat(sheet().isolation().who()).isEmpty();
    }

    @Test
    void whatAnotherDidToTheCircuitIsIsolatedAnewAndTestsStay() {
        enterBefore(LIVE);
        enter(new Entry.Voided("B switched circuit 4 on", "B", LATER));
        assertThat(STEPS.stream().filter(step -> sheet().entryOf(step).isPresent()))
                .containsExactly(MOVE, TUG, TEST);
        assertThat(sheet().isolation()).isEqualTo(new Isolation(Isolation.State.ON, "B", Optional.of(LATER)));
    }

    @Test
    void readingsAreToldInShortByTheWorstOfEachUnit() {
        Step mixed = step(
                "mixed",
                Phase.WIRE,
                false,
                Effect.NONE,
                false,
                List.of(
                        reading("a", "V", 0, 10),
                        reading("b", "V", 0, 10),
                        reading("c", "MΩ", 1, 9999),
                        reading("d", "MΩ", 1, 9999)));
        assertThat(mixed.inShort(Map.of(
                        "a",
                        new BigDecimal("2.50"),
                        "b",
                        BigDecimal.ONE,
                        "c",
                        BigDecimal.valueOf(7),
                        "d",
                        BigDecimal.valueOf(3))))
                .isEqualTo("highest 2.5\u2009V, lowest 3\u2009MΩ");
        assertThat(mixed.inShort(Map.of())).isEmpty();
        assertThat(reading("a", "V", 0, 10).allowed()).isEqualTo("0 to 10\u2009V passes");
        assertThat(reading("a", "V", 0, 10).passes(BigDecimal.TEN)).isTrue();
        assertThat(reading("a", "V", 0, 10).passes(new BigDecimal("10.01"))).isFalse();
    }

    /** The own lock for this box comes off with the switching on; every other keeps the circuit off. */
    @Test
    void aCircuitIsLockedByEverybodyWhoHungALock() {
        Locks.Lock mine = new Locks.Lock("4", "A", "B-01", NOW);
        Locks.Lock mineElsewhere = new Locks.Lock("4", "A", "B-02", NOW);
        Locks.Lock hers = new Locks.Lock("5", "B", "B-01", NOW);
        assertThat(Locks.refusal(List.of(), "A", "B-01")).isEmpty();
        assertThat(Locks.refusal(List.of(mine), "A", "B-01")).isEmpty();
        assertThat(Locks.refusal(List.of(mine, mineElsewhere, hers, hers), "A", "B-01"))
                .contains("circuit 4 is locked by A for B-02, circuit 5 is locked by B for B-01");
    }
}
