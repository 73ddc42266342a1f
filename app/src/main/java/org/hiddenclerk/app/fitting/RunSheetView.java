package org.hiddenclerk.app.fitting;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.Step;

/** A run sheet as it is shown. */
record RunSheetView(long version, String startedBy, Instant startedAt, boolean setAside, boolean finished, int done,
                    @MayBeAbsent String current, @MayBeAbsent StopView stopped, RunSheet.Isolation.State isolation,
                    List<StepView> steps) {

    /** Why the sheet is stopped. */
    record StopView(String stepId, String reason, String who, Instant when) {
    }

    /** A step, and what was entered. */
    record StepView(String id, Step.Phase phase, String phaseLabel, String title, String detail, boolean gate,
                    List<Step.Confirm> confirms, List<Step.Reading> readings, @MayBeAbsent DoneView done) {
    }

    /** What was entered at a step. */
    record DoneView(String who, Instant when, Map<String, BigDecimal> readings, String note) {
    }

    static RunSheetView of(RunSheets.Open open) {
        RunSheet sheet = open.sheet();
        RunSheetRow row = open.row();
        return new RunSheetView(row.version(), row.startedBy(), row.startedAt(), row.isSetAside(), sheet.isFinished(),
                sheet.progress(), sheet.current().map(Step::id).orElse(null),
                sheet.stopped().map(s -> new StopView(s.stepId(), s.reason(), s.who(), s.when())).orElse(null),
                sheet.isolation().state(), sheet.steps().stream().map(step -> view(sheet, step)).toList());
    }

    private static StepView view(RunSheet sheet, Step step) {
        return new StepView(step.id(), step.phase(), step.phase().label(), step.title(), step.detail(), step.gate(),
                step.confirms(), step.readings(), sheet.entryOf(step)
                .map(done -> new DoneView(done.who(), done.when(), done.readings(), done.note())).orElse(null));
    }
}
