package org.hiddenclerk.core.live;

import java.time.LocalTime;
import java.util.List;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.RuleRunner;
import org.hiddenclerk.core.rules.SentencePart.Kind;
import org.hiddenclerk.core.rules.Trigger;

/**
 * A test of a house: given that something is so, when something happens, then something else must be so. Each part
 * says itself what it makes
 * of the house, how it reads as a sentence and what it takes to be possible. Parts of the house are named by {@link Parts#keyOf}.
 */
public record Check(String id, String name, List<Given> givens, List<When> whens, List<Then> thens) {
    public Check {
        givens = List.copyOf(givens);
        whens = List.copyOf(whens);
        thens = List.copyOf(thens);
    }

    /** Whatever a check is made from. */
    private interface Part {
        /** Says it within a sentence. @param at pointer of it within its check */
        void say(CheckWords words, String at);

        /** Looks for what the house has not, and for figures that cannot be. @param at pointer of it within its check */
        default void look(CheckReferences look, String at) {
            // Most of them can be whatever they say.
        }
    }

    /** What is so before anything happens. */
    public sealed interface Given extends Part {
        /** Makes it so. */
        void setIn(CheckRun run);

        /** Whether it is still so once the house has come to rest: what can change by itself. */
        default boolean isStillSo(CheckRun run) {
            return true;
        }

        /** Whether it comes after all else: what is down may be what brings the rest about. */
        default boolean comesLast() {
            return false;
        }

        record OutputIs(OutputId output, boolean on) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.outputIs(output, on);
            }

            @Override
            public boolean isStillSo(CheckRun run) {
                return run.isOn(output) == on;
            }

            @Override
            public void say(CheckWords words, String at) {
                words.output(output, on, "is ", at);
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.output(output, at);
            }
        }

        record Dark(boolean dark) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.dark(dark);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.text("it is ");
                words.slot(dark ? "dark" : "light", at + "/dark", Kind.DARK);
            }
        }

        record SomebodyHome(boolean home) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.household(home);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.slot(home ? "somebody" : "nobody", at + "/home", Kind.HOME);
                words.text(" is home");
            }
        }

        record ClockShows(LocalTime time) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.clock(time);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.text("it is ");
                words.slot(time.toString(), at + "/time", Kind.TIME);
            }
        }

        record SensorSays(SensorId sensor, Trigger.Reading reading, int figure) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.sense(sensor, reading, figure);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.sensor(sensor, reading, figure, at);
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.sensor(sensor, reading, figure, at);
            }
        }

        record Down(String part) implements Given {
            @Override
            public void setIn(CheckRun run) {
                run.fail(part, true);
            }

            @Override
            public boolean comesLast() {
                return true;
            }

            @Override
            public void say(CheckWords words, String at) {
                words.part(part, at);
                words.text(" is down");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.part(part, at);
            }
        }
    }

    /** What happens. */
    public sealed interface When extends Part {
        /** Lets it happen. */
        void happenIn(CheckRun run);

        record Worked(SwitchId at, Hand.Doing doing) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.hand(new Hand(at, doing));
            }

            @Override
            public void say(CheckWords words, String pointer) {
                words.worked(at, pointer);
                words.text(" ");
                words.slot(doing.words(), pointer + "/doing", Kind.DOING);
            }

            @Override
            public void look(CheckReferences look, String pointer) {
                look.worked(at, pointer);
            }
        }

        record Ordered(OutputId output, boolean on) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.order(new RuleRunner.Order.Level(output, on ? CheckRun.FULL : 0));
            }

            @Override
            public void say(CheckWords words, String at) {
                words.output(output, at);
                words.text(" is switched ");
                words.slot(on ? "on" : "off", at + "/on", Kind.ON_OFF);
                words.text(" by remote");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.output(output, at);
            }
        }

        record Senses(SensorId sensor, Trigger.Reading reading, int figure) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.sense(sensor, reading, figure);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.sensor(sensor, reading, figure, at);
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.sensor(sensor, reading, figure, at);
            }
        }

        record Household(boolean comes) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.household(comes);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.slot(comes ? "somebody comes home" : "the last one leaves", at + "/comes", Kind.HOME);
            }
        }

        record ClockComesTo(LocalTime time) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.clock(time);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.text("it gets ");
                words.slot(time.toString(), at + "/time", Kind.TIME);
            }
        }

        record Fails(String part) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.fail(part, true);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.part(part, at);
                words.text(" fails");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.part(part, at);
            }
        }

        record ComesBack(String part) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.fail(part, false);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.part(part, at);
                words.text(" comes back");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.part(part, at);
            }
        }

        record Passes(int seconds) implements When {
            @Override
            public void happenIn(CheckRun run) {
                run.passSeconds(seconds);
            }

            @Override
            public void say(CheckWords words, String at) {
                words.slot(String.valueOf(seconds), at + "/seconds", Kind.SECONDS, "s");
                words.text(" pass");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.seconds(seconds, at);
            }
        }
    }

    /** What must be so after the last thing that happened. */
    public sealed interface Then extends Part {
        /** How long it is looked at, in ms. */
        long spanMs();

        /** Whether it is so now. */
        boolean isSo(CheckRun run);

        /** Whether it must be so all the time, and not once. */
        default boolean holdsAlways() {
            return false;
        }

        /** Whether it has to stay so until the end: what was so before something changed is no answer. */
        default boolean countsToTheEnd() {
            return false;
        }

        /** At some moment within the time. */
        record Becomes(OutputId output, boolean on, int withinMs) implements Then {
            @Override
            public long spanMs() {
                return withinMs;
            }

            @Override
            public boolean isSo(CheckRun run) {
                return run.isOn(output) == on;
            }

            @Override
            public void say(CheckWords words, String at) {
                words.output(output, on, "is ", at);
                words.text(" within ");
                words.slot(String.valueOf(withinMs), at + "/withinMs", Kind.MILLISECONDS, "ms");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.output(output, at);
                look.milliseconds(withinMs, at);
            }
        }

        /** All the time. */
        record Stays(OutputId output, boolean on, int seconds) implements Then {
            @Override
            public long spanMs() {
                return seconds * 1000L;
            }

            @Override
            public boolean isSo(CheckRun run) {
                return run.isOn(output) == on;
            }

            @Override
            public boolean holdsAlways() {
                return true;
            }

            @Override
            public void say(CheckWords words, String at) {
                words.output(output, on, "stays ", at);
                words.text(" for ");
                words.slot(String.valueOf(seconds), at + "/seconds", Kind.SECONDS, "s");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.output(output, at);
                look.seconds(seconds, at);
            }
        }

        /** The hub takes it for what it is. */
        record HubKnows(OutputId output, int withinMs) implements Then {
            @Override
            public long spanMs() {
                return withinMs;
            }

            @Override
            public boolean isSo(CheckRun run) {
                return run.hubKnows(output);
            }

            @Override
            public boolean countsToTheEnd() {
                return true;
            }

            @Override
            public void say(CheckWords words, String at) {
                words.text("the hub knows what ");
                words.output(output, at);
                words.text(" is within ");
                words.slot(String.valueOf(withinMs), at + "/withinMs", Kind.MILLISECONDS, "ms");
            }

            @Override
            public void look(CheckReferences look, String at) {
                look.output(output, at);
                look.milliseconds(withinMs, at);
            }
        }
    }
}
