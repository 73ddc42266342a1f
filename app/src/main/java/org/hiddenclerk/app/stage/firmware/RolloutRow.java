package org.hiddenclerk.app.stage.firmware;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A roll-out: its plan, and how far it is. What happened stands in its events. */
@Entity
@Table(name = "rollout")
class RolloutRow {
    /** How far it is. */
    enum State {
        RUNNING,
        HALTED,
        STOPPED,
        DONE
    }

    private static final int MOST_WORDS = 300;

    @Id
    private UUID id;

    private UUID jobId;

    @Column(columnDefinition = "LONGTEXT")
    private String plan;

    private String madeBy;
    private Instant madeAt;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    private State state;

    private String words;

    protected RolloutRow() {}

    RolloutRow(UUID jobId, String plan, String madeBy, Instant madeAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.plan = plan;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
        is(State.RUNNING, "");
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    String plan() {
        return plan;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }

    State state() {
        return state;
    }

    String words() {
        return words;
    }

    final void is(State now, String why) {
        state = now;
        words = why.substring(0, Math.min(MOST_WORDS, why.length()));
    }
}
