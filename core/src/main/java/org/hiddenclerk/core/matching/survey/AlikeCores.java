package org.hiddenclerk.core.matching.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Conductors of one colour between two boxes: which end here is which end there is known only by a reading. Where a
 * plan depends on it, it holds
 * until they were read, dead and freed.
 */
public final class AlikeCores {
    private AlikeCores() {}

    public static List<Finding> of(WiringPlan plan, FieldEvidence evidence) {
        List<Finding> findings = new ArrayList<>();
        List<ConnectedBoxes.Place> opened = plan.placesOfWork();
        plan.planned().ifPresent(planned -> plan.run().spans().stream()
                .filter(span -> isLookedInto(span.a(), opened) && isLookedInto(span.b(), opened))
                .forEach(span -> judge(plan.found(), planned, span, evidence, findings)));
        return findings;
    }

    /** At a lamp that nobody opens the end of a core is the load that it was surveyed to feed. */
    private static boolean isLookedInto(ConnectedBoxes.Place place, List<ConnectedBoxes.Place> opened) {
        return !place.implied() || opened.contains(place);
    }

    private static void judge(
            RunWiring found,
            RunWiring planned,
            ConnectedBoxes.Span span,
            FieldEvidence evidence,
            List<Finding> findings) {
        List<Core> cores = span.atA().cores();
        for (int i = 0; i < cores.size(); i++) {
            for (int j = i + 1; j < cores.size(); j++) {
                Optional<Core> first = span.twin(cores.get(i));
                Optional<Core> second = span.twin(cores.get(j));
                if (seen(cores.get(i)) == seen(cores.get(j))
                        && first.isPresent()
                        && second.isPresent()
                        && seen(first.get()) == seen(second.get())) {
                    Pair pair = new Pair(span, cores.get(i), first.get(), cores.get(j), second.get());
                    if (pair.matters(found, planned)) {
                        pair.judge(evidence).ifPresent(findings::add);
                    }
                }
            }
        }
    }

    private static CoreColour seen(Core core) {
        return core.sleeve().orElse(core.colour());
    }

    /** Two cores that look alike at both ends, as they are surveyed to belong together. */
    private record Pair(ConnectedBoxes.Span span, Core oneAtA, Core oneAtB, Core otherAtA, Core otherAtB) {
        /** Whether the plan does something that would come out otherwise if the two were exchanged. */
        boolean matters(RunWiring found, RunWiring planned) {
            boolean differ = differ(planned.at(span.a()), span.atA(), oneAtA, otherAtA)
                    && differ(planned.at(span.b()), span.atB(), oneAtB, otherAtB);
            boolean touched = touched(found.at(span.a()), planned.at(span.a()), span.atA(), oneAtA, otherAtA)
                    || touched(found.at(span.b()), planned.at(span.b()), span.atB(), oneAtB, otherAtB);
            return differ && touched;
        }

        private static boolean differ(BoxWiring wiring, Cable cable, Core one, Core other) {
            End first = wiring.endOf(new Box.CableCore(cable, one));
            End second = wiring.endOf(new Box.CableCore(cable, other));
            return !first.equals(second);
        }

        private static boolean touched(BoxWiring before, BoxWiring after, Cable cable, Core... cores) {
            return List.of(cores).stream()
                    .map(core -> new Box.CableCore(cable, core))
                    .anyMatch(core -> !before.endOf(core).equals(after.endOf(core)));
        }

        Optional<Finding> judge(FieldEvidence evidence) {
            Subject subject =
                    new Subject.Together(core(span.a(), oneAtA, span.atA()), core(span.a(), otherAtA, span.atA()));
            boolean straight = evidence.paired().contains(ends(oneAtA, oneAtB))
                    || evidence.paired().contains(ends(otherAtA, otherAtB))
                    || evidence.apart().contains(ends(oneAtA, otherAtB))
                    || evidence.apart().contains(ends(otherAtA, oneAtB));
            boolean crossed = evidence.paired().contains(ends(oneAtA, otherAtB))
                    || evidence.paired().contains(ends(otherAtA, oneAtB))
                    || evidence.apart().contains(ends(oneAtA, oneAtB))
                    || evidence.apart().contains(ends(otherAtA, otherAtB));
            String words = new Box.CableCore(span.atA(), oneAtA).words();
            if (crossed) {
                return Optional.of(Finding.of(
                        FindingCode.READINGS_CONTRADICT,
                        subject,
                        Sentence.of(
                                "By what was read, the two {0} cores between {1} and {2} are the other way round"
                                        + " at {2}.",
                                words, span.a().label(), span.b().label()),
                        Source.COMPUTED,
                        new Remedy(
                                Remedy.Kind.COMPLETE_SURVEY,
                                "exchange the two in the survey of " + span.b().label())));
            }
            return straight
                    ? Optional.empty()
                    : Optional.of(Finding.of(
                            FindingCode.TRAVELLERS_ALIKE,
                            subject,
                            Sentence.of(
                                    "Two cores are {0} between {1} and {2}, and the plan depends"
                                            + " on which is which.",
                                    words, span.a().label(), span.b().label()),
                            Source.COMPUTED,
                            new Remedy(
                                    Remedy.Kind.FIND_OUT,
                                    span.a().implied() || span.b().implied()
                                            ? "survey the lamp place as a box, then pair them on the Trace sheet"
                                            : "pair them on the Trace sheet: dead, both ends freed, continuity")));
        }

        private FieldEvidence.Ends ends(Core atA, Core atB) {
            return new FieldEvidence.Ends(
                    SurveyedBoard.coreId(span.a().id(), span.atA().coreKey(atA)),
                    SurveyedBoard.coreId(span.b().id(), span.atB().coreKey(atB)));
        }

        private static Subject core(ConnectedBoxes.Place place, Core core, Cable cable) {
            return new Subject.SurveyedCore(place.label(), cable.coreKey(core));
        }
    }
}
