package org.hiddenclerk.app.job.logbook;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The log book of a job. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/log")
@Tag(name = "log book")
class LogController {
    private final LogBook log;

    LogController(LogBook log) {
        this.log = log;
    }

    /**
     * Latest first; {@code older} leads to the next page, where there is one; {@code people} and {@code concepts}
     * are what it can be filtered by.
     */
    record LogView(List<LogEntryView> entries, @MayBeAbsent Long older, List<String> people, List<String> concepts) {}

    record LogEntryView(
            long id,
            @MayBeAbsent UUID boxId,
            String box,
            String concept,
            String action,
            String subject,
            List<ChangedValueView> changes,
            String who,
            Instant at) {
        static LogEntryView of(LogBook.Entry entry) {
            return new LogEntryView(
                    entry.id(),
                    entry.boxId().orElse(null),
                    entry.box(),
                    entry.concept(),
                    entry.action(),
                    entry.subject(),
                    entry.changes().stream()
                            .map(change -> new ChangedValueView(change.field(), change.before(), change.after()))
                            .toList(),
                    entry.who(),
                    entry.at());
        }
    }

    /** A value before and after; empty for what was not there, or is gone. */
    record ChangedValueView(String field, String before, String after) {}

    @GetMapping
    @Operation(operationId = "log", summary = "Every change with who, when, before and after; 100 at a time")
    LogView log(
            @PathVariable UUID job,
            @RequestParam(required = false) UUID box,
            @RequestParam(required = false) String who,
            @RequestParam(required = false) String concept,
            @RequestParam(required = false) String text,
            @RequestParam(required = false) Long before) {
        LogBook.Spoken spoken = log.spokenOf(job);
        LogBook.Page page = log.of(
                job,
                new LogBook.Wanted(
                        Optional.ofNullable(box),
                        filled(who),
                        filled(concept),
                        filled(text),
                        Optional.ofNullable(before)));
        return new LogView(
                page.entries().stream().map(LogEntryView::of).toList(),
                page.older().orElse(null),
                spoken.people(),
                spoken.concepts());
    }

    private static Optional<String> filled(String text) {
        return Optional.ofNullable(text).filter(each -> !each.isBlank());
    }
}
