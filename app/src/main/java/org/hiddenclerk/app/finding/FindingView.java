package org.hiddenclerk.app.finding;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.SwitchingState;

/** A finding as JSON. */
public record FindingView(FindingCode code, Severity severity, String title, String subject,
                          List<SwitchingState> states, String reason, List<RemedyView> remedies, String source) {

    /** A remedy as JSON. */
    public record RemedyView(Remedy.Kind kind, String text) {
    }

    public static FindingView of(Finding finding) {
        return new FindingView(finding.code(), finding.severity(), finding.code().title(), finding.subject(),
                finding.states(), finding.reason(),
                finding.remedies().stream().map(r -> new RemedyView(r.kind(), r.text())).toList(),
                finding.source().text());
    }
}
