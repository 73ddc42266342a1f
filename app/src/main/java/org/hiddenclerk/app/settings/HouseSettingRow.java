package org.hiddenclerk.app.settings;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** What a house wants and where its rooms are. */
@Entity
@Table(name = "house_setting")
class HouseSettingRow implements Persistable<UUID> {
    @Id
    private UUID jobId;
    @Version
    private long version;
    @Column(columnDefinition = "LONGTEXT")
    private String document;
    private String changedBy;
    private Instant changedAt;
    @Transient
    private boolean stored;

    protected HouseSettingRow() {
    }

    HouseSettingRow(UUID jobId, String document, String changedBy, Instant changedAt) {
        this.jobId = jobId;
        changed(document, changedBy, changedAt);
    }

    @PostLoad
    @PostPersist
    void isStored() {
        stored = true;
    }

    @Override
    public UUID getId() {
        return jobId;
    }

    @Override
    public boolean isNew() {
        return !stored;
    }

    final void changed(String otherDocument, String who, Instant when) {
        document = otherDocument;
        changedBy = who;
        changedAt = when;
    }

    long version() {
        return version;
    }

    String document() {
        return document;
    }
}
