package org.hiddenclerk.app.platform.finding;

import java.util.List;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.SwitchingState;

/**
 * A finding as JSON.
 *
 * @param subject whom it concerns, by a key that is the same for the same subject; nothing is to be read out of it
 * @param about   what sort of thing that is
 * @param model   module of the stock book that it is about, if it is about one
 * @param facts   found and allowed values and the parts that it speaks of: other facts make another finding
 */
public record FindingView(
        FindingCode code,
        Severity severity,
        String title,
        String subject,
        String about,
        @MayBeAbsent String model,
        String facts,
        List<SwitchingState> states,
        String reason,
        List<RemedyView> remedies,
        String source) {

    /** A remedy as JSON. */
    public record RemedyView(Remedy.Kind kind, String text) {}

    public static FindingView of(Finding finding) {
        return new FindingView(
                finding.code(),
                finding.severity(),
                finding.code().title(),
                finding.subject().key(),
                finding.subject().kind(),
                finding.subject().model().orElse(null),
                finding.sentence().facts(),
                finding.states(),
                finding.reason(),
                finding.remedies().stream()
                        .map(r -> new RemedyView(r.kind(), r.text()))
                        .toList(),
                finding.source().text());
    }
}
