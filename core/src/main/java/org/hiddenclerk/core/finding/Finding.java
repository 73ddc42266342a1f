package org.hiddenclerk.core.finding;

import java.util.Comparator;
import java.util.List;

/**
 * One judgement with its reason.
 *
 * @param code     what was found
 * @param subject  the part, terminal or place it concerns
 * @param states   switching states in which it happens, smallest first; at most {@value #STATES_SHOWN}, empty when it
 *                 does not depend on a state
 * @param reason   one sentence with found and allowed values
 * @param remedies what would mend it, best first
 * @param source   where the rule comes from
 */
public record Finding(FindingCode code, String subject, List<SwitchingState> states, String reason,
                      List<Remedy> remedies, Source source) {

    /** How many example states a finding carries. */
    public static final int STATES_SHOWN = 16;

    /** Gravest first, then by subject, then by code: two runs are equal to the byte. */
    public static final Comparator<Finding> ORDER = Comparator.comparing(Finding::severity)
            .thenComparing(Finding::subject).thenComparing(Finding::code);

    public Finding {
        states = List.copyOf(states.subList(0, Math.min(STATES_SHOWN, states.size())));
        remedies = List.copyOf(remedies);
    }

    public static Finding of(FindingCode code, String subject, String reason, Source source, Remedy... remedies) {
        return new Finding(code, subject, List.of(), reason, List.of(remedies), source);
    }

    /** The same finding with the states in which it shows. */
    public Finding in(List<SwitchingState> shownIn) {
        return new Finding(code, subject, shownIn, reason, remedies, source);
    }

    public Severity severity() {
        return code.severity();
    }
}
