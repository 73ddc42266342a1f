package org.hiddenclerk.core.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.handover.HandoverRecord.Standing;
import org.hiddenclerk.core.handover.HandoverTest.Kind;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.RuledHouse;
import org.junit.jupiter.api.Test;

/** What is tested before a house is handed over (common practice, no source), and what opens again. */
class HandoverRecordTest {
    private static final Instant MONDAY = Instant.parse("2026-03-02T09:00:00Z");

    private static LivePlan plan(Link.Way way) {
        Device lamp = device(
                "lamp",
                List.of(new Device.Control(
                        new ControlId("lamp/in1"),
                        "switch",
                        Device.Kind.ROCKER,
                        InputBehaviour.EVERY_FLIP,
                        Optional.of(new OutputId("lamp/1")))));
        Device other = device(
                "other",
                List.of(new Device.Control(
                        new ControlId("other/in1"),
                        "other switch",
                        Device.Kind.ROCKER,
                        InputBehaviour.REPORT_ONLY,
                        Optional.empty())));
        RuledHouse house = new RuledHouse(
                List.of(lamp, other),
                List.of(new Link(
                        "l", new ControlId("other/in1"), new OutputId("lamp/1"), way, Link.Effect.TOGGLE, false)),
                List.of());
        return new LivePlan(
                house,
                List.of(),
                Map.of(new ControlId("lamp/in1"), Parameters.USUAL.withPowerOn(PowerOn.LAST)),
                Map.of(new ControlId("lamp/in1"), List.of(new SwitchId("S1"), new SwitchId("S2"))),
                Map.of(
                        new SwitchId("S1"),
                        "the door switch",
                        new SwitchId("S2"),
                        "the bed switch",
                        new SwitchId("other/in1"),
                        "the passage switch"),
                Delays.USUAL,
                Optional.empty());
    }

    private static Device device(String id, List<Device.Control> controls) {
        return new Device(
                new DeviceId(id),
                id,
                "Loft",
                Protocol.ZIGBEE,
                Optional.of("4"),
                Set.of(Link.Way.DIRECT_BINDING),
                List.of(new Device.Output(
                        new OutputId(id + "/1"), id + " light", Device.Drives.LIGHT, Device.Drives.LIGHT, false)),
                controls,
                List.of());
    }

    private final List<HandoverTest> tests =
            HandoverTests.of(plan(Link.Way.HUB), Map.of(new OutputId("lamp/1"), Watts.of(21)));

    private HandoverTest test(Kind kind) {
        return tests.stream()
                .filter(test -> test.kind() == kind && test.output().equals(new OutputId("lamp/1")))
                .findFirst()
                .orElseThrow();
    }

    private static Entry entry(
            HandoverTest test, boolean asPlanned, String figure, int minutes, Map<Matter, String> basis) {
        return new Entry(
                test.id(),
                asPlanned,
                Optional.of(figure).filter(f -> !f.isEmpty()).map(BigDecimal::new),
                asPlanned ? "" : "stays dark",
                minutes > 5 ? "loose core" : "",
                "fitter",
                MONDAY.plusSeconds(60L * minutes),
                basis);
    }

    @Test
    void bothEndsOfAStairAreTestedAndSoIsASwitchElsewhere() {
        assertThat(tests.stream()
                        .filter(test -> test.output().equals(new OutputId("lamp/1")))
                        .map(HandoverTest::kind))
                .containsExactly(
                        Kind.WALL_SWITCH,
                        Kind.WALL_SWITCH,
                        Kind.FAR_SWITCH,
                        Kind.REMOTE,
                        Kind.POWER_CUT,
                        Kind.INTERNET_OFF,
                        Kind.HUB_OFF,
                        Kind.HAND_TO_HUB,
                        Kind.METERING,
                        Kind.LINK_QUALITY);
        assertThat(tests.stream().map(HandoverTest::id)).doesNotHaveDuplicates();
        assertThat(test(Kind.POWER_CUT).expected()).isEqualTo("It is what it was before.");
    }

