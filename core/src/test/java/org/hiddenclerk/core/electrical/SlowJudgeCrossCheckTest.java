package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.testing.Depth;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.api.Test;

/** The finding codes of planned wirings, and of seeded mistakes in them, against an independent slow evaluation. */
class SlowJudgeCrossCheckTest {
    /** Many more with {@code ./clerk test --deep}. */
    private static final int MUTANTS = Depth.of(250, 5_000);

    private static final long SEED = 4_711;
    /** Of the dangerous mutants every one is judged, and one in so many compared with the slow judge; all of them with {@code --deep}. */
    private static final int EACH = Depth.of(53, 1);

    @Test
    void plannedWiringsShowNothingButNotes() {
        Depth.ofPlans(Plans.ofEveryKind()).forEach((name, wiring) -> {
            Set<FindingCode> slow = SlowJudge.codesOf(wiring);
            assertThat(covered(WiringCheck.of(wiring))).as(name).isEqualTo(slow);
            assertThat(slow).as(name).isSubsetOf(FindingCode.MODULE_CUT_BY_SWITCH, FindingCode.UNUSED_CONDUCTOR);
        });
    }

    @Test
    void mistakesShowTheSameCodes() {
        Random random = new Random(SEED);
        List<Map.Entry<String, Wiring>> sound = List.copyOf(Plans.ofEveryKind().entrySet());
        Map<FindingCode, Integer> seen = new TreeMap<>();
        for (int i = 0; i < MUTANTS; i++) {
            Map.Entry<String, Wiring> one = sound.get(random.nextInt(sound.size()));
            Mutants.Mutant mutant = Mutants.of(one.getValue(), random);
            WiringCheck.Result result = WiringCheck.of(mutant.wiring());

            assertThat(covered(result))
                    .as(one.getKey() + ": " + mutant.words() + "\n" + result.findings())
                    .isEqualTo(SlowJudge.codesOf(mutant.wiring()));
            covered(result).forEach(code -> seen.merge(code, 1, Integer::sum));
        }
        assertThat(seen.keySet())
                .as("the seed shows the codes that a mistake in a house can make")
                .hasSizeGreaterThanOrEqualTo(11);
    }

    /** Earths, inputs and poles put where they hurt, on every planned wiring: all refused, and for the reasons of the slow judge. */
    @Test
    void whatHurtsIsNeverProved() {
        int tried = 0;
        int compared = 0;
        for (Map.Entry<String, Wiring> plan : Plans.ofEveryKind().entrySet()) {
            if (WiringCheck.of(plan.getValue()).verdict() != Verdict.OK) {
                continue;
            }
            for (Mutants.Mutant mutant : Mutants.dangerous(plan.getValue())) {
                WiringCheck.Result result = WiringCheck.of(mutant.wiring());
                assertThat(result.verdict())
                        .as(plan.getKey() + ": " + mutant.words() + "\n" + result.findings())
                        .isNotEqualTo(Verdict.OK);
                if (tried++ % EACH == 0) {
                    compared++;
                    assertThat(covered(result))
                            .as(plan.getKey() + ": " + mutant.words() + "\n" + result.findings())
                            .isEqualTo(SlowJudge.codesOf(mutant.wiring()));
                }
            }
        }
        System.out.println("earths, inputs and poles put where they hurt: " + tried + " refused, " + compared
                + " compared with the slow judge");
    }

    private static Set<FindingCode> covered(WiringCheck.Result result) {
        Set<FindingCode> codes = new TreeSet<>();
        result.findings().stream()
                .map(f -> f.code())
                .filter(SlowJudge.COVERED::contains)
                .forEach(codes::add);
        return codes;
    }
}
