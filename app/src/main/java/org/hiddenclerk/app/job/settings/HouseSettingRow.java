package org.hiddenclerk.app.job.settings;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** What a house wants and where its rooms are. */
@Entity
@Table(name = "house_setting")
class HouseSettingRow extends SettingRow<UUID> {
    @Id
    private UUID jobId;

    protected HouseSettingRow() {}

    HouseSettingRow(UUID jobId, String document, String changedBy, Instant changedAt) {
        this.jobId = jobId;
        changed(document, changedBy, changedAt);
    }

    @Override
    public UUID getId() {
        return jobId;
    }
}
