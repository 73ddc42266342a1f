package org.hiddenclerk.app.stage.tracing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A reading as it was made. */
@Entity
@Table(name = "trace_reading")
class TraceReadingRow {
    @Id
    private UUID id;

    private UUID boxId;
    private String kind;
    private @Nullable String core;
    private @Nullable String farCore;
    private String positions;
    private boolean value;
    private String readBy;
    private Instant readAt;

    protected TraceReadingRow() {}

    TraceReadingRow(UUID boxId, ReadingEntry entry, String positions, String readBy, Instant readAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.kind = entry.kind().name();
        this.core = entry.core();
        this.farCore = entry.farCore();
        this.positions = positions;
        this.value = entry.value();
        this.readBy = readBy;
        this.readAt = readAt;
    }

    UUID id() {
        return id;
    }

    UUID boxId() {
        return boxId;
    }

    ReadingEntry.Kind kind() {
        return ReadingEntry.Kind.valueOf(kind);
    }

    @Nullable
    String core() {
        return core;
    }

    @Nullable
    String farCore() {
        return farCore;
    }

    String positions() {
        return positions;
    }

    boolean value() {
        return value;
    }

    String readBy() {
        return readBy;
    }

    Instant readAt() {
        return readAt;
    }
}
