package org.hiddenclerk.app.stage.bench;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.hiddenclerk.app.platform.web.WordsByKey;
import org.hiddenclerk.core.bench.BenchCard;
import org.hiddenclerk.core.bench.BenchStep;
import org.hiddenclerk.core.naming.DeviceName;
import org.hiddenclerk.core.planned.PlannedId;
import org.jspecify.annotations.Nullable;

/** A module on the bench. */
@Entity
@Table(name = "bench_unit")
class BenchUnitRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID jobId;
    private String serial;
    private String moduleCode;
    private UUID boxId;
    private @Nullable String plannedModule;
    private String address;
    private String displayName;
    private String handle;
    private String takenBy;
    private Instant takenAt;

    @Convert(converter = WordsByKey.class)
    @Column(columnDefinition = "LONGTEXT")
    private Map<String, String> wanted = new TreeMap<>();

    @Convert(converter = WordsByKey.class)
    @Column(columnDefinition = "LONGTEXT")
    private @Nullable Map<String, String> setTo;

    @ElementCollection
    @CollectionTable(name = "bench_mark", joinColumns = @JoinColumn(name = "unit_id"))
    @OrderColumn(name = "place")
    private List<MarkPart> marks = new ArrayList<>();

    protected BenchUnitRow() {}

    BenchUnitRow(UUID jobId, String serial, String moduleCode, String takenBy, Instant takenAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.serial = serial;
        this.moduleCode = moduleCode;
        this.takenBy = takenBy;
        this.takenAt = takenAt;
    }

    UUID id() {
        return id;
    }

    long version() {
        return version;
    }

    UUID jobId() {
        return jobId;
    }

    String serial() {
        return serial;
    }

    String moduleCode() {
        return moduleCode;
    }

    Optional<UUID> boxId() {
        return Optional.ofNullable(boxId);
    }

    /** The module of the plans that it is to be. */
    Optional<PlannedId.Module> place() {
        return Optional.ofNullable(plannedModule).flatMap(PlannedId::moduleOf);
    }

    Optional<String> address() {
        return Optional.ofNullable(address);
    }

    Optional<DeviceName> name() {
        return handle == null ? Optional.empty() : Optional.of(new DeviceName(displayName, handle));
    }

    String takenBy() {
        return takenBy;
    }

    Instant takenAt() {
        return takenAt;
    }

    List<MarkPart> marks() {
        return List.copyOf(marks);
    }

    Map<String, String> wanted() {
        return Map.copyOf(wanted);
    }

    /** What it was set to when that was called done; empty while nobody did. */
    Optional<Map<String, String>> setTo() {
        return Optional.ofNullable(setTo);
    }

    void isSetTo(Map<String, String> settings) {
        setTo = new TreeMap<>(settings);
    }

    void isToBe(Map<String, String> settings) {
        wanted = new TreeMap<>(settings);
    }

    /** @param module of the plans that it is to be */
    void goesTo(UUID box, PlannedId.Module module) {
        boxId = box;
        plannedModule = module.text();
    }

    /** No box waits for it any more; its name goes with the box. */
    void isFree() {
        boxId = null;
        plannedModule = null;
        displayName = null;
        handle = null;
    }

    void isCalled(DeviceName name) {
        displayName = name.display();
        handle = name.handle();
    }

    /** Called otherwise than before: where its name was given to it already, that is to be done again. */
    void isCalledInstead(DeviceName name) {
        isCalled(name);
        marks.removeIf(part -> part.mark().step() == BenchStep.NAME);
    }

    /** Whether its label bears its name, or its network knows it. */
    boolean hasItsLabel() {
        return isDone(BenchStep.LABEL) || isDone(BenchStep.JOIN);
    }

    private boolean isDone(BenchStep step) {
        return marks.stream()
                .map(MarkPart::mark)
                .filter(mark -> mark.step() == step)
                .reduce((earlier, later) -> later)
                .filter(mark -> mark.outcome() == BenchCard.Outcome.DONE)
                .isPresent();
    }

    void hasAddress(String digits) {
        address = digits;
    }

    void mark(BenchCard.Mark mark, String who, Instant when) {
        marks.add(new MarkPart(mark, who, when));
    }

    /** A step that was tried. */
    @Embeddable
    static class MarkPart {
        @Enumerated(EnumType.STRING)
        private BenchStep step;

        @Enumerated(EnumType.STRING)
        private BenchCard.Outcome outcome;

        private String note;
        private String madeBy;
        private Instant madeAt;

        protected MarkPart() {}

        MarkPart(BenchCard.Mark mark, String who, Instant when) {
            step = mark.step();
            outcome = mark.outcome();
            note = mark.note();
            madeBy = who;
            madeAt = when;
        }

        BenchCard.Mark mark() {
            return new BenchCard.Mark(step, outcome, note);
        }

        String madeBy() {
            return madeBy;
        }

        Instant madeAt() {
            return madeAt;
        }
    }
}
