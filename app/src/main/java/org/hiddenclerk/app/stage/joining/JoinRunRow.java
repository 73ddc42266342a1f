package org.hiddenclerk.app.stage.joining;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.hiddenclerk.core.catalogue.Protocol;
import org.jspecify.annotations.Nullable;

/** Modules whose codes are known were let in together. */
@Entity
@Table(name = "join_run")
class JoinRunRow {
    @Id
    private UUID id;

    private UUID jobId;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    private Protocol protocol;

    private String begunBy;
    private Instant begunAt;
    private @Nullable Instant endedAt;
    private int expected;

    @Column(columnDefinition = "LONGTEXT")
    private String findings = "[]";

    protected JoinRunRow() {}

    JoinRunRow(UUID jobId, Protocol protocol, int expected, String begunBy, Instant begunAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.protocol = protocol;
        this.expected = expected;
        this.begunBy = begunBy;
        this.begunAt = begunAt;
    }

    UUID id() {
        return id;
    }

    Protocol protocol() {
        return protocol;
    }

    Instant begunAt() {
        return begunAt;
    }

    Optional<Instant> endedAt() {
        return Optional.ofNullable(endedAt);
    }

    int expected() {
        return expected;
    }

    String findings() {
        return findings;
    }

    void ended(String found, Instant when) {
        findings = found;
        endedAt = when;
    }
}
