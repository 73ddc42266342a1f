package org.hiddenclerk.app.stage.fitting;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.fitting.Locks;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.Step;

/** A run sheet as it is shown. @param box at which it was started, and for which locks hang @param opens boxes that its work opens */
record RunSheetView(
        long version,
        UUID box,
        List<UUID> opens,
        String startedBy,
        Instant startedAt,
        boolean setAside,
        boolean finished,
        int done,
        @MayBeAbsent String current,
        @MayBeAbsent StopView stopped,
        RunSheet.Isolation.State isolation,
        List<LockView> locks,
        List<RefusalView> refusals,
        List<StepView> steps) {

    /** Why the sheet is stopped, and whether the reading that did it may have been mistyped. */
    record StopView(
            String stepId, String reason, @MayBeAbsent String reading, boolean correctable, String who, Instant when) {}

    /** A step, and what was entered. */
    record StepView(
            String id,
            Step.Phase phase,
            String phaseLabel,
            String title,
            String detail,
            boolean gate,
            boolean leavable,
            String box,
            List<Step.Confirm> confirms,
            List<Step.Reading> readings,
            boolean open,
            List<TickView> ticks,
            List<MeasuredView> measured,
            @MayBeAbsent DoneView done) {}

    /** What was entered at a step, or why it was left out. */
    record DoneView(
            String who, Instant when, Map<String, BigDecimal> readings, String inShort, String note, boolean skipped) {}

    /** Something of a step that is confirmed already, by anybody. */
    record TickView(String item, String who, Instant when) {}

    record MeasuredView(String item, BigDecimal value, String who, Instant when) {}

    /** A lock on a circuit of this sheet. */
    record LockView(String circuit, String person, String box, Instant since) {}

    /** Something that the sheet did not take. */
    record RefusalView(String stepId, String who, Instant when, String why) {}

    static RunSheetView of(
            RunSheets.Open open,
            RunSheet.Isolation.State standing,
            List<Locks.Lock> locks,
            List<RefusedEntryRow> refusals) {
        RunSheet sheet = open.sheet();
        RunSheetRow row = open.row();
        return new RunSheetView(
                row.version(),
                open.box(),
                open.opens(),
                row.startedBy(),
                row.startedAt(),
                row.isSetAside(),
                sheet.isFinished(),
                sheet.progress(),
                sheet.current().map(Step::id).orElse(null),
                sheet.stopped()
                        .map(s -> new StopView(
                                s.stepId(),
                                s.reason(),
                                s.reading().orElse(null),
                                sheet.mayBeCorrected(),
                                s.who(),
                                s.when()))
                        .orElse(null),
                standing,
                locks.stream()
                        .map(lock -> new LockView(lock.circuit(), lock.person(), lock.box(), lock.since()))
                        .toList(),
                refusals.stream()
                        .map(r -> new RefusalView(r.stepId(), r.who(), r.refusedAt(), r.why()))
                        .toList(),
                sheet.steps().stream().map(step -> view(sheet, step)).toList());
    }

    private static StepView view(RunSheet sheet, Step step) {
        return new StepView(
                step.id(),
                step.phase(),
                step.phase().label(),
                step.title(),
                step.detail(),
                step.gate(),
                step.leavable(),
                step.box(),
                step.confirms(),
                step.readings(),
                sheet.stopped().isEmpty() && sheet.isOpen(step),
                sheet.ticksOf(step.id()).values().stream()
                        .map(tick -> new TickView(tick.item(), tick.who(), tick.when()))
                        .toList(),
                sheet.measurementsOf(step.id()).values().stream()
                        .map(value -> new MeasuredView(value.item(), value.value(), value.who(), value.when()))
                        .toList(),
                sheet.entryOf(step)
                        .map(done -> new DoneView(
                                done.who(),
                                done.when(),
                                done.readings(),
                                step.inShort(done.readings()),
                                done.note(),
                                false))
                        .or(() -> sheet.skipOf(step)
                                .map(skip -> new DoneView(skip.who(), skip.when(), Map.of(), "", skip.reason(), true)))
                        .orElse(null));
    }
}
