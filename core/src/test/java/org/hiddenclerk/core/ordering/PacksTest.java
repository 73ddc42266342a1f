package org.hiddenclerk.core.ordering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Things that come in packs are ordered whole. */
class PacksTest {
    @ParameterizedTest
    @CsvSource({
        "0, 100, 0, 0",
        "1, 100, 1, 99",
        "17, 100, 1, 83",
        "100, 100, 1, 0",
        "101, 100, 2, 99",
        "7, 1, 7, 0",
        "2.5, 1, 3, 0.5"
    })
    void asFewAsHoldEnough(BigDecimal wanted, int pieces, int packs, BigDecimal left) {
        assertThat(Packs.of(wanted, pieces)).isEqualTo(new Packs(packs, pieces, left));
    }

    @Test
    void whatCannotBeIsRefusedByName() {
        assertThatThrownBy(() -> Packs.of(BigDecimal.ONE.negate(), 1)).hasMessageContaining("(-1)");
        assertThatThrownBy(() -> Packs.of(BigDecimal.ONE, 0)).hasMessageContaining("(0)");
    }
}
