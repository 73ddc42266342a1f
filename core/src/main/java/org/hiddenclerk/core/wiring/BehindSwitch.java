package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.electrical.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Gang;

/** What both schemes behind a switch need: one feed, a two-terminal mechanism, a live and a lamp wire in the box. */
final class BehindSwitch {
    private static final Set<Mechanism> SUITABLE =
            Set.of(Mechanism.ONE_WAY, Mechanism.PUSH_MAKE, Mechanism.PUSH_BREAK);

    private BehindSwitch() {
    }

    static List<Finding> obstacles(Box box, Assignment assignment) {
        List<Finding> obstacles = new ArrayList<>();
        Set<String> circuits = new LinkedHashSet<>();
        for (int number : assignment.gangs()) {
            Gang gang = box.gang(number);
            circuits.add(gang.circuit().value());
            checkGang(box, gang, obstacles);
        }
        if (circuits.size() > 1) {
            obstacles.add(Finding.of(FindingCode.SEPARATE_FEEDS, "gangs " + assignment.gangs(),
                    "These gangs hang on circuits " + String.join(" and ", circuits)
                            + "; the channels of one module share one live.", Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module of its own for each circuit")));
        }
        return obstacles;
    }

    private static void checkGang(Box box, Gang gang, List<Finding> obstacles) {
        SwitchPoles poles = new SwitchPoles(box);
        if (!SUITABLE.contains(gang.mechanism())) {
            obstacles.add(Finding.of(FindingCode.MECHANISM_UNSUITABLE, gang.name(),
                    gang.name() + " is not a plain one-way switch or push button; this scheme is not for it.",
                    Source.COMMON_PRACTICE));
            return;
        }
        if (poles.lives(gang.circuit()).isEmpty()) {
            obstacles.add(missing(gang, "no permanent live of circuit " + gang.circuit() + " is surveyed in this box"));
        }
        if (poles.switched(gang).isEmpty()) {
            obstacles.add(missing(gang, "no lamp wire of this gang is surveyed in this box"));
        }
    }

    private static Finding missing(Gang gang, String what) {
        return Finding.of(FindingCode.SURVEY_INCOMPLETE, gang.name(), gang.name() + ": " + what + ".",
                Source.COMPUTED, new Remedy(Remedy.Kind.COMPLETE_SURVEY, "complete the survey"));
    }
}
