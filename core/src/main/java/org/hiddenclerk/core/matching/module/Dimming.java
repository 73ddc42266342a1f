package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.SurveyedLoad;

/** Places that are dimmed today, and lamps that a dimmer module would dim. */
public final class Dimming {
    private Dimming() {}

    /** A place that is dimmed today, and a lamp that a dimmer module must be able to dim. */
    public static List<Finding> judge(ModuleModel model, Box box, List<Integer> gangs, List<List<SurveyedLoad>> loads) {
        List<Finding> findings = new ArrayList<>();
        for (int gang : gangs) {
            if (box.gang(gang).mechanism() == Mechanism.DIMMER && !model.sheet().dims()) {
                findings.add(Finding.of(
                        FindingCode.NOT_DIMMED,
                        new Subject.Gang(box.label(), gang),
                        Sentence.of(
                                "{0} is dimmed today; this module only switches.",
                                box.gang(gang).name()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a dimmer module and a dimmable lamp")));
            }
        }
        if (model.sheet().dims()) {
            loads.stream().flatMap(List::stream).forEach(load -> load.banks().stream()
                    .filter(bank -> !bank.dimmable().orElse(false))
                    .findFirst()
                    .ifPresent(bank ->
                            findings.add(dimmable(bank, load, new Subject.SurveyedLoad(load.name(), load.number())))));
        }
        return findings;
    }

    private static Finding dimmable(LoadBank bank, SurveyedLoad load, Subject subject) {
        return bank.dimmable().isPresent()
                ? Finding.of(
                        FindingCode.NOT_DIMMABLE,
                        subject,
                        Sentence.of(
                                "The {0} of {1} is surveyed as not dimmable.",
                                bank.kind().label(), load.name()),
                        Source.MAKER,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module that switches"))
                : Finding.of(
                        FindingCode.FIGURE_UNKNOWN,
                        subject,
                        Sentence.of(
                                "Whether the {0} of {1} may be dimmed is not surveyed.",
                                bank.kind().label(), load.name()),
                        Source.COMMON_PRACTICE,
                        new Remedy(
                                Remedy.Kind.FIND_OUT,
                                "read it on the lamp, and add \"dimmable\" or \"not dimmable\" to the load"));
    }
}
