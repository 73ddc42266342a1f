package org.hiddenclerk.app.stage.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hiddenclerk.app.platform.secrets.Sealed;
import org.hiddenclerk.core.credentials.CredentialKind;
import org.jspecify.annotations.Nullable;

/** A sealed credential of a module. */
@Entity
@Table(name = "credential")
class CredentialRow {
    @Id
    private UUID id;

    private UUID unitId;

    @Enumerated(EnumType.STRING)
    private CredentialKind kind;

    private int keyNo;

    @Column(columnDefinition = "VARBINARY(80)")
    private byte @Nullable [] dataKey;

    @Column(columnDefinition = "BINARY(12)")
    private byte[] nonce;

    @Column(columnDefinition = "VARBINARY(1024)")
    private byte[] sealed;

    @Column(columnDefinition = "BINARY(32)")
    private byte[] print;

    private String masked;

    @Column(columnDefinition = "LONGTEXT")
    private String facts;

    private String keptBy;
    private Instant keptAt;

    protected CredentialRow() {}

    CredentialRow(
            UUID unitId,
            CredentialKind kind,
            byte[] print,
            String masked,
            String facts,
            String keptBy,
            Instant keptAt) {
        this.id = UUID.randomUUID();
        this.unitId = unitId;
        this.kind = kind;
        this.print = print;
        this.masked = masked;
        this.facts = facts;
        this.keptBy = keptBy;
        this.keptAt = keptAt;
    }

    UUID id() {
        return id;
    }

    UUID unitId() {
        return unitId;
    }

    CredentialKind kind() {
        return kind;
    }

    String masked() {
        return masked;
    }

    String facts() {
        return facts;
    }

    String keptBy() {
        return keptBy;
    }

    Instant keptAt() {
        return keptAt;
    }

    Sealed sealed() {
        return new Sealed(keyNo, dataKey == null ? new byte[0] : dataKey, nonce, sealed);
    }

    void isSealed(Sealed text) {
        keyNo = text.key();
        dataKey = text.dataKey();
        nonce = text.nonce();
        sealed = text.text();
    }

    /** What its text is sealed for. */
    String about() {
        return id + " " + kind;
    }
}
