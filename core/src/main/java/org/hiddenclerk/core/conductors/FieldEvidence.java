package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Role;

/**
 * What readings say against and for the survey of a run. A plan that was made from the survey stands only as long as
 * no reading contradicts it.
 *
 * @param against what stops every plan of the run
 * @param paired  ends that were read to be one conductor
 * @param apart   ends that were read not to be
 */
public record FieldEvidence(List<Finding> against, Set<Ends> paired, Set<Ends> apart) {
    /** Nothing was read. */
    public static final FieldEvidence NONE = new FieldEvidence(List.of(), Set.of(), Set.of());

    private static final Remedy LOOK =
            new Remedy(Remedy.Kind.FIND_OUT, "read again on the Trace sheet, and put the survey right");

    /** Two ends of cores in boxes, by {@link SurveyedBoard#coreId}; the order does not matter. */
    public record Ends(String one, String other) {
        public Ends {
            if (one.compareTo(other) > 0) {
                String first = other;
                other = one;
                one = first;
            }
        }
    }

    public FieldEvidence {
        against = List.copyOf(against);
        paired = Set.copyOf(paired);
        apart = Set.copyOf(apart);
    }

    /** Something was read, and the run is too large to be held against it: that is no agreement. */
    public static FieldEvidence notCompared() {
        return new FieldEvidence(
                List.of(Finding.of(
                        FindingCode.SURVEY_INCOMPLETE,
                        new Subject.House(),
                        "What was read in this run was not compared with its survey: too many circuits" + " would fit.",
                        Source.COMPUTED,
                        LOOK)),
                Set.of(),
                Set.of());
    }

    /** @param readings strong ones; a pen says nothing for certain */
    public static FieldEvidence of(SurveyedBoard board, List<Reading.Answered> readings, Traced traced) {
        if (readings.isEmpty()) {
            return NONE;
        }
        List<Finding> against = new ArrayList<>();
        if (!traced.contradictions().isEmpty()) {
            against.add(Finding.of(
                    FindingCode.READINGS_CONTRADICT,
                    new Subject.House(),
                    "Readings of this run contradict each other: one of them is wrong, or the circuit is"
                            + " no known one.",
                    Source.COMPUTED,
                    LOOK));
        } else if (board.obstacles().isEmpty() && traced.possible().isEmpty()) {
            against.add(Finding.of(
                    FindingCode.READINGS_CONTRADICT,
                    new Subject.House(),
                    "No known circuit fits what was seen and read in this run: what its cores do is not" + " known.",
                    Source.COMPUTED,
                    LOOK));
        }
        for (SeenCore core : board.cores()) {
            ConductorRole read = traced.certain().get(core.id());
            if (read != null && board.isSurveyed(core)) {
                Box.CableCore surveyed = board.surveyedCore(core);
                Role role = SurveyedBoard.surveyRole(read);
                if (role != surveyed.core().role()) {
                    against.add(Finding.of(
                            FindingCode.READINGS_CONTRADICT,
                            new Subject.SurveyedCore(core.id(), surveyed.key()),
                            Sentence.of(
                                    "By what was read, {0} is the {1}; it is surveyed as {2}.",
                                    surveyed.words(),
                                    role.label(),
                                    surveyed.core().role().label()),
                            Source.COMPUTED,
                            new Remedy(
                                    Remedy.Kind.FIND_OUT,
                                    "write what is certain into the survey, on the Trace sheet")));
                }
            }
        }
        Set<Ends> paired = new LinkedHashSet<>();
        Set<Ends> apart = new LinkedHashSet<>();
        readings.stream()
                .filter(answered -> answered.reading() instanceof Reading.Continuous)
                .forEach(answered -> {
                    Reading.Continuous reading = (Reading.Continuous) answered.reading();
                    (answered.value() ? paired : apart).add(new Ends(reading.first(), reading.second()));
                });
        return new FieldEvidence(against, paired, apart);
    }
}
