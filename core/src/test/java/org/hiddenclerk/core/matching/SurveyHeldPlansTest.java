package org.hiddenclerk.core.matching;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.survey.CableProtection;
import org.hiddenclerk.core.matching.survey.CircuitSum;
import org.hiddenclerk.core.matching.survey.SurveyChecks;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.WireGauge;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.api.Test;

/** A plan is held to everything that the survey shows, and no finding swallows another. */
class SurveyHeldPlansTest {
    private static final CircuitId FOUR = new CircuitId("4");

    private static PlanJudgement judge(HouseContext house, Box box, Assignment... modules) {
        return PlanJudgement.of(
                new Planner(house, ConnectedBoxes.of(box, house.region())), List.of(modules), Map.of(), Terms.USUAL);
    }

    private static HouseContext house(RegionProfile region, int amps, Optional<Protection.Metal> metal) {
        Map<CircuitId, Circuit> circuits = new HashMap<>(Boxes.house(region).circuits());
        circuits.put(
                FOUR,
                new Circuit(
                        FOUR,
                        "4",
                        Amps.of(amps),
                        circuits.get(FOUR).phase(),
                        false,
                        Optional.empty(),
                        new Protection(Protection.Device.BREAKER, OptionalInt.empty(), Optional.empty(), metal)));
        return new HouseContext(region, circuits);
    }

