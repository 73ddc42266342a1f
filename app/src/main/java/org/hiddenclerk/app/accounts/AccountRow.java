package org.hiddenclerk.app.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A person who may log in. */
@Entity
@Table(name = "account")
public class AccountRow {
    @Id
    private UUID id;
    private String name;
    private String displayName;
    private String passwordHash;
    private String role;
    private Instant createdAt;

    protected AccountRow() {
    }

    AccountRow(String name, String displayName, String passwordHash, String role, Instant createdAt) {
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

    String role() {
        return role;
    }

    Instant createdAt() {
        return createdAt;
    }
}
