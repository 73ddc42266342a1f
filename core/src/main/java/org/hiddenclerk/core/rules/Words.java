package org.hiddenclerk.core.rules;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Piece.Kind;
import org.hiddenclerk.core.schedule.Schedule;

/** Rules as sentences in plain English, made from the model and never the other way round. */
public final class Words {
    private final RuledHouse house;
    private final List<Piece> pieces = new ArrayList<>();

    private Words(RuledHouse house) {
        this.house = house;
    }

    /** The sentence of a rule, in pieces. */
    public static List<Piece> of(RuledHouse house, Rule rule) {
        Words words = new Words(house);
        words.text("When ");
        for (int i = 0; i < rule.triggers().size(); i++) {
            words.text(i == 0 ? "" : ", or when ");
            words.trigger(rule.triggers().get(i), "/triggers/" + i);
        }
        for (int i = 0; i < rule.guards().size(); i++) {
            words.text(i == 0 ? ", but only while " : " and while ");
            words.guard(rule.guards().get(i), "/guards/" + i);
        }
        words.text(", then ");
        for (int i = 0; i < rule.deeds().size(); i++) {
            words.text(i == 0 ? "" : i == rule.deeds().size() - 1 ? ", and " : ", ");
            words.action(rule.deeds().get(i).action(), "/deeds/" + i + "/action");
            if (rule.deeds().get(i).afterSeconds() > 0) {
                words.text(" after ");
                words.slot(String.valueOf(rule.deeds().get(i).afterSeconds()), "/deeds/" + i + "/afterSeconds", Kind.SECONDS, "s");
            }
        }
        words.text(".");
        return List.copyOf(words.pieces);
    }

    /** Parts of a rule in words, by their pointers. */
    public static Map<String, String> parts(RuledHouse house, Rule rule) {
        Map<String, String> parts = new LinkedHashMap<>();
        for (int i = 0; i < rule.triggers().size(); i++) {
            parts.put("/triggers/" + i, "when " + of(house, rule.triggers().get(i)));
        }
        for (int i = 0; i < rule.guards().size(); i++) {
            Words words = new Words(house);
            words.guard(rule.guards().get(i), "");
            parts.put("/guards/" + i, "only while " + Piece.plain(words.pieces));
        }
        for (int i = 0; i < rule.deeds().size(); i++) {
            Words words = new Words(house);
            words.action(rule.deeds().get(i).action(), "");
            parts.put("/deeds/" + i, "then " + Piece.plain(words.pieces));
        }
        return parts;
    }

    /** A trigger, within a sentence. */
    static String of(RuledHouse house, Trigger trigger) {
        Words words = new Words(house);
        words.trigger(trigger, "");
        return Piece.plain(words.pieces);
    }

    /** The sentence of a link. */
    public static String of(RuledHouse house, Link link) {
        return house.nameOf(link.control()) + " " + link.effect().words() + " " + house.nameOf(link.output()) + " " + link.way().words() + (link.throughGroup()
                ? ", through a group" : "") + ".";
    }

    private void text(String words) {
        if (!words.isEmpty()) {
            pieces.add(Piece.text(words));
        }
    }

    private void slot(String words, String pointer, Kind kind) {
        pieces.add(Piece.slot(words, pointer, kind));
    }

    private void slot(String words, String pointer, Kind kind, String unit) {
        pieces.add(Piece.slot(words, pointer, kind, unit));
    }

    private void named(HouseId id, String pointer, Kind kind) {
        slot(house.nameOf(id), pointer, kind);
    }

    private void trigger(Trigger trigger, String at) {
        if (trigger instanceof Trigger.Changes changes) {
            named(changes.output(), at + "/output", Kind.OUTPUT);
            text(" ");
            slot(switch (changes.to()) {
                case ON -> "goes on";
                case OFF -> "goes off";
                case ANY -> "changes";
            }, at + "/to", Kind.TO);
            text(" ");
            slot(changes.byHandOnly() ? "by a hand on the switch" : "by whatever it may be", at + "/byHandOnly", Kind.BY_HAND);
        } else if (trigger instanceof Trigger.Used used) {
            named(used.control(), at + "/control", Kind.CONTROL);
            text(" ");
            slot(used.gesture().words(), at + "/gesture", Kind.GESTURE);
        } else if (trigger instanceof Trigger.Sensed sensed) {
            sensor(sensed.sensor(), sensed.reading(), sensed.figure(), at);
        } else if (trigger instanceof Trigger.Household household) {
            slot(household.comes() ? "somebody comes home" : "the last one leaves", at + "/comes", Kind.HOME);
        } else {
            schedule(((Trigger.Due) trigger).schedule(), at + "/schedule");
        }
    }

