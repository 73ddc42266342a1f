package org.hiddenclerk.app.stage.papers;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A paper that is being printed, or is. */
@Entity
@Table(name = "paper")
class PaperRow {
    /** How far it is. */
    enum State {
        RUNNING,
        DONE,
        STOPPED,
        FAILED
    }

    @Id
    private UUID id = UUID.randomUUID();

    private UUID jobId;

    @Enumerated(EnumType.STRING)
    private PaperKind kind = PaperKind.AS_BUILT;

    @Enumerated(EnumType.STRING)
    private PaperSize size = PaperSize.A4;

    @Enumerated(EnumType.STRING)
    private State state = State.RUNNING;

    private String words = "waiting";
    private int done;
    private int parts;
    private boolean draft;
    private int bytes;
    private String madeBy = "";
    private Instant madeAt = Instant.EPOCH;
    private @Nullable Instant finishedAt;

    protected PaperRow() {}

    PaperRow(UUID jobId, PaperKind kind, PaperSize size, String madeBy, Instant madeAt) {
        this.jobId = jobId;
        this.kind = kind;
        this.size = size;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    PaperKind kind() {
        return kind;
    }

    PaperSize size() {
        return size;
    }

    State state() {
        return state;
    }

    String words() {
        return words;
    }

    int done() {
        return done;
    }

    int parts() {
        return parts;
    }

    boolean isDraft() {
        return draft;
    }

    int bytes() {
        return bytes;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }

    Optional<Instant> finishedAt() {
        return Optional.ofNullable(finishedAt);
    }
}
