package org.hiddenclerk.app.job.importing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.app.platform.csv.CsvFile;
import org.hiddenclerk.app.platform.problem.ProblemException;

/** A table that somebody sent, taken row by row. */
final class CsvTable {
    private static final CsvFile.Sent SENT = new CsvFile.Sent("The table cannot be taken", "/csv");

    private final CsvFile file;

    private CsvTable(CsvFile file) {
        this.file = file;
    }

    /** A row that is not taken, with the first place that stands against it. */
    record RowNotTaken(long row, String column, String found, String expected) {}

    /** What became of a table, or would: with a row that is not taken none is. */
    record ImportReport(int taken, List<RowNotTaken> notTaken, boolean applied) {}

    /**
     * Reads a table.
     *
     * @throws ProblemException when a column that is needed is missing, or the table is too long or no table
     */
    static CsvTable read(String text, List<String> needed) {
        return new CsvTable(CsvFile.read(text, needed, SENT));
    }

    /** Tries row after row; one that cannot be taken is reported, and the others are tried all the same. */
    ImportReport take(Consumer<Row> taking) {
        List<RowNotTaken> notTaken = new ArrayList<>();
        List<CsvFile.Row> rows = file.rows();
        for (CsvFile.Row row : rows) {
            try {
                requireNoFormula(row);
                taking.accept(new Row(row));
            } catch (NotTaken e) {
                notTaken.add(e.where);
            }
        }
        return new ImportReport(rows.size() - notTaken.size(), notTaken, false);
    }

    private void requireNoFormula(CsvFile.Row row) {
        file.formulaIn(row).ifPresent(column -> {
            throw new Row(row).wrong(column, "words or figures, nothing that a spreadsheet works out");
        });
    }

    /** One row. */
    static final class Row {
        private final CsvFile.Row values;

        private Row(CsvFile.Row values) {
            this.values = values;
        }

        Optional<String> optional(String column) {
            return values.cell(column);
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
            Optional<String> word = optional(column)
                    .map(w -> w.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'));
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
            return new NotTaken(
                    new RowNotTaken(values.line(), column, optional(column).orElse("nothing"), expected));
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
