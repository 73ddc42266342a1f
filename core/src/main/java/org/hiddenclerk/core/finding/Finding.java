package org.hiddenclerk.core.finding;

import java.util.Comparator;
import java.util.List;

/**
 * One judgement with its reason.
 *
 * @param code     what was found
 * @param severity how grave it is here; never graver than the code allows
 * @param subject  whom it concerns
 * @param states   switching states in which it happens, smallest first; at most {@value #STATES_SHOWN}, empty when it
 *                 does not depend on a state
 * @param sentence what is the matter, with found and allowed values
 * @param remedies what would mend it, best first
 * @param source   where the rule comes from
 */
public record Finding(
        FindingCode code,
        Severity severity,
        Subject subject,
        List<SwitchingState> states,
        Sentence sentence,
        List<Remedy> remedies,
        Source source) {

    /** How many example states a finding carries. */
    public static final int STATES_SHOWN = 16;

    /** Gravest first, then by subject, then by code: two runs are equal to the byte. */
    public static final Comparator<Finding> ORDER = Comparator.comparing(Finding::severity)
            .thenComparing(Finding::subject)
            .thenComparing(Finding::code)
            .thenComparing(Finding::reason);

    /** What makes two findings one: of the same code about the same subject, the graver stands. */
    public record Key(FindingCode code, Subject subject) {}

    public Finding {
        if (severity.compareTo(code.severity()) < 0) {
            throw new IllegalArgumentException(
                    "The severity (" + severity + ") of " + code + " must be at most " + code.severity() + ".");
        }
        states = List.copyOf(states.subList(0, Math.min(STATES_SHOWN, states.size())));
        remedies = List.copyOf(remedies);
    }

    public static Finding of(FindingCode code, Subject subject, Sentence sentence, Source source, Remedy... remedies) {
        return new Finding(code, code.severity(), subject, List.of(), sentence, List.of(remedies), source);
    }

    /** A finding whose sentence holds no figure that anybody would compare. */
    public static Finding of(FindingCode code, Subject subject, String reason, Source source, Remedy... remedies) {
        return of(code, subject, Sentence.of(reason), source, remedies);
    }

    /** The same finding with the states in which it shows. */
    public Finding in(List<SwitchingState> shownIn) {
        return new Finding(code, severity, subject, shownIn, sentence, remedies, source);
    }

    /** The same finding about another subject. */
    public Finding about(Subject other) {
        return new Finding(code, severity, other, states, sentence, remedies, source);
    }

    /** One sentence for people. */
    public String reason() {
        return sentence.text();
    }

    public Key key() {
        return new Key(code, subject);
    }
}
