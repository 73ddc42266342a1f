package org.hiddenclerk.app.fitting;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What run sheets tell about time. */
@Component
public class SheetTimes {
    private final RunSheetRepository sheets;

    SheetTimes(RunSheetRepository sheets) {
        this.sheets = sheets;
    }

    /** Issued plans whose work is finished. */
    @Transactional(readOnly = true)
    public Set<UUID> finished(UUID job) {
        return sheets.findByJob(job).stream().filter(RunSheetRow::isFinished).map(RunSheetRow::planId).collect(Collectors.toSet());
    }

    /** How long finished sheets took from their start to their last entry, the shortest first. */
    @Transactional(readOnly = true)
    public List<Duration> took(UUID job) {
        return sheets.findByJob(job).stream().filter(row -> row.isFinished() && !row.entries().isEmpty()).map(row -> Duration.between(row.startedAt(),
                row.entries().get(row.entries().size() - 1).enteredAt())).sorted().toList();
    }
}
