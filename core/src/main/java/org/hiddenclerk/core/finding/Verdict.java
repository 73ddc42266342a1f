package org.hiddenclerk.core.finding;

import java.util.Collection;

/** The outcome of a judgement: its worst finding. Notes leave it OK. */
public enum Verdict {
    STOP,
    HOLD,
    OK;

    public static Verdict of(Collection<Finding> findings) {
        Verdict worst = OK;
        for (Finding finding : findings) {
            Verdict own = switch (finding.severity()) {
                case STOP -> STOP;
                case HOLD -> HOLD;
                case NOTE -> OK;
            };
            if (own.compareTo(worst) < 0) {
                worst = own;
            }
        }
        return worst;
    }
}
