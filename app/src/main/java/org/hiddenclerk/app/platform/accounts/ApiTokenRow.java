package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Scope;
import org.jspecify.annotations.Nullable;

/** A bearer token for scripts, of which only the hash is kept. */
@Entity
@Table(name = "api_token")
public class ApiTokenRow {
    @Id
    private UUID id;

    private UUID accountId;
    private String hash;
    private String label;
    private String scopes;
    private Instant createdAt;
    private Instant expiresAt;
    private @Nullable Instant revokedAt;

    protected ApiTokenRow() {}

    ApiTokenRow(UUID accountId, String hash, String label, Set<Scope> scopes, Instant createdAt, Instant expiresAt) {
        this.id = UUID.randomUUID();
        this.accountId = accountId;
        this.hash = hash;
        this.label = label;
        this.scopes = Scope.text(scopes);
        this.createdAt = createdAt;
        this.expiresAt = expiresAt;
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

    Set<Scope> scopes() {
        return Scope.read(scopes);
    }

    Instant createdAt() {
        return createdAt;
    }

    Instant expiresAt() {
        return expiresAt;
    }

    boolean isRevoked() {
        return revokedAt != null;
    }

    boolean isGoodAt(Instant now) {
        return !isRevoked() && now.isBefore(expiresAt);
    }

    void revoke(Instant when) {
        revokedAt = when;
    }
}
