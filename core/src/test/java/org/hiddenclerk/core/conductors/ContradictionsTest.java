package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Smallest sets that cannot hold together, beside all sets there are. */
class ContradictionsTest {
    private static final int READINGS = 6;

    @Property(tries = 60)
    void areAllSmallestSetsThatEveryWiringBreaksOneOf(@ForAll Random random) {
        Set<BitSet> broken = new LinkedHashSet<>();
        for (int wiring = 0; wiring < 1 + random.nextInt(6); wiring++) {
            BitSet one = new BitSet();
            one.set(random.nextInt(READINGS));
            IntStream.range(0, READINGS).filter(r -> random.nextInt(4) == 0).forEach(one::set);
            broken.add(one);
        }
        List<BitSet> hitting = IntStream.range(0, 1 << READINGS)
                .mapToObj(bits -> BitSet.valueOf(new long[] {bits}))
                .filter(set -> broken.stream().allMatch(set::intersects))
                .toList();
        int fewest = hitting.stream().mapToInt(BitSet::cardinality).min().orElseThrow();
        assertThat(Contradictions.smallest(READINGS, broken))
                .containsExactlyInAnyOrderElementsOf(hitting.stream()
                        .filter(set -> set.cardinality() == fewest)
                        .map(set -> set.stream().boxed().toList())
                        .toList());
    }

    @Example
    void areNoneWhereNoReadingWasMade() {
        assertThat(Contradictions.smallest(0, Set.of(BitSet.valueOf(new long[] {1}))))
                .isEmpty();
    }
}
