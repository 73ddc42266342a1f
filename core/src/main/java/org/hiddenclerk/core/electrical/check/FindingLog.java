package org.hiddenclerk.core.electrical.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;

/**
 * Collects what the checks of one region see, row by row, and makes one finding of each code and subject. The sentence
 * is that of the worst row; where all rows are alike, that of the first. The gravest severity stands.
 */
public final class FindingLog {
    private final Region region;
    private final Map<Finding.Key, Entry> entries = new LinkedHashMap<>();

    private static final class Entry {
        private final List<Integer> rows = new ArrayList<>();
        private double worst = Double.NEGATIVE_INFINITY;
        private Severity severity = Severity.NOTE;
        private Sentence sentence = Sentence.of("");
        private List<Remedy> remedies = List.of();
        private Source source = Source.COMPUTED;
    }

    public FindingLog(Region region) {
        this.region = region;
    }

    /** Records that a row shows it. */
    void add(FindingCode code, Subject subject, int row, Supplier<Sentence> sentence, Remedy... remedies) {
        add(code, subject, row, 0, sentence, remedies);
    }

    /** Records that a row shows it, and how badly. */
    void add(
            FindingCode code,
            Subject subject,
            int row,
            double badness,
            Supplier<Sentence> sentence,
            Remedy... remedies) {
        add(code, code.severity(), subject, row, badness, sentence, sourceOf(code), remedies);
    }

    /** Records that a row shows it, how badly, and how grave it is here. */
    void add(
            FindingCode code,
            Severity severity,
            Subject subject,
            int row,
            double badness,
            Supplier<Sentence> sentence,
            Source source,
            Remedy... remedies) {
        Entry entry = entry(code, subject);
        if (entry.rows.isEmpty() || entry.rows.get(entry.rows.size() - 1) != row) {
            entry.rows.add(row);
        }
        boolean graver = severity.compareTo(entry.severity) < 0;
        if (graver || severity == entry.severity && badness > entry.worst) {
            entry.worst = badness;
            entry.severity = severity;
            entry.sentence = sentence.get();
            entry.remedies = List.of(remedies);
            entry.source = source;
        }
    }

    /** Records what concerns the table as a whole. */
    void addOverall(FindingCode code, Subject subject, Sentence sentence, Remedy... remedies) {
        Entry entry = entry(code, subject);
        if (entry.sentence.words().isEmpty()) {
            entry.severity = code.severity();
            entry.sentence = sentence;
            entry.remedies = List.of(remedies);
            entry.source = sourceOf(code);
        }
    }

    private Entry entry(FindingCode code, Subject subject) {
        return entries.computeIfAbsent(new Finding.Key(code, subject), k -> new Entry());
    }

    private static Source sourceOf(FindingCode code) {
        return code == FindingCode.CONTACT_OVERLOAD
                        || code == FindingCode.RATING_UNKNOWN
                        || code == FindingCode.BELOW_MINIMUM_LOAD
                ? Source.MAKER
                : Source.COMPUTED;
    }

    public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        entries.forEach((key, entry) -> {
            List<Integer> rows = entry.rows.stream()
                    .distinct()
                    .sorted(Comparator.comparing((Integer row) -> Integer.bitCount(row))
                            .thenComparing(Comparator.naturalOrder()))
                    .limit(Finding.STATES_SHOWN)
                    .toList();
            findings.add(new Finding(
                    key.code(),
                    entry.severity,
                    key.subject(),
                    rows.stream().map(region::state).toList(),
                    entry.sentence,
                    entry.remedies,
                    entry.source));
        });
        return findings;
    }
}