    private static Box box(String load) {
        return Boxes.box()
                .gang("4", load)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    private static Assignment module(Integer... gangs) {
        return new Assignment(
                Modules.withNeutral(1, 2, Modules.generous()), List.of(gangs), Map.of(), Optional.empty());
    }

    /** 1.5 mm² behind 63 A was accepted; 14 AWG (2.08 mm²) behind 20 A was proved. */
    @Test
    void aDeviceThatDoesNotProtectItsCableHoldsThePlan() {
        PlanJudgement europe = judge(house(RegionProfile.EU_230, 63, Optional.empty()), box("LED 7"), module(1));
        PlanJudgement fine = judge(house(RegionProfile.EU_230, 16, Optional.empty()), box("LED 7"), module(1));

        assertThat(codes(europe)).contains(FindingCode.CABLE_UNDER_DEVICE);
        assertThat(europe.mayBeIssued()).isFalse();
        assertThat(codes(fine)).doesNotContain(FindingCode.CABLE_UNDER_DEVICE);
    }

    /** NEC 240.4(D) ends at 10 AWG; sizes in mm² are gauges within rounding; aluminium carries less (from memory, as in the class). */
    @Test
    void gaugesAreFoundWithinRoundingAndThickOnesHaveTheirOwnTable() {
        assertThat(WireGauge.of(3.3)).contains(12);
        assertThat(WireGauge.of(2.08)).contains(14);
        assertThat(WireGauge.of(8.37)).contains(8);
        // ASTM B258: 14 AWG is 2.08 mm², 12 AWG 3.31 mm².
        assertThat(WireGauge.sizes())
                .contains(new WireGauge.GaugeSize(14, 2.081), new WireGauge.GaugeSize(12, 3.309))
                .isSortedAccordingTo(Comparator.comparingDouble(WireGauge.GaugeSize::mm2));
        assertThat(protects("3.3", 20, false)).isTrue();
        assertThat(protects("2.08", 20, false)).isFalse();
        assertThat(protects("8.37", 40, false)).isTrue();
        assertThat(protects("3.31", 20, true)).isFalse();
        assertThat(protects("3.31", 15, true)).isTrue();
        assertThat(protects("5.26", 25, true)).isTrue();
    }

    private static boolean protects(String mm2, int amps, boolean aluminium) {
        Circuit circuit = house(
                        RegionProfile.US_120,
                        amps,
                        aluminium ? Optional.of(Protection.Metal.ALUMINIUM) : Optional.empty())
                .circuits()
                .get(FOUR);
        return CableProtection.judge(
                        circuit, new BigDecimal(mm2), RegionProfile.US_120, new Subject.Circuit("4"), "The cable")
                .isEmpty();
    }

    @Test
    void aluminiumHoldsUntilSomebodySeesToItsTerminals() {
        assertThat(codes(judge(
                        house(RegionProfile.EU_230, 10, Optional.of(Protection.Metal.ALUMINIUM)),
                        box("LED 7"),
                        module(1))))
                .contains(FindingCode.ALUMINIUM_CONDUCTOR);
    }

    @Test
    void aStripOnMainsIsStopped() {
        PlanJudgement judgement = judge(Boxes.house(), box("strip 30"), module(1));

        assertThat(judgement.findings())
                .anyMatch(f -> f.severity() == Severity.STOP && f.code() == FindingCode.MAINS_ON_ELV);
    }

    @Test
    void aBlindWithoutItsMotorIsAskedFor() {
        assertThat(codes(judge(Boxes.house(), box("blind 120"), module(1)))).contains(FindingCode.SURVEY_INCOMPLETE);
    }

    @Test
    void aDimmerBeforeASocketIsStopped() {
        Box dimmed = Boxes.box()
                .gang("4", "socket 500")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build()
                .withMechanism(1, Mechanism.DIMMER);

        assertThat(SurveyChecks.of(Boxes.house(), ConnectedBoxes.of(dimmed, RegionProfile.EU_230)))
                .anyMatch(f -> f.code() == FindingCode.DIMMER_IN_SERIES);
    }

    /** 36 W and 900 W of a kind without a rating on two modules: two HOLDs, and one taken on leaves the other. */
    @Test
    void twoModulesWithUnratedLoadsHoldTwice() {
        Box two = Boxes.box()
                .gang("4", "fan 36")
                .gang("4", "fan 900")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
        Assignment first = new Assignment(
                Modules.withNeutral(1, 2, Modules.usualRatings()), List.of(1), Map.of(), Optional.empty());
        Assignment second = new Assignment(
                Modules.withNeutral(1, 2, Modules.usualRatings()), List.of(2), Map.of(), Optional.empty());
        PlanJudgement judgement = judge(Boxes.house(), two, first, second);

        List<Finding> unrated = judgement.findings().stream()
                .filter(f -> f.code() == FindingCode.RATING_UNKNOWN)
                .toList();
        assertThat(unrated).extracting(f -> f.subject().key()).containsExactly("K1/1 MOTOR", "K2/1 MOTOR");
        PlanJudgement one = judgement.accepting(unrated.get(0)::equals);
        assertThat(one.findings().stream()
                        .filter(f ->
                                f.severity() == Severity.HOLD && !one.accepted().contains(f)))
                .contains(unrated.get(1));
        assertThat(one.mayBeIssued()).isFalse();
    }

    /** The findings of a plan contain every finding of each of its modules; it may be issued only when each HOLD is taken on by itself. */
    @Test
    void aPlanSaysEverythingThatIsSaidOfItsModules() {
        List<String> loads = List.of("fan 36", "2 LED 200", "fan 900 + LED 300", "halogen 500", "LED 7");
        int holds = 0;
        for (String a : loads) {
            for (String b : loads) {
                Box two = Boxes.box()
                        .gang("4", a)
                        .gang("4", b)
                        .feed("4", common(1))
                        .lamp(1, throwOf(1), "4")
                        .lamp(2, throwOf(2), "4")
                        .jumper(common(1), common(2))
                        .build();
                List<Assignment> modules = List.of(
                        new Assignment(
                                Modules.withNeutral(1, 2, Modules.usualRatings()),
                                List.of(1),
                                Map.of(),
                                Optional.empty()),
                        new Assignment(
                                Modules.withNeutral(1, 1, Modules.usualRatings()),
                                List.of(2),
                                Map.of(),
                                Optional.empty()));
                Planner planner = new Planner(Boxes.house(), ConnectedBoxes.of(two, RegionProfile.EU_230));
                PlanJudgement judgement = PlanJudgement.of(planner, modules, Map.of(), Terms.USUAL);
                for (int i = 0; i < modules.size(); i++) {
                    String id = "K" + (i + 1);
                    for (Finding alone : new ModuleMatch(planner, Terms.USUAL)
                            .judge(modules.get(i))
                            .findings()) {
                        Subject here = alone.subject().withModules(any -> id);
                        assertThat(judgement.findings())
                                .as(a + " / " + b + ": " + alone)
                                .anyMatch(f ->
                                        f.code() == alone.code() && f.subject().equals(here));
                    }
                }
                List<Finding> held = judgement.findings().stream()
                        .filter(f -> f.severity() == Severity.HOLD)
                        .toList();
                holds += held.size();
                for (Finding left : held) {
                    assertThat(judgement.accepting(f -> f != left).mayBeIssued())
                            .as(left.toString())
                            .isFalse();
                }
            }
        }
        assertThat(holds).isGreaterThan(20);
    }

    /** No sentence holds an id, a node, a path or a slot that was not filled. */
    @Test
    void noSentenceShowsWhatIsForMachines() {
        SchemeMatrixPlans.of(RegionProfile.EU_230).values().forEach(plan -> plan.findings()
                .forEach(finding -> assertThat(finding.reason())
                        .doesNotContain("j.")
                        .doesNotContain("/survey")
                        .doesNotContain("{")
                        .doesNotContainPattern("[0-9a-f]{8}-[0-9a-f]{4}")));
    }

    /** A blind with two plain switches beside a lamp: the lamp's module is planned, and the blind is worth knowing. */
    @Test
    void aLampBesideABlindIsPlanned() {
        Box box = Boxes.box()
                .gang("4", "LED 7")
                .gang("4", "blind 120")
                .gang("4", "blind 120")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .lamp(3, throwOf(3), "4")
                .jumper(common(1), common(2))
                .jumper(common(2), common(3))
                .build();
        Box driven =
                new Box(box.label(), box.kind(), box.geometry(), box.gangs(), driven(box), box.cables(), box.jumpers());
        PlanJudgement judgement = judge(Boxes.house(), driven, module(1));

        assertThat(judgement.findings())
                .filteredOn(f -> f.code() == FindingCode.BOTH_DIRECTIONS_ON)
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.severity()).isEqualTo(Severity.NOTE);
                    SwitchingState shown = f.states().get(0);
                    assertThat(shown.switches()).containsEntry("S2", 1).containsEntry("S3", 1);
                });
        assertThat(judgement.findings()).noneMatch(f -> f.severity() == Severity.STOP);
    }

    private static List<org.hiddenclerk.core.job.SurveyedLoad> driven(Box box) {
        List<org.hiddenclerk.core.job.SurveyedLoad> loads = new ArrayList<>();
        box.loads()
                .forEach(load -> loads.add(
                        load.number() == 1
                                ? load
                                : new org.hiddenclerk.core.job.SurveyedLoad(
                                        load.number(),
                                        load.name(),
                                        load.typed(),
                                        load.banks(),
                                        load.gang(),
                                        load.continuous(),
                                        Optional.of(new org.hiddenclerk.core.job.Drive(
                                                "B",
                                                load.number() == 2
                                                        ? org.hiddenclerk.core.job.Drive.Direction.UP
                                                        : org.hiddenclerk.core.job.Drive.Direction.DOWN)))));
        return loads;
    }

    private static java.util.Set<FindingCode> codes(PlanJudgement judgement) {
        return FindingCode.of(judgement.findings());
    }

    /** The lamp of this plan is light; all that hangs on the circuit in other boxes is not. */
    @Test
    void whatACircuitCarriesElsewhereStopsThePlanToo() {
        HouseContext house = house(RegionProfile.EU_230, 10, Optional.empty());
        PlanJudgement alone = judge(house, box("LED 7"), module(1));
        List<CircuitSum> light = CircuitSum.of(house, Map.of("a", box("LED 7"), "b", box("heater 2000")));
        List<CircuitSum> heavy = CircuitSum.of(house, Map.of("a", box("LED 7"), "b", box("heater 2400")));

        assertThat(codes(alone.withCircuits(light)))
                .doesNotContain(FindingCode.CIRCUIT_OVERLOAD, FindingCode.NEAR_LIMIT);
        assertThat(alone.withCircuits(heavy).findings())
                .filteredOn(f -> f.code() == FindingCode.CIRCUIT_OVERLOAD)
                .singleElement()
                .satisfies(f -> assertThat(f.subject()).isEqualTo(new Subject.Circuit("4")));
        assertThat(alone.withCircuits(heavy).mayBeIssued()).isFalse();
    }
}
