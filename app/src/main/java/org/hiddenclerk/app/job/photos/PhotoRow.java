package org.hiddenclerk.app.job.photos;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A photo of a box. */
@Entity
@Table(name = "box_photo")
class PhotoRow {
    @Id
    private UUID id;

    private UUID boxId;
    private int width;
    private int height;

    @Column(columnDefinition = "longblob")
    private byte[] jpeg;

    private String takenBy;
    private Instant takenAt;

    protected PhotoRow() {}

    PhotoRow(UUID boxId, CleanPhoto photo, String takenBy, Instant takenAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.width = photo.width();
        this.height = photo.height();
        this.jpeg = photo.jpeg();
        this.takenBy = takenBy;
        this.takenAt = takenAt;
    }

    UUID id() {
        return id;
    }

    UUID boxId() {
        return boxId;
    }

    int width() {
        return width;
    }

    int height() {
        return height;
    }

    byte[] jpeg() {
        return jpeg;
    }

    String takenBy() {
        return takenBy;
    }

    Instant takenAt() {
        return takenAt;
    }
}
