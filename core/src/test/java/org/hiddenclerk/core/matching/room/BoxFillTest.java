package org.hiddenclerk.core.matching.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.BoxFill.Contents;
import org.hiddenclerk.core.matching.room.BoxFill.Course;
import org.hiddenclerk.core.matching.room.BoxFill.Edition;
import org.hiddenclerk.core.matching.room.BoxFill.Wire;
import org.hiddenclerk.core.quantity.Millimetres;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** NEC 314.16(B) with the allowances of Table 314.16(B)(1), from memory; totals by hand from the rules. */
class BoxFillTest {
    private static final BigDecimal MODULE = BoxFill.volume(new BigDecimal(42), new BigDecimal(37), new BigDecimal(16));

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        // id, box in3, 14 AWG, 12 AWG, looped 12 AWG, earths, earth AWG, clamps, studs, yokes on 14, yokes on 12,
        // edition, total, modules, spare
        "BF-1,12.5,2,0,0,1,14,true,0,1,0,SINCE_2020,12,0,0.500",
        "BF-2,12.5,2,0,0,1,14,true,0,1,0,SINCE_2020,12,1,-1.017",
        "BF-3,18.0,4,0,0,2,14,false,0,1,0,SINCE_2020,14,1,2.483",
        "BF-4,20.3,0,5,0,2,12,true,0,0,1,SINCE_2020,20.25,0,0.050",
        "BF-5,30.3,6,4,0,5,12,true,0,1,0,SINCE_2020,30.0625,0,0.238",
        "BF-6,30.3,6,4,0,5,12,true,0,1,0,UNTIL_2017,29.5,0,0.800",
        "BF-7,34.0,7,0,0,3,14,false,0,2,0,SINCE_2020,24,2,6.965",
        "BF-8,15.5,4,0,0,2,14,true,1,0,0,SINCE_2020,14,0,1.500",
        "BF-9,14.0,4,0,0,4,14,false,0,1,0,SINCE_2020,14,0,0.000",
        "BF-10,21.0,0,4,1,6,12,false,0,0,0,SINCE_2020,16.875,0,4.125"
    })
    void workedTotals(
            String id,
            BigDecimal box,
            int fourteens,
            int twelves,
            int looped,
            int earths,
            int earthAwg,
            boolean clamps,
            int studs,
            int yokes14,
            int yokes12,
            Edition edition,
            BigDecimal total,
            int modules,
            BigDecimal spare) {
        List<Wire> wires = new ArrayList<>(Collections.nCopies(fourteens, new Wire(14, Course.ONCE)));
        wires.addAll(Collections.nCopies(twelves, new Wire(12, Course.ONCE)));
        wires.addAll(Collections.nCopies(looped, new Wire(12, Course.LOOPED)));
        List<Integer> yokes = new ArrayList<>(Collections.nCopies(yokes14, 14));
        yokes.addAll(Collections.nCopies(yokes12, 12));

        BigDecimal needed = BoxFill.needed(
                new Contents(wires, Collections.nCopies(earths, earthAwg), clamps, studs, yokes), edition);

        assertThat(needed).as(id).isEqualByComparingTo(total);
        assertThat(box.subtract(needed).subtract(MODULE.multiply(BigDecimal.valueOf(modules))))
                .as(id + " spare")
                .isCloseTo(spare, within(new BigDecimal("0.0015")));
    }

    @Test
    void aModuleCountsWithItsOuterVolume() {
        assertThat(MODULE).isEqualByComparingTo("1.517");
    }

    @Test
    void fourGaugeIsRefusedNotGuessed() {
        Contents thick = new Contents(List.of(new Wire(4, Course.ONCE)), List.of(), false, 0, List.of());

        assertThatThrownBy(() -> BoxFill.needed(thick, Edition.SINCE_2020)).hasMessageContaining("314.28");
    }

    /** A square of 5 in, 2.5 in deep, holds 62.5 in3; the round box in it pi/4 of that. It was counted as the square. */
    @Test
    void aRoundBoxHoldsLessThanItsSquare() {
        Millimetres five = Millimetres.of(127);

        assertThat(BoxFill.roundVolume(new BoxGeometry(
                        five, five, Millimetres.of(new BigDecimal("63.5")), false, Optional.empty(), true)))
                .isEqualByComparingTo("49.087");
    }

    /** NEC 314.16(B)(3): each kind of support fitting takes one volume of the largest conductor, 2.00 in3 for 14 AWG. */
    @Test
    void aLampBoxOfWhichNobodyLookedHoldsOneFitting() {
        assertThat(needed(BoxKind.LUMINAIRE, OptionalInt.empty()))
                .isEqualByComparingTo(needed(BoxKind.LUMINAIRE, OptionalInt.of(1)));
        assertThat(needed(BoxKind.LUMINAIRE, OptionalInt.of(2)).subtract(needed(BoxKind.LUMINAIRE, OptionalInt.of(0))))
                .isEqualByComparingTo("4");
        assertThat(needed(BoxKind.WALL, OptionalInt.empty()))
                .isEqualByComparingTo(needed(BoxKind.WALL, OptionalInt.of(0)));
    }

    @Test
    void aBoxWithFourGaugeIsHeldByTheRuleThatApplies() {
        List<Finding> findings = new ArrayList<>();
        BoxFill.judge(box(BoxKind.WALL, OptionalInt.empty(), "21.2"), List.of(), findings, new ArrayList<>());

        assertThat(findings).singleElement().satisfies(finding -> {
            assertThat(finding.code()).isEqualTo(FindingCode.NOT_SIZED_BY_VOLUME);
            assertThat(finding.source().text()).contains("314.28");
        });
    }

    private static BigDecimal needed(BoxKind kind, OptionalInt fittings) {
        List<Margin> margins = new ArrayList<>();
        BoxFill.judge(box(kind, fittings, "2.08"), List.of(), new ArrayList<>(), margins);
        return margins.get(0).found();
    }

    private static Box box(BoxKind kind, OptionalInt fittings, String mm2) {
        BoxGeometry geometry = new BoxGeometry(
                Millimetres.of(100), Millimetres.of(100), Millimetres.of(60), true, Optional.empty(), false, fittings);
        return new Box(
                "J-9",
                kind,
                Optional.of(geometry),
                List.of(),
                List.of(),
                List.of(new Cable(
                        "c1",
                        new Leads.FromSupply(new CircuitId("1")),
                        new BigDecimal(mm2),
                        List.of(
                                new Core(1, CoreColour.BLACK, Optional.empty(), Role.PERMANENT_LIVE, new End.Capped()),
                                new Core(2, CoreColour.WHITE, Optional.empty(), Role.NEUTRAL, new End.Capped())))),
                List.of());
    }
}
