package org.hiddenclerk.core.electrical;

import static org.hiddenclerk.core.finding.FindingCode.UNUSED_CONDUCTOR;

import java.util.HashSet;
import java.util.Set;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** Conductors that end in a cap and so carry nothing; an earth is never left over. */
final class LeftOver {
    private LeftOver() {
    }

    static void check(Region region, FindingLog log) {
        Set<Integer> capped = new HashSet<>();
        Set<Integer> earthed = new HashSet<>();
        for (Part part : region.parts()) {
            if (part instanceof Part.Cap) {
                capped.add(region.node(part, "end"));
            } else if (part instanceof Part.Supply supply && supply.line() == Line.PE) {
                earthed.add(region.fixedJoins().find(region.node(part, "out")));
            }
        }
        for (Part part : region.parts()) {
            if (part instanceof Part.Conductor conductor
                    && !earthed.contains(region.fixedJoins().find(region.node(part, "a")))
                    && (capped.contains(region.node(part, "a")) || capped.contains(region.node(part, "b")))) {
                log.addOverall(UNUSED_CONDUCTOR, conductor.subject(), Sentence.of("The {0} core of {1} is left over; it stays capped at both ends.",
                        conductor.core(), conductor.cable()),
                        Remedy.rewire("label it as a spare"));
            }
        }
    }
}
