package org.hiddenclerk.core.matching;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.SchemeCode;
import org.hiddenclerk.core.wiring.WiringPlan;

/**
 * One module judged for some gangs.
 *
 * @param findings all reasons, gravest first
 * @param margins  all margins, tightest kinds first as the rules come
 * @param plan     the wiring it comes to
 * @param placement where it lies in the lead box, when it goes in there
 */
public record Candidate(Assignment assignment, List<Finding> findings, List<Margin> margins, WiringPlan plan,
                        Optional<Placement> placement) {
    public Candidate {
        findings = List.copyOf(findings);
        margins = List.copyOf(margins);
    }

    public SchemeCode scheme() {
        return assignment.scheme();
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }
}
