package org.hiddenclerk.app.stage.fitting;

import java.math.BigDecimal;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.fitting.Entry;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Between entries of the core and their rows. */
@Component
class EntryMapping {
    private static final String DONE = "DONE";
    private static final String STOPPED = "STOPPED";
    private static final String RESUMED = "RESUMED";
    private static final String TICKED = "TICKED";
    private static final String MEASURED = "MEASURED";
    private static final String SKIPPED = "SKIPPED";
    private static final String CORRECTED = "CORRECTED";
    private static final String VOIDED = "VOIDED";

    private final JsonMapper json;

    EntryMapping(JsonMapper json) {
        this.json = json;
    }

    /** What a done step holds beside its text. */
    record Detail(Set<String> confirmed, Map<String, BigDecimal> readings) {}

    /** Which reading stopped a sheet, if one did. */
    record Cause(@Nullable String reading) {}

    /** What a tick or a measurement is of. */
    record Item(String item, boolean on, @Nullable BigDecimal value) {}

    RunSheetRow.EntryPart toRow(Entry entry, @Nullable String key) {
        if (entry instanceof Entry.Done done) {
            return new RunSheetRow.EntryPart(
                    DONE,
                    done.stepId(),
                    json.writeValueAsString(new Detail(done.confirmed(), done.readings())),
                    done.note(),
                    done.who(),
                    done.when(),
                    key);
        } else if (entry instanceof Entry.Stopped stopped) {
            return new RunSheetRow.EntryPart(
                    STOPPED,
                    stopped.stepId(),
                    json.writeValueAsString(new Cause(stopped.reading().orElse(null))),
                    stopped.reason(),
                    stopped.who(),
                    stopped.when(),
                    key);
        } else if (entry instanceof Entry.Ticked tick) {
            return new RunSheetRow.EntryPart(
                    TICKED,
                    tick.stepId(),
                    json.writeValueAsString(new Item(tick.item(), tick.on(), null)),
                    "",
                    tick.who(),
                    tick.when(),
                    key);
        } else if (entry instanceof Entry.Measured value) {
            return new RunSheetRow.EntryPart(
                    MEASURED,
                    value.stepId(),
                    json.writeValueAsString(new Item(value.item(), true, value.value())),
                    "",
                    value.who(),
                    value.when(),
                    key);
        } else if (entry instanceof Entry.Skipped skip) {
            return new RunSheetRow.EntryPart(SKIPPED, skip.stepId(), "{}", skip.reason(), skip.who(), skip.when(), key);
        }
        if (entry instanceof Entry.Corrected corrected) {
            return new RunSheetRow.EntryPart(
                    CORRECTED,
                    corrected.stepId(),
                    json.writeValueAsString(new Item(corrected.item(), true, corrected.value())),
                    corrected.reason(),
                    corrected.who(),
                    corrected.when(),
                    key);
        } else if (entry instanceof Entry.Voided voided) {
            return new RunSheetRow.EntryPart(VOIDED, "", "{}", voided.reason(), voided.who(), voided.when(), key);
        }
        Entry.Resumed resumed = (Entry.Resumed) entry;
        return new RunSheetRow.EntryPart(RESUMED, "", "{}", resumed.reason(), resumed.who(), resumed.when(), key);
    }

    Entry toEntry(RunSheetRow.EntryPart row) {
        return switch (row.kind()) {
            case DONE -> {
                Detail detail = json.readValue(row.detail(), Detail.class);
                yield new Entry.Done(
                        row.stepId(), detail.confirmed(), detail.readings(), row.text(), row.who(), row.enteredAt());
            }
            case STOPPED ->
                new Entry.Stopped(
                        row.stepId(),
                        row.text(),
                        Optional.ofNullable(
                                json.readValue(row.detail(), Cause.class).reading()),
                        row.who(),
                        row.enteredAt());
            case VOIDED -> new Entry.Voided(row.text(), row.who(), row.enteredAt());
            case CORRECTED -> {
                Item item = json.readValue(row.detail(), Item.class);
                yield new Entry.Corrected(
                        row.stepId(),
                        item.item(),
                        Objects.requireNonNull(item.value()),
                        row.text(),
                        row.who(),
                        row.enteredAt());
            }
            case RESUMED -> new Entry.Resumed(row.text(), row.who(), row.enteredAt());
            case SKIPPED -> new Entry.Skipped(row.stepId(), row.text(), row.who(), row.enteredAt());
            case TICKED -> {
                Item item = json.readValue(row.detail(), Item.class);
                yield new Entry.Ticked(row.stepId(), item.item(), item.on(), row.who(), row.enteredAt());
            }
            case MEASURED -> {
                Item item = json.readValue(row.detail(), Item.class);
                yield new Entry.Measured(
                        row.stepId(), item.item(), Objects.requireNonNull(item.value()), row.who(), row.enteredAt());
            }
            default -> throw new IllegalStateException("Impossible state: an entry of kind " + row.kind());
        };
    }
}
