package org.hiddenclerk.app.job.settings;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.Currency;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.ordering.Need;
import org.hiddenclerk.core.ordering.Trade;

/** How the firm buys and charges, as stored and sent; see {@link Trade}. @param hour without tax; absent while nobody said */
public record TradeDocument(
        @NotNull @Pattern(regexp = "[A-Z]{3}") String currency,
        boolean pricesWithTax,
        @NotNull BigDecimal taxPercent,
        @MayBeAbsent BigDecimal hour,
        @NotNull @Size(max = 20) Map<Need.Kind, @NotNull Integer> sparePercent) {
    static TradeDocument of(Trade trade) {
        return new TradeDocument(
                trade.currency().getCurrencyCode(),
                trade.pricesWithTax(),
                trade.taxPercent(),
                trade.hour().orElse(null),
                new TreeMap<>(trade.sparePercent()));
    }

    /** @throws IllegalArgumentException for what is no currency, and for figures that can't be meant */
    public Trade toTrade() {
        return new Trade(
                Currency.getInstance(currency), pricesWithTax, taxPercent, Optional.ofNullable(hour), sparePercent);
    }
}
