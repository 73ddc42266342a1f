package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Change-overs of one lamp that stay wired to each other and are read as one contact: they have no up, so every flip
 * counts, whoever is asked.
 */
class PairOfChangeOversTest {
    /** Circuits in which the chain of switches begins and ends in one box, so that it can be read there with nothing added. */
    private static final List<String> BOTH_ENDS_AT_A = List.of(
            "two-way, feed and lamp at A",
            "three-strapper, feed and lamp at A",
            "one intermediate, feed and lamp at A",
            "two intermediates, feed and lamp at A");

    private static WiringPlan plan(ConnectedBoxes run, SchemeCode scheme, ModuleModel model, InputBehaviour behaviour) {
        return WiringPlan.of(Boxes.house(), run, List.of(assigned(scheme, model, behaviour)));
    }

    private static Assignment assigned(SchemeCode scheme, ModuleModel model, InputBehaviour behaviour) {
        return new Assignment(
                scheme, model, List.of(1), List.of(), Map.of(1, behaviour), Optional.empty(), Optional.empty());
    }

    /** @return an input against the live, one between two pins, and one between two pins where there is no neutral */
    static Stream<Arguments> readers() {
        return Stream.of(
                Arguments.of(SchemeCode.MULTI_ONE_MODULE, Modules.withNeutral(1, 4, Modules.generous())),
                Arguments.of(SchemeCode.MULTI_ONE_MODULE, Modules.withElvInputs(2, Modules.generous())),
                Arguments.of(SchemeCode.BEHIND_SWITCH_NO_N, Modules.twoWire(0, Modules.generous())));
    }

    @ParameterizedTest
    @MethodSource("readers")
    void theyAreReadByEveryKindOfInputWhereTheirChainEndsWhereItBegins(SchemeCode scheme, ModuleModel model) {
        for (RegionProfile region : RegionProfile.values()) {
            Map<String, ConnectedBoxes> circuits = Topologies.all(region);
            for (String name : BOTH_ENDS_AT_A) {
                WiringPlan plan = plan(circuits.get(name), scheme, model, InputBehaviour.EVERY_FLIP);
                assertThat(plan.planned())
                        .as(region + " " + name + " " + plan.findings())
                        .isPresent();
                assertThat(plan.verdict())
                        .as(region + " " + name + " " + plan.findings())
                        .isEqualTo(Verdict.OK);
                assertThat(plan.planned().orElseThrow().intents()).as(name).allSatisfy(intent -> assertThat(
                                intent.controls())
                        .hasSameSizeAs(circuits.get(name).gangs()));
            }
        }
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void everyFlipIsAllThatTheyAreOffered(RegionProfile region) {
        List<WallInput> pairs = SchemeMatrix.plans(region).values().stream()
                .flatMap(plan -> WallInput.of(plan).stream())
                .filter(input -> input.gangs().size() > 1 && input.wall().kind() == Wall.Kind.ROCKER)
                .toList();
        assertThat(pairs).isNotEmpty().allSatisfy(input -> assertThat(input.possible())
                .contains(InputBehaviour.EVERY_FLIP)
                .isSubsetOf(InputBehaviour.EVERY_FLIP, InputBehaviour.REPORT_ONLY));
    }

    @ParameterizedTest
    @MethodSource("readers")
    void aPlanThatReadsThemOtherwiseIsHeldAsTheirFeelWouldBe(SchemeCode scheme, ModuleModel model) {
        ConnectedBoxes run = Topologies.all(RegionProfile.EU_230).get("two-way, feed and lamp at A");
        for (InputBehaviour behaviour : model.behaviours()) {
            PlanJudgement judgement = PlanJudgement.of(
                    new Planner(Boxes.house(), run),
                    List.of(assigned(scheme, model, behaviour)),
                    Map.of(),
                    Terms.USUAL);
            boolean allowed = behaviour == InputBehaviour.EVERY_FLIP;
            assertThat(judgement.findings().stream()
                            .anyMatch(finding -> finding.code() == FindingCode.BEHAVIOUR_UNSUITED))
                    .as(model.code() + " " + behaviour)
                    .isEqualTo(!allowed);
            assertThat(judgement.verdict() == Verdict.OK)
                    .as(model.code() + " " + behaviour)
                    .isEqualTo(allowed);
        }
    }

    @Test
    void whereTheChainEndsInAnotherBoxTheCoresThatAreMissingAreCounted() {
        ConnectedBoxes run =
                Topologies.all(RegionProfile.EU_230).get("two-way, feed at A, lamp from B, neutral through");
        for (ModuleModel model :
                List.of(Modules.withElvInputs(2, Modules.generous()), Modules.withNeutral(1, 4, Modules.generous()))) {
            assertThat(plan(run, SchemeCode.MULTI_ONE_MODULE, model, InputBehaviour.EVERY_FLIP)
                            .findings())
                    .as(model.code())
                    .extracting(finding -> finding.code())
                    .containsOnly(FindingCode.TOO_FEW_CORES);
        }
    }
}
