package org.hiddenclerk.app.stage.fitting;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A run sheet with everything that was entered on it; entries are only ever added. */
@Entity
@Table(name = "run_sheet")
public class RunSheetRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID planId;
    private UUID boxId;
    private String startedBy;
    private Instant startedAt;
    private boolean setAside;
    private boolean finished;

    @ElementCollection
    @CollectionTable(name = "run_sheet_entry", joinColumns = @JoinColumn(name = "run_sheet_id"))
    @OrderColumn(name = "position")
    private List<EntryPart> entries = new ArrayList<>();

    protected RunSheetRow() {}

    RunSheetRow(UUID planId, UUID boxId, String startedBy, Instant startedAt) {
        this.id = UUID.randomUUID();
        this.planId = planId;
        this.boxId = boxId;
        this.startedBy = startedBy;
        this.startedAt = startedAt;
    }

    UUID id() {
        return id;
    }

    long version() {
        return version;
    }

    UUID planId() {
        return planId;
    }

    UUID boxId() {
        return boxId;
    }

    String startedBy() {
        return startedBy;
    }

    Instant startedAt() {
        return startedAt;
    }

    boolean isSetAside() {
        return setAside;
    }

    boolean isFinished() {
        return finished;
    }

    List<EntryPart> entries() {
        return List.copyOf(entries);
    }

    void add(EntryPart entry, boolean nowFinished) {
        entries.add(entry);
        finished = nowFinished;
    }

    void putAside() {
        setAside = true;
    }

    /** One entry; what depends on its kind is kept as JSON. */
    @Embeddable
    public static class EntryPart {
        private String kind;
        private String stepId;

        @Column(columnDefinition = "LONGTEXT")
        private String detail;

        private String text;
        private String who;
        private Instant enteredAt;
        private @Nullable String sentKey;

        protected EntryPart() {}

        EntryPart(
                String kind,
                String stepId,
                String detail,
                String text,
                String who,
                Instant enteredAt,
                @Nullable String sentKey) {
            this.kind = kind;
            this.stepId = stepId;
            this.detail = detail;
            this.text = text;
            this.who = who;
            this.enteredAt = enteredAt;
            this.sentKey = sentKey;
        }

        String kind() {
            return kind;
        }

        String stepId() {
            return stepId;
        }

        String detail() {
            return detail;
        }

        String text() {
            return text;
        }

        String who() {
            return who;
        }

        Instant enteredAt() {
            return enteredAt;
        }

        /** What the sender called it, so that it counts once. */
        @Nullable
        String sentKey() {
            return sentKey;
        }
    }
}
