package org.hiddenclerk.app.stage.joining;

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
import org.jspecify.annotations.Nullable;

/** Something that was seen of a device at a place. */
@Entity
@Table(name = "recognition_note")
class RecognitionNoteRow {
    /** What was seen; or that a device was told to switch, so that what is seen from then on is seen of it. */
    enum Saw {
        SWITCHED,
        FLIPPED,
        NOT_THERE,
        TOLD
    }

    @Id
    private UUID id;

    private UUID deviceId;
    private @Nullable UUID unitId;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    private Saw saw;

    private String madeBy;
    private Instant madeAt;

    protected RecognitionNoteRow() {}

    RecognitionNoteRow(UUID deviceId, @Nullable UUID unitId, Saw saw, String madeBy, Instant madeAt) {
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

    /** The module that it is about; none where the device was only told to switch. */
    Optional<UUID> unitId() {
        return Optional.ofNullable(unitId);
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