    @Test
    void whatIsLostWithoutTheHubIsWhatThePlanSays() {
        assertThat(test(Kind.HUB_OFF).expected())
                .isEqualTo("the door switch and the bed switch work. the passage switch does not, as planned.");
        assertThat(test(Kind.INTERNET_OFF).expected()).isEqualTo("All of them work.");
        assertThat(HandoverTests.of(plan(Link.Way.DIRECT_BINDING), Map.of()).stream()
                        .filter(test ->
                                test.kind() == Kind.HUB_OFF && test.output().equals(new OutputId("lamp/1")))
                        .findFirst()
                        .orElseThrow()
                        .expected())
                .isEqualTo("All of them work.");
    }

    @Test
    void figuresAreJudgedByTheirScales() {
        assertThat(test(Kind.HAND_TO_HUB)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("500"))
                        .passed())
                .isTrue();
        assertThat(test(Kind.HAND_TO_HUB)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("900"))
                        .words())
                .startsWith("900 ms: slow");
        assertThat(test(Kind.HAND_TO_HUB)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("3000"))
                        .passed())
                .as("a few seconds are a fault")
                .isFalse();
        assertThat(test(Kind.METERING)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("18.5"))
                        .passed())
                .isTrue();
        assertThat(test(Kind.METERING)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("42"))
                        .passed())
                .isFalse();
        assertThat(test(Kind.LINK_QUALITY)
                        .scale()
                        .orElseThrow()
                        .judge(new BigDecimal("40"))
                        .words())
                .startsWith("40 LQI: poor");
    }

    @Test
    void aFailureIsADefectUntilTheTestPassesAndKeepsItsCause() {
        HandoverTest wall = test(Kind.WALL_SWITCH);
        HandoverRecord failed =
                HandoverRecord.of(tests, List.of(entry(wall, false, "", 1, Map.of())), test -> Map.of());
        assertThat(failed.count().failed()).isOne();
        assertThat(failed.defects().get(0).mended()).isEmpty();
        HandoverRecord mended = HandoverRecord.of(
                tests,
                List.of(
                        entry(wall, true, "", 9, Map.of()),
                        entry(wall, false, "", 1, Map.of()),
                        entry(wall, false, "", 2, Map.of())),
                test -> Map.of());
        assertThat(mended.count().failed()).isZero();
        assertThat(mended.count().passed()).isOne();
        assertThat(mended.defects()).singleElement().satisfies(defect -> {
            assertThat(defect.found().at()).isEqualTo(MONDAY.plusSeconds(60));
            assertThat(defect.mended().orElseThrow().cause()).isEqualTo("loose core");
        });
    }

    @Test
    void onlyWhatRestsOnAChangeIsTestedAgain() {
        Map<Matter, String> before = new EnumMap<>(Matter.class);
        for (Matter matter : Matter.values()) {
            before.put(matter, "a");
        }
        List<Entry> entries = tests.stream()
                .map(test -> entry(
                        test,
                        true,
                        test.kind() == Kind.HAND_TO_HUB
                                ? "400"
                                : test.kind() == Kind.METERING ? "20" : test.kind() == Kind.LINK_QUALITY ? "120" : "",
                        1,
                        before))
                .toList();
        assertThat(HandoverRecord.of(tests, entries, test -> before).count().isComplete())
                .isTrue();
        for (Matter matter : Matter.values()) {
            Map<Matter, String> now = new EnumMap<>(before);
            now.put(matter, "b");
            HandoverRecord record = HandoverRecord.of(tests, entries, test -> now);
            record.lines().forEach(line -> assertThat(line.standing())
                    .as("%s when %s changed", line.test().id(), matter)
                    .isEqualTo(line.test().kind().restsOn().contains(matter) ? Standing.AGAIN : Standing.PASSED));
            assertThat(record.count().isComplete()).isFalse();
        }
    }
}
