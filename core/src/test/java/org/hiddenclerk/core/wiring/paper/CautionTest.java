package org.hiddenclerk.core.wiring.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.api.Test;

/** Cautions follow from the plan: none is missing where it applies, none stands where it does not. */
class CautionTest {
    /** A module at a lamp or in a junction box can't be reached any more: common practice, no source. */
    @Test
    void whatCannotBeReachedIsPairedAtTheBench() {
        for (RegionProfile region : RegionProfile.values()) {
            for (Map.Entry<String, WiringPlan> each :
                    SchemeMatrixPlans.of(region).entrySet()) {
                WiringPlan plan = each.getValue();
                plan.planned().ifPresent(planned -> {
                    boolean hidden = planned.fitted().stream()
                            .map(fitted -> fitted.place().box().kind())
                            .anyMatch(kind -> kind.isAtLoad() || kind == BoxKind.JUNCTION);
                    assertThat(Caution.of(plan, Boxes.house(region)).contains(Caution.PAIR_AT_BENCH))
                            .as(each.getKey())
                            .isEqualTo(hidden);
                });
            }
        }
    }

    /** Two circuits in a box that is opened, and a module that a switch takes off its supply. */
    @Test
    void theUsualOnesStandWhereTheyApply() {
        SchemeMatrixPlans.of(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(planned -> {
                    boolean several = plan.placesOfWork().stream()
                            .anyMatch(place -> plan.run().circuitsIn(place).size() > 1);

                    assertThat(Caution.of(plan, Boxes.house()).contains(Caution.SEVERAL_CIRCUITS))
                            .as(name)
                            .isEqualTo(several);
                    assertThat(Caution.of(plan, Boxes.house()))
                            .as(name)
                            .isSorted()
                            .doesNotHaveDuplicates();
                }));
    }
}
