package org.hiddenclerk.core.matching.allocation;

import java.time.Duration;
import java.util.Optional;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;
import org.ojalgo.optimisation.integer.IntegerStrategy;

/** The integer solver of a library: branch and bound over linear programmes. */
final class BranchAndBound implements IntegerSolver {
    private static final double NO_GAP = 1e-6;
    /**
     * The library's Gomory cuts (57.1.0) called a small programme infeasible in which every unit may stay open; without them it
     * branches more and errs in nothing that was tried. No variable is farther than a half from a whole number.
     */
    private static final IntegerStrategy WITHOUT_CUTS = IntegerStrategy.DEFAULT.withGMICutConfiguration(
            new IntegerStrategy.GMICutConfiguration().withFractionality(1.0));

    @Override
    public Optional<Solution> solve(IntegerProgramme programme, Duration limit) {
        ExpressionsBasedModel model = model(programme, true);
        model.options.time_abort = limit.toMillis();
        model.options.time_suffice = limit.toMillis();
        Optimisation.Result result = model.minimise();
        if (!result.getState().isFeasible()) {
            return Optional.empty();
        }
        double[] values = new double[programme.columns().size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = result.doubleValue(i);
        }
        double cost = costOf(programme, values);
        boolean optimal = result.getState().isOptimal();
        double atLeast = optimal ? cost : Math.min(cost, bound(programme));
        return Optional.of(new Solution(values, cost, atLeast, optimal || cost - atLeast <= NO_GAP));
    }

    /** Without whole numbers nothing costs more: a bound for what was not proved. */
    private static double bound(IntegerProgramme programme) {
        Optimisation.Result relaxed = model(programme, false).minimise();
        return relaxed.getState().isOptimal() ? relaxed.getValue() : Double.NEGATIVE_INFINITY;
    }

    private static double costOf(IntegerProgramme programme, double[] values) {
        double cost = 0;
        for (int i = 0; i < values.length; i++) {
            IntegerProgramme.Column column = programme.columns().get(i);
            cost += column.cost() * (column.whole() ? Math.rint(values[i]) : values[i]);
        }
        return cost;
    }

    private static ExpressionsBasedModel model(IntegerProgramme programme, boolean whole) {
        ExpressionsBasedModel model = new ExpressionsBasedModel();
        model.options.integer(WITHOUT_CUTS);
        Variable[] variables = new Variable[programme.columns().size()];
        for (int i = 0; i < variables.length; i++) {
            IntegerProgramme.Column column = programme.columns().get(i);
            variables[i] = model.newVariable(column.name()).lower(0).upper(column.upper()).weight(column.cost());
            variables[i].integer(whole && column.whole());
        }
        int number = 0;
        for (IntegerProgramme.Row row : programme.rows()) {
            Expression expression = model.newExpression("r" + number++);
            if (row.lower() == row.upper()) {
                expression.level(row.lower());
            } else {
                if (row.lower() != Double.NEGATIVE_INFINITY) {
                    expression.lower(row.lower());
                }
                if (row.upper() != Double.POSITIVE_INFINITY) {
                    expression.upper(row.upper());
                }
            }
            for (int i = 0; i < row.columns().length; i++) {
                expression.add(variables[row.columns()[i]], row.factors()[i]);
            }
        }
        return model;
    }
}
