package org.hiddenclerk.app.stage.rules;

import jakarta.persistence.Column;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A document of a job, with who changed it last. */
@MappedSuperclass
public abstract class JobDocumentRow {
    @Id
    private UUID jobId;

    @Version
    private @Nullable Long version;

    @Column(columnDefinition = "LONGTEXT")
    private String document = "";

    private String changedBy = "";
    private Instant changedAt = Instant.EPOCH;

    protected JobDocumentRow() {}

    /** @param document what a job begins with */
    protected JobDocumentRow(UUID jobId, String document) {
        this.jobId = jobId;
        this.document = document;
    }

    /** Versions count from 1; 0 is a job that has none yet. */
    public long version() {
        return version == null ? 0 : version + 1;
    }

    public String document() {
        return document;
    }

    public void is(String newDocument, String who, Instant now) {
        document = newDocument;
        changedBy = who;
        changedAt = now;
    }

    public String changedBy() {
        return changedBy;
    }

    public Instant changedAt() {
        return changedAt;
    }
}
