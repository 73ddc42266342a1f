package org.hiddenclerk.core.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.hiddenclerk.core.handover.BoxReady.Work;
import org.hiddenclerk.core.handover.HandoverRecord.Count;
import org.hiddenclerk.core.job.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What keeps a house from its final papers. */
class BoxReadyTest {
    private static List<BoxReady.Block> blocks(Work work, Count tests) {
        return BoxReady.blocks(List.of(new BoxReady("b1", "B-01", tests, work)), true);
    }

    @Test
    void aBoxThatIsWorkedAndTestedKeepsNothingBack() {
        assertThat(blocks(Work.FINISHED, new Count(0, 4, 0, 0))).isEmpty();
        assertThat(blocks(Work.NONE_PICKED, new Count(0, 0, 0, 0))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "NOT_ISSUED, DRAW, no plan is issued",
        "ISSUED_BEFORE_A_CHANGE, DRAW, the plan was issued before the last change",
        "NOT_FINISHED, FIT, the run sheet is not finished"
    })
    void unfinishedWorkIsNamedWithTheStageThatEndsIt(Work work, Stage stage, String words) {
        assertThat(blocks(work, new Count(0, 1, 0, 0))).singleElement().satisfies(block -> {
            assertThat(block.stage()).isEqualTo(stage);
            assertThat(block.words()).isEqualTo("B-01: " + words);
            assertThat(block.box()).contains("b1");
        });
    }

    @ParameterizedTest
    @EnumSource(Work.class)
    void testsThatAreNotPassedAreCountedBesideTheWork(Work work) {
        assertThat(blocks(work, new Count(3, 2, 1, 4))).first().satisfies(block -> {
            assertThat(block.stage()).isEqualTo(Stage.HAND_OVER);
            assertThat(block.words()).isEqualTo("B-01: of 10 tests 1 failed, 4 to be made again, 3 not made");
        });
    }

    @Test
    void aHouseWithoutAModuleHasNothingToHandOver() {
        assertThat(BoxReady.blocks(List.of(), false))
                .extracting(BoxReady.Block::words)
                .containsExactly("No module is planned in this house yet");
    }

    @Test
    void progressIsThatOfTheTests() {
        assertThat(new Count(2, 0, 0, 0).progress()).isEqualTo(Stage.Progress.OPEN);
        assertThat(new Count(1, 1, 0, 0).progress()).isEqualTo(Stage.Progress.BEGUN);
        assertThat(new Count(0, 2, 0, 0).progress()).isEqualTo(Stage.Progress.DONE);
        assertThat(new Count(0, 2, 0, 1).progress()).isEqualTo(Stage.Progress.REOPENED);
    }
}
