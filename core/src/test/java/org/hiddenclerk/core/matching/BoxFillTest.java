package org.hiddenclerk.core.matching;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.hiddenclerk.core.matching.BoxFill.Contents;
import org.hiddenclerk.core.matching.BoxFill.Course;
import org.hiddenclerk.core.matching.BoxFill.Edition;
import org.hiddenclerk.core.matching.BoxFill.Wire;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** NEC 314.16(B) with the allowances of Table 314.16(B)(1), from memory; totals by hand from the rules. */
class BoxFillTest {
    private static final BigDecimal MODULE = BoxFill.volume(new BigDecimal(42), new BigDecimal(37), new BigDecimal(16));

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        // id, box in3, 14 AWG, 12 AWG, looped 12 AWG, earths, earth AWG, clamps, studs, yokes on 14, yokes on 12, edition, total, modules, spare
        "BF-1,12.5,2,0,0,1,14,true,0,1,0,SINCE_2020,12,0,0.500",
        "BF-2,12.5,2,0,0,1,14,true,0,1,0,SINCE_2020,12,1,-1.017",
        "BF-3,18.0,4,0,0,2,14,false,0,1,0,SINCE_2020,14,1,2.483",
        "BF-4,20.3,0,5,0,2,12,true,0,0,1,SINCE_2020,20.25,0,0.050",
        "BF-5,30.3,6,4,0,5,12,true,0,1,0,SINCE_2020,30.0625,0,0.238",
        "BF-6,30.3,6,4,0,5,12,true,0,1,0,UNTIL_2017,29.5,0,0.800",
        "BF-7,34.0,7,0,0,3,14,false,0,2,0,SINCE_2020,24,2,6.965",
        "BF-8,15.5,4,0,0,2,14,true,1,0,0,SINCE_2020,14,0,1.500",
        "BF-9,14.0,4,0,0,4,14,false,0,1,0,SINCE_2020,14,0,0.000",
        "BF-10,21.0,0,4,1,6,12,false,0,0,0,SINCE_2020,16.875,0,4.125"})
    void workedTotals(String id, BigDecimal box, int fourteens, int twelves, int looped, int earths, int earthAwg, boolean clamps,
                      int studs, int yokes14, int yokes12, Edition edition, BigDecimal total, int modules, BigDecimal spare) {
        List<Wire> wires = new ArrayList<>(Collections.nCopies(fourteens, new Wire(14, Course.ONCE)));
        wires.addAll(Collections.nCopies(twelves, new Wire(12, Course.ONCE)));
        wires.addAll(Collections.nCopies(looped, new Wire(12, Course.LOOPED)));
        List<Integer> yokes = new ArrayList<>(Collections.nCopies(yokes14, 14));
        yokes.addAll(Collections.nCopies(yokes12, 12));

        BigDecimal needed = BoxFill.needed(new Contents(wires, Collections.nCopies(earths, earthAwg), clamps, studs, yokes), edition);

        assertThat(needed).as(id).isEqualByComparingTo(total);
        assertThat(box.subtract(needed).subtract(MODULE.multiply(BigDecimal.valueOf(modules)))).as(id + " spare")
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
}
