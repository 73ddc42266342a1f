package org.hiddenclerk.app.job.network;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Somebody outside who may come in at the broker, for one house. */
@Entity
@Table(name = "broker_account")
class BrokerAccountRow {
    @Id
    private UUID id = UUID.randomUUID();

    private UUID jobId;
    private String userName = "";
    private String passwordHash = "";
    private boolean mayCommand;
    private String madeBy = "";
    private Instant madeAt = Instant.EPOCH;

    protected BrokerAccountRow() {}

    BrokerAccountRow(
            UUID jobId, String userName, String passwordHash, boolean mayCommand, String madeBy, Instant madeAt) {
        this.jobId = jobId;
        this.userName = userName;
        this.passwordHash = passwordHash;
        this.mayCommand = mayCommand;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    String userName() {
        return userName;
    }

    String passwordHash() {
        return passwordHash;
    }

    boolean mayCommand() {
        return mayCommand;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }
}
