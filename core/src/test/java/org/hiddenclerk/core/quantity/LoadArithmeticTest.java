package org.hiddenclerk.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

/** I = P / (V pf), I = P / (sqrt 3 V pf): published check values LD-1 to LD-9, computed by independent code. */
class LoadArithmeticTest {

    @Test
    void currentsAgreeWithTheCheckValues() {
        assertSoftly(softly -> {
            Object[][] rows = {
                {"LD-1", 1150, 230, "1", 1, "5.000"}, {"LD-2", 2300, 230, "1", 1, "10.000"},
                {"LD-3", 1500, 120, "1", 1, "12.500"}, {"LD-4", 60, 230, "0.5", 1, "0.522"},
                {"LD-5", 400, 100, "0.9", 1, "4.444"}, {"LD-6", 3600, 240, "1", 1, "15.000"},
                {"LD-7", 370, 230, "0.72", 1, "2.234"}, {"LD-8", 6900, 400, "1", 3, "9.959"},
                {"LD-9", 2200, 220, "0.95", 1, "10.526"}
            };
            for (Object[] row : rows) {
                Amps amps = LoadArithmetic.current(
                        Watts.of((int) row[1]), Volts.of((int) row[2]), new BigDecimal((String) row[3]), (int) row[4]);
                BigDecimal expected = new BigDecimal((String) row[5]);
                softly.assertThat(amps.asDecimal())
                        .as((String) row[0])
                        .isBetween(expected, expected.add(new BigDecimal("0.001")));
            }
        });
    }

    /** NEC Article 100 and 210.20(A), from memory: load at most 80 % of the rating. Check values CL-1 to CL-5. */
    @Test
    void continuousLoadsAreHeldToEightyPercentExactly() {
        assertSoftly(softly -> {
            Object[][] rows = {
                {"CL-1", "12", "15", true},
                {"CL-2", "12.5", "15", false},
                {"CL-3", "16", "20", true},
                {"CL-4", "16.5", "20", false},
                {"CL-5", "24", "30", true}
            };
            for (Object[] row : rows) {
                softly.assertThat(LoadArithmetic.isWithinContinuousLimit(
                                Amps.of(new BigDecimal((String) row[1])), Amps.of(new BigDecimal((String) row[2])), 80))
                        .as((String) row[0])
                        .isEqualTo(row[3]);
            }
        });
    }

    /** Common practice, no source: 4.1 A is about 900 W at 220 V and 450 W at 110 V; 16 A at 220 V is 3 520 W. */
    @Test
    void wattsOfTheTradeFollowFromAmpsAndVolts() {
        assertThat(LoadArithmetic.current(Watts.of(902), Volts.of(220), BigDecimal.ONE, 1))
                .hasToString("4.1\u2009A");
        assertThat(LoadArithmetic.current(Watts.of(451), Volts.of(110), BigDecimal.ONE, 1))
                .hasToString("4.1\u2009A");
        assertThat(LoadArithmetic.current(Watts.of(3520), Volts.of(220), BigDecimal.ONE, 1))
                .isEqualTo(Amps.of(16));
    }

    @Test
    void quantitiesRefuseWhatTheyCannotHold() {
        assertThat(Watts.of(new BigDecimal("7.5")).times(6).asDecimal()).isEqualByComparingTo("45");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> new Watts(-1))
                .hasMessageContaining("must not be negative");
    }
}
