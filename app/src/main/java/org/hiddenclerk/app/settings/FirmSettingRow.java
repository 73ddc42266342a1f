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
import org.springframework.data.domain.Persistable;

/** What the firm has settled for all its houses. */
@Entity
@Table(name = "firm_setting")
class FirmSettingRow implements Persistable<String> {
    @Id
    private String name;
    @Version
    private long version;
    @Column(columnDefinition = "LONGTEXT")
    private String document;
    private String changedBy;
    private Instant changedAt;
    @Transient
    private boolean stored;

    protected FirmSettingRow() {
    }

    FirmSettingRow(String name, String document, String changedBy, Instant changedAt) {
        this.name = name;
        changed(document, changedBy, changedAt);
    }

    @PostLoad
    @PostPersist
    void isStored() {
        stored = true;
    }

    @Override
    public String getId() {
        return name;
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
