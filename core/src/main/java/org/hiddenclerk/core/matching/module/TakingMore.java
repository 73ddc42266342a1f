package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.run.FreeChannels;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What a module that is in a box already may still be good for, and whether it takes what a plan gives it. */
public final class TakingMore {
    private TakingMore() {}

    /** Those that a plan uses more of: all their channels together, each first current, and how warm their box gets then. */
    public static Judged judge(WiringPlan plan, BigDecimal volts, PickedBeside beside) {
        return Judged.together(plan.planned().stream()
                .flatMap(planned -> planned.fitted().stream())
                .filter(Fitted::inPlace)
                .flatMap(fitted -> judge(plan, fitted, volts, beside).stream())
                .toList());
    }

    private static List<Judged> judge(WiringPlan plan, Fitted fitted, BigDecimal volts, PickedBeside beside) {
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
        judged.add(ModuleLoads.allChannels(model, self, loads, volts));
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
