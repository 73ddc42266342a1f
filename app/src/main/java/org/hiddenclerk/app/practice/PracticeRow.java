package org.hiddenclerk.app.practice;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hiddenclerk.core.practice.Marks;
import org.hiddenclerk.core.practice.PracticeLevel;
import org.jspecify.annotations.Nullable;

/** A person at a practice wall. */
@Entity
@Table(name = "practice_run")
class PracticeRow {
    @Id
    private UUID id;

    private String learner;
    private String level;
    private long seed;

    @Column(columnDefinition = "mediumtext")
    private String deeds;

    private Instant startedAt;
    private @Nullable Instant finishedAt;
    private @Nullable Integer testsUsed;
    private @Nullable Integer testsNeeded;
    private @Nullable Integer unsafe;
    private @Nullable Boolean accepted;

    @Version
    private long version;

    protected PracticeRow() {}

    PracticeRow(String learner, PracticeLevel level, long seed, Instant startedAt) {
        this.id = UUID.randomUUID();
        this.learner = learner;
        this.level = level.name();
        this.seed = seed;
        this.deeds = "[]";
        this.startedAt = startedAt;
    }

    void deeds(String json) {
        deeds = json;
    }

    void finished(Marks marks, Instant when) {
        finishedAt = when;
        testsUsed = marks.testsUsed();
        testsNeeded = marks.testsNeeded().isPresent() ? marks.testsNeeded().getAsInt() : null;
        unsafe = marks.unsafe().size();
        accepted = marks.isAccepted();
    }

    UUID id() {
        return id;
    }

    String learner() {
        return learner;
    }

    PracticeLevel level() {
        return PracticeLevel.valueOf(level);
    }

    long seed() {
        return seed;
    }

    String deeds() {
        return deeds;
    }

    Instant startedAt() {
        return startedAt;
    }

    @Nullable
    Instant finishedAt() {
        return finishedAt;
    }

    @Nullable
    Integer testsUsed() {
        return testsUsed;
    }

    @Nullable
    Integer testsNeeded() {
        return testsNeeded;
    }

    @Nullable
    Integer unsafe() {
        return unsafe;
    }

    @Nullable
    Boolean accepted() {
        return accepted;
    }
}
