package org.hiddenclerk.app.stage.feel;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.io.Serializable;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.core.planned.PlannedId;
import org.jspecify.annotations.Nullable;

/** What is wanted of one switch input of a box's plan. */
@Entity
@Table(name = "feel")
class FeelRow {
    @EmbeddedId
    private Of of;

    @Version
    private @Nullable Long version;

    @Column(columnDefinition = "LONGTEXT")
    private String document = "";

    private int gang;
    private int input;
    private int channel;
    private boolean held;
    private String changedBy = "";
    private Instant changedAt = Instant.EPOCH;

    protected FeelRow() {}

    FeelRow(UUID box, String key) {
        of = new Of(box, key);
    }

    /** Which input: module and input within the plan of a box. */
    @Embeddable
    record Of(UUID boxId, @Column(name = "input_key") String name) implements Serializable {}

    UUID box() {
        return of.boxId();
    }

    /** Empty for what is no input, as none is kept today. */
    Optional<PlannedId.Input> id() {
        return PlannedId.Input.ofKey(of.boxId().toString(), of.name());
    }

    /** Versions count from 1; 0 is an input that nobody touched. */
    long version() {
        return version == null ? 0 : version + 1;
    }

    String document() {
        return document;
    }

    /** The gang of the box that it reads. */
    int gang() {
        return gang;
    }

    /** Number of the input of the module. */
    int inputNumber() {
        return input;
    }

    /** Number of the channel that the input commands. */
    int channelNumber() {
        return channel;
    }

    /** Whether something that was found held it back when it was kept. */
    boolean isHeld() {
        return held;
    }

    /**
     * Takes on what is wanted now.
     *
     * @param number   of the input
     * @param commands number of the channel
     */
    void is(String newDocument, int ofGang, int number, int commands, boolean isHeldBack, String who, Instant now) {
        document = newDocument;
        gang = ofGang;
        input = number;
        channel = commands;
        held = isHeldBack;
        changedBy = who;
        changedAt = now;
    }

    String changedBy() {
        return changedBy;
    }

    Instant changedAt() {
        return changedAt;
    }
}
