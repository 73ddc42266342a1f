package org.hiddenclerk.app.stage.fitting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A lock that somebody hung on a circuit for the work on a box. */
@Entity
@Table(name = "circuit_lock")
class LockRow {
    @Id
    private UUID id;

    private UUID circuitId;
    private UUID boxId;
    private String person;
    private Instant putOnAt;
    private @Nullable Instant takenOffAt;

    protected LockRow() {}

    LockRow(UUID circuitId, UUID boxId, String person, Instant putOnAt) {
        this.id = UUID.randomUUID();
        this.circuitId = circuitId;
        this.boxId = boxId;
        this.person = person;
        this.putOnAt = putOnAt;
    }

    UUID circuitId() {
        return circuitId;
    }

    UUID boxId() {
        return boxId;
    }

    String person() {
        return person;
    }

    Instant putOnAt() {
        return putOnAt;
    }

    void comesOff(Instant when) {
        takenOffAt = when;
    }
}
