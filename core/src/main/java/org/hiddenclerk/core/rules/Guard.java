package org.hiddenclerk.core.rules;

import java.time.LocalTime;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.SentencePart.Kind;

/** What must hold for a rule to act. Each says itself whether it does, how it reads as a sentence and what it takes to be possible. */
public sealed interface Guard {
    /** What it names of the house. */
    default Set<HouseId> ids() {
        return Set.of();
    }

    /**
     * Whether it holds now.
     *
     * @param world  only asked for where it matters
     * @param levels of outputs, in percent; 0 is off
     */
    boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs);

    /** Whether it can hold beside what a course of events knows of the world, which is narrowed to that; outputs are not of its concern. */
    boolean narrows(Environment world);

    /** Says it within a sentence. @param at pointer of it within its rule */
    void say(Words words, String at);

    /** Looks for what cannot be. @param at pointer of it within the rules */
    default void look(RuleReferences look, String at) {
        // Most of them can be whatever they say.
    }

    record OutputIs(OutputId output, boolean on) implements Guard {
        @Override
        public Set<HouseId> ids() {
            return Set.of(output);
        }

        @Override
        public boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs) {
            return levels.applyAsInt(output) > 0 == on;
        }

        @Override
        public boolean narrows(Environment world) {
            return true;
        }

        @Override
        public void say(Words words, String at) {
            words.named(output, at + "/output", Kind.OUTPUT);
            words.text(" is ");
            words.slot(on ? "on" : "off", at + "/on", Kind.ON_OFF);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.output(at + "/output", output);
        }
    }

    /** From a time of the clock to another, over midnight when that is earlier. */
    record TimeBetween(LocalTime from, LocalTime to) implements Guard {
        @Override
        public boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs) {
            boolean overMidnight = from.isAfter(to);
            boolean after = !world.get().clock().isBefore(from);
            boolean before = world.get().clock().isBefore(to);
            return overMidnight ? after || before : after && before;
        }

        @Override
        public boolean narrows(Environment world) {
            return world.between(this);
        }

        @Override
        public void say(Words words, String at) {
            words.text("it is between ");
            words.time(from, at + "/from");
            words.text(" and ");
            words.time(to, at + "/to");
        }
    }

    /** Between sunset and sunrise, or not. */
    record Dark(boolean dark) implements Guard {
        @Override
        public boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs) {
            return dark == world.get().dark();
        }

        @Override
        public boolean narrows(Environment world) {
            return world.dark(dark);
        }

        @Override
        public void say(Words words, String at) {
            words.slot(dark ? "it is dark" : "it is light outside", at + "/dark", Kind.DARK);
        }
    }

    record SomebodyHome(boolean home) implements Guard {
        @Override
        public boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs) {
            return home == world.get().somebodyHome();
        }

        @Override
        public boolean narrows(Environment world) {
            return world.home(home);
        }

        @Override
        public void say(Words words, String at) {
            words.slot(home ? "somebody is home" : "nobody is home", at + "/home", Kind.HOME);
        }
    }

    record SensorSays(SensorId sensor, Trigger.Reading reading, int figure) implements Guard {
        @Override
        public Set<HouseId> ids() {
            return Set.of(sensor);
        }

        @Override
        public boolean holds(Supplier<World> world, ToIntFunction<OutputId> levels, long nowMs) {
            return world.get().says(this, nowMs);
        }

        @Override
        public boolean narrows(Environment world) {
            return world.says(this);
        }

        @Override
        public void say(Words words, String at) {
            words.sensor(sensor, reading, figure, at);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.sensor(at, sensor);
        }
    }
}
