package org.hiddenclerk.app.importing;

import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;

/** A table of comma- or semicolon-separated values with names of columns in its first line. */
final class CsvTable {
    private static final int MOST_ROWS = 2_000;

    private final List<CSVRecord> records;
    private final List<String> names;

    private CsvTable(List<CSVRecord> records, List<String> names) {
        this.names = names;
        this.records = records;
    }

    /** A row that is not taken, with the first place that stands against it. */
    record RowNotTaken(long row, String column, String found, String expected) {
    }

    /** What became of a table, or would: with a row that is not taken none is. */
    record ImportReport(int taken, List<RowNotTaken> notTaken, boolean applied) {
    }

    /**
     * Reads a table.
     *
     * @throws Unusable when a column that is needed is missing, or the table is too long or no table
     */
    static CsvTable read(String text, List<String> needed) {
        if (text.indexOf('\uFFFD') >= 0 || text.indexOf('\0') >= 0) {
            throw Unusable.content("The table cannot be taken", new FieldProblem("/csv", "letters that could not be read", "a file in UTF-8; save it anew with that encoding"));
        }
        String first = text.lines().findFirst().orElse("");
        char separator = first.chars().filter(c -> c == ';').count() > first.chars().filter(c -> c == ',').count() ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180.builder().setDelimiter(separator).setHeader().setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true).setIgnoreEmptyLines(true).setTrim(true).get();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            for (String column : needed) {
                if (parser.getHeaderNames().stream().noneMatch(column::equalsIgnoreCase)) {
                    throw Unusable.content("The table cannot be taken", new FieldProblem("/csv", "no column " + column,
                            "the columns " + String.join(", ", needed)));
                }
            }
            List<CSVRecord> records = parser.getRecords();
            if (records.size() > MOST_ROWS) {
                throw Unusable.content("The table cannot be taken", new FieldProblem("/csv", records.size() + " rows",
                        "at most " + MOST_ROWS + " rows"));
            }
            return new CsvTable(records, parser.getHeaderNames());
        } catch (IOException | IllegalArgumentException | java.io.UncheckedIOException e) {
            throw Unusable.content("The table cannot be taken", new FieldProblem("/csv", String.valueOf(e.getMessage()),
                    "comma-separated values with names of columns in the first line (RFC 4180)"));
        }
    }

    /** Tries row after row; one that cannot be taken is reported, and the others are tried all the same. */
    ImportReport take(Consumer<Row> taking) {
        List<RowNotTaken> notTaken = new ArrayList<>();
        for (CSVRecord row : records) {
            try {
                requireNoFormula(new Row(row));
                taking.accept(new Row(row));
            } catch (NotTaken e) {
                notTaken.add(e.where);
            }
        }
        return new ImportReport(records.size() - notTaken.size(), notTaken, false);
    }

    /** A cell that a spreadsheet would work out. */
    private void requireNoFormula(Row row) {
        for (String column : names) {
            if (row.optional(column).filter(Cells::isFormula).isPresent()) {
                throw row.wrong(column, "words or figures, nothing that a spreadsheet works out");
            }
        }
    }

    /** One row. */
    static final class Row {
        private final CSVRecord values;

        private Row(CSVRecord values) {
            this.values = values;
        }

        Optional<String> optional(String column) {
            return values.isSet(column) && !values.get(column).isBlank() ? Optional.of(values.get(column)) : Optional.empty();
        }

        String text(String column) {
            return optional(column).orElseThrow(() -> wrong(column, "something"));
        }

        BigDecimal number(String column) {
            try {
                return new BigDecimal(text(column).replace(',', '.'));
            } catch (NumberFormatException e) {
                throw wrong(column, "a number");
            }
        }

        boolean yes(String column) {
            String word = optional(column).orElse("no").toLowerCase(Locale.ROOT);
            if (!List.of("yes", "no", "true", "false", "1", "0").contains(word)) {
                throw wrong(column, "yes or no");
            }
            return List.of("yes", "true", "1").contains(word);
        }

        <T extends Enum<T>> T oneOf(String column, Class<T> type, T usual) {
            Optional<String> word = optional(column).map(w -> w.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'));
            if (word.isEmpty()) {
                return usual;
            }
            for (T value : type.getEnumConstants()) {
                if (value.name().equals(word.get())) {
                    return value;
                }
            }
            List<String> names = new ArrayList<>();
            for (T value : type.getEnumConstants()) {
                names.add(value.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            }
            throw wrong(column, "one of " + String.join(", ", names));
        }

        NotTaken wrong(String column, String expected) {
            return new NotTaken(new RowNotTaken(values.getRecordNumber() + 1, column, optional(column).orElse("nothing"), expected));
        }
    }

    /** A row that cannot be taken. */
    static final class NotTaken extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final transient RowNotTaken where;

        private NotTaken(RowNotTaken where) {
            super(where.expected(), null, false, false);
            this.where = where;
        }
    }
}
