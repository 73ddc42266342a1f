package org.hiddenclerk.core.ordering;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.ordering.Need.Kind;

/**
 * How a firm buys and charges.
 *
 * @param currency       of every price, ISO 4217
 * @param pricesWithTax  whether prices of the stock book have the tax in them
 * @param taxPercent     of the tax that a household pays
 * @param hour           what an hour of work costs, without tax; empty while nobody said
 * @param sparePercent   what is taken along beyond what is needed, by kind; of all pieces of a kind together
 */
public record Trade(
        Currency currency,
        boolean pricesWithTax,
        BigDecimal taxPercent,
        Optional<BigDecimal> hour,
        Map<Kind, Integer> sparePercent) {
    private static final BigDecimal MOST_TAX = BigDecimal.valueOf(50);
    private static final int MOST_SPARES = 100;
    private static final int USUAL_SPARES = 10;

    /** Spares of a tenth, common practice, no source; what it costs is for the firm to say. */
    public static final Trade USUAL =
            new Trade(Currency.getInstance("EUR"), false, BigDecimal.ZERO, Optional.empty(), usualSpares());

    /** @throws IllegalArgumentException for a share below nothing or beyond what can be meant, in words */
    public Trade {
        sparePercent = Map.copyOf(sparePercent);
        if (taxPercent.signum() < 0 || taxPercent.compareTo(MOST_TAX) > 0) {
            throw new IllegalArgumentException("A tax is 0 to " + MOST_TAX + " %, not " + taxPercent + " %.");
        }
        if (hour.filter(amount -> amount.signum() < 0).isPresent()) {
            throw new IllegalArgumentException("An hour costs nothing or more, not " + hour.get() + ".");
        }
        sparePercent.forEach((kind, percent) -> {
            if (percent < 0 || percent > MOST_SPARES) {
                throw new IllegalArgumentException(
                        "Spares are 0 to " + MOST_SPARES + " % of what is needed, not " + percent + " %.");
            }
        });
    }

    private static Map<Kind, Integer> usualSpares() {
        Map<Kind, Integer> spares = new EnumMap<>(Kind.class);
        for (Kind kind : Kind.values()) {
            spares.put(kind, kind == Kind.LABEL ? 0 : USUAL_SPARES);
        }
        return spares;
    }

    int sparesOf(Kind kind) {
        return sparePercent.getOrDefault(kind, 0);
    }
}
