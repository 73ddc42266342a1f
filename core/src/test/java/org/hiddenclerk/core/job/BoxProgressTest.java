package org.hiddenclerk.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.BoxProgress.Issued;
import org.hiddenclerk.core.job.BoxProgress.Readings;
import org.hiddenclerk.core.job.BoxProgress.Sheet;
import org.hiddenclerk.core.job.Stage.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** How far each stage of a box is, and what opens it again. */
class BoxProgressTest {
    private static BoxProgress box(Readings readings, Issued issued, Sheet sheet) {
        return new BoxProgress(true, true, true, readings, issued, sheet);
    }

    @Test
    void aBoxThatIsWorkedAndSoundIsDoneThroughout() {
        assertThat(box(Readings.CERTAIN, Issued.CURRENT, Sheet.FINISHED).stages())
                .isEqualTo(Map.of(
                        Stage.SURVEY,
                        Progress.DONE,
                        Stage.TRACE,
                        Progress.DONE,
                        Stage.MATCH,
                        Progress.DONE,
                        Stage.DRAW,
                        Progress.DONE,
                        Stage.FIT,
                        Progress.DONE));
    }

    @Test
    void aBoxThatNobodyPickedAnythingForWaits() {
        assertThat(new BoxProgress(false, false, false, Readings.UNREAD, Issued.NONE, Sheet.NONE).stages())
                .isEqualTo(Map.of(
                        Stage.SURVEY,
                        Progress.BEGUN,
                        Stage.TRACE,
                        Progress.OPEN,
                        Stage.MATCH,
                        Progress.OPEN,
                        Stage.DRAW,
                        Progress.OPEN,
                        Stage.FIT,
                        Progress.OPEN));
    }

    @ParameterizedTest
    @CsvSource({
        "NONE, NONE, BEGUN, OPEN",
        "CURRENT, NONE, DONE, OPEN",
        "CURRENT, OPEN, DONE, BEGUN",
        "CURRENT, OF_ANOTHER_PLAN, DONE, REOPENED",
        "BEFORE_A_CHANGE, NONE, REOPENED, OPEN",
        "BEFORE_A_CHANGE, OPEN, REOPENED, REOPENED",
        "BEFORE_A_CHANGE, FINISHED, REOPENED, REOPENED"
    })
    void aChangeOpensThePlanAndWhateverWasWorkedByIt(Issued issued, Sheet sheet, Progress draw, Progress fit) {
        Map<Stage, Progress> stages = box(Readings.UNREAD, issued, sheet).stages();
        assertThat(stages.get(Stage.DRAW)).isEqualTo(draw);
        assertThat(stages.get(Stage.FIT)).isEqualTo(fit);
    }

    /** @return every standing of plan and sheet */
    static Stream<BoxProgress> contradicted() {
        return Arrays.stream(Issued.values()).flatMap(issued -> Arrays.stream(Sheet.values())
                .map(sheet -> box(Readings.CONTRADICTORY, issued, sheet)));
    }

    @ParameterizedTest
    @MethodSource("contradicted")
    void nothingBuiltOnReadingsThatContradictEachOtherStaysDone(BoxProgress box) {
        Map<Stage, Progress> stages = box.stages();
        stages.remove(Stage.SURVEY);
        assertThat(stages.values()).isSubsetOf(Progress.REOPENED, Progress.OPEN);
        assertThat(stages.get(Stage.MATCH)).isEqualTo(Progress.REOPENED);
    }
}
