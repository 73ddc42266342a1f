package org.hiddenclerk.app.stage.choosing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A choice for a whole house: what was asked, how far it is, what came of it. */
@Entity
@Table(name = "house_choice")
class HouseChoiceRow {
    /** How far it is. */
    enum State {
        RUNNING,
        DONE,
        STOPPED,
        FAILED
    }

    private static final int MOST_WORDS = 200;
    private static final Duration LONGEST = Duration.ofMinutes(10);

    @Id
    private UUID id;

    @Version
    private long version;

    private UUID jobId;
    private String name;
    private String state;
    private String words;

    @Column(columnDefinition = "LONGTEXT")
    private String request;

    @Column(columnDefinition = "LONGTEXT")
    private @Nullable String result;

    private @Nullable String restsOn;
    private String startedBy;
    private Instant startedAt;
    private @Nullable Instant finishedAt;

    protected HouseChoiceRow() {}

    HouseChoiceRow(UUID jobId, String name, String request, String restsOn, String startedBy, Instant startedAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.name = name;
        this.state = State.RUNNING.name();
        this.words = "waiting";
        this.request = request;
        this.restsOn = restsOn;
        this.startedBy = startedBy;
        this.startedAt = startedAt;
    }

    void reached(String text) {
        words = text.substring(0, Math.min(MOST_WORDS, text.length()));
    }

    void ended(State how, String text, @Nullable String outcome, Instant when) {
        state = how.name();
        reached(text);
        result = outcome;
        finishedAt = when;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    String name() {
        return name;
    }

    /** One that has run longer than any may was left behind by a clerk that stopped. */
    State stateAt(Instant now) {
        boolean leftBehind = State.valueOf(state) == State.RUNNING
                && Duration.between(startedAt, now).compareTo(LONGEST) > 0;
        return leftBehind ? State.FAILED : State.valueOf(state);
    }

    String words() {
        return words;
    }

    String request() {
        return request;
    }

    Optional<String> result() {
        return Optional.ofNullable(result);
    }

    /** Whether it was made of another house, other wishes or another stock book than there are now; of older choices that is not known. */
    boolean isStale(String now) {
        return restsOn != null && !restsOn.equals(now);
    }

    String startedBy() {
        return startedBy;
    }

    Instant startedAt() {
        return startedAt;
    }
}
