package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Circuits;
import org.junit.jupiter.api.Test;

/** Surveyed boxes as boards: boxes with several gangs have their cores shared out in every way that can be. */
class SurveyedBoardTest {

    private static Box twoGangs(boolean singles) {
        Circuits house = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .load("A", "LED 12", 2);
        if (singles) {
            house.cable(
                    "A",
                    new Leads.FromSupply(new org.hiddenclerk.core.job.CircuitId("4")),
                    Circuits.wire(Role.PERMANENT_LIVE, "1.COM"));
            house.cable(
                    "A",
                    new Leads.FromSupply(new org.hiddenclerk.core.job.CircuitId("4")),
                    Circuits.wire(Role.NEUTRAL, "j.n"));
            house.cable("A", new Leads.ToLoad(1), Circuits.wire(Role.SWITCHED_LIVE, "1.L1"));
            house.cable("A", new Leads.ToLoad(1), Circuits.wire(Role.NEUTRAL, "j.n"));
            house.cable("A", new Leads.ToLoad(2), Circuits.wire(Role.SWITCHED_LIVE, "2.L1"));
            house.cable("A", new Leads.ToLoad(2), Circuits.wire(Role.NEUTRAL, "j.n"));
        } else {
            house.feed("A", "4", "1.COM", "j.n");
            house.cable(
                    "A",
                    new Leads.ToLoad(1),
                    Circuits.wire(Role.SWITCHED_LIVE, "1.L1"),
                    Circuits.wire(Role.NEUTRAL, "j.n"),
                    Circuits.wire(Role.EARTH, "j.earth"));
            house.cable(
                    "A",
                    new Leads.ToLoad(2),
                    Circuits.wire(Role.SWITCHED_LIVE, "2.L1"),
                    Circuits.wire(Role.NEUTRAL, "j.n"),
                    Circuits.wire(Role.EARTH, "j.earth"));
        }
        return house.jumper("A", "1.COM", "2.COM").from("A").lead().box();
    }

    private static Traced trace(Box box, List<Reading.Answered> readings) {
        return Tracing.of(SurveyedBoard.of(Map.of("A", box)), RegionProfile.EU_230, readings);
    }

    @Test
    void gangsThatShareAFeedAndAJointOfNeutralsAreTraced() {
        Traced traced = trace(twoGangs(false), List.of());

        assertThat(traced.possible())
                .extracting(Traced.Possibility::topology)
                .containsOnly("ONE_WAY_FEED_AT_SWITCH+ONE_WAY_FEED_AT_SWITCH");
        assertThat(traced.possible()).as("only cores of cables are named").allSatisfy(p -> assertThat(p.roles())
                .hasSize(9));
        assertThat(traced.certain())
                .containsEntry("A/c1.1", ConductorRole.PERMANENT_LIVE)
                .containsEntry("A/c1.2", ConductorRole.NEUTRAL)
                .containsEntry("A/c3.1", ConductorRole.SWITCHED_LIVE);
    }

    @Test
    void singleCoresMayBelongToAnyGang() {
        SurveyedBoard board = SurveyedBoard.of(Map.of("A", twoGangs(true)));
        assertThat(board.boards().ways())
                .as("three neutrals in a joint, each of the left or of the right gang")
                .hasSize(8);

        Traced traced = trace(twoGangs(true), List.of());
        assertThat(traced.certain())
                .containsEntry("A/c3.1", ConductorRole.SWITCHED_LIVE)
                .containsEntry("A/c4.1", ConductorRole.NEUTRAL);
    }

    @Test
    void aBoxWithOneGangHasOneBoard() {
        Box one = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .feed("A", "4", "1.COM", "cap")
                .cable("A", new Leads.ToLoad(1), Circuits.wire(Role.SWITCHED_LIVE, "1.L1"))
                .from("A")
                .lead()
                .box();
        SurveyedBoard board = SurveyedBoard.of(Map.of("A", one));

        assertThat(board.boards().ways()).hasSize(1);
        assertThat(board.board().boxes()).extracting(OpenedBox::id).containsExactly("A");
        assertThat(board.obstacles()).isEmpty();
    }

    @Test
    void whatCannotBeTracedIsSaid() {
        Box dimmer = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.DIMMER, "4")
                .from("A")
                .lead()
                .box();
        Box junction = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.JUNCTION)
                .from("A")
                .lead()
                .box();

        assertThat(SurveyedBoard.of(Map.of("A", dimmer)).obstacles())
                .singleElement()
                .asString()
                .contains("dimmer");
        assertThat(SurveyedBoard.of(Map.of("A", junction)).obstacles())
                .singleElement()
                .asString()
                .contains("no switch");
    }

    /** Common practice, no source: a pen beeps at what floats, so a beep never excludes; silence at a live does not fit. */
    @Test
    void aPenOrdersAndNeverExcludes() {
        Box loop = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .cable(
                        "A",
                        new Leads.ToLoadWithFeed(1, new org.hiddenclerk.core.job.CircuitId("4")),
                        Circuits.wire(Role.PERMANENT_LIVE, "1.COM"),
                        Circuits.wire(Role.SWITCHED_LIVE, "1.L1"))
                .from("A")
                .lead()
                .box();
        SurveyedBoard board = SurveyedBoard.of(Map.of("A", loop));
        PenNote silent = new PenNote(new Reading.Live("A/c1.1", Map.of("A", 0)), false);
        Traced before = Tracing.of(board, RegionProfile.EU_230, List.of());
        Traced after = Tracing.of(board, RegionProfile.EU_230, List.of(), List.of(silent));

        assertThat(after.possible()).hasSameSizeAs(before.possible()).hasSize(2);
        assertThat(after.possible().get(0).roles()).containsEntry("A/c1.2", ConductorRole.PERMANENT_LIVE);
        assertThat(after.certain()).isEqualTo(before.certain());
    }
}
