package org.hiddenclerk.core.quantity;

import java.math.BigDecimal;

/** Thousandths as decimals without trailing zeros. */
final class Decimals {
    private Decimals() {}

    static BigDecimal plain(long thousandths) {
        BigDecimal stripped = BigDecimal.valueOf(thousandths, 3).stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }
}
