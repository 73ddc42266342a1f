package org.hiddenclerk.core.finding;

import java.util.Collection;
import java.util.stream.Stream;

/** The outcome of a judgement: its worst finding. Notes leave it OK. */
public enum Verdict {
    STOP,
    HOLD,
    OK;

    public static Verdict of(Collection<Finding> findings) {
        return worst(findings.stream().map(Finding::severity));
    }

    /** The same from the codes alone. */
    public static Verdict ofCodes(Collection<FindingCode> codes) {
        return worst(codes.stream().map(FindingCode::severity));
    }

    private static Verdict worst(Stream<Severity> severities) {
        return severities
                .map(severity -> switch (severity) {
                    case STOP -> STOP;
                    case HOLD -> HOLD;
                    case NOTE -> OK;
                })
                .min(Verdict::compareTo)
                .orElse(OK);
    }
}
