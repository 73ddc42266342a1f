package org.hiddenclerk.core.matching.module;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** Whether the breaks that a flip of a wall switch makes are such as a module counts. */
final class BlinksSeen {
    /** Longest break of a flip, and the shortest: a rocker moved by hand; common practice, no source. */
    private static final int LONGEST_FLIP_MS = 100;

    private static final int SHORTEST_FLIP_MS = 20;

    private BlinksSeen() {}

    /** Whether a module sees every flip as a break of its supply and outlives it, in schemes that tell it so. */
    static List<Finding> judge(Assignment assignment, Subject.Module self) {
        if (!assignment.scheme().has(SchemeCode.Trait.BLINKS)) {
            return List.of();
        }
        Optional<BlinkTiming> blink = assignment.model().blink();
        if (blink.isEmpty()) {
            return List.of(Finding.of(
                    FindingCode.BLINK_NOT_SEEN,
                    self,
                    Sentence.of(
                            "The maker states no times for breaks of the supply; a flip takes {0} to {1} ms.",
                            SHORTEST_FLIP_MS, LONGEST_FLIP_MS),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.FIND_OUT, "find out minimum and hold-up time")));
        } else if (blink.get().minimumMs() > SHORTEST_FLIP_MS || blink.get().holdUpMs() < LONGEST_FLIP_MS) {
            return List.of(Finding.of(
                    FindingCode.BLINK_NOT_SEEN,
                    self,
                    Sentence.of(
                            "It counts breaks of {0} to {1} ms; a flip takes {2} to {3} ms.",
                            blink.get().minimumMs(), blink.get().holdUpMs(), SHORTEST_FLIP_MS, LONGEST_FLIP_MS),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a longer hold-up time")));
        }
        return List.of();
    }
}
