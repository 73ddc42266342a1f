package org.hiddenclerk.app.stage.firmware;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.Objects;
import java.util.UUID;
import org.hiddenclerk.core.firmware.Rollout.Event;
import org.hiddenclerk.core.firmware.Version;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** Something that happened in a roll-out; never changed. */
@Entity
@Table(name = "rollout_event")
class RolloutEventRow implements Persistable<RolloutEventRow.Place> {
    private static final int MOST_WORDS = 300;

    @EmbeddedId
    private Place place;

    private String kind;
    private String device;
    private String detail;

    @Column(columnDefinition = "CHAR(64)")
    private @Nullable String sha256;

    private Instant happenedAt;

    protected RolloutEventRow() {}

    RolloutEventRow(UUID rollout, int number, Event event, Instant happenedAt) {
        this.place = new Place(rollout, number);
        this.happenedAt = happenedAt;
        this.detail = "";
        this.device = "";
        if (event instanceof Event.Started started) {
            kind = "STARTED";
            device = started.device();
        } else if (event instanceof Event.Reported reported) {
            kind = "REPORTED";
            device = reported.device();
            detail = reported.version().toString();
            sha256 = reported.sha256();
        } else if (event instanceof Event.Failed failed) {
            kind = "FAILED";
            device = failed.device();
            detail = failed.reason()
                    .substring(0, Math.min(MOST_WORDS, failed.reason().length()));
        } else {
            kind = "GONE_ON";
            detail = ((Event.GoneOn) event).who();
        }
    }

    Event event() {
        return switch (kind) {
            case "STARTED" -> new Event.Started(device);
            case "REPORTED" ->
                new Event.Reported(device, Version.read(detail).orElseThrow(), Objects.requireNonNull(sha256));
            case "FAILED" -> new Event.Failed(device, detail);
            case "GONE_ON" -> new Event.GoneOn(detail);
            default -> throw new IllegalStateException("Impossible state: an event of the kind " + kind + ".");
        };
    }

    String kind() {
        return kind;
    }

    String device() {
        return device;
    }

    String detail() {
        return detail;
    }

    Instant happenedAt() {
        return happenedAt;
    }

    @Override
    public Place getId() {
        return place;
    }

    /** Always inserted: two that write the same place at once must not overwrite each other. */
    @Override
    public boolean isNew() {
        return true;
    }

    /** Its place in the order. */
    @Embeddable
    record Place(UUID rolloutId, @Column(name = "place") int number) implements Serializable {}
}
