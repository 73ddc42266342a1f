package org.hiddenclerk.app.job.importing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tables from hands that nobody knows (RFC 4180). */
class CsvTableTest {
    private static List<String> labels(String text) {
        List<String> labels = new ArrayList<>();
        CsvTable.read(text, List.of("label")).take(row -> labels.add(row.text("label")));
        return labels;
    }

    @Test
    void quotesCommasAndLineEndsAreReadAsTheStandardSays() {
        assertThat(labels("label,x\r\n\"a, b\",1\r\n\"say \"\"on\"\"\",2\r\n\"two\r\nlines\",3\r\n"))
                .containsExactly("a, b", "say \"on\"", "two\r\nlines");
        assertThat(labels("LABEL;x\n a ;1\n\nb;2\n"))
                .as("semicolons, other letters, an empty line")
                .containsExactly("a", "b");
    }

    @Test
    void aRowThatIsNotTakenIsToldByItsLineAndTheOthersAreTriedAllTheSame() {
        CsvTable.ImportReport report = CsvTable.read(
                        "label,amps,on,kind\nA,10,yes,one-way\nB,ten,no,\n,6,no,\nC,6,perhaps,\nD,6,no,sideways\nE,=2*3,no,\n",
                        List.of("label"))
                .take(row -> {
                    row.text("label");
                    row.number("amps");
                    row.yes("on");
                    row.oneOf("kind", Mechanism.class, Mechanism.ONE_WAY);
                });
        assertThat(report.taken()).isEqualTo(1);
        assertThat(report.notTaken().stream().map(row -> row.row() + " " + row.column() + " " + row.found()))
                .containsExactly("3 amps ten", "4 label nothing", "5 on perhaps", "6 kind sideways", "7 amps =2*3");
        assertThat(report.applied()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {"name,x | no column label", "label,\uFFFD | letters that could not be read"})
    void whatIsNoSuchTableIsRefusedAsAWhole(String text, String found) {
        assertThatThrownBy(() -> CsvTable.read(text, List.of("label")))
                .isInstanceOfSatisfying(
                        ProblemException.class,
                        refused -> assertThat(refused.errors().get(0).found()).isEqualTo(found));
    }

    @Test
    void aTableHasItsEnd() {
        String rows = IntStream.range(0, 2_001).mapToObj(i -> "B-" + i).collect(Collectors.joining("\n"));
        assertThatThrownBy(() -> labels("label\n" + rows)).isInstanceOf(ProblemException.class);
        assertThatThrownBy(() -> labels("label\n\"never closed")).isInstanceOf(ProblemException.class);
    }
}
