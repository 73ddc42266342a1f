package org.hiddenclerk.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Limits of IEC 61140; HD 60364-4-41; BS 7671 Part 2, with the values just beside them. */
class ExtraLowVoltageTest {
    @ParameterizedTest
    @CsvSource({
        "ALTERNATING, 50, true",
        "ALTERNATING, 50.1, false",
        "DIRECT, 120, true",
        "DIRECT, 121, false",
        "ALTERNATING, 24, true",
        "ALTERNATING, 60, false"
    })
    void whatIsWithin(ExtraLowVoltage kind, BigDecimal volts, boolean within) {
        assertThat(kind.includes(Volts.of(volts))).isEqualTo(within);
    }
}
