package org.hiddenclerk.app.stage.planning;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Objects;
import java.util.UUID;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.jspecify.annotations.Nullable;

/** What holds a plan back and a person took on, word for word as it was then. */
@Entity
@Table(name = "accepted_hold")
public class AcceptedHoldRow {
    @Id
    private UUID id;

    private UUID boxId;
    private String code;
    private String subject;
    private @Nullable String facts;
    private String finding;
    private String reason;
    private String acceptedBy;
    private Instant acceptedAt;

    protected AcceptedHoldRow() {}

    AcceptedHoldRow(UUID boxId, Finding finding, String reason, String acceptedBy, Instant acceptedAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.code = finding.code().name();
        this.subject = finding.subject().key();
        this.facts = finding.sentence().facts();
        this.finding = finding.reason();
        this.reason = reason;
        this.acceptedBy = acceptedBy;
        this.acceptedAt = acceptedAt;
    }

    /** Other numbers make another finding: it has to be looked at again. */
    boolean isAbout(Finding other) {
        return code.equals(other.code().name())
                && subject.equals(other.subject().key())
                && other.sentence().facts().equals(facts);
    }

    UUID boxId() {
        return boxId;
    }

    UUID id() {
        return id;
    }

    FindingCode code() {
        return FindingCode.valueOf(code);
    }

    String subject() {
        return subject;
    }

    /** Empty where it was taken on before facts were kept. */
    String facts() {
        return Objects.requireNonNullElse(facts, "");
    }

    String finding() {
        return finding;
    }

    String reason() {
        return reason;
    }

    String acceptedBy() {
        return acceptedBy;
    }

    Instant acceptedAt() {
        return acceptedAt;
    }
}
