package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Role;
import org.jspecify.annotations.Nullable;

/** A link by which somebody gets a password: a new person, or one whose account is there already. */
@Entity
@Table(name = "invitation")
class InvitationRow {
    @Id
    private UUID id;

    private @Nullable UUID accountId;
    private String hash;
    private String displayName;

    @Enumerated(EnumType.STRING)
    private Role role;

    private String invitedBy;
    private Instant createdAt;
    private Instant expiresAt;
    private @Nullable Instant usedAt;

    protected InvitationRow() {}

    InvitationRow(
            Optional<UUID> account,
            String hash,
            String displayName,
            Role role,
            String invitedBy,
            Instant createdAt,
            Instant expiresAt) {
        this.id = UUID.randomUUID();
        this.accountId = account.orElse(null);
        this.hash = hash;
        this.displayName = displayName;
        this.role = role;
        this.invitedBy = invitedBy;
        this.createdAt = createdAt;
        this.expiresAt = expiresAt;
    }

    UUID id() {
        return id;
    }

    Optional<UUID> account() {
        return Optional.ofNullable(accountId);
    }

    String displayName() {
        return displayName;
    }

    Role role() {
        return role;
    }

    String invitedBy() {
        return invitedBy;
    }

    Instant expiresAt() {
        return expiresAt;
    }

    boolean isGoodAt(Instant now) {
        return usedAt == null && now.isBefore(expiresAt);
    }

    void used(Instant when) {
        usedAt = when;
    }
}
