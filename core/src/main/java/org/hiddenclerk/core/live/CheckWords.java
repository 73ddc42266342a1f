package org.hiddenclerk.core.live;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.SentencePart.Kind;
import org.hiddenclerk.core.rules.Trigger;

/** Checks as sentences. */
public final class CheckWords {
    private final LivePlan plan;
    private final List<SentencePart> pieces = new ArrayList<>();

    private CheckWords(LivePlan plan) {
        this.plan = plan;
    }

    /** The sentence of a check, in pieces; pointers are within the check. */
    public static List<SentencePart> of(LivePlan plan, Check check) {
        CheckWords words = new CheckWords(plan);
        words.text(check.givens().isEmpty() ? "" : "Given ");
        for (int i = 0; i < check.givens().size(); i++) {
            words.text(i == 0 ? "" : " and ");
            check.givens().get(i).say(words, "/givens/" + i);
        }
        words.text(check.givens().isEmpty() ? "When " : ", when ");
        for (int i = 0; i < check.whens().size(); i++) {
            words.text(i == 0 ? "" : ", then ");
            check.whens().get(i).say(words, "/whens/" + i);
        }
        words.text(check.whens().isEmpty() ? "nothing happens, then " : ", then ");
        for (int i = 0; i < check.thens().size(); i++) {
            words.text(i == 0 ? "" : " and ");
            check.thens().get(i).say(words, "/thens/" + i);
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
            check.whens().get(i).say(words, "");
            parts.put("/whens/" + i, "when " + SentencePart.plain(words.pieces));
        }
        for (int i = 0; i < check.thens().size(); i++) {
            parts.put("/thens/" + i, "then " + of(plan, check.thens().get(i)));
        }
        return parts;
    }

    static String of(LivePlan plan, Check.Given given) {
        CheckWords words = new CheckWords(plan);
        given.say(words, "");
        return SentencePart.plain(words.pieces);
    }

    static String of(LivePlan plan, Check.Then then) {
        CheckWords words = new CheckWords(plan);
        then.say(words, "");
        return SentencePart.plain(words.pieces);
    }

    void text(String words) {
        if (!words.isEmpty()) {
            pieces.add(SentencePart.text(words));
        }
    }

    void slot(String words, String pointer, Kind kind, String unit) {
        pieces.add(SentencePart.slot(words, pointer, kind, unit));
    }

    void slot(String words, String pointer, Kind kind) {
        slot(words, pointer, kind, "");
    }

    void worked(SwitchId at, String pointer) {
        slot(plan.nameOf(at), pointer + "/at", Kind.SWITCH);
    }

    void output(OutputId output, String at) {
        slot(plan.nameOf(output), at + "/output", Kind.OUTPUT);
    }

    void output(OutputId output, boolean on, String verb, String at) {
        output(output, at);
        text(" " + verb);
        slot(on ? "on" : "off", at + "/on", Kind.ON_OFF);
    }

    void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
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

    void part(String part, String at) {
        slot(Parts.find(plan.house(), part).map(CheckWords::of).orElse(part), at + "/part", Kind.PART);
    }
}
