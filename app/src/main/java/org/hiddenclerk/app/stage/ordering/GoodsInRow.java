package org.hiddenclerk.app.stage.ordering;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Goods that arrived for a job. */
@Entity
@Table(name = "goods_in")
class GoodsInRow {
    @Id
    private UUID id;

    private UUID jobId;
    private String code;
    private int quantity;

    @Column(columnDefinition = "LONGTEXT")
    private String serials;

    private String takenBy;
    private Instant takenAt;

    protected GoodsInRow() {}

    GoodsInRow(UUID jobId, String code, int quantity, String serials, String takenBy, Instant takenAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.code = code;
        this.quantity = quantity;
        this.serials = serials;
        this.takenBy = takenBy;
        this.takenAt = takenAt;
    }

    String code() {
        return code;
    }

    int quantity() {
        return quantity;
    }

    String serials() {
        return serials;
    }
}
