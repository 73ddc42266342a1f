package org.hiddenclerk.app.job.settings;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What the firm has settled for all its houses. */
@Entity
@Table(name = "firm_setting")
class FirmSettingRow extends SettingRow<String> {
    @Id
    private String name;

    protected FirmSettingRow() {}

    FirmSettingRow(String name, String document, String changedBy, Instant changedAt) {
        this.name = name;
        changed(document, changedBy, changedAt);
    }

    @Override
    public String getId() {
        return name;
    }
}
