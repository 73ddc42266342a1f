package org.hiddenclerk.app.stage.joining;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.hiddenclerk.core.catalogue.Protocol;

/** When the network of a protocol was opened last, and when it closes. */
@Entity
@Table(name = "join_window")
class JoinWindowRow {
    @EmbeddedId
    private Of of;

    private String openedBy;
    private Instant openedAt;
    private Instant closesAt;

    protected JoinWindowRow() {}

    JoinWindowRow(UUID job, Protocol protocol) {
        of = new Of(job, protocol);
    }

    Protocol protocol() {
        return of.protocol;
    }

    String openedBy() {
        return openedBy;
    }

    Instant closesAt() {
        return closesAt;
    }

    void opens(String who, Instant now, Instant until) {
        openedBy = who;
        openedAt = now;
        closesAt = until;
    }

    void closes(Instant now) {
        closesAt = now;
    }

    /** Of which network. */
    @Embeddable
    record Of(UUID jobId, @Enumerated(EnumType.STRING) @JdbcTypeCode(SqlTypes.VARCHAR) Protocol protocol)
            implements Serializable {}
}
