package org.hiddenclerk.app.stage.handover;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** That a house was given to its people. */
@Entity
@Table(name = "handed_over")
class HandedOverRow {
    @Id
    private UUID id = UUID.randomUUID();

    private UUID jobId;
    private String givenTo = "";
    private String givenBy = "";
    private Instant givenAt = Instant.EPOCH;
    private int tests;

    protected HandedOverRow() {}

    HandedOverRow(UUID jobId, String givenTo, String givenBy, Instant givenAt, int tests) {
        this.jobId = jobId;
        this.givenTo = givenTo;
        this.givenBy = givenBy;
        this.givenAt = givenAt;
        this.tests = tests;
    }

    String givenTo() {
        return givenTo;
    }

    String givenBy() {
        return givenBy;
    }

    Instant givenAt() {
        return givenAt;
    }

    int tests() {
        return tests;
    }
}
