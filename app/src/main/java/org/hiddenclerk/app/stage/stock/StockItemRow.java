package org.hiddenclerk.app.stage.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import jakarta.persistence.Version;
import java.time.Instant;
import org.springframework.data.domain.Persistable;

/** A module or an accessory in the stock book. */
@Entity
@Table(name = "stock_item")
class StockItemRow implements Persistable<String> {
    /** Kinds of documents. */
    enum Kind {
        MODULE,
        ACCESSORY
    }

    @Id
    private String code;

    @Version
    private long version;

    private String kind;

    @Column(columnDefinition = "LONGTEXT")
    private String document;

    private int onHand;
    private boolean retired;
    private String changedBy;
    private Instant changedAt;

    @Transient
    private boolean stored;

    protected StockItemRow() {}

    StockItemRow(String code, Kind kind, String document, int onHand, String changedBy, Instant changedAt) {
        this.code = code;
        this.kind = kind.name();
        this.document = document;
        this.onHand = onHand;
        this.changedBy = changedBy;
        this.changedAt = changedAt;
    }

    @PostLoad
    @PostPersist
    void isStored() {
        stored = true;
    }

    @Override
    public String getId() {
        return code;
    }

    @Override
    public boolean isNew() {
        return !stored;
    }

    void changed(String otherDocument, int otherOnHand, boolean otherRetired, String who, Instant when) {
        document = otherDocument;
        onHand = otherOnHand;
        retired = otherRetired;
        changedBy = who;
        changedAt = when;
    }

    String code() {
        return code;
    }

    long version() {
        return version;
    }

    Kind kind() {
        return Kind.valueOf(kind);
    }

    String document() {
        return document;
    }

    int onHand() {
        return onHand;
    }

    boolean retired() {
        return retired;
    }

    String changedBy() {
        return changedBy;
    }

    Instant changedAt() {
        return changedAt;
    }
}
