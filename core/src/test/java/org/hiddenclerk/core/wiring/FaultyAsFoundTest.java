package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Test;

/** Nothing is built on a wiring that is dangerous as it was found. Facts of the trade, common practice, no source. */
class FaultyAsFoundTest {
    private static final Box SOUND = Boxes.box()
            .gang("4", "LED 13")
            .feed("4", common(1))
            .lamp(1, throwOf(1), "4")
            .build();

    @Test
    void aSoundBoxIsBuiltOn() {
        assertThat(plan(SOUND).verdict()).isEqualTo(Verdict.OK);
    }

    @Test
    void aBorrowedNeutralIsInTheWay() {
        Box box = Boxes.box()
                .gang("4", "LED 13")
                .gang("6", "LED 13")
                .feed("4", common(1))
                .feed("6", common(2))
                .lamp(1, throwOf(1), "6")
                .lamp(2, throwOf(2), "6")
                .build();
        isRefused(box, FindingCode.BORROWED_NEUTRAL);
    }

    @Test
    void aSwitchedNeutralIsInTheWay() {
        Cable feed = with(
                SOUND.cables().get(0),
                core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, new End.InConnector("live")),
                core(2, CoreColour.BLUE, Role.NEUTRAL, common(1)));
        Cable lamp = with(
                SOUND.cables().get(1),
                core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, new End.InConnector("live")),
                core(2, CoreColour.BLUE, Role.NEUTRAL, throwOf(1)));
        isRefused(withCables(List.of(feed, lamp)), FindingCode.NEUTRAL_SWITCHED);
    }

    @Test
    void aLiveEndHangingFreeIsInTheWay() {
        List<Cable> cables = new ArrayList<>(SOUND.cables());
        cables.add(new Cable(
                "c3",
                SOUND.cables().get(0).leads(),
                new BigDecimal("1.5"),
                List.of(core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, new End.Loose()))));
        isRefused(withCables(cables), FindingCode.LIVE_END_OPEN);
    }

    @Test
    void aLiveEndThatIsCappedIsNot() {
        List<Cable> cables = new ArrayList<>(SOUND.cables());
        cables.add(new Cable(
                "c3",
                SOUND.cables().get(0).leads(),
                new BigDecimal("1.5"),
                List.of(core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, new End.Capped()))));
        assertThat(plan(withCables(cables)).planned()).isPresent();
    }

    private static void isRefused(Box box, FindingCode code) {
        WiringPlan found = WiringPlan.surveyed(Boxes.house(), box);
        assertThat(found.findings()).as("as found").extracting(f -> f.code()).contains(code);

        WiringPlan plan = plan(box);
        assertThat(plan.planned()).isEmpty();
        assertThat(plan.verdict()).isNotEqualTo(Verdict.OK);
        assertThat(plan.findings()).as("of the plan").extracting(f -> f.code()).contains(code);
    }

    private static WiringPlan plan(Box box) {
        return WiringPlan.of(
                Boxes.house(),
                box,
                List.of(new Assignment(
                        Modules.withNeutral(1, 2, Modules.usualRatings()), List.of(1), Map.of(), Optional.empty())));
    }

    private static Box withCables(List<Cable> cables) {
        return new Box(
                SOUND.label(), SOUND.kind(), SOUND.geometry(), SOUND.gangs(), SOUND.loads(), cables, SOUND.jumpers());
    }

    private static Cable with(Cable cable, Core... cores) {
        return new Cable(cable.name(), cable.leads(), cable.mm2(), List.of(cores));
    }

    private static Core core(int number, CoreColour colour, Role role, End end) {
        return new Core(number, colour, Optional.empty(), role, end);
    }
}
