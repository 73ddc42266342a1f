package org.hiddenclerk.core.matching.room;

import java.util.List;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedModule;

/** Modules that were found in a box: the room that they take and their heat. */
public final class ModulesInPlace {
    /** What is stated in amps makes the most watts at the highest of the voltages that houses have. */
    private static final double HIGHEST_NOMINAL_VOLTS = 230;

    private ModulesInPlace() {}

    /** Bodies of those that were measured. */
    static List<Body> bodies(Box box) {
        return box.modules().stream().flatMap(module -> module.body().stream()).toList();
    }

    /** What they draw while idle, in watts; where it is unknown, what modules draw that state nothing. */
    public static double watts(Box box) {
        return box.modules().stream().mapToDouble(ModulesInPlace::watts).sum();
    }

    private static double watts(SurveyedModule module) {
        if (module.draws().isPresent()) {
            return module.draws().get().asDouble();
        }
        return module.model().stream()
                .flatMapToDouble(model -> StandbyDraw.of(model, HIGHEST_NOMINAL_VOLTS).stream())
                .findFirst()
                .orElse(ModuleSupply.LineNeutral.DEFAULT_WATTS);
    }

    /** Those whose size nobody measured: whether anything goes in beside them cannot be said. */
    static List<Finding> unmeasured(Box box) {
        return box.modules().stream()
                .filter(module -> module.body().isEmpty())
                .map(module -> Finding.of(
                        FindingCode.FIGURE_UNKNOWN,
                        new Subject.Together(
                                new Subject.Box(box.label()), new Subject.ModelFigure(module.name(), "size")),
                        Sentence.of(
                                "The size of {0}, which is in {1} already, was not measured; whether more goes "
                                        + "in beside it cannot be said.",
                                module.name(), box.label()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.FIND_OUT, "measure it, and add its size to the survey")))
                .toList();
    }

    /** Where nobody followed their conductors it is not known what they switch, and no proof can speak of it. */
    public static List<Finding> notProved(Box box) {
        List<SurveyedModule> followed = box.followedModules();
        return box.modules().stream()
                .filter(module -> !followed.contains(module))
                .map(module -> Finding.of(
                        FindingCode.MODULE_IN_PLACE,
                        new Subject.Together(new Subject.Box(box.label()), new Subject.Model(module.name())),
                        Sentence.of(
                                "{0} is in {1} already. What hangs on its terminals is not part of the survey, and so of no proof.",
                                module.name(), box.label()),
                        Source.COMPUTED,
                        new Remedy(
                                Remedy.Kind.COMPLETE_SURVEY,
                                "take it out, survey the box as it is then and take it off the list"),
                        new Remedy(
                                Remedy.Kind.FIND_OUT,
                                "follow its conductors and enter them on its terminals, as the stock book has them; or a lead "
                                        + "takes on that the plan does not touch them")))
                .toList();
    }
}
