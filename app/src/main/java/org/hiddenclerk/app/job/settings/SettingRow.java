package org.hiddenclerk.app.job.settings;

import jakarta.persistence.Column;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import jakarta.persistence.Version;
import java.time.Instant;
import org.springframework.data.domain.Persistable;

/** A document of settings with who changed it last. */
@MappedSuperclass
abstract class SettingRow<K> implements Persistable<K> {
    @Version
    private long version;

    @Column(columnDefinition = "LONGTEXT")
    private String document;

    private String changedBy;
    private Instant changedAt;

    @Transient
    private boolean stored;

    @PostLoad
    @PostPersist
    void isStored() {
        stored = true;
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
