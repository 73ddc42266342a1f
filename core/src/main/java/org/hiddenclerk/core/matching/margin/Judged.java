package org.hiddenclerk.core.matching.margin;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;

/** What one group of rules found, and how near each limit is. */
public record Judged(List<Finding> findings, List<Margin> margins) {
    public Judged {
        findings = List.copyOf(findings);
        margins = List.copyOf(margins);
    }

    Verdict verdict() {
        return Verdict.of(findings);
    }
}
