package org.hiddenclerk.core.ordering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.ordering.Need.Kind;
import org.junit.jupiter.api.Test;

/** Costs of a job against sums made by hand. */
class JobCostTest {
    private static final List<Need> NEEDS =
            List.of(need(Kind.MODULE, "A", 3), need(Kind.CONNECTOR, "3", 7), need(Kind.CAP, "", 2));
    private static final Map<String, String> PRICES = Map.of("A", "24.90", "3", "0.35");

    private static Need need(Kind kind, String key, int count) {
        return new Need(new Need.Thing(kind, key, kind + " " + key), BigDecimal.valueOf(count), BigDecimal.ONE);
    }

    private static JobCost cost(boolean withTax, String tax, String hour) {
        Trade trade = new Trade(
                Currency.getInstance("EUR"),
                withTax,
                new BigDecimal(tax),
                Optional.of(hour).filter(h -> !h.isEmpty()).map(BigDecimal::new),
                Map.of());
        return JobCost.of(
                NEEDS,
                need -> Optional.ofNullable(PRICES.get(need.thing().key())).map(BigDecimal::new),
                130,
                trade);
    }

    @Test
    void modulesSmallPartsAndHoursAreAddedUp() {
        JobCost cost = cost(false, "20", "54");
        assertThat(cost.modules()).isEqualByComparingTo("74.70");
        assertThat(cost.lines()).singleElement().satisfies(line -> {
            assertThat(line.pieces()).isEqualByComparingTo("3");
            assertThat(line.each()).isEqualByComparingTo("24.90");
        });
        assertThat(cost.smallParts()).isEqualByComparingTo("2.45");
        assertThat(cost.labour())
                .hasValueSatisfying(labour -> assertThat(labour).isEqualByComparingTo("117.00"));
        assertThat(cost.net()).isEqualByComparingTo("194.15");
        assertThat(cost.tax()).isEqualByComparingTo("38.83");
        assertThat(cost.total()).isEqualByComparingTo("232.98");
    }

    @Test
    void aTaxThatIsInThePricesIsTakenOutOnce() {
        JobCost cost = cost(true, "20", "54");
        assertThat(cost.modules()).isEqualByComparingTo("62.25");
        assertThat(cost.modules().add(cost.modules().multiply(new BigDecimal("0.2"))))
                .isEqualByComparingTo("74.70");
    }

    @Test
    void whatNobodyKnowsIsSaidAndNotTakenForNothing() {
        JobCost cost = cost(false, "0", "");
        assertThat(cost.unpriced()).containsExactly("2\u2009pcs CAP ");
        assertThat(cost.labour()).isEmpty();
        assertThat(cost.isWhole()).isFalse();
        assertThatThrownBy(() -> cost(false, "51", "1")).hasMessageContaining("0 to 50 %");
        assertThatThrownBy(() -> cost(false, "1", "-1")).hasMessageContaining("An hour costs");
    }
}
