package org.hiddenclerk.app.stage.fitting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Something in a box that is otherwise than drawn; it is looked into on the Trace sheet until somebody settles it. */
@Entity
@Table(name = "found_otherwise")
class FoundOtherwiseRow {
    @Id
    private UUID id;

    private UUID boxId;
    private String words;
    private String foundBy;
    private Instant foundAt;
    private @Nullable String settledBy;
    private @Nullable Instant settledAt;

    protected FoundOtherwiseRow() {}

    FoundOtherwiseRow(UUID boxId, String words, String foundBy, Instant foundAt) {
        this.id = UUID.randomUUID();
        this.boxId = boxId;
        this.words = words;
        this.foundBy = foundBy;
        this.foundAt = foundAt;
    }

    UUID id() {
        return id;
    }

    UUID boxId() {
        return boxId;
    }

    String words() {
        return words;
    }

    String foundBy() {
        return foundBy;
    }

    Instant foundAt() {
        return foundAt;
    }

    void isSettled(String who, Instant when) {
        settledBy = who;
        settledAt = when;
    }
}
