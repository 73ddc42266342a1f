package org.hiddenclerk.core.live;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Piece;
import org.hiddenclerk.core.rules.Piece.Kind;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Trigger;

/** Checks as sentences. */
public final class CheckWords {
    private final LivePlan plan;
    private final List<Piece> pieces = new ArrayList<>();

    private CheckWords(LivePlan plan) {
        this.plan = plan;
    }

    /** The sentence of a check, in pieces; pointers are within the check. */
    public static List<Piece> of(LivePlan plan, Check check) {
        CheckWords words = new CheckWords(plan);
        words.text(check.givens().isEmpty() ? "" : "Given ");
        for (int i = 0; i < check.givens().size(); i++) {
            words.text(i == 0 ? "" : " and ");
            words.given(check.givens().get(i), "/givens/" + i);
        }
        words.text(check.givens().isEmpty() ? "When " : ", when ");
        for (int i = 0; i < check.whens().size(); i++) {
            words.text(i == 0 ? "" : ", then ");
            words.when(check.whens().get(i), "/whens/" + i);
        }
        words.text(check.whens().isEmpty() ? "nothing happens, then " : ", then ");
        for (int i = 0; i < check.thens().size(); i++) {
            words.text(i == 0 ? "" : " and ");
            words.then(check.thens().get(i), "/thens/" + i);
        }
        words.text(".");
        return List.copyOf(words.pieces);
    }

    /** Parts of a check in words, by their pointers. */
    public static Map<String, String> parts(LivePlan plan, Check check) {
        Map<String, String> parts = new LinkedHashMap<>();
        for (int i = 0; i < check.givens().size(); i++) {
            parts.put("/givens/" + i, "given " + of(plan, check.givens().get(i)));
        }
        for (int i = 0; i < check.whens().size(); i++) {
            CheckWords words = new CheckWords(plan);
            words.when(check.whens().get(i), "");
            parts.put("/whens/" + i, "when " + Piece.plain(words.pieces));
        }
        for (int i = 0; i < check.thens().size(); i++) {
            parts.put("/thens/" + i, "then " + of(plan, check.thens().get(i)));
        }
        return parts;
    }

    static String of(LivePlan plan, Check.Given given) {
        CheckWords words = new CheckWords(plan);
        words.given(given, "");
        return Piece.plain(words.pieces);
    }

    static String of(LivePlan plan, Check.Then then) {
        CheckWords words = new CheckWords(plan);
        words.then(then, "");
        return Piece.plain(words.pieces);
    }

    private void text(String words) {
        if (!words.isEmpty()) {
            pieces.add(Piece.text(words));
        }
    }

    private void slot(String words, String pointer, Kind kind, String unit) {
        pieces.add(Piece.slot(words, pointer, kind, unit));
    }

    private void slot(String words, String pointer, Kind kind) {
        slot(words, pointer, kind, "");
    }

    private void given(Check.Given given, String at) {
        if (given instanceof Check.Given.OutputIs is) {
            output(is.output(), is.on(), "is ", at);
        } else if (given instanceof Check.Given.Dark dark) {
            text("it is ");
            slot(dark.dark() ? "dark" : "light", at + "/dark", Kind.DARK);
        } else if (given instanceof Check.Given.SomebodyHome home) {
            slot(home.home() ? "somebody" : "nobody", at + "/home", Kind.HOME);
            text(" is home");
        } else if (given instanceof Check.Given.ClockShows clock) {
            text("it is ");
            slot(clock.time().toString(), at + "/time", Kind.TIME);
        } else if (given instanceof Check.Given.SensorSays says) {
            sensor(says.sensor(), says.reading(), says.figure(), at);
        } else if (given instanceof Check.Given.Down down) {
            part(down.part(), at);
            text(" is down");
        }
    }

    private void when(Check.When when, String at) {
        if (when instanceof Check.When.Worked worked) {
            slot(plan.nameOf(worked.at()), at + "/at", Kind.SWITCH);
            text(" ");
            slot(worked.doing().words(), at + "/doing", Kind.DOING);
        } else if (when instanceof Check.When.Ordered ordered) {
            slot(plan.nameOf(ordered.output()), at + "/output", Kind.OUTPUT);
            text(" is switched ");
            slot(ordered.on() ? "on" : "off", at + "/on", Kind.ON_OFF);
            text(" by remote");
        } else if (when instanceof Check.When.Senses senses) {
            sensor(senses.sensor(), senses.reading(), senses.figure(), at);
        } else if (when instanceof Check.When.Household household) {
            slot(household.comes() ? "somebody comes home" : "the last one leaves", at + "/comes", Kind.HOME);
        } else if (when instanceof Check.When.ClockComesTo clock) {
            text("it gets ");
            slot(clock.time().toString(), at + "/time", Kind.TIME);
        } else if (when instanceof Check.When.Fails fails) {
            part(fails.part(), at);
            text(" fails");
        } else if (when instanceof Check.When.ComesBack back) {
            part(back.part(), at);
            text(" comes back");
        } else if (when instanceof Check.When.Passes passes) {
            slot(String.valueOf(passes.seconds()), at + "/seconds", Kind.SECONDS, "s");
            text(" pass");
        }
    }

    private void then(Check.Then then, String at) {
        if (then instanceof Check.Then.Becomes becomes) {
            output(becomes.output(), becomes.on(), "is ", at);
            text(" within ");
            slot(String.valueOf(becomes.withinMs()), at + "/withinMs", Kind.MILLISECONDS, "ms");
        } else if (then instanceof Check.Then.Stays stays) {
            output(stays.output(), stays.on(), "stays ", at);
            text(" for ");
            slot(String.valueOf(stays.seconds()), at + "/seconds", Kind.SECONDS, "s");
        } else if (then instanceof Check.Then.HubKnows knows) {
            text("the hub knows what ");
            slot(plan.nameOf(knows.output()), at + "/output", Kind.OUTPUT);
            text(" is within ");
            slot(String.valueOf(knows.withinMs()), at + "/withinMs", Kind.MILLISECONDS, "ms");
        }
    }

    private void output(OutputId output, boolean on, String verb, String at) {
        slot(plan.nameOf(output), at + "/output", Kind.OUTPUT);
        text(" " + verb);
        slot(on ? "on" : "off", at + "/on", Kind.ON_OFF);
    }

    private void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
        slot(plan.nameOf(sensor), at + "/sensor", Kind.SENSOR);
        text(" ");
        slot(reading.words(), at + "/reading", Kind.READING);
        if (!reading.unit().isEmpty()) {
            text(" ");
            slot(String.valueOf(figure), at + "/figure", Kind.FIGURE, reading.unit());
        }
    }

    /** A module goes by its name, everything else by what it is. */
    private static String of(Reach.Part part) {
        return part.kind() == Reach.Part.Kind.MODULE ? part.words() : "the " + part.words();
    }

    private void part(String part, String at) {
        slot(Parts.find(plan.house(), part).map(CheckWords::of).orElse(part), at + "/part", Kind.PART);
    }
}
