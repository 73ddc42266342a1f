package org.hiddenclerk.core.matching;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Test;

/** A module is judged by behaviours that it has and that its switch allows, in a plan as where the feel of a switch is set. */
class ActsAsSwitchesAllowTest {
    private static final ModuleModel MODULE = Modules.withNeutral(1, 2, Modules.generous());

    private static Box box(Mechanism mechanism) {
        return Boxes.box()
                .gang(mechanism, "4", "LED 7")
                .feed("4", Boxes.common(1))
                .lamp(1, Boxes.throwOf(1), "4")
                .build();
    }

    private static PlanJudgement judge(Mechanism mechanism, InputBehaviour behaviour) {
        return PlanJudgement.of(
                Boxes.house(),
                box(mechanism),
                List.of(new Assignment(MODULE, List.of(1), Map.of(1, behaviour), Optional.empty())));
    }

    private static ModuleModel with(Set<InputBehaviour> behaviours) {
        return new ModuleModel(
                "NB-1",
                MODULE.maker(),
                MODULE.name(),
                MODULE.protocol(),
                MODULE.purpose(),
                MODULE.supply(),
                MODULE.channels(),
                MODULE.inputs(),
                behaviours,
                MODULE.interlocked(),
                MODULE.totalAmps(),
                MODULE.terminals(),
                MODULE.body(),
                MODULE.markets(),
                MODULE.metering(),
                MODULE.worksWithoutInternet(),
                MODULE.priceCents(),
                MODULE.blink(),
                MODULE.sheet());
    }

    /** One without "each press" was judged OK behind a push button, by a fallback. */
    @Test
    void aModuleWithoutTheBehaviourThatASwitchNeedsIsRefusedByName() {
        ModuleMatch match = new ModuleMatch(Boxes.house(), box(Mechanism.PUSH_MAKE));
        Candidate lacks =
                match.judge(List.of(1), with(Set.of(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES)));

        assertThat(match.judge(List.of(1), MODULE).verdict()).isEqualTo(Verdict.OK);
        assertThat(lacks.verdict()).isNotEqualTo(Verdict.OK);
        assertThat(lacks.plan().planned()).as("nothing is drawn of it").isEmpty();
        assertThat(lacks.findings())
                .filteredOn(f -> f.code() == FindingCode.FEATURE_MISSING)
                .extracting(Finding::reason)
                .anyMatch(reason -> reason.startsWith("NB-1 has no \""));
    }

    @Test
    void aPushButtonThatCountsEveryFlipHoldsThePlan() {
        PlanJudgement twice = judge(Mechanism.PUSH_MAKE, InputBehaviour.EVERY_FLIP);

        assertThat(twice.findings()).extracting(Finding::code).contains(FindingCode.BEHAVIOUR_UNSUITED);
        assertThat(twice.mayBeIssued()).isFalse();
        assertThat(judge(Mechanism.PUSH_MAKE, InputBehaviour.PRESS_CHANGES).findings())
                .extracting(Finding::code)
                .doesNotContain(FindingCode.BEHAVIOUR_UNSUITED);
        assertThat(judge(Mechanism.ONE_WAY, InputBehaviour.EVERY_FLIP).findings())
                .extracting(Finding::code)
                .doesNotContain(FindingCode.BEHAVIOUR_UNSUITED);
    }

    @Test
    void whatIsOfferedIsWhatIsNotRefused() {
        assertThat(WallInput.of(
                        judge(Mechanism.PUSH_MAKE, InputBehaviour.PRESS_CHANGES).plan()))
                .singleElement()
                .satisfies(input -> assertThat(input.possible()).containsExactly(InputBehaviour.PRESS_CHANGES));
        assertThat(WallInput.of(
                        judge(Mechanism.ONE_WAY, InputBehaviour.EVERY_FLIP).plan()))
                .singleElement()
                .satisfies(input -> {
                    assertThat(input.possible()).contains(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES);
                    for (InputBehaviour behaviour : InputBehaviour.values()) {
                        assertThat(input.possible().contains(behaviour))
                                .as(behaviour.name())
                                .isEqualTo(input.refusal(behaviour).isEmpty());
                    }
                });
    }
}
