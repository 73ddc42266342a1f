package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Circuits;
import org.junit.jupiter.api.Test;

/** What was read speaks for the survey, against it, or says nothing. */
class FieldEvidenceTest {
    private static final Reading LIVE = new Reading.Live("A/c1.1", Map.of("A", 0));

    /** @param surveyed what the core to the lamp was taken for */
    private static SurveyedBoard board(Role surveyed) {
        Box box = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .feed("A", "4", "1.COM", "j.n")
                .cable("A", new Leads.ToLoad(1), Circuits.wire(surveyed, "1.L1"), Circuits.wire(Role.NEUTRAL, "j.n"))
                .from("A")
                .lead()
                .box();
        return SurveyedBoard.of(Map.of("A", box));
    }

    private static List<Finding> against(SurveyedBoard board, Reading.Answered... readings) {
        return FieldEvidence.of(board, List.of(readings), Tracing.of(board, RegionProfile.EU_230, List.of(readings)))
                .against();
    }

    @Test
    void whatAgreesSaysNothingAgainst() {
        assertThat(against(board(Role.SWITCHED_LIVE), new Reading.Answered(LIVE, true)))
                .isEmpty();
        assertThat(against(board(Role.PERMANENT_LIVE))).as("nothing was read").isEmpty();
    }

    @Test
    void aRoleThatIsSurveyedOtherwiseIsNamedWithBoth() {
        assertThat(against(board(Role.PERMANENT_LIVE), new Reading.Answered(LIVE, true)))
                .singleElement()
                .satisfies(finding -> {
                    assertThat(finding.code()).isEqualTo(FindingCode.READINGS_CONTRADICT);
                    assertThat(finding.severity()).isEqualTo(Severity.STOP);
                    assertThat(finding.reason())
                            .contains("is the switched live", "surveyed as permanent live")
                            .doesNotContain("A/c");
                });
    }

    @Test
    void readingsThatFitNoCircuitOrOneAnotherAreAgainst() {
        assertThat(against(
                        board(Role.SWITCHED_LIVE), new Reading.Answered(LIVE, true), new Reading.Answered(LIVE, false)))
                .extracting(Finding::code)
                .contains(FindingCode.READINGS_CONTRADICT);
    }

    @Test
    void continuityPairsEndsAndItsLackKeepsThemApart() {
        SurveyedBoard board = board(Role.SWITCHED_LIVE);
        Reading pair = new Reading.Continuous("A/c1.2", "A/c2.2");
        FieldEvidence.Ends ends = new FieldEvidence.Ends("A/c2.2", "A/c1.2");

        assertThat(evidence(board, new Reading.Answered(pair, true)).paired())
                .as("in either order")
                .containsExactly(ends);
        assertThat(evidence(board, new Reading.Answered(pair, false)).apart()).containsExactly(ends);
    }

    @Test
    void whatWasNotComparedHolds() {
        assertThat(FieldEvidence.notCompared().against())
                .extracting(Finding::severity)
                .containsExactly(Severity.HOLD);
    }

    private static FieldEvidence evidence(SurveyedBoard board, Reading.Answered reading) {
        return FieldEvidence.of(board, List.of(reading), Tracing.of(board, RegionProfile.EU_230, List.of(reading)));
    }
}
