package org.hiddenclerk.core.wiring.run;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;

/** Cables that were filled in as they usually are. How they usually are proves nothing of how they are here. */
public final class AssumedCables {
    private AssumedCables() {}

    /** One finding for each cable of a box that nobody has looked at. */
    public static List<Finding> of(Box box) {
        return box.cables().stream()
                .filter(Cable::assumed)
                .map(cable -> Finding.of(
                        FindingCode.SURVEY_INCOMPLETE,
                        new Subject.Cable(box.label(), cable.name()),
                        Sentence.of(
                                "Cable {0} in {1} is entered as it usually is; nobody has looked at it.",
                                cable.name(), box.label()),
                        Source.COMMON_PRACTICE,
                        new Remedy(
                                Remedy.Kind.COMPLETE_SURVEY,
                                "look at its cores in " + box.label() + ", and say that it is so or put it right")))
                .toList();
    }
}
