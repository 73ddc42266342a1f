package org.hiddenclerk.app.stage.day;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** The plan of the days of a job. */
@Entity
@Table(name = "day_plan")
class DayPlanRow {
    @Id
    private UUID jobId;

    @Version
    private long version;

    @Column(columnDefinition = "LONGTEXT")
    private String asked;

    @Column(columnDefinition = "LONGTEXT")
    private String planned;

    private String madeBy;
    private Instant madeAt;

    protected DayPlanRow() {}

    DayPlanRow(UUID jobId) {
        this.jobId = jobId;
    }

    void is(String question, String answer, String who, Instant when) {
        asked = question;
        planned = answer;
        madeBy = who;
        madeAt = when;
    }

    String asked() {
        return asked;
    }

    String planned() {
        return planned;
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }
}
