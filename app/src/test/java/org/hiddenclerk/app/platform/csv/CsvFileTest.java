package org.hiddenclerk.app.platform.csv;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** RFC 4180, and what OWASP's page on CSV injection lists as beginnings of formulas. */
class CsvFileTest {
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+1+1", "-1+1", "@SUM(A1)", "\t=1", "\r=1", "-cmd|' /C calc'!A0"})
    void whatASpreadsheetWouldWorkOutIsOneAndIsWrittenAsWords(String cell) {
        assertThat(Cells.isFormula(cell)).isTrue();
        assertThat(Cells.written(cell)).isEqualTo("'" + cell);
        assertThat(Cells.isFormula(Cells.written(cell))).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "-5", "-5.25", "-5,25", "B-17", "3x2 LED 7", "a=b", "'quoted'"})
    void figuresAndWordsAreNone(String cell) {
        assertThat(Cells.isFormula(cell)).isFalse();
        assertThat(Cells.written(cell)).isEqualTo(cell);
    }

    @Test
    void whatIsWrittenIsReadAgain() {
        String text = CsvFile.of(
                List.of("label", "note", "amps"),
                List.of(List.of("B-1", "says \"on\", then\r\noff", 10), List.of("B-2", "", -5)));
        assertThat(text)
                .as("line ends and quotes as the standard has them")
                .startsWith("label,note,amps\r\nB-1,\"says \"\"on\"\", then\r\noff\",10\r\n");
        CsvFile read = CsvFile.read(text, List.of("label", "amps"), new CsvFile.Sent("", ""));
        assertThat(read.rows())
                .extracting(row ->
                        row.cell("label").orElseThrow() + " " + row.cell("amps").orElseThrow())
                .containsExactly("B-1 10", "B-2 -5");
        assertThat(read.rows().get(0).cell("note")).contains("says \"on\", then\r\noff");
        assertThat(read.rows().get(1).cell("note")).isEmpty();
        assertThat(read.rows().get(1).cell("no such column")).isEmpty();
        assertThat(read.rows())
                .allSatisfy(row -> assertThat(read.formulaIn(row)).isEmpty());
    }

    @Test
    void aFormulaLeavesAsWordsAndIsToldByItsColumn() {
        assertThat(CsvFile.of(List.of("label"), List.of(List.of("=2*3")))).isEqualTo("label\r\n'=2*3\r\n");
        CsvFile read = CsvFile.read("label,amps\nA,=2*3\n", List.of("label"), new CsvFile.Sent("", ""));
        assertThat(read.formulaIn(read.rows().get(0))).contains("amps");
    }
}
