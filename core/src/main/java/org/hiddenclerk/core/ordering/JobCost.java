package org.hiddenclerk.core.ordering;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.hiddenclerk.core.ordering.Need.Kind;

/**
 * What a job costs, for a quote: what it takes, and the hours. Spares and what is on the shelf do not change it.
 *
 * @param modules    without tax
 * @param smallParts without tax
 * @param unpriced   what it takes and nobody knows the price of, in words: the sums leave it out
 * @param minutes    of work
 * @param labour     without tax; empty while no hour has a price
 */
public record JobCost(Trade trade, BigDecimal modules, BigDecimal smallParts, List<String> unpriced, int minutes, Optional<BigDecimal> labour) {
    private static final BigDecimal MINUTES = BigDecimal.valueOf(60);
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public JobCost {
        unpriced = List.copyOf(unpriced);
    }

    /** @param price of a piece, or of a metre of wire, as the stock book has it; empty where nobody knows it */
    public static JobCost of(List<Need> needs, Function<Need, Optional<BigDecimal>> price, int minutes, Trade trade) {
        BigDecimal modules = BigDecimal.ZERO;
        BigDecimal small = BigDecimal.ZERO;
        List<String> unpriced = new ArrayList<>();
        for (Need need : needs) {
            Optional<BigDecimal> each = price.apply(need).map(amount -> withoutTax(amount, trade));
            if (each.isEmpty()) {
                unpriced.add(need.needed().toPlainString() + "\u2009" + need.unit() + " " + need.thing().words());
            } else if (need.thing().kind() == Kind.MODULE) {
                modules = modules.add(each.get().multiply(need.needed()));
            } else {
                small = small.add(each.get().multiply(need.needed()));
            }
        }
        return new JobCost(trade, cents(modules), cents(small), unpriced, minutes, trade.hour().map(hour -> cents(hour.multiply(BigDecimal.valueOf(minutes)).divide(MINUTES, 4, RoundingMode.HALF_UP))));
    }

    private static BigDecimal withoutTax(BigDecimal amount, Trade trade) {
        return trade.pricesWithTax() ? amount.multiply(HUNDRED).divide(HUNDRED.add(trade.taxPercent()), 6, RoundingMode.HALF_UP) : amount;
    }

    private static BigDecimal cents(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP);
    }

    /** All of it without tax. */
    public BigDecimal net() {
        return modules.add(smallParts).add(labour.orElse(BigDecimal.ZERO));
    }

    public BigDecimal tax() {
        return cents(net().multiply(trade.taxPercent()).divide(HUNDRED, 6, RoundingMode.HALF_UP));
    }

    public BigDecimal total() {
        return net().add(tax());
    }

    /** Whether nothing is left out of it. */
    public boolean isWhole() {
        return unpriced.isEmpty() && labour.isPresent();
    }
}
