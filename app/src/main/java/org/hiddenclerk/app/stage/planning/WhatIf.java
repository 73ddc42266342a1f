package org.hiddenclerk.app.stage.planning;

import java.util.List;
import java.util.Set;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** What a plan with moved ends shows. */
record WhatIf(Verdict verdict, int states, List<FindingView> findings, PlanView.DrawnWiring after) {
    static WhatIf of(WiringPlan plan, HouseContext house) {
        return new WhatIf(
                plan.verdict(),
                plan.proof().truthTable().size(),
                plan.findings().stream().map(FindingView::of).toList(),
                PlanView.DrawnWiring.of(BoxDrawing.of(plan, true, house), plan, Set.of()));
    }
}
