package org.hiddenclerk.core.matching.allocation;

import java.time.Duration;
import java.util.Optional;

/** Solves integer programmes. */
interface IntegerSolver {

    /**
     * @param values       of the variables
     * @param atLeast      no solution costs less
     * @param isOptimal    whether the solver proved it
     */
    record Solution(long[] values, double cost, double atLeast, boolean isOptimal) {
        boolean isOn(int variable) {
            return values[variable] > 0;
        }
    }

    /** @param isImpossible whether it is shown that there is no solution; else none was found in time */
    record Answer(Optional<Solution> solution, boolean isImpossible) {}

    Answer solve(IntegerProgramme programme, Duration limit);
}
