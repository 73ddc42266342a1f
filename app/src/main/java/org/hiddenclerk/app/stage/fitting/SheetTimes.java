package org.hiddenclerk.app.stage.fitting;

import java.time.Duration;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What run sheets tell about time. */
@Component
public class SheetTimes {
    private static final String LAST =
            """
            SELECT TIMESTAMPDIFF(SECOND, s.started_at, MAX(e.entered_at)) AS took FROM run_sheet s JOIN run_sheet_entry e ON e.run_sheet_id = s.id
            WHERE s.finished GROUP BY s.id, s.started_at ORDER BY s.started_at DESC LIMIT 50""";

    private final RunSheetRepository sheets;
    private final JdbcClient jdbc;

    SheetTimes(RunSheetRepository sheets, JdbcClient jdbc) {
        this.sheets = sheets;
        this.jdbc = jdbc;
    }

    /** The middle one of times, the shortest first, in whole minutes; empty where nothing was measured. */
    public static OptionalInt medianMinutes(List<Duration> shortestFirst) {
        return shortestFirst.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of((int)
                        Math.max(1, shortestFirst.get(shortestFirst.size() / 2).toMinutes()));
    }

    /** How long the last finished sheets of the firm took, in whatever house, the shortest first. */
    @Transactional(readOnly = true)
    public List<Duration> tookLately() {
        return jdbc.sql(LAST).query(Long.class).list().stream()
                .map(Duration::ofSeconds)
                .sorted()
                .toList();
    }

    /** Issued plans whose work is finished. */
    @Transactional(readOnly = true)
    public Set<UUID> finished(UUID job) {
        return sheets.findByJob(job).stream()
                .filter(RunSheetRow::isFinished)
                .map(RunSheetRow::planId)
                .collect(Collectors.toSet());
    }

    /** How long finished sheets took from their start to their last entry, the shortest first. */
    @Transactional(readOnly = true)
    public List<Duration> took(UUID job) {
        return sheets.findByJob(job).stream()
                .filter(row -> row.isFinished() && !row.entries().isEmpty())
                .map(row -> Duration.between(
                        row.startedAt(),
                        row.entries().get(row.entries().size() - 1).enteredAt()))
                .sorted()
                .toList();
    }
}
