package org.hiddenclerk.core.matching;

import java.util.List;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;

/** Modules that were found in a box: the room that they take, their heat, and what they may still be good for. */
public final class ModulesInPlace {
    private ModulesInPlace() {}

    /** Bodies of those that were measured. */
    static List<Body> bodies(Box box) {
        return box.modules().stream()
                .flatMap(module -> module.size().stream())
                .map(size -> new Body(size.length(), size.width(), size.thickness()))
                .toList();
    }

    /** What they draw while idle, in watts; where it is unknown, what modules draw that state nothing. */
    static double watts(Box box) {
        return box.modules().stream()
                .mapToDouble(module ->
                        module.draws().map(watts -> watts.asDouble()).orElse(ModuleSupply.LineNeutral.DEFAULT_WATTS))
                .sum();
    }

    /** Those whose size nobody measured: whether anything goes in beside them cannot be said. */
    static List<Finding> unmeasured(Box box) {
        return box.modules().stream()
                .filter(module -> module.size().isEmpty())
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

    /** What they switch and what their terminals hold was not surveyed, so no proof can speak of it. */
    static List<Finding> notProved(Box box) {
        return box.modules().stream()
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
                                "follow its conductors; a lead may take on that the plan does not touch them")))
                .toList();
    }

    /** Channels that are free: worth a look before another module is bought. */
    public static List<Finding> free(Box box) {
        return box.modules().stream()
                .filter(module -> module.freeChannels() > 0)
                .map(module -> Finding.of(
                        FindingCode.CHANNEL_FREE,
                        new Subject.Together(new Subject.Box(box.label()), new Subject.Model(module.name())),
                        Sentence.of("{0}, which is in {1} already, has {found} free.", module.name(), box.label())
                                .found(module.freeChannels(), 0, module.freeChannels() == 1 ? "channel" : "channels"),
                        Source.COMMON_PRACTICE,
                        new Remedy(
                                Remedy.Kind.OTHER_MODULE,
                                "look whether it may take this load before another one is bought")))
                .toList();
    }
}
