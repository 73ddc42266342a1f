package org.hiddenclerk.app.stage.planning;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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

    @ElementCollection
    @CollectionTable(name = "issued_plan_box", joinColumns = @JoinColumn(name = "plan_id"))
    @OrderColumn(name = "position")
    @Column(name = "box_id")
    private List<UUID> opens = new ArrayList<>();

    protected IssuedPlanRow() {}

    IssuedPlanRow(
            UUID boxId,
            long boxVersion,
            String survey,
            String picks,
            String neighbours,
            String modules,
            int states,
            List<UUID> opens,
            String issuedBy,
            Instant issuedAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.boxVersion = boxVersion;
        this.survey = survey;
        this.picks = picks;
        this.neighbours = neighbours;
        this.modules = modules;
        this.states = states;
        this.opens = new ArrayList<>(opens);
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

    /** Boxes that the work opens, in the order in which it does. */
    public List<UUID> opens() {
        return List.copyOf(opens);
    }

    /** Boxes that know it as theirs: those that it opens, and the one that it was issued at. */
    Set<UUID> boxes() {
        Set<UUID> boxes = new LinkedHashSet<>(opens);
        boxes.add(boxId);
        return boxes;
    }

    public String issuedBy() {
        return issuedBy;
    }

    public Instant issuedAt() {
        return issuedAt;
    }
}
