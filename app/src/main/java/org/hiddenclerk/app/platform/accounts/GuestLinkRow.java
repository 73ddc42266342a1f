package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A link by which a household reads the guide and the live house of its job. */
@Entity
@Table(name = "guest_link")
class GuestLinkRow {
    @Id
    private UUID id;

    private UUID jobId;
    private String hash;
    private String label;
    private String madeBy;
    private Instant createdAt;
    private Instant expiresAt;
    private @Nullable Instant revokedAt;

    protected GuestLinkRow() {}

    GuestLinkRow(UUID jobId, String hash, String label, String madeBy, Instant createdAt, Instant expiresAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.hash = hash;
        this.label = label;
        this.madeBy = madeBy;
        this.createdAt = createdAt;
        this.expiresAt = expiresAt;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    String label() {
        return label;
    }

    String madeBy() {
        return madeBy;
    }

    Instant expiresAt() {
        return expiresAt;
    }

    boolean isGoodAt(Instant now) {
        return revokedAt == null && now.isBefore(expiresAt);
    }

    void revoke(Instant when) {
        revokedAt = when;
    }
}
