package org.hiddenclerk.app.stage.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A credential was shown to somebody. */
@Entity
@Table(name = "credential_showing")
class ShowingRow {
    @Id
    private UUID id;

    private UUID credentialId;
    private String why;
    private String shownTo;
    private Instant shownAt;

    protected ShowingRow() {}

    ShowingRow(UUID credentialId, String why, String shownTo, Instant shownAt) {
        this.id = UUID.randomUUID();
        this.credentialId = credentialId;
        this.why = why;
        this.shownTo = shownTo;
        this.shownAt = shownAt;
    }

    String why() {
        return why;
    }

    String shownTo() {
        return shownTo;
    }

    Instant shownAt() {
        return shownAt;
    }
}
