package org.hiddenclerk.app.planning;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A plan issued for work: a snapshot that never changes, so that a run sheet always knows what it was made from. */
@Entity
@Table(name = "issued_plan")
public class IssuedPlanRow {
    @Id
    private UUID id;
    private UUID boxId;
    private long boxVersion;
    @Column(columnDefinition = "LONGTEXT")
    private String survey;
    @Column(columnDefinition = "LONGTEXT")
    private String picks;
    @Column(columnDefinition = "LONGTEXT")
    private String neighbours;
    @Column(columnDefinition = "LONGTEXT")
    private @Nullable String modules;
    private int states;
    private String issuedBy;
    private Instant issuedAt;

    protected IssuedPlanRow() {
    }

    IssuedPlanRow(UUID boxId, long boxVersion, String survey, String picks, String neighbours, String modules, int states, String issuedBy,
                  Instant issuedAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.boxVersion = boxVersion;
        this.survey = survey;
        this.picks = picks;
        this.neighbours = neighbours;
        this.modules = modules;
        this.states = states;
        this.issuedBy = issuedBy;
        this.issuedAt = issuedAt;
    }

    public UUID id() {
        return id;
    }

    public UUID boxId() {
        return boxId;
    }

    public long boxVersion() {
        return boxVersion;
    }

    String survey() {
        return survey;
    }

    String picks() {
        return picks;
    }

    /** The other boxes of the run as they were. */
    String neighbours() {
        return neighbours;
    }

    /** The modules as the stock book had them; unknown for plans that are older than that. */
    Optional<String> modules() {
        return Optional.ofNullable(modules);
    }

    public int states() {
        return states;
    }

    public String issuedBy() {
        return issuedBy;
    }

    public Instant issuedAt() {
        return issuedAt;
    }
}
