package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Minimise a sum of costs over variables between 0 and 1, of which some are whole, under linear rows. Grows by rows only.
 */
final class IntegerProgramme {
    private final List<Column> columns = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    /** A variable: what it costs, how large it may get, and whether it is whole. */
    record Column(String name, double cost, double upper, boolean whole) {
    }

    /** {@code lower <= sum of factor · variable <= upper}. */
    record Row(int[] columns, double[] factors, double lower, double upper) {
    }

    int whole(String name, double cost) {
        columns.add(new Column(name, cost, 1, true));
        return columns.size() - 1;
    }

    int fraction(String name, double cost, double upper) {
        columns.add(new Column(name, cost, upper, false));
        return columns.size() - 1;
    }

    /** A row under way. */
    final class Sum {
        private final List<Integer> variables = new ArrayList<>();
        private final List<Double> factors = new ArrayList<>();

        Sum plus(double factor, int variable) {
            variables.add(variable);
            factors.add(factor);
            return this;
        }

        void between(double lower, double upper) {
            rows.add(new Row(variables.stream().mapToInt(Integer::intValue).toArray(),
                    factors.stream().mapToDouble(Double::doubleValue).toArray(), lower, upper));
        }

        void atMost(double upper) {
            between(Double.NEGATIVE_INFINITY, upper);
        }

        void exactly(double level) {
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
