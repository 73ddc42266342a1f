package org.hiddenclerk.core.matching.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Test;

/** Room for wires and connectors against sums by hand, and what a spacer mends. All constants are common practice, no source. */
class RoomInBoxTest {
    private static final ModuleModel MODEL = Modules.withNeutral(1, 2, Modules.usualRatings());

    private static Box box(int depthMm) {
        return Boxes.box()
                .depth(depthMm)
                .gang("4", "LED 9")
                .feed("4", Boxes.common(1))
                .lamp(1, Boxes.throwOf(1), "4")
                .build();
    }

    private static double wires(Box box, List<Integer> connectors) {
        return RoomInBox.of(box, List.of(MODEL), RegionProfile.EU_230, connectors).margins().stream()
                .filter(m -> m.what().startsWith("wires"))
                .map(Margin::found)
                .mapToDouble(BigDecimal::doubleValue)
                .sum();
    }

    /** A core of 1.5 mm² is 2·√(1.5/π) + 1.5 = 2.882 mm across its insulation: 6.52 mm² over 150 mm, twice, is 1.96 cm³. */
    @Test
    void everyCoreTakesItsVolumeTwice() {
        Box box = box(66);
        double sum = box.cables().stream()
                .mapToDouble(cable -> cable.cores().size() * volume(cable.mm2().doubleValue()))
                .sum();
        assertThat(volume(1.5)).isCloseTo(1.96, within(0.01));
        assertThat(wires(box, List.of())).isCloseTo(sum, within(0.06));
    }

    private static double volume(double mm2) {
        double across = 2 * Math.sqrt(mm2 / Math.PI) + 1.5;
        return Math.PI / 4 * across * across * 150 * 2 / 1000;
    }

    @Test
    void aConnectorTakesThreeQuartersOfACubicCentimetreForEachConductor() {
        Box box = box(66);
        assertThat(wires(box, List.of(3, 5)) - wires(box, List.of())).isCloseTo(6.0, within(0.11));
    }

    @Test
    void aSpacerMakesTheBoxDeeperInPlanPartsAndVerdict() {
        Box shallow = box(40);
        Assignment plain = new Assignment(MODEL, List.of(1), Map.of(), Optional.empty());
        List<FindingCode> before = codes(shallow, plain);
        List<FindingCode> after = codes(shallow, plain.on(Millimetres.of(10)));
        assertThat(before).contains(FindingCode.BOX_TOO_SHALLOW);
        assertThat(after).doesNotContain(FindingCode.BOX_TOO_SHALLOW);

        WiringPlan plan = WiringPlan.of(Boxes.house(), shallow, List.of(plain.on(Millimetres.of(10))));
        assertThat(PartsToAdd.of(plan))
                .extracting(PartsToAdd.Item::what)
                .anyMatch(what -> what.startsWith("spacer of 10"));
        assertThat(plan.before().box().geometry().orElseThrow().depth()).isEqualTo(Millimetres.of(40));
        assertThat(plan.after().orElseThrow().box().geometry().orElseThrow().depth())
                .isEqualTo(Millimetres.of(50));
    }

    private static List<FindingCode> codes(Box box, Assignment assignment) {
        return new ArrayList<>(PlanJudgement.of(Boxes.house(), box, List.of(assignment)).findings().stream()
                .map(f -> f.code())
                .toList());
    }
}
