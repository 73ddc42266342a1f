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
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
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
            assertThat(steps.stream().filter(Step::gate).map(Step::id).toList())
                    .containsExactly(
                            "identify",
                            "switch-off",
                            "prove-tester",
                            "test-dead",
                            "prove-tester-after",
                            "label",
                            "insulation",
                            "check-wiring",
                            "test-wiring",
                            "insulation-again",
                            "energise-open",
                            "function-test",
                            "switch-off-again",
                            "prove-tester-2",
                            "test-dead-2",
                            "prove-tester-after-2",
                            "close",
                            "energise",
                            "final-tests");
            assertThat(steps.indexOf(step("label"))).isLessThan(steps.indexOf(step("move-1")));
        }

        @Test
        void allStepsDoneFinishTheSheetAndSwitchTheCircuitsOn() {
            steps.forEach(step -> enter(done(step)));

            assertThat(sheet().isFinished()).isTrue();
            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.ON);
        }

        /** Whatever is tried in whatever order, nothing is taken behind an open gate, and no gate before all in front of it. */
        @Property(tries = 60)
        void noSequenceOfTriesPassesAGate(@ForAll @Size(max = 60) List<@IntRange(min = 0, max = 28) Integer> tries) {
            List<Entry> kept = new ArrayList<>();
            for (int attempt : tries) {
                Entry entry = attempt == 28
                        ? new Entry.Stopped("", "found live", "A", NOW)
                        : attempt == 27
                                ? new Entry.Resumed("put right", "A", NOW)
                                : attempt == 26
                                        ? new Entry.Voided("lock off", "B", NOW)
                                        : done(steps.get(attempt % steps.size()));
                RunSheet now = RunSheet.replay(steps, kept);
                if (now.judge(entry) instanceof RunSheet.Accepted accepted) {
                    kept.addAll(accepted.entries());
                    if (entry instanceof Entry.Done done) {
                        Step step = step(done.stepId());
                        for (Step before : steps.subList(0, steps.indexOf(step))) {
                            assertThat(now.entryOf(before).isEmpty() && (before.gate() || step.gate()))
                                    .as(step.id() + " before " + before.id())
                                    .isFalse();
                        }
                    }
                }
            }
        }
    }

    /** What is done again after something went wrong: what rests on it, and no more. */
    @Nested
    class Again {
        @Test
        void aFailedTestOfTheWiringLeavesTheProofsAlone() {
            enterUntil("insulation-again");
            Step test = step("insulation-again");
            enter(new Entry.Done(
                    test.id(), Set.of(), Map.of(test.readings().get(0).id(), new BigDecimal("0.2")), "", "A", NOW));

            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.PROVED_DEAD);
            enter(new Entry.Resumed("a strand stood off", "A", NOW));
            assertThat(sheet().current()).map(Step::id).contains("check-wiring");
            assertThat(sheet().entryOf(step("prove-tester-after"))).isPresent();
            assertThat(sheet().entryOf(step("move-1"))).isPresent();
        }

        @Test
        void aMistypedValueIsCorrectedWithAReason() {
            enterUntil("insulation-again");
            Step test = step("insulation-again");
            String reading = test.readings().get(0).id();
            enter(new Entry.Done(test.id(), Set.of(), Map.of(reading, new BigDecimal("0.5")), "", "A", NOW));

            assertThat(judge(new Entry.Corrected(test.id(), reading, BigDecimal.valueOf(500), "", "A", NOW)))
                    .isInstanceOf(RunSheet.Refused.class);
            enter(new Entry.Corrected(test.id(), reading, BigDecimal.valueOf(500), "the meter shows 500", "A", NOW));

            assertThat(sheet().stopped()).isEmpty();
            assertThat(sheet().current()).map(Step::id).contains("insulation-again");
            assertThat(sheet().measurementsOf(test.id()).get(reading).value()).isEqualByComparingTo("500");
        }

        @Test
        void whatWasMeasuredBesideAReadingThatFailsIsKept() {
            enterUntil("test-wiring");
            Step test = step("test-wiring");
            Map<String, BigDecimal> readings = readings(test);
            readings.put("earth-path-", new BigDecimal("7"));
            enter(new Entry.Done(test.id(), Set.of("polarity"), readings, "", "A", NOW));

            assertThat(sheet().ticksOf(test.id())).containsOnlyKeys("polarity");
        }

        @Test
        void aReadingOfDeadConductorsIsNeverCorrected() {
            enterUntil("test-dead");
            Map<String, BigDecimal> live = readings(step("test-dead"));
            live.put("earth-c1.1", new BigDecimal("228"));
            enter(new Entry.Done("test-dead", Set.of(), live, "", "A", NOW));

            assertThat(judge(new Entry.Corrected("test-dead", "earth-c1.1", BigDecimal.ZERO, "wrong key", "A", NOW)))
                    .isInstanceOf(RunSheet.Refused.class);
        }

        @Test
        void whatAnotherDoesToTheCircuitIsIsolatedAnewAndTheWiringStays() {
            enterUntil("check-wiring");
            enter(new Entry.Voided("B took a lock off circuit 4", "B", NOW));

            assertThat(sheet().isolation().state()).isEqualTo(RunSheet.Isolation.State.ON);
            assertThat(sheet().current()).map(Step::id).contains("switch-off");
            assertThat(judge(done(step("check-wiring")))).isInstanceOf(RunSheet.Refused.class);
            assertThat(sheet().entryOf(step("move-1"))).isPresent();
            enterUntil("check-wiring");
        }

        @Test
        void onlyWhatMayBeIsLeftOut() {
            enterUntil("insulation");
            assertThat(judge(new Entry.Skipped("insulation", "lamps are behind plaster", "A", NOW)))
                    .isInstanceOf(RunSheet.Accepted.class);
            enter(new Entry.Skipped("insulation", "lamps are behind plaster", "A", NOW));
            assertThat(judge(new Entry.Skipped("move-1", "no time", "A", NOW))).isInstanceOf(RunSheet.Refused.class);
        }
    }

    /** No sheet asks for what an honest person cannot do: property over every scheme on every circuit in every region. */
    @Nested
    class Honest {
        @Test
        void nothingIsAskedOfConductorsThatAreNotThere() {
            for (RegionProfile region : RegionProfile.values()) {
                SchemeMatrixPlans.of(region).forEach((name, plan) -> plan.planned()
                        .ifPresent(planned -> isHonest(name, Boxes.house(region), plan)));
            }
        }

        /**
         * Boxes as they are surveyed: with and without neutral and earth, one gang or two, on one circuit or two, of
         * every usual kind of load.
         */
        @Test
        void noSurveyedBoxLeadsToAStepThatNobodyCanTake() {
            int planned = 0;
            for (Feed feed : Feed.values()) {
                for (boolean neutralAtLamp : new boolean[] {true, false}) {
                    for (List<String> circuits : List.of(List.of("4"), List.of("4", "4"), List.of("4", "6"))) {
                        for (String load : List.of("LED 60", "heater 800", "fan 60")) {
                            planned += sheetsOf(feed, neutralAtLamp, circuits, load);
                        }
                    }
                }
            }
            assertThat(planned).as("sheets that were looked at").isGreaterThan(60);
        }

        private enum Feed {
            WHOLE,
            WITHOUT_NEUTRAL,
            AT_THE_LAMP
        }

        private int sheetsOf(Feed feed, boolean neutralAtLamp, List<String> circuits, String load) {
            Boxes boxes = Boxes.box();
            circuits.forEach(circuit -> boxes.gang(circuit, load));
            for (int gang = 1; gang <= circuits.size(); gang++) {
                String circuit = circuits.get(gang - 1);
                boolean first = circuits.indexOf(circuit) == gang - 1;
                switch (feed) {
                    case WHOLE -> boxes.feed(circuit, first ? common(gang) : new End.InConnector("live " + gang));
                    case WITHOUT_NEUTRAL -> boxes.feedWithoutNeutral(circuit, common(gang));
                    case AT_THE_LAMP -> boxes.loop(gang, circuit, common(gang), throwOf(gang));
                }
                if (feed != Feed.AT_THE_LAMP) {
                    lamp(boxes, gang, circuit, neutralAtLamp && feed == Feed.WHOLE);
                }
            }
            int planned = 0;
            for (ModuleModel model : List.of(
                    Modules.withNeutral(1, 2, Modules.generous()),
                    Modules.twoWire(10, Modules.generous()),
                    Modules.blinking())) {
                WiringPlan plan = WiringPlan.of(
                        Boxes.house(),
                        boxes.build(),
                        List.of(new Assignment(model, List.of(1), Map.of(), Optional.empty())));
                if (plan.planned().isPresent()) {
                    isHonest(feed + " " + circuits + " " + load + " " + model.code(), Boxes.house(), plan);
                    planned++;
                }
            }
            return planned;
        }

        private static void lamp(Boxes boxes, int gang, String circuit, boolean neutral) {
            if (neutral) {
                boxes.lamp(gang, throwOf(gang), circuit);
            } else {
                boxes.lampWithoutNeutral(gang, throwOf(gang));
            }
        }

        private static void isHonest(String name, HouseContext house, WiringPlan plan) {
            List<Step> sheet = RunSheetPlan.of(house, plan);
            List<String> earthed = prefixesWith(plan, Role.EARTH);
            List<String> neutral = prefixesWith(plan, Role.NEUTRAL);
            List<String> ticks = sheet.stream()
                    .flatMap(step -> step.confirms().stream())
                    .map(Step.Confirm::id)
                    .toList();
            for (ConnectedBoxes.Place place : plan.placesOfWork()) {
                List<Step.Reading> here = sheet.stream()
                        .flatMap(step -> step.readings().stream())
                        .filter(r -> r.id().equals("insulation-" + place.prefix())
                                || r.id().equals("insulation-again-" + place.prefix())
                                || r.id().equals("earth-path-" + place.prefix()))
                        .toList();
                assertThat(here).as(name + " at " + place).allSatisfy(reading -> {
                    assertThat(reading.text().contains("earth") && !earthed.contains(place.prefix()))
                            .as(reading.text())
                            .isFalse();
                    assertThat(reading.text().contains("neutral") && !neutral.contains(place.prefix()))
                            .as(reading.text())
                            .isFalse();
                });
                assertThat(ticks.contains("earths" + place.prefix()))
                        .as(name + " at " + place)
                        .isEqualTo(earthed.contains(place.prefix()));
                assertThat(ticks.contains("no-earth" + place.prefix()))
                        .as(name + " at " + place)
                        .isNotEqualTo(earthed.contains(place.prefix()));
            }
            if (earthed.isEmpty()) {
                assertThat(sheet)
                        .as(name)
                        .filteredOn(step -> step.id().startsWith("test-dead"))
                        .flatExtracting(Step::readings)
                        .extracting(Step.Reading::text)
                        .noneMatch(text -> text.endsWith(" to earth"));
            }
            assertThat(sheet.stream()
                            .filter(step -> step.id().startsWith("insulation"))
                            .toList())
                    .as(name)
                    .allMatch(Step::leavable);
            assertThat(sheet.stream()
                            .map(Step::id)
                            .filter(id -> id.equals("insulation") || id.startsWith("move"))
                            .findFirst())
                    .as(name)
                    .satisfiesAnyOf(first -> assertThat(first).contains("insulation"), first -> assertThat(sheet)
                            .noneMatch(step -> step.id().equals("insulation")));
        }

        private static List<String> prefixesWith(WiringPlan plan, Role role) {
            return plan.placesOfWork().stream()
                    .filter(place ->
                            place.box().cores().stream().anyMatch(c -> c.core().role() == role))
                    .map(ConnectedBoxes.Place::prefix)
                    .toList();
        }

        /** A switch loop has no neutral and often no earth: nothing is measured to what is not there. */
        @Test
        void aSwitchLoopWithoutEarthIsMeasuredBetweenItsTwoLives() {
            Box loop = Boxes.box()
                    .gang("4", "LED 30")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();
            List<Step> sheet = RunSheetPlan.of(
                    Boxes.house(),
                    WiringPlan.of(
                            Boxes.house(),
                            loop,
                            List.of(new Assignment(
                                    Modules.twoWire(40, Modules.usualRatings()),
                                    List.of(1),
                                    Map.of(1, InputBehaviour.EVERY_FLIP),
                                    Optional.of(Watts.of(20))))));

            assertThat(sheet.stream()
                            .filter(s -> s.id().equals("insulation"))
                            .flatMap(s -> s.readings().stream())
                            .map(Step.Reading::text))
                    .noneMatch(text -> text.startsWith("live to neutral"));
            assertThat(sheet.stream().flatMap(s -> s.confirms().stream()).map(Step.Confirm::id))
                    .contains("no-earth");
        }

        /** What goes by radio can't be tried at the wall before it has joined. */
        @Test
        void aSwitchThatCommandsByRadioIsTriedForItsLocalHalf() {
            SchemeMatrixPlans.of(RegionProfile.EU_230).entrySet().stream()
                    .filter(e -> e.getKey().endsWith("SPLIT_PAIR")
                            && e.getValue().planned().isPresent())
                    .forEach(e -> {
                        Step test = RunSheetPlan.of(Boxes.house(), e.getValue()).stream()
                                .filter(s -> s.id().equals("function-test"))
                                .findFirst()
                                .orElseThrow();
                        assertThat(test.confirms())
                                .as(e.getKey())
                                .noneMatch(c -> c.id().equals("hand-1"))
                                .anyMatch(c -> c.id().equals("press-1"));
                    });
        }
    }

    @Nested
    class Readings {
        /** SI-1 to SI-5, published sequences of proving: prove, test every pair, prove. */
        @Test
        void everyCoreIsTestedToEarthAndEveryPairOfPlaces() {
            Set<String> readings = step("test-dead").readings().stream()
                    .map(Step.Reading::text)
                    .collect(Collectors.toSet());

            assertThat(readings)
                    .containsExactlyInAnyOrder(
                            "brown of c1 to earth",
                            "blue of c1 to earth",
                            "brown of c2 to earth",
                            "blue of c2 to earth",
                            "brown of c1 to blue of c1",
                            "brown of c1 to brown of c2",
                            "blue of c1 to brown of c2");
        }

        @Test
        void aMissingReadingIsRefusedByName() {
            enterUntil("test-dead");
            Entry.Done half =
                    new Entry.Done("test-dead", Set.of(), Map.of("earth-c1.1", BigDecimal.ZERO), "", "A", NOW);

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

            assertThat(sheet().stopped())
                    .map(Entry.Stopped::reason)
                    .contains("brown of c1 to earth reads 228\u2009V; 0 to 10\u2009V passes.");
            assertThat(judge(done(step("test-dead")))).isInstanceOf(RunSheet.Refused.class);

            enter(new Entry.Resumed("wrong breaker", "A", NOW));
            assertThat(sheet().current()).map(Step::id).contains("switch-off");
        }

        @Test
        void inShortInsulationIsTheLowestAndAllElseTheHighest() {
            Step mixed = new Step(
                    "t",
                    Step.Phase.WIRE,
                    "",
                    "",
                    true,
                    List.of(),
                    List.of(
                            new Step.Reading("a", "", "\u03a9", BigDecimal.ZERO, BigDecimal.ONE),
                            new Step.Reading("b", "", "\u03a9", BigDecimal.ZERO, BigDecimal.ONE),
                            new Step.Reading("c", "", "M\u03a9", BigDecimal.ONE, BigDecimal.TEN),
                            new Step.Reading("d", "", "M\u03a9", BigDecimal.ONE, BigDecimal.TEN)),
                    Step.Effect.NONE);

            assertThat(mixed.inShort(Map.of(
                            "a",
                            new BigDecimal("0.3"),
                            "b",
                            new BigDecimal("0.2"),
                            "c",
                            BigDecimal.valueOf(250),
                            "d",
                            BigDecimal.valueOf(180))))
                    .isEqualTo("highest 0.3\u2009\u03a9, lowest 180\u2009M\u03a9");
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
            Box two = Boxes.box()
                    .gang("4", "LED 7")
                    .gang("6", "LED 7")
                    .feed("4", common(1))
                    .lamp(1, throwOf(1), "4")
                    .feed("6", common(2))
                    .lamp(2, throwOf(2), "6")
                    .build();

            Step off = steps(two).stream()
                    .filter(s -> s.id().equals("switch-off"))
                    .findFirst()
                    .orElseThrow();

            assertThat(off.confirms()).extracting(Step.Confirm::id).containsExactly("off-4", "off-6");
        }
    }

    private static Box box() {
        return Boxes.box()
                .gang("4", "2 LED 7")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    /** 500 V between conductors on which a module hangs already would end it: the sheet says so before anybody measures. */
    @Test
    void aModuleThatWasThereIsNamedBeforeTheInsulationTest() {
        WiringPlan onFreeChannel = SchemeMatrixPlans.special().get(RegionProfile.EU_230 + " free channel");
        List<Step> sheet = RunSheetPlan.of(Boxes.house(), onFreeChannel);

        assertThat(sheet)
                .filteredOn(step -> step.id().equals("insulation"))
                .singleElement()
                .satisfies(step -> assertThat(step.detail()).contains("which was there before: 500 V may destroy it"));
        assertThat(sheet)
                .flatExtracting(Step::confirms)
                .extracting(Step.Confirm::text)
                .noneMatch(text -> text.endsWith(" is in, and its label names this place"))
                .anyMatch(text -> text.contains("which was here before"));
    }

    private static List<Step> steps(Box box) {
        WiringPlan plan = WiringPlan.of(
                Boxes.house(),
                box,
                List.of(new Assignment(
                        Modules.withNeutral(1, 2, Modules.usualRatings()),
                        List.of(1),
                        Map.of(1, InputBehaviour.EVERY_FLIP),
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
        entries.addAll(((RunSheet.Accepted) outcome).entries());
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
        return new Entry.Done(
                step.id(),
                step.confirms().stream().map(Step.Confirm::id).collect(Collectors.toSet()),
                readings(step),
                "",
                "A",
                NOW);
    }

    private static Map<String, BigDecimal> readings(Step step) {
        Map<String, BigDecimal> readings = new HashMap<>();
        step.readings()
                .forEach(reading -> readings.put(
                        reading.id(), reading.least().add(reading.most()).divide(BigDecimal.valueOf(2))));
        return readings;
    }
}
