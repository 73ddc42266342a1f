package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/**
 * A heavy module near the appliance switch. The appliance wire moves to the module and a control wire takes its place at the
 * switch, which then carries no load. One phase, one supply.
 */
final class HeavyDuty extends BehindSwitchWithNeutral {

    HeavyDuty() {
        super(SchemeCode.HEAVY_DUTY);
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(super.obstacles(site));
        obstacles.addAll(new Obstacles(site)
                .singleSupply()
                .lacks(
                        site.model().purpose() != Purpose.HEAVY_LOADS,
                        Sentence.of(
                                "{0} is not made for heavy loads.", site.model().code()),
                        "a heavy module")
                .list());
        return obstacles;
    }

    /** A double-pole switch no longer breaks the neutral: the appliance goes back to it. */
    @Override
    void wish(Site site, PlanDraft draft, Site.Position position) {
        super.wish(site, draft, position);
        boolean doublePole = position.gang().orElseThrow().gang().mechanism() == Mechanism.DOUBLE_POLE;
        if (doublePole) {
            position.loads().forEach(load -> {
                End neutral = new End.AtLoad(load.number(), "N");
                draft.lift(load.place(), neutral);
                draft.prefer(draft.back(position.circuit()), load.place(), neutral);
                draft.put(draft.back(position.circuit()), load.place(), neutral);
            });
        }
    }
}
