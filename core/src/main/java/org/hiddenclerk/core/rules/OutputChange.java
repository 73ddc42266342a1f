package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.function.IntBinaryOperator;
import java.util.function.IntSupplier;
import java.util.function.ToIntFunction;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.OutputId;

/**
 * What an action makes of one output, and when: the same for a course of events that is explored and for a house that runs.
 *
 * @param afterMs counted from when the action begins
 */
public record OutputChange(long afterMs, OutputId output, Change change) {
    static final int FULL = 100;
    static final long MINUTE_MS = 60_000;

    /** What becomes of an output; levels in percent, 0 is off. */
    sealed interface Change {
        /**
         * The level that follows.
         *
         * @param level  that it has
         * @param levels of all outputs
         * @param step   counts up each time
         */
        int from(int level, ToIntFunction<OutputId> levels, IntSupplier step);

        record To(int percent) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return percent;
            }
        }

        record Toggle() implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return level > 0 ? 0 : FULL;
            }
        }

        record Dim(int low, int high, int threshold) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return level > threshold ? low : high;
            }
        }

        record AtLeast(int percent) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return level == 0 ? 0 : Math.max(level, percent);
            }
        }

        record Next(List<Integer> percents) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return percents.get(step.getAsInt() % percents.size());
            }
        }

        record Like(OutputId source) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return levels.applyAsInt(source);
            }
        }

        record Moves(Motion motion) implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return motion == Motion.STOP ? 0 : FULL;
            }
        }

        /** Off when a run-on has ended; one that began later takes its place. */
        record RunOnEnds() implements Change {
            @Override
            public int from(int level, ToIntFunction<OutputId> levels, IntSupplier step) {
                return 0;
            }
        }
    }

    /** The draw of somebody who always takes the least. */
    static final IntBinaryOperator LEAST = (least, most) -> least;

    /** What happens when the action begins. */
    static OutputChange now(OutputId output, Change change) {
        return new OutputChange(0, output, change);
    }

    /**
     * The level that follows.
     *
     * @param levels of all outputs
     * @param step   counts up with every {@link Change.Next} of an output
     */
    int from(ToIntFunction<OutputId> levels, ToIntFunction<OutputId> step) {
        return change.from(levels.applyAsInt(output), levels, () -> step.applyAsInt(output));
    }
}
