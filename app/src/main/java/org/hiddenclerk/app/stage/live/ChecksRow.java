package org.hiddenclerk.app.stage.live;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hiddenclerk.app.stage.rules.JobDocumentRow;

/** Checks of a job's house. */
@Entity
@Table(name = "house_checks")
class ChecksRow extends JobDocumentRow {
    protected ChecksRow() {}

    ChecksRow(UUID jobId) {
        super(jobId, "");
    }
}
