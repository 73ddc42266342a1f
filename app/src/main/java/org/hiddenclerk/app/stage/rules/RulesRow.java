package org.hiddenclerk.app.stage.rules;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Links and rules of a job. */
@Entity
@Table(name = "house_rules")
class RulesRow extends JobDocumentRow {
    @Column(columnDefinition = "LONGTEXT")
    private @Nullable String previous;

    protected RulesRow() {}

    /** @param document what a house begins with, so that its first change can be taken back */
    RulesRow(UUID jobId, String document) {
        super(jobId, document);
    }

    /** What it was before the last change; taking that back is a change too. */
    Optional<String> previous() {
        return Optional.ofNullable(previous);
    }

    @Override
    public void is(String newDocument, String who, Instant now) {
        previous = document();
        super.is(newDocument, who, now);
    }
}
