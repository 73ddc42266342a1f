package org.hiddenclerk.core.ordering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.ordering.Need.Kind;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Papers;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Test;

class PickListTest {
    private static final WiringPlan PLAN = plan();

    private static WiringPlan plan() {
        Box box = Boxes.box()
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
        return WiringPlan.of(
                Boxes.house(),
                box,
                List.of(new Assignment(
                        Modules.withNeutral(1, 2, Modules.generous()), List.of(1), Map.of(), Optional.empty())));
    }

    @Test
    void oneSpareGoesWithEachTenBegun() {
        assertThat(modules(1)).isEqualTo("1+1");
        assertThat(modules(10)).isEqualTo("10+1");
        assertThat(modules(11)).isEqualTo("11+2");
    }

    private static Need.Thing module(String code) {
        return new Need.Thing(Kind.MODULE, code, code);
    }

    private static Map<String, String> spares(Map<Need.Thing, BigDecimal> takes, Trade trade) {
        return PickList.of(List.of(takes), trade).stream()
                .collect(Collectors.toMap(
                        need -> need.thing().key(), need -> need.spare().toPlainString()));
    }

    /** One spare was ordered of each of ten modules; a tenth of ten is one. */
    @Test
    void sparesAreAShareOfAllOfAKindAndOfWhatIsUsedMost() {
        Map<Need.Thing, BigDecimal> takes = Map.of(
                module("A"),
                BigDecimal.valueOf(5),
                module("B"),
                BigDecimal.valueOf(3),
                module("C"),
                BigDecimal.ONE,
                module("D"),
                BigDecimal.ONE);
        assertThat(spares(takes, Trade.USUAL)).isEqualTo(Map.of("A", "1", "B", "0", "C", "0", "D", "0"));
        Trade half =
                new Trade(Trade.USUAL.currency(), false, BigDecimal.ZERO, Optional.empty(), Map.of(Kind.MODULE, 50));
        // Five for 5, 3, 1 and 1: by pieces for each spare 5, 3, 2.5, 1.67 and 1.5.
        assertThat(spares(takes, half)).isEqualTo(Map.of("A", "3", "B", "2", "C", "0", "D", "0"));
        Trade none = new Trade(Trade.USUAL.currency(), false, BigDecimal.ZERO, Optional.empty(), Map.of());
        assertThat(spares(takes, none).values()).containsOnly("0");
    }

    private static String modules(int boxes) {
        Need need = byKind(boxes).get(Kind.MODULE).get(0);
        return need.needed() + "+" + need.spare();
    }

    private static Map<Kind, List<Need>> byKind(int boxes) {
        return PickList.of(Collections.nCopies(boxes, PLAN), RegionProfile.EU_230, Trade.USUAL).stream()
                .collect(Collectors.groupingBy(need -> need.thing().kind()));
    }

    /** Counted once more from the papers of one box. */
    @Test
    void wireIsCutFromThePapersWithATenthMore() {
        Papers papers = Papers.of(PLAN, PLAN.run().lead(), RegionProfile.EU_230);
        int millimetres =
                papers.pieces().stream().mapToInt(Papers.Piece::lengthMm).sum();
        assertThat(millimetres).isPositive();

        List<Need> wire = byKind(3).get(Kind.WIRE);

        BigDecimal needed = wire.stream().map(Need::needed).reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(needed)
                .isEqualByComparingTo(BigDecimal.valueOf(3L * millimetres).movePointLeft(3));
        assertThat(wire).allSatisfy(need -> {
            assertThat(need.total()).isGreaterThanOrEqualTo(need.needed().multiply(new BigDecimal("1.1")));
            assertThat(need.total().remainder(new BigDecimal("0.5"))).isEqualByComparingTo("0");
        });
    }

    @Test
    void connectorsAreThoseOfTheBoxes() {
        int here = PartsToAdd.of(PLAN).stream()
                .filter(item -> item.what().startsWith("connector"))
                .mapToInt(PartsToAdd.Item::count)
                .sum();
        BigDecimal counted = byKind(4).getOrDefault(Kind.CONNECTOR, List.of()).stream()
                .map(Need::needed)
                .reduce(BigDecimal.ZERO, BigDecimal::add);

        assertThat(counted).isEqualByComparingTo(BigDecimal.valueOf(4L * here));
    }

    @Test
    void withoutAPlanNothingIsTaken() {
        Box box = Boxes.box()
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();

        assertThat(PickList.of(List.of(WiringPlan.surveyed(Boxes.house(), box)), RegionProfile.EU_230, Trade.USUAL))
                .isEmpty();
    }
}
