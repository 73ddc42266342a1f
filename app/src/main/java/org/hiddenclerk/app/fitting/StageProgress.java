package org.hiddenclerk.app.fitting;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.planning.IssuedPlanRow;
import org.hiddenclerk.app.tracing.Traces;
import org.hiddenclerk.core.job.Stage;

/** How far each stage is for a box, from what is kept of it; a change of the survey reopens what was built on it. */
final class StageProgress {
    private StageProgress() {
    }

    /** In the order of the work; stages that are not built yet are left out. */
    static Map<Stage, Stage.Progress> of(Standings.Standing standing, Optional<IssuedPlanRow> issued, boolean current,
                                         Traces.Standing traced, Optional<RunSheets.Open> sheet) {
        boolean picked = standing.picked();
        Map<Stage, Stage.Progress> progress = new LinkedHashMap<>();
        progress.put(Stage.SURVEY, standing.sound() ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        progress.put(Stage.TRACE, tracing(traced));
        progress.put(Stage.MATCH, !picked ? Stage.Progress.OPEN
                : standing.mayBeIssued() ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        progress.put(Stage.DRAW, issued.map(plan -> current
                ? Stage.Progress.DONE : Stage.Progress.REOPENED).orElse(picked ? Stage.Progress.BEGUN
                : Stage.Progress.OPEN));
        progress.put(Stage.FIT, fitting(issued, current, sheet));
        if (traced == Traces.Standing.CONTRADICTORY) {
            // What was built on readings that cannot hold together stands open again.
            progress.replaceAll((stage, now) -> stage.compareTo(Stage.TRACE) > 0 && now != Stage.Progress.OPEN
                    ? Stage.Progress.REOPENED : now);
        }
        return progress;
    }

    private static Stage.Progress tracing(Traces.Standing traced) {
        return switch (traced) {
            case UNREAD -> Stage.Progress.OPEN;
            case READ -> Stage.Progress.BEGUN;
            case CERTAIN -> Stage.Progress.DONE;
            case CONTRADICTORY -> Stage.Progress.REOPENED;
        };
    }

    private static Stage.Progress fitting(Optional<IssuedPlanRow> issued, boolean stillCurrent,
                                          Optional<RunSheets.Open> sheet) {
        if (sheet.isEmpty()) {
            return Stage.Progress.OPEN;
        }
        boolean current = stillCurrent && issued.filter(plan -> plan.id().equals(sheet.get().row().planId())).isPresent();
        if (!current) {
            return Stage.Progress.REOPENED;
        }
        return sheet.get().sheet().isFinished() ? Stage.Progress.DONE : Stage.Progress.BEGUN;
    }
}
