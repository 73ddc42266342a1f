package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What {@link SlowJudgeCrossCheckTest} tries on every plan, on a few boxes within a glance. */
class FewMistakesTest {
    private static final int AT_RANDOM = 12;
    private static final int DANGEROUS = 8;
    private static final long SEED = 20_261_202;

    static Stream<Map.Entry<String, Wiring>> plans() {
        return Plans.ofUsualBoxes(RegionProfile.EU_230).entrySet().stream();
    }

    @ParameterizedTest
    @MethodSource("plans")
    void areJudgedAsTheSlowJudgeDoes(Map.Entry<String, Wiring> plan) {
        Random random = new Random(SEED);
        List<Mutants.Mutant> mistakes = new ArrayList<>();
        for (int i = 0; i < AT_RANDOM; i++) {
            mistakes.add(Mutants.of(plan.getValue(), random));
        }
        List<Mutants.Mutant> dangerous = Mutants.dangerous(plan.getValue());
        int each = Math.max(1, dangerous.size() / DANGEROUS);
        for (int i = 0; i < dangerous.size(); i += each) {
            mistakes.add(dangerous.get(i));
            if (WiringCheck.of(plan.getValue()).verdict() == Verdict.OK) {
                assertThat(WiringCheck.of(dangerous.get(i).wiring()).verdict())
                        .as(dangerous.get(i).words())
                        .isNotEqualTo(Verdict.OK);
            }
        }
        for (Mutants.Mutant mistake : mistakes) {
            assertThat(WiringCheck.of(mistake.wiring()).findings())
                    .as(mistake.words())
                    .extracting(Finding::code)
                    .filteredOn(SlowJudge.COVERED::contains)
                    .hasSameElementsAs(SlowJudge.codesOf(mistake.wiring()));
        }
    }
}
