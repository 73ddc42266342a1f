package org.hiddenclerk.app.stage.fitting;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.planning.Remembered;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.ordering.Need;
import org.hiddenclerk.core.ordering.PickList;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** How boxes stand, for a look at the whole house. */
@Component
public class Standings {
    private final Plans plans;
    private final ApplicationEventPublisher events;
    private final Remembered<Standing> kept;

    Standings(Plans plans, ApplicationEventPublisher events) {
        this.plans = plans;
        this.events = events;
        kept = new Remembered<>(plans);
    }

    /** A box was judged, and this was found. */
    public record Judged(UUID box, List<Finding> findings) {}

    /**
     * How a box stands.
     *
     * @param worst  severity of the worst finding of its plan
     * @param picked whether a plan is drawn for it
     * @param sound  whether its wiring as found shows nothing that stops, and somebody looked at all of it
     * @param takes  what the plan of its run takes, for the pick list
     */
    record Standing(
            Optional<Severity> worst,
            boolean picked,
            boolean mayBeIssued,
            boolean sound,
            Map<Need.Thing, BigDecimal> takes) {}

    @EventListener
    void forget(HouseReadAnew anew) {
        kept.forget(anew.boxes());
    }

    Standing of(Boxes.Found found, Plans.Circumstances circumstances) {
        return kept.of(found, circumstances, () -> judge(found, circumstances));
    }

    /** What the plan of a box's run takes. */
    public Map<Need.Thing, BigDecimal> takes(Boxes.Found found, Plans.Circumstances circumstances) {
        return of(found, circumstances).takes();
    }

    /** Whether the plan of a box's run may be issued for work. */
    public boolean mayBeIssued(Boxes.Found found, Plans.Circumstances circumstances) {
        return of(found, circumstances).mayBeIssued();
    }

    private Standing judge(Boxes.Found found, Plans.Circumstances circumstances) {
        PlanJudgement judgement = plans.judge(found, circumstances);
        events.publishEvent(new Judged(found.row().id(), judgement.findings()));
        return new Standing(
                judgement.findings().stream()
                        .filter(f -> !judgement.accepted().contains(f))
                        .map(Finding::severity)
                        .min(Severity::compareTo),
                judgement.plan().after().isPresent(),
                judgement.mayBeIssued(),
                WiringPlan.surveyed(found.house(), found.run()).verdict() != Verdict.STOP
                        && found.box().geometry().isPresent()
                        && found.box().cables().stream().noneMatch(Cable::assumed),
                PickList.takes(judgement.plan(), found.house().region()));
    }
}
