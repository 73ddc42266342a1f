package org.hiddenclerk.core.matching;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.SchemeCode;

/**
 * One module judged for some gangs.
 *
 * @param findings all reasons, gravest first
 * @param margins  all margins, tightest kinds first as the rules come
 */
public record Candidate(Assignment assignment, SchemeCode scheme, List<Finding> findings, List<Margin> margins) {
    public Candidate {
        findings = List.copyOf(findings);
        margins = List.copyOf(margins);
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }
}
