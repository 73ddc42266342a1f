package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;

/**
 * Collects what the checks of one region see, row by row, and makes one finding of each code and subject. The sentence
 * is that of the worst row; where all rows are alike, that of the first.
 */
final class FindingLog {
    private final Region region;
    private final Map<Key, Entry> entries = new LinkedHashMap<>();

    private record Key(FindingCode code, String subject) {
    }

    private static final class Entry {
        private final List<Integer> rows = new ArrayList<>();
        private double worst = Double.NEGATIVE_INFINITY;
        private String reason = "";
        private List<Remedy> remedies = List.of();
    }

    FindingLog(Region region) {
        this.region = region;
    }

    /** Records that a row shows it. */
    void add(FindingCode code, String subject, int row, Supplier<String> reason, Remedy... remedies) {
        add(code, subject, row, 0, reason, remedies);
    }

    /** Records that a row shows it, and how badly. */
    void add(FindingCode code, String subject, int row, double badness, Supplier<String> reason, Remedy... remedies) {
        Entry entry = entries.computeIfAbsent(new Key(code, subject), k -> new Entry());
        if (entry.rows.isEmpty() || entry.rows.get(entry.rows.size() - 1) != row) {
            entry.rows.add(row);
        }
        if (badness > entry.worst) {
            entry.worst = badness;
            entry.reason = reason.get();
            entry.remedies = List.of(remedies);
        }
    }

    /** Records what concerns the table as a whole. */
    void addOverall(FindingCode code, String subject, String reason, Remedy... remedies) {
        Entry entry = entries.computeIfAbsent(new Key(code, subject), k -> new Entry());
        if (entry.reason.isEmpty()) {
            entry.reason = reason;
            entry.remedies = List.of(remedies);
        }
    }

    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        entries.forEach((key, entry) -> {
            List<Integer> rows = entry.rows.stream().distinct()
                    .sorted(Comparator.comparing((Integer row) -> Integer.bitCount(row))
                            .thenComparing(Comparator.naturalOrder()))
                    .limit(Finding.STATES_SHOWN).toList();
            Source source = key.code() == FindingCode.CONTACT_OVERLOAD || key.code() == FindingCode.RATING_UNKNOWN
                    || key.code() == FindingCode.BELOW_MINIMUM_LOAD ? Source.MAKER : Source.COMPUTED;
            findings.add(new Finding(key.code(), key.subject(), rows.stream().map(region::state).toList(),
                    entry.reason, entry.remedies, source));
        });
        return findings;
    }
}
