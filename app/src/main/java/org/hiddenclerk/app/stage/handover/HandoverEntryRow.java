package org.hiddenclerk.app.stage.handover;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.core.handover.Entry;
import org.hiddenclerk.core.handover.HandoverTest;
import org.jspecify.annotations.Nullable;

/** What somebody found at a test. Entries are added, never changed. */
@Entity
@Table(name = "handover_entry")
class HandoverEntryRow {
    @Id
    private UUID id = UUID.randomUUID();

    private UUID jobId;
    private UUID boxId;
    private String test = "";
    private boolean asPlanned;
    private @Nullable BigDecimal figure;
    private String note = "";
    private String cause = "";

    @Column(columnDefinition = "LONGTEXT")
    private String basis = "{}";

    private @Nullable String sentKey;
    private String madeBy = "";
    private Instant madeAt = Instant.EPOCH;

    protected HandoverEntryRow() {}

    /** @param basis as JSON */
    HandoverEntryRow(UUID jobId, UUID boxId, HandoverTest test, Entry entry, String basis, @Nullable String sentKey) {
        this.jobId = jobId;
        this.boxId = boxId;
        this.test = test.id();
        this.asPlanned = entry.asPlanned();
        this.figure = entry.figure().orElse(null);
        this.note = entry.note();
        this.cause = entry.cause();
        this.basis = basis;
        this.sentKey = sentKey;
        this.madeBy = entry.who();
        this.madeAt = entry.at();
    }

    String test() {
        return test;
    }

    boolean asPlanned() {
        return asPlanned;
    }

    Optional<BigDecimal> figure() {
        return Optional.ofNullable(figure).map(BigDecimal::stripTrailingZeros);
    }

    String note() {
        return note;
    }

    String cause() {
        return cause;
    }

    String basis() {
        return basis;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }
}
