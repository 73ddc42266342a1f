package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.function.IntBinaryOperator;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.OutputId;

/**
 * What an action makes of one output, and when: the same for a course of events that is explored and for a house that runs.
 *
 * @param afterMs counted from when the action begins
 */
record Turning(long afterMs, OutputId output, Change change) {
    private static final int FULL = 100;
    private static final long MINUTE_MS = 60_000;

    /** What becomes of an output; levels in percent, 0 is off. */
    sealed interface Change {
        record To(int percent) implements Change {
        }

        record Toggle() implements Change {
        }

        record Dim(int low, int high, int threshold) implements Change {
        }

        record AtLeast(int percent) implements Change {
        }

        record Next(List<Integer> percents) implements Change {
        }

        record Like(OutputId source) implements Change {
        }

        record Moves(Motion motion) implements Change {
        }

        /** Off when a run-on has ended; one that began later takes its place. */
        record RunOnEnds() implements Change {
        }
    }

    /** The draw of somebody who always takes the least. */
    static final IntBinaryOperator LEAST = (least, most) -> least;

    /** @param draw a number from the first to the second */
    static List<Turning> of(Action action, RuledHouse house, IntBinaryOperator draw) {
        if (action instanceof Action.Turn turn) {
            return List.of(new Turning(0, turn.output(), switch (turn.command()) {
                case ON -> new Change.To(FULL);
                case OFF -> new Change.To(0);
                case TOGGLE -> new Change.Toggle();
            }));
        } else if (action instanceof Action.SetLevel set) {
            return List.of(new Turning(0, set.output(), new Change.To(set.percent())));
        } else if (action instanceof Action.AllOff off) {
            return house.outputs().keySet().stream().filter(house::isLight).filter(output -> !off.except().contains(output)).map(output ->
                    new Turning(0, output, new Change.To(0))).toList();
        } else if (action instanceof Action.Step step) {
            return List.of(new Turning(0, step.output(), new Change.Next(step.percents())));
        } else if (action instanceof Action.DimToggle toggle) {
            return List.of(new Turning(0, toggle.output(), new Change.Dim(toggle.low(), toggle.high(), toggle.threshold())));
        } else if (action instanceof Action.AtLeast least) {
            return List.of(new Turning(0, least.output(), new Change.AtLeast(least.percent())));
        } else if (action instanceof Action.Pulse pulse) {
            return List.of(new Turning(0, pulse.output(), new Change.To(FULL)), new Turning(pulse.ms(), pulse.output(), new Change.To(0)));
        } else if (action instanceof Action.Move move) {
            return List.of(new Turning(0, move.output(), new Change.Moves(move.motion())), new Turning(move.ms(), move.output(), new Change.Moves(Motion.STOP)));
        } else if (action instanceof Action.Follow follow) {
            return List.of(new Turning(0, follow.output(), new Change.Like(follow.source())));
        } else if (action instanceof Action.RunOn run) {
            return List.of(new Turning(0, run.output(), new Change.To(FULL)), new Turning(run.seconds() * 1000L, run.output(), new Change.RunOnEnds()));
        } else if (action instanceof Action.Pretend pretend) {
            return pretend.outputs().stream().flatMap(output -> Stream.of(new Turning(0, output, new Change.To(FULL)),
                    new Turning(draw.applyAsInt(pretend.leastMinutes(), pretend.mostMinutes()) * MINUTE_MS, output, new Change.To(0)))).toList();
        }
        return List.of();
    }

    /**
     * The level that follows.
     *
     * @param levels of all outputs
     * @param step   counts up with every {@link Change.Next} of an output
     */
    int from(ToIntFunction<OutputId> levels, ToIntFunction<OutputId> step) {
        int level = levels.applyAsInt(output);
        if (change instanceof Change.To to) {
            return to.percent();
        } else if (change instanceof Change.Toggle) {
            return level > 0 ? 0 : FULL;
        } else if (change instanceof Change.Dim dim) {
            return level > dim.threshold() ? dim.low() : dim.high();
        } else if (change instanceof Change.AtLeast least) {
            return level == 0 ? 0 : Math.max(level, least.percent());
        } else if (change instanceof Change.Next next) {
            return next.percents().get(step.applyAsInt(output) % next.percents().size());
        } else if (change instanceof Change.Like like) {
            return levels.applyAsInt(like.source());
        } else if (change instanceof Change.Moves moves) {
            return moves.motion() == Motion.STOP ? 0 : FULL;
        }
        return 0;
    }
}
