package org.hiddenclerk.app.joining;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Something that was seen of a device at a place. */
@Entity
@Table(name = "recognition_note")
class RecognitionNoteRow {
    /** What was seen. */
    enum Saw { SWITCHED, FLIPPED, NOT_THERE }

    @Id
    private UUID id;
    private UUID deviceId;
    private UUID unitId;
    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    private Saw saw;
    private String madeBy;
    private Instant madeAt;

    protected RecognitionNoteRow() {
    }

    RecognitionNoteRow(UUID deviceId, UUID unitId, Saw saw, String madeBy, Instant madeAt) {
        this.id = UUID.randomUUID();
        this.deviceId = deviceId;
        this.unitId = unitId;
        this.saw = saw;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    UUID deviceId() {
        return deviceId;
    }

    UUID unitId() {
        return unitId;
    }

    Saw saw() {
        return saw;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }
}
