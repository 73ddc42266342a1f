package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Minimise a sum of costs over whole variables under linear rows with whole factors. Grows by rows only.
 */
final class IntegerProgramme {
    /** Below anything that a row can come to. */
    private static final long LEAST = Integer.MIN_VALUE;

    private final List<Column> columns = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    /** A variable from 0: what each of it costs, and how many there may be. */
    record Column(String name, double cost, int most) {}

    /** {@code lower <= sum of factor · variable <= upper}. */
    record Row(int[] columns, long[] factors, long lower, long upper) {}

    /** A yes or no. */
    int choice(String name, double cost) {
        return count(name, cost, 1);
    }

    int count(String name, double cost, int most) {
        columns.add(new Column(name, cost, most));
        return columns.size() - 1;
    }

    /** A row under way. */
    final class Sum {
        private final List<Integer> variables = new ArrayList<>();
        private final List<Long> factors = new ArrayList<>();

        Sum plus(long factor, int variable) {
            variables.add(variable);
            factors.add(factor);
            return this;
        }

        void between(long lower, long upper) {
            rows.add(new Row(
                    variables.stream().mapToInt(Integer::intValue).toArray(),
                    factors.stream().mapToLong(Long::longValue).toArray(),
                    lower,
                    upper));
        }

        void atMost(long upper) {
            between(LEAST, upper);
        }

        void exactly(long level) {
            between(level, level);
        }
    }

    Sum sum() {
        return new Sum();
    }

    List<Column> columns() {
        return Collections.unmodifiableList(columns);
    }

    List<Row> rows() {
        return Collections.unmodifiableList(rows);
    }
}
