package org.hiddenclerk.core.rules;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntBinaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.SentencePart.Kind;

/** What a rule does. Each says itself what it makes of outputs, how it reads as a sentence and what it takes to be possible. */
public sealed interface Action {
    /** Outputs that it names; "all off" names none. */
    Set<OutputId> outputs();

    /** What it names of the house. */
    default Set<HouseId> ids() {
        return Set.copyOf(outputs());
    }

    /**
     * What it makes of outputs, and when.
     *
     * @param draw a number from the first to the second
     */
    List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw);

    /** Says it within a sentence. @param at pointer of it within its rule */
    void say(Words words, String at);

    /** Looks for what cannot be. @param at pointer of it within the rules */
    void look(RuleReferences look, String at);

    /** What is done to one output. */
    sealed interface OnOne extends Action {
        OutputId output();

        @Override
        default Set<OutputId> outputs() {
            return Set.of(output());
        }

        /** Says what is done, behind the output that it is done to. */
        void sayDone(Words words, String at);

        @Override
        default void say(Words words, String at) {
            words.named(output(), at + "/output", Kind.OUTPUT);
            sayDone(words, at);
        }

        @Override
        default void look(RuleReferences look, String at) {
            look.output(at + "/output", output());
        }
    }

    /** What a command makes of an output. */
    enum Command {
        ON,
        OFF,
        TOGGLE
    }

    record Turn(OutputId output, Command command) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(
                    output,
                    switch (command) {
                        case ON -> new OutputChange.Change.To(OutputChange.FULL);
                        case OFF -> new OutputChange.Change.To(0);
                        case TOGGLE -> new OutputChange.Change.Toggle();
                    }));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" ");
            words.slot(
                    switch (command) {
                        case ON -> "goes on";
                        case OFF -> "goes off";
                        case TOGGLE -> "changes over";
                    },
                    at + "/command",
                    Kind.COMMAND);
        }
    }

    record SetLevel(OutputId output, int percent) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(output, new OutputChange.Change.To(percent)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" goes to ");
            words.slot(String.valueOf(percent), at + "/percent", Kind.PERCENT, "%");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.percent(at + "/percent", percent);
        }
    }

    /** Whatever the hub takes for a light goes off, but for some. */
    record AllOff(Set<OutputId> except) implements Action {
        public AllOff {
            except = Collections.unmodifiableSet(new TreeSet<>(except));
        }

        @Override
        public Set<OutputId> outputs() {
            return Set.of();
        }

        @Override
        public Set<HouseId> ids() {
            return Set.copyOf(except);
        }

        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return house.outputs().keySet().stream()
                    .filter(house::isLight)
                    .filter(output -> !except.contains(output))
                    .map(output -> OutputChange.now(output, new OutputChange.Change.To(0)))
                    .toList();
        }

        @Override
        public void say(Words words, String at) {
            words.text("all lights go off, except ");
            words.slot(except.isEmpty() ? "none" : words.names(except), at + "/except", Kind.OUTPUTS);
        }

        @Override
        public void look(RuleReferences look, String at) {
            except.forEach(output -> look.output(at + "/except", output));
        }
    }

    /** The next of some levels, and the first again after the last. */
    record Step(OutputId output, List<Integer> percents) implements OnOne {
        public Step {
            percents = List.copyOf(percents);
        }

        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(output, new OutputChange.Change.Next(percents)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" goes on to the next of ");
            words.slot(
                    percents.stream().map(String::valueOf).collect(Collectors.joining(", ")),
                    at + "/percents",
                    Kind.PERCENTS,
                    "%");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            if (percents.size() < 2) {
                look.cannotBe(at + "/percents", percents.size() + " level", "two levels or more");
            }
            percents.forEach(percent -> look.percent(at + "/percents", percent));
        }
    }

    /** The one level when it stands above a threshold, the other one otherwise. */
    record DimToggle(OutputId output, int low, int high, int threshold) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(output, new OutputChange.Change.Dim(low, high, threshold)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" goes to ");
            words.slot(String.valueOf(low), at + "/low", Kind.PERCENT, "%");
            words.text(" if it is above ");
            words.slot(String.valueOf(threshold), at + "/threshold", Kind.PERCENT, "%");
            words.text(" and to ");
            words.slot(String.valueOf(high), at + "/high", Kind.PERCENT, "%");
            words.text(" otherwise");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            List.of(low, high, threshold).forEach(percent -> look.percent(at, percent));
        }
    }

    /** When it is on it is no dimmer than that. */
    record AtLeast(OutputId output, int percent) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(output, new OutputChange.Change.AtLeast(percent)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" is no dimmer than ");
            words.slot(String.valueOf(percent), at + "/percent", Kind.PERCENT, "%");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.percent(at + "/percent", percent);
        }
    }

    /** On, and off again by itself. */
    record Pulse(OutputId output, int ms) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(
                    OutputChange.now(output, new OutputChange.Change.To(OutputChange.FULL)),
                    new OutputChange(ms, output, new OutputChange.Change.To(0)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" goes on for ");
            words.slot(String.valueOf(ms), at + "/ms", Kind.MILLISECONDS, "ms");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.within(at + "/ms", ms, 50, 60_000, "ms");
        }
    }

    record Move(OutputId output, Motion motion, int ms) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(
                    OutputChange.now(output, new OutputChange.Change.Moves(motion)),
                    new OutputChange(ms, output, new OutputChange.Change.Moves(Motion.STOP)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" ");
            words.slot(
                    motion == Motion.STOP ? "stops" : "goes " + motion.name().toLowerCase(Locale.ROOT),
                    at + "/motion",
                    Kind.MOTION);
            words.text(", for ");
            words.slot(String.valueOf(ms), at + "/ms", Kind.MILLISECONDS, "ms");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.within(at + "/ms", ms, 100, 300_000, "ms");
        }
    }

    /** The output becomes what another one is. */
    record Follow(OutputId output, OutputId source) implements OnOne {
        @Override
        public Set<HouseId> ids() {
            return Stream.of(output, source).collect(Collectors.toSet());
        }

        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(OutputChange.now(output, new OutputChange.Change.Like(source)));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" becomes what ");
            words.named(source, at + "/source", Kind.OUTPUT);
            words.text(" is");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.output(at + "/source", source);
        }
    }

    /** On, and off after a while; a new start begins anew. */
    record RunOn(OutputId output, int seconds) implements OnOne {
        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of(
                    OutputChange.now(output, new OutputChange.Change.To(OutputChange.FULL)),
                    new OutputChange(seconds * 1000L, output, new OutputChange.Change.RunOnEnds()));
        }

        @Override
        public void sayDone(Words words, String at) {
            words.text(" runs for ");
            words.slot(String.valueOf(seconds), at + "/seconds", Kind.SECONDS, "s");
        }

        @Override
        public void look(RuleReferences look, String at) {
            OnOne.super.look(look, at);
            look.within(at + "/seconds", seconds, 1, RuleReferences.DAY_SECONDS, "s");
        }
    }

    /** Somebody seems to be home: outputs go on and off at times drawn by seed. */
    record Pretend(Set<OutputId> outputs, long seed, int leastMinutes, int mostMinutes) implements Action {
        public Pretend {
            outputs = Collections.unmodifiableSet(new TreeSet<>(outputs));
        }

        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return outputs.stream()
                    .flatMap(output -> Stream.of(
                            OutputChange.now(output, new OutputChange.Change.To(OutputChange.FULL)),
                            new OutputChange(
                                    draw.applyAsInt(leastMinutes, mostMinutes) * OutputChange.MINUTE_MS,
                                    output,
                                    new OutputChange.Change.To(0))))
                    .toList();
        }

        @Override
        public void say(Words words, String at) {
            words.slot(words.names(outputs), at + "/outputs", Kind.OUTPUTS);
            words.text(" go on and off as if somebody were home, for ");
            words.slot(String.valueOf(leastMinutes), at + "/leastMinutes", Kind.MINUTES, "min");
            words.text(" to ");
            words.slot(String.valueOf(mostMinutes), at + "/mostMinutes", Kind.MINUTES, "min");
            words.text(", drawn by ");
            words.slot(String.valueOf(seed), at + "/seed", Kind.SEED);
        }

        @Override
        public void look(RuleReferences look, String at) {
            outputs.forEach(output -> look.output(at + "/outputs", output));
            if (leastMinutes < 1 || mostMinutes < leastMinutes) {
                look.cannotBe(
                        at + "/leastMinutes",
                        leastMinutes + " to " + mostMinutes + " min",
                        "1 min or more, and not above the most");
            }
        }
    }

    /** Rewrites a stored setting: each time wears the memory that it is kept in. */
    record WriteSetting(DeviceId device, String key, String value) implements Action {
        @Override
        public Set<OutputId> outputs() {
            return Set.of();
        }

        @Override
        public Set<HouseId> ids() {
            return Set.of(device);
        }

        @Override
        public List<OutputChange> turnings(RuledHouse house, IntBinaryOperator draw) {
            return List.of();
        }

        @Override
        public void say(Words words, String at) {
            words.text("the setting ");
            words.slot(key, at + "/key", Kind.KEY);
            words.text(" is written as ");
            words.slot(value, at + "/value", Kind.VALUE);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.device(at + "/device", device);
        }
    }
}
