package org.hiddenclerk.app.fitting;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.planning.IssuedPlanRow;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.wiring.WiringPlan;

/** How far each stage is for a box, from what is kept of it; a change of the survey reopens what was built on it. */
final class StageProgress {
    private StageProgress() {
    }

    /** In the order of the work; stages that are not built yet are left out. */
    static Map<Stage, Stage.Progress> of(Boxes.Found found, PlanJudgement judgement, Optional<IssuedPlanRow> issued,
                                         Optional<RunSheets.Open> sheet) {
        boolean sound = WiringPlan.surveyed(found.house(), found.box()).verdict() != Verdict.STOP;
        boolean picked = judgement.plan().after().isPresent();
        Map<Stage, Stage.Progress> progress = new LinkedHashMap<>();
        progress.put(Stage.SURVEY, sound ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        progress.put(Stage.MATCH, !picked ? Stage.Progress.OPEN
                : judgement.mayBeIssued() ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        progress.put(Stage.DRAW, issued.map(plan -> plan.boxVersion() == found.row().version()
                ? Stage.Progress.DONE : Stage.Progress.REOPENED).orElse(picked ? Stage.Progress.BEGUN
                : Stage.Progress.OPEN));
        progress.put(Stage.FIT, fitting(found, issued, sheet));
        return progress;
    }

    private static Stage.Progress fitting(Boxes.Found found, Optional<IssuedPlanRow> issued,
                                          Optional<RunSheets.Open> sheet) {
        if (sheet.isEmpty()) {
            return Stage.Progress.OPEN;
        }
        boolean current = issued.filter(plan -> plan.id().equals(sheet.get().row().planId())
                && plan.boxVersion() == found.row().version()).isPresent();
        if (!current) {
            return Stage.Progress.REOPENED;
        }
        return sheet.get().sheet().isFinished() ? Stage.Progress.DONE : Stage.Progress.BEGUN;
    }
}
