package org.hiddenclerk.core.matching;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.wiring.ConnectedBoxes;
import org.hiddenclerk.core.wiring.Fitted;
import org.hiddenclerk.core.wiring.FreeChannels;
import org.hiddenclerk.core.wiring.RunWiring;
import org.hiddenclerk.core.wiring.SchemeCode;
import org.hiddenclerk.core.wiring.WiringPlan;

/** Modules that were found in a box: the room that they take, their heat, and what they may still be good for. */
public final class ModulesInPlace {
    /** What is stated in amps makes the most watts at the highest of the voltages that houses have. */
    private static final double HIGHEST_NOMINAL_VOLTS = 230;

    private ModulesInPlace() {}

    /** Bodies of those that were measured. */
    static List<Body> bodies(Box box) {
        return box.modules().stream().flatMap(module -> module.body().stream()).toList();
    }

    /** What they draw while idle, in watts; where it is unknown, what modules draw that state nothing. */
    static double watts(Box box) {
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
    static List<Finding> notProved(Box box) {
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

    /** Those that a plan uses more of: all their channels together, each first current, and how warm their box gets then. */
    static Judged takingMore(WiringPlan plan, BigDecimal volts, PickedBeside beside) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        plan.planned().stream()
                .flatMap(planned -> planned.fitted().stream())
                .filter(Fitted::inPlace)
                .flatMap(fitted -> takingMore(plan, fitted, volts, beside).stream())
                .forEach(judged -> {
                    findings.addAll(judged.findings());
                    margins.addAll(judged.margins());
                });
        return new Judged(findings, margins);
    }

    private static List<Judged> takingMore(WiringPlan plan, Fitted fitted, BigDecimal volts, PickedBeside beside) {
        ModuleModel model = fitted.model();
        Subject.Module self =
                new Subject.Module(RunWiring.moduleOf(fitted.number()).value());
        List<List<SurveyedLoad>> loads = model.channels().stream()
                .map(channel -> loadsOn(plan, fitted, channel.id()))
                .toList();
        List<Judged> judged = new ArrayList<>();
        for (int i = 0; i < loads.size(); i++) {
            Subject.Channel channel =
                    new Subject.Channel(self.key(), model.channels().get(i).id());
            judged.add(new Judged(Inrush.judge(model, loads.get(i), volts, channel), List.of()));
        }
        judged.add(ModuleMatch.allChannels(model, self, loads, volts));
        judged.add(BoxHeat.judge(
                plan.planned().orElseThrow().at(fitted.place()).box(),
                model,
                BoxHeat.contactHeat(loads, volts) + beside.wattsAt(fitted.place())));
        return judged;
    }

    /** What hangs on a channel, as the proof shows it. */
    private static List<SurveyedLoad> loadsOn(WiringPlan plan, Fitted fitted, String channel) {
        List<PartId> parts = plan.proof().truthTable().loadsOf(RunWiring.moduleOf(fitted.number()), channel);
        return plan.run().loads().stream()
                .filter(ref -> parts.contains(RunWiring.loadOf(ref, 0)))
                .map(ConnectedBoxes.LoadRef::load)
                .toList();
    }

    /** Channels that are free: worth a look before another module is bought. */
    public static List<Finding> free(Box box) {
        return box.modules().stream()
                .filter(module -> FreeChannels.of(box, module) > 0)
                .map(module -> free(box, module, FreeChannels.of(box, module)))
                .toList();
    }

    private static Finding free(Box box, SurveyedModule module, int channels) {
        return Finding.of(
                FindingCode.CHANNEL_FREE,
                new Subject.Together(new Subject.Box(box.label()), new Subject.Model(module.name())),
                Sentence.of("{0}, which is in {1} already, has {found} free.", module.name(), box.label())
                        .found(channels, 0, channels == 1 ? "channel" : "channels"),
                Source.COMMON_PRACTICE,
                new Remedy(
                        Remedy.Kind.OTHER_MODULE,
                        box.followedModules().contains(module)
                                ? "see \"" + SchemeCode.FREE_CHANNEL.label() + "\" before another one is bought"
                                : "follow its conductors: then it can be planned on before another one is bought"));
    }
}
