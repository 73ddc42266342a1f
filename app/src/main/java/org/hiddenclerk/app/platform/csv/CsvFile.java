package org.hiddenclerk.app.platform.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;

/** Comma- or semicolon-separated values (RFC 4180) with names of columns in the first line, in UTF-8. */
public final class CsvFile {
    /** Rows that are taken at once. */
    public static final int MOST_ROWS = 2_000;

    private final List<String> names;
    private final List<CSVRecord> records;

    private CsvFile(List<String> names, List<CSVRecord> records) {
        this.names = names;
        this.records = records;
    }

    /**
     * Where a file came from, for what is said when it cannot be taken.
     *
     * @param title   what cannot be done
     * @param pointer JSON pointer to the field that holds it; empty for the whole body
     */
    public record Sent(String title, String pointer) {
        private ProblemException refused(String found, String expected) {
            return ProblemException.content(title, new FieldProblem(pointer, found, expected));
        }
    }

    /** One line below the names. */
    public record Row(CSVRecord values) {
        /** Its number, from 1. */
        public long number() {
            return values.getRecordNumber();
        }

        /** Its number as a spreadsheet counts, the names being row 1. */
        public long line() {
            return number() + 1;
        }

        /** What a cell says, without spaces around it; empty for a blank one and for a column that is not there. */
        public Optional<String> cell(String column) {
            return values.isMapped(column) && values.isSet(column)
                    ? Optional.of(values.get(column).strip()).filter(cell -> !cell.isEmpty())
                    : Optional.empty();
        }
    }

    /**
     * Reads a file.
     *
     * @param needed columns that must be there
     * @throws ProblemException when a needed column is missing, or it is too long, no such file, or not in UTF-8
     */
    public static CsvFile read(String text, List<String> needed, Sent from) {
        if (text.indexOf('\uFFFD') >= 0 || text.indexOf('\0') >= 0) {
            throw from.refused("letters that could not be read", "a file in UTF-8; save it again with that encoding");
        }
        String first = text.lines().findFirst().orElse("");
        char separator = first.chars().filter(c -> c == ';').count()
                        > first.chars().filter(c -> c == ',').count()
                ? ';'
                : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            for (String column : needed) {
                if (parser.getHeaderNames().stream().noneMatch(column::equalsIgnoreCase)) {
                    throw from.refused("no column " + column, "the columns " + String.join(", ", needed));
                }
            }
            List<CSVRecord> records = parser.getRecords();
            if (records.size() > MOST_ROWS) {
                throw from.refused(records.size() + " rows", "at most " + MOST_ROWS + " rows");
            }
            return new CsvFile(List.copyOf(parser.getHeaderNames()), records);
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            throw from.refused(
                    String.valueOf(e.getMessage()),
                    "comma-separated values with names of columns in the first line (RFC 4180)");
        }
    }

    public List<Row> rows() {
        return records.stream().map(Row::new).toList();
    }

    /** The first column of a row whose cell a spreadsheet would work out. */
    public Optional<String> formulaIn(Row row) {
        return names.stream()
                .filter(name -> row.cell(name).filter(Cells::isFormula).isPresent())
                .findFirst();
    }

    /** A file of these rows; text that a spreadsheet would take for a formula is led by an apostrophe. */
    public static String of(List<String> names, List<List<Object>> rows) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(names);
            for (List<Object> row : rows) {
                printer.printRecord(row.stream().map(cell -> cell instanceof Number ? cell : Cells.written(cell)));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }
}
