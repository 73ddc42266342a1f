package org.hiddenclerk.core.matching.margin;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;

/** What one group of rules found, and how near each limit is. */
public record Judged(List<Finding> findings, List<Margin> margins) {
    public static final Judged NOTHING = new Judged(List.of(), List.of());

    public Judged {
        findings = List.copyOf(findings);
        margins = List.copyOf(margins);
    }

    /** What several groups found, one after the other. */
    public static Judged together(List<Judged> groups) {
        return new Judged(
                groups.stream().flatMap(group -> group.findings().stream()).toList(),
                groups.stream().flatMap(group -> group.margins().stream()).toList());
    }

    /** What a group found that knows no limits. */
    public static Judged of(List<Finding> findings) {
        return findings.isEmpty() ? NOTHING : new Judged(findings, List.of());
    }
}
