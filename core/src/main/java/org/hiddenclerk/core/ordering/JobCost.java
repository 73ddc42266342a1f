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
 * @param lines      of modules, one for each kind
 * @param smallParts without tax
 * @param unpriced   what it takes and nobody knows the price of, in words: the sums leave it out
 * @param minutes    of work
 * @param labour     without tax; empty while no hour has a price
 */
public record JobCost(
        Trade trade,
        List<Line> lines,
        BigDecimal smallParts,
        List<String> unpriced,
        int minutes,
        Optional<BigDecimal> labour) {
    private static final BigDecimal MINUTES = BigDecimal.valueOf(60);
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public JobCost {
        lines = List.copyOf(lines);
        unpriced = List.copyOf(unpriced);
    }

    /**
     * Modules of one kind. What one costs is rounded here, so that the lines of a quote come to what they say and add up to its sum.
     *
     * @param each   price of a piece, without tax
     * @param amount without tax
     */
    public record Line(Need.Thing thing, BigDecimal pieces, BigDecimal each, BigDecimal amount) {
        private static Line of(Need need, BigDecimal each) {
            return new Line(
                    need.thing(), need.needed(), cents(each), cents(cents(each).multiply(need.needed())));
        }
    }

    /** @param price of a piece, or of a metre of wire, as the stock book has it; empty where nobody knows it */
    public static JobCost of(List<Need> needs, Function<Need, Optional<BigDecimal>> price, int minutes, Trade trade) {
        List<Line> lines = new ArrayList<>();
        BigDecimal small = BigDecimal.ZERO;
        List<String> unpriced = new ArrayList<>();
        for (Need need : needs) {
            Optional<BigDecimal> each = price.apply(need).map(amount -> withoutTax(amount, trade));
            if (each.isEmpty()) {
                unpriced.add(need.needed().toPlainString() + "\u2009" + need.unit() + " "
                        + need.thing().words());
            } else if (need.thing().kind() == Kind.MODULE) {
                lines.add(Line.of(need, each.get()));
            } else {
                small = small.add(each.get().multiply(need.needed()));
            }
        }
        return new JobCost(
                trade,
                lines,
                cents(small),
                unpriced,
                minutes,
                trade.hour()
                        .map(hour -> cents(
                                hour.multiply(BigDecimal.valueOf(minutes)).divide(MINUTES, 4, RoundingMode.HALF_UP))));
    }

    private static BigDecimal withoutTax(BigDecimal amount, Trade trade) {
        return trade.pricesWithTax()
                ? amount.multiply(HUNDRED).divide(HUNDRED.add(trade.taxPercent()), 6, RoundingMode.HALF_UP)
                : amount;
    }

    private static BigDecimal cents(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP);
    }

    /** All modules, without tax. */
    public BigDecimal modules() {
        return lines.stream().map(Line::amount).reduce(cents(BigDecimal.ZERO), BigDecimal::add);
    }

    /** All of it without tax. */
    public BigDecimal net() {
        return modules().add(smallParts).add(labour.orElse(BigDecimal.ZERO));
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
