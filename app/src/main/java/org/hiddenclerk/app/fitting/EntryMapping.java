package org.hiddenclerk.app.fitting;

import java.math.BigDecimal;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.fitting.Entry;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Between entries of the core and their rows. */
@Component
class EntryMapping {
    private static final String DONE = "DONE";
    private static final String STOPPED = "STOPPED";
    private static final String RESUMED = "RESUMED";

    private final JsonMapper json;

    EntryMapping(JsonMapper json) {
        this.json = json;
    }

    /** What a done step holds beside its text. */
    record Detail(Set<String> confirmed, Map<String, BigDecimal> readings) {
    }

    RunSheetRow.EntryPart toRow(Entry entry) {
        if (entry instanceof Entry.Done done) {
            return new RunSheetRow.EntryPart(DONE, done.stepId(),
                    json.writeValueAsString(new Detail(done.confirmed(), done.readings())), done.note(), done.who(),
                    done.when());
        }
        if (entry instanceof Entry.Stopped stopped) {
            return new RunSheetRow.EntryPart(STOPPED, stopped.stepId(), "{}", stopped.reason(), stopped.who(),
                    stopped.when());
        }
        Entry.Resumed resumed = (Entry.Resumed) entry;
        return new RunSheetRow.EntryPart(RESUMED, "", "{}", resumed.reason(), resumed.who(), resumed.when());
    }

    Entry toEntry(RunSheetRow.EntryPart row) {
        return switch (row.kind()) {
            case DONE -> {
                Detail detail = json.readValue(row.detail(), Detail.class);
                yield new Entry.Done(row.stepId(), detail.confirmed(), detail.readings(), row.text(), row.who(),
                        row.enteredAt());
            }
            case STOPPED -> new Entry.Stopped(row.stepId(), row.text(), row.who(), row.enteredAt());
            case RESUMED -> new Entry.Resumed(row.text(), row.who(), row.enteredAt());
            default -> throw new IllegalStateException("Impossible state: an entry of kind " + row.kind());
        };
    }
}
