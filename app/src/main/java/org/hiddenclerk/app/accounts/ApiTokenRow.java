package org.hiddenclerk.app.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A bearer token for scripts, of which only the hash is kept. */
@Entity
@Table(name = "api_token")
public class ApiTokenRow {
    @Id
    private UUID id;
    private UUID accountId;
    private String hash;
    private String label;
    private Instant createdAt;
    private Instant revokedAt;

    protected ApiTokenRow() {
    }

    ApiTokenRow(UUID accountId, String hash, String label, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.accountId = accountId;
        this.hash = hash;
        this.label = label;
        this.createdAt = createdAt;
    }

    UUID id() {
        return id;
    }

    UUID accountId() {
        return accountId;
    }

    String label() {
        return label;
    }

    Instant createdAt() {
        return createdAt;
    }

    boolean isRevoked() {
        return revokedAt != null;
    }

    void revoke(Instant when) {
        revokedAt = when;
    }
}