    private void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
        named(sensor, at + "/sensor", Kind.SENSOR);
        text(" ");
        slot(reading.words(), at + "/reading", Kind.READING);
        if (!reading.unit().isEmpty()) {
            text(" ");
            slot(String.valueOf(figure), at + "/figure", Kind.FIGURE, reading.unit());
        }
    }

    private void schedule(Schedule schedule, String at) {
        if (schedule instanceof Schedule.Daily daily) {
            text("it is ");
            time(daily.at(), at + "/at");
            days(daily.days(), at);
        } else if (schedule instanceof Schedule.BySun sun) {
            text("it is ");
            slot(Math.abs(sun.offsetMinutes()) + " min " + (sun.offsetMinutes() < 0 ? "before" : "after"), at + "/offsetMinutes", Kind.OFFSET);
            text(" ");
            slot(sun.event().label(), at + "/event", Kind.SUN);
            days(sun.days(), at);
        } else if (schedule instanceof Schedule.Recurring recurring) {
            text("it is due, from ");
            slot(recurring.first().toString(), at + "/first", Kind.DATE_TIME);
            text(" on by ");
            slot(recurring.rule(), at + "/rule", Kind.RULE_TEXT);
        }
    }

    private void time(LocalTime time, String pointer) {
        slot(time.toString(), pointer, Kind.TIME);
    }

    private void days(Set<DayOfWeek> days, String at) {
        text(" ");
        slot(days.size() == 7 ? "every day" : "on " + days.stream().map(day -> day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH)).collect(Collectors.joining(", ")), at + "/days",
                Kind.DAYS);
    }

    private void guard(Guard guard, String at) {
        if (guard instanceof Guard.OutputIs is) {
            named(is.output(), at + "/output", Kind.OUTPUT);
            text(" is ");
            slot(is.on() ? "on" : "off", at + "/on", Kind.ON_OFF);
        } else if (guard instanceof Guard.TimeBetween between) {
            text("it is between ");
            time(between.from(), at + "/from");
            text(" and ");
            time(between.to(), at + "/to");
        } else if (guard instanceof Guard.Dark dark) {
            slot(dark.dark() ? "it is dark" : "it is light outside", at + "/dark", Kind.DARK);
        } else if (guard instanceof Guard.SomebodyHome home) {
            slot(home.home() ? "somebody is home" : "nobody is home", at + "/home", Kind.HOME);
        } else if (guard instanceof Guard.SensorSays says) {
            sensor(says.sensor(), says.reading(), says.figure(), at);
        }
    }

    private void action(Action action, String at) {
        if (action instanceof Action.Turn turn) {
            named(turn.output(), at + "/output", Kind.OUTPUT);
            text(" ");
            slot(switch (turn.command()) {
                case ON -> "goes on";
                case OFF -> "goes off";
                case TOGGLE -> "changes over";
            }, at + "/command", Kind.COMMAND);
        } else if (action instanceof Action.SetLevel set) {
            named(set.output(), at + "/output", Kind.OUTPUT);
            text(" goes to ");
            slot(String.valueOf(set.percent()), at + "/percent", Kind.PERCENT, "%");
        } else if (action instanceof Action.AllOff off) {
            text("all lights go off, except ");
            slot(off.except().isEmpty() ? "none" : names(off.except()), at + "/except", Kind.OUTPUTS);
        } else if (action instanceof Action.Step step) {
            named(step.output(), at + "/output", Kind.OUTPUT);
            text(" goes on to the next of ");
            slot(step.percents().stream().map(String::valueOf).collect(Collectors.joining(", ")), at + "/percents", Kind.PERCENTS, "%");
        } else if (action instanceof Action.DimToggle toggle) {
            named(toggle.output(), at + "/output", Kind.OUTPUT);
            text(" goes to ");
            slot(String.valueOf(toggle.low()), at + "/low", Kind.PERCENT, "%");
            text(" if it is above ");
            slot(String.valueOf(toggle.threshold()), at + "/threshold", Kind.PERCENT, "%");
            text(" and to ");
            slot(String.valueOf(toggle.high()), at + "/high", Kind.PERCENT, "%");
            text(" otherwise");
        } else if (action instanceof Action.AtLeast least) {
            named(least.output(), at + "/output", Kind.OUTPUT);
            text(" is no dimmer than ");
            slot(String.valueOf(least.percent()), at + "/percent", Kind.PERCENT, "%");
        } else if (action instanceof Action.Pulse pulse) {
            named(pulse.output(), at + "/output", Kind.OUTPUT);
            text(" goes on for ");
            slot(String.valueOf(pulse.ms()), at + "/ms", Kind.MILLISECONDS, "ms");
        } else {
            longAction(action, at);
        }
    }

    private void longAction(Action action, String at) {
        if (action instanceof Action.Move move) {
            named(move.output(), at + "/output", Kind.OUTPUT);
            text(" ");
            slot(move.motion() == Motion.STOP ? "stops" : "goes " + move.motion().name().toLowerCase(Locale.ROOT), at + "/motion", Kind.MOTION);
            text(", for ");
            slot(String.valueOf(move.ms()), at + "/ms", Kind.MILLISECONDS, "ms");
        } else if (action instanceof Action.Follow follow) {
            named(follow.output(), at + "/output", Kind.OUTPUT);
            text(" becomes what ");
            named(follow.source(), at + "/source", Kind.OUTPUT);
            text(" is");
        } else if (action instanceof Action.RunOn run) {
            named(run.output(), at + "/output", Kind.OUTPUT);
            text(" runs for ");
            slot(String.valueOf(run.seconds()), at + "/seconds", Kind.SECONDS, "s");
        } else if (action instanceof Action.Pretend pretend) {
            slot(names(pretend.outputs()), at + "/outputs", Kind.OUTPUTS);
            text(" go on and off as if somebody were home, for ");
            slot(String.valueOf(pretend.leastMinutes()), at + "/leastMinutes", Kind.MINUTES, "min");
            text(" to ");
            slot(String.valueOf(pretend.mostMinutes()), at + "/mostMinutes", Kind.MINUTES, "min");
            text(", drawn by ");
            slot(String.valueOf(pretend.seed()), at + "/seed", Kind.SEED);
        } else if (action instanceof Action.WriteSetting write) {
            text("the setting ");
            slot(write.key(), at + "/key", Kind.KEY);
            text(" is written as ");
            slot(write.value(), at + "/value", Kind.VALUE);
        }
    }

    private String names(Collection<OutputId> outputs) {
        return outputs.stream().map(house::nameOf).collect(Collectors.joining(", "));
    }
}
