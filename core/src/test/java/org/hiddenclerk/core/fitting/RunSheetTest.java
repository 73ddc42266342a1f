package org.hiddenclerk.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class RunSheetTest {
    private static final Instant NOW = Instant.parse("2026-03-02T09:41:00Z");

    private final List<Step> steps = steps(box());
    private final List<Entry> entries = new ArrayList<>();

    @Nested
    class Order {
        @Test
        void onlyTheCurrentStepCanBeEntered() {
            for (Step step : steps.subList(1, steps.size())) {
                assertThat(judge(done(step))).as(step.id()).isInstanceOf(RunSheet.Refused.class);
            }
            assertThat(judge(done(steps.get(0)))).isInstanceOf(RunSheet.Accepted.class);
        }

        @Test
        void theGatesComeInTheOrderOfSafeWork() {
            assertThat(steps.stream().filter(Step::gate).map(Step::id).toList()).containsExactly("identify", "switch-off",
                    "prove-tester", "test-dead", "prove-tester-after", "label", "check-wiring", "test-wiring", "energise-open",
                    "function-test", "switch-off-again", "prove-tester-2", "test-dead-2", "prove-tester-after-2", "close",
                    "energise", "final-tests");
            assertThat(steps.indexOf(step("label"))).isLessThan(steps.indexOf(step("move-1")));
        }

        @Test
        void allStepsDoneFinishTheSheetAndSwitchTheCircuitsOn() {
            steps.forEach(step -> enter(done(step)));

            assertThat(sheet().isFinished()).isTrue();
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.ON);
        }

        /** Whatever is tried in whatever order, no step is ever done behind an open gate, and no gate before all in front of it. */
        @Property(tries = 60)
        void noSequenceOfTriesPassesAGate(@ForAll @Size(max = 60) List<@IntRange(min = 0, max = 24) Integer> tries) {
            List<Entry> kept = new ArrayList<>();
            for (int attempt : tries) {
                Entry entry = attempt == 24 ? new Entry.Stopped("", "found live", "A", NOW)
                        : attempt == 23 ? new Entry.Resumed("put right", "A", NOW)
                        : done(steps.get(attempt % steps.size()));
                RunSheet now = RunSheet.replay(steps, kept);
                if (now.judge(entry) instanceof RunSheet.Accepted accepted) {
                    kept.add(accepted.entry());
                }
            }
            RunSheet sheet = RunSheet.replay(steps, kept);
            boolean open = false;
            boolean openGate = false;
            for (Step step : steps) {
                boolean isDone = sheet.entryOf(step).isPresent();
                assertThat(isDone && (openGate || step.gate() && open)).as(step.id() + " is done behind an open gate, or a gate before its steps").isFalse();
                open |= !isDone;
                openGate |= step.gate() && !isDone;
            }
        }
    }

    @Nested
    class Readings {
        /** SI-1 to SI-5, published sequences of proving: prove, test every pair, prove. */
        @Test
        void everyCoreIsTestedToEarthAndEveryPairOfPlaces() {
            Set<String> readings = step("test-dead").readings().stream().map(Step.Reading::text).collect(Collectors.toSet());

            assertThat(readings).containsExactlyInAnyOrder("brown of c1 to earth", "blue of c1 to earth",
                    "brown of c2 to earth", "blue of c2 to earth", "brown of c1 to blue of c1",
                    "brown of c1 to brown of c2", "blue of c1 to brown of c2");
        }

        @Test
        void aMissingReadingIsRefusedByName() {
            enterUntil("test-dead");
            Entry.Done half = new Entry.Done("test-dead", Set.of(), Map.of("earth-c1.1", BigDecimal.ZERO), "", "A", NOW);

            RunSheet.Refused refused = (RunSheet.Refused) judge(half);

            assertThat(refused.field()).isEqualTo("readings");
            assertThat(refused.found()).isEqualTo("no reading: blue of c1 to earth");
        }

        @Test
        void aReadingOutsideItsLimitStopsTheSheetAndVoidsTheProof() {
            enterUntil("test-dead");
            Map<String, BigDecimal> live = readings(step("test-dead"));
            live.put("earth-c1.1", new BigDecimal("228"));
            enter(new Entry.Done("test-dead", Set.of(), live, "", "A", NOW));

            assertThat(sheet().stopped()).map(Entry.Stopped::reason)
                    .contains("brown of c1 to earth reads 228\u2009V; 0 to 10\u2009V passes.");
            assertThat(judge(done(step("test-dead")))).isInstanceOf(RunSheet.Refused.class);

            enter(new Entry.Resumed("wrong breaker", "A", NOW));
            assertThat(sheet().current()).map(Step::id).contains("switch-off");
        }

        /** SI-4: the second prove fails, so the test is void. */
        @Test
        void aTesterThatFailsAfterwardsVoidsTheDeadTest() {
            enterUntil("prove-tester-after");
            enter(new Entry.Done("prove-tester-after", Set.of(), Map.of("source", BigDecimal.ZERO), "", "A", NOW));
            enter(new Entry.Resumed("new battery", "A", NOW));

            assertThat(sheet().entryOf(step("test-dead"))).isEmpty();
        }
    }

    @Nested
    class Isolation {
        @Test
        void theStripFollowsTheSheet() {
            enterUntil("prove-tester");
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.OFF_NOT_PROVED);
            enterUntil("label");
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.PROVED_DEAD);
            enterUntil("function-test");
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.LIVE_WHILE_OPEN);
            enterUntil("close");
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.PROVED_DEAD);
        }

        @Test
        void everyCircuitOfTheBoxMustBeOff() {
            Box two = Boxes.box().gang("4", "LED 7").gang("6", "LED 7").feed("4", common(1)).lamp(1, throwOf(1), "4")
                    .feed("6", common(2)).lamp(2, throwOf(2), "6").build();

            Step off = steps(two).stream().filter(s -> s.id().equals("switch-off")).findFirst().orElseThrow();

            assertThat(off.confirms()).extracting(Step.Confirm::id).containsExactly("off-4", "off-6");
        }
    }

    private static Box box() {
        return Boxes.box().gang("4", "2 LED 7").feed("4", common(1)).lamp(1, throwOf(1), "4").build();
    }

    private static List<Step> steps(Box box) {
        WiringPlan plan = WiringPlan.of(Boxes.house(), box, List.of(new Assignment(
                Modules.withNeutral(1, 2, Modules.usualRatings()), List.of(1), Map.of(1, InputBehaviour.EVERY_FLIP),
                Optional.empty())));
        return RunSheetPlan.of(Boxes.house(), plan);
    }

    private RunSheet sheet() {
        return RunSheet.replay(steps, entries);
    }

    private RunSheet.Outcome judge(Entry entry) {
        return sheet().judge(entry);
    }

    private void enter(Entry entry) {
        RunSheet.Outcome outcome = judge(entry);
        assertThat(outcome).as(entry.toString()).isInstanceOf(RunSheet.Accepted.class);
        entries.add(((RunSheet.Accepted) outcome).entry());
    }

    private void enterUntil(String id) {
        while (!sheet().current().orElseThrow().id().equals(id)) {
            enter(done(sheet().current().orElseThrow()));
        }
    }

    private Step step(String id) {
        return steps.stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    private static Entry.Done done(Step step) {
        return new Entry.Done(step.id(), step.confirms().stream().map(Step.Confirm::id).collect(Collectors.toSet()),
                readings(step), "", "A", NOW);
    }

    private static Map<String, BigDecimal> readings(Step step) {
        Map<String, BigDecimal> readings = new HashMap<>();
        step.readings().forEach(reading -> readings.put(reading.id(), reading.least().add(reading.most())
                .divide(BigDecimal.valueOf(2))));
        return readings;
    }
}
