package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Collection;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Role;
import org.hiddenclerk.app.platform.secrets.Sealed;
import org.jspecify.annotations.Nullable;

/** A person who may log in. */
@Entity
@Table(name = "account")
public class AccountRow {
    @Id
    private UUID id;

    private String name;
    private String displayName;
    private String passwordHash;

    @Enumerated(EnumType.STRING)
    private Role role;

    private Instant createdAt;
    private @Nullable Instant disabledAt;

    @Column(columnDefinition = "VARBINARY(512)")
    private byte @Nullable [] secondFactor;

    @Column(columnDefinition = "VARBINARY(512)")
    private byte @Nullable [] pendingFactor;
    /** The latest step of time whose code was used: a code that was overheard is good for nothing. */
    private long lastStep;

    @ElementCollection
    @CollectionTable(name = "recovery_code", joinColumns = @JoinColumn(name = "account_id"))
    @Column(name = "hash", columnDefinition = "CHAR(64)")
    private Set<String> recoveryCodes = new HashSet<>();

    protected AccountRow() {}

    AccountRow(String name, String displayName, String passwordHash, Role role, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.displayName = displayName;
        this.passwordHash = passwordHash;
        this.role = role;
        this.createdAt = createdAt;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    String displayName() {
        return displayName;
    }

    String passwordHash() {
        return passwordHash;
    }

    void password(String hash) {
        passwordHash = hash;
    }

    Role role() {
        return role;
    }

    void becomes(Role other) {
        role = other;
    }

    Instant createdAt() {
        return createdAt;
    }

    boolean isDisabled() {
        return disabledAt != null;
    }

    void disabled(@Nullable Instant since) {
        disabledAt = since;
    }

    /** What the secrets of the second factor are sealed for. */
    String about() {
        return id + " second factor";
    }

    Optional<Sealed> secondFactor() {
        return Optional.ofNullable(secondFactor).map(Sealed::of);
    }

    Optional<Sealed> pendingFactor() {
        return Optional.ofNullable(pendingFactor).map(Sealed::of);
    }

    void pendingFactor(Sealed secret) {
        pendingFactor = secret.bytes();
    }

    /** What was tried becomes the second factor. */
    void confirmFactor(Collection<String> recoveryHashes) {
        secondFactor = pendingFactor;
        pendingFactor = null;
        recoveryCodes.clear();
        recoveryCodes.addAll(recoveryHashes);
    }

    void noFactor() {
        secondFactor = null;
        pendingFactor = null;
        lastStep = 0;
        recoveryCodes.clear();
    }

    /** The same secrets under another key. */
    void wrapped(Optional<Sealed> factor, Optional<Sealed> pending) {
        secondFactor = factor.map(Sealed::bytes).orElse(null);
        pendingFactor = pending.map(Sealed::bytes).orElse(null);
    }

    /** Whether this step was not used before; from now on it was. */
    boolean uses(long step) {
        if (step <= lastStep) {
            return false;
        }
        lastStep = step;
        return true;
    }

    /** Whether there is such a recovery code; from now on there is not. */
    boolean usesRecovery(String hash) {
        return recoveryCodes.remove(hash);
    }

    int recoveryCodesLeft() {
        return recoveryCodes.size();
    }
}
