package org.hiddenclerk.app.stage.fitting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Something that a run sheet did not take. */
@Entity
@Table(name = "refused_entry")
class RefusedEntryRow {
    private static final int MOST_WORDS = 500;

    @Id
    private UUID id;

    private UUID boxId;
    private String stepId;
    private String who;
    private Instant refusedAt;
    private String why;

    protected RefusedEntryRow() {}

    RefusedEntryRow(UUID boxId, String stepId, String who, Instant refusedAt, String why) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.stepId = stepId;
        this.who = who;
        this.refusedAt = refusedAt;
        this.why = why.substring(0, Math.min(MOST_WORDS, why.length()));
    }

    String stepId() {
        return stepId;
    }

    String who() {
        return who;
    }

    Instant refusedAt() {
        return refusedAt;
    }

    String why() {
        return why;
    }
}
