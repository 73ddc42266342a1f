package org.hiddenclerk.app.rules;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Links and rules of a job. */
@Entity
@Table(name = "house_rules")
class RulesRow {
    @Id
    private UUID jobId;
    @Version
    private @Nullable Long version;
    @Column(columnDefinition = "LONGTEXT")
    private String document = "";
    @Column(columnDefinition = "LONGTEXT")
    private @Nullable String previous;
    private String changedBy = "";
    private Instant changedAt = Instant.EPOCH;

    protected RulesRow() {
    }

    RulesRow(UUID jobId) {
        this.jobId = jobId;
    }

    /** Versions count from 1; 0 is a house that nobody gave a rule yet. */
    long version() {
        return version == null ? 0 : version + 1;
    }

    String document() {
        return document;
    }

    /** What it was before the last change; taking that back is a change too. */
    Optional<String> previous() {
        return Optional.ofNullable(previous);
    }

    void is(String newDocument, String who, Instant now) {
        previous = document.isEmpty() ? null : document;
        document = newDocument;
        changedBy = who;
        changedAt = now;
    }

    String changedBy() {
        return changedBy;
    }

    Instant changedAt() {
        return changedAt;
    }
}
