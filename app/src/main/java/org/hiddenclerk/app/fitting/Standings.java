package org.hiddenclerk.app.fitting;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.hiddenclerk.app.planning.Plans;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.stereotype.Component;

/**
 * How boxes stand, for a look at the whole house. A judgement is kept as long as everything it was made from is the same:
 * the version of the box and of its neighbours, the circuits of the house, what the stock book says of its modules, and what the
 * house and the firm have settled.
 */
@Component
class Standings {
    private final Plans plans;
    private final Map<UUID, Kept> kept = new ConcurrentHashMap<>();

    Standings(Plans plans) {
        this.plans = plans;
    }

    /**
     * How a box stands.
     *
     * @param worst  severity of the worst finding of its plan
     * @param picked whether a plan is drawn for it
     * @param sound  whether its wiring as found shows nothing that stops
     */
    record Standing(Optional<Severity> worst, boolean picked, boolean mayBeIssued, boolean sound) {
    }

    private record Basis(long version, Map<String, Long> neighbours, Map<CircuitId, Circuit> circuits, Map<String, String> modules,
                         String circumstances) {
    }

    private record Kept(Basis basis, Standing standing) {
    }

    Standing of(Boxes.Found found, Plans.Circumstances circumstances) {
        Map<String, Long> neighbours = new TreeMap<>();
        found.neighbours().forEach((id, neighbour) -> neighbours.put(id, neighbour.row().version()));
        Basis basis = new Basis(found.row().version(), neighbours, found.house().circuits(), plans.modules(found),
                circumstances.of(found.row().id()));
        Kept before = kept.get(found.row().id());
        if (before != null && before.basis().equals(basis)) {
            return before.standing();
        }
        Standing standing = judge(found, circumstances);
        kept.put(found.row().id(), new Kept(basis, standing));
        return standing;
    }

    private Standing judge(Boxes.Found found, Plans.Circumstances circumstances) {
        PlanJudgement judgement = plans.judge(found, circumstances);
        return new Standing(judgement.findings().stream().filter(f -> !judgement.accepted().contains(f)).map(Finding::severity).min(Severity::compareTo),
                judgement.plan().after().isPresent(), judgement.mayBeIssued(),
                WiringPlan.surveyed(found.house(), found.run()).verdict() != Verdict.STOP);
    }
}
