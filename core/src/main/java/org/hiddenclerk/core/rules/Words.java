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
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.SentencePart.Kind;
import org.hiddenclerk.core.schedule.Schedule;

/** Rules as sentences in plain English, made from the model and never the other way round. */
public final class Words {
    private final RuledHouse house;
    private final List<SentencePart> pieces = new ArrayList<>();

    private Words(RuledHouse house) {
        this.house = house;
    }

    /** The sentence of a rule, in pieces. */
    public static List<SentencePart> of(RuledHouse house, Rule rule) {
        Words words = new Words(house);
        words.text("When ");
        for (int i = 0; i < rule.triggers().size(); i++) {
            words.text(i == 0 ? "" : ", or when ");
            rule.triggers().get(i).say(words, "/triggers/" + i);
        }
        for (int i = 0; i < rule.guards().size(); i++) {
            words.text(i == 0 ? ", but only while " : " and while ");
            rule.guards().get(i).say(words, "/guards/" + i);
        }
        words.text(", then ");
        for (int i = 0; i < rule.deeds().size(); i++) {
            words.text(i == 0 ? "" : i == rule.deeds().size() - 1 ? ", and " : ", ");
            rule.deeds().get(i).action().say(words, "/deeds/" + i + "/action");
            if (rule.deeds().get(i).afterSeconds() > 0) {
                words.text(" after ");
                words.slot(
                        String.valueOf(rule.deeds().get(i).afterSeconds()),
                        "/deeds/" + i + "/afterSeconds",
                        Kind.SECONDS,
                        "s");
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
            rule.guards().get(i).say(words, "");
            parts.put("/guards/" + i, "only while " + SentencePart.plain(words.pieces));
        }
        for (int i = 0; i < rule.deeds().size(); i++) {
            Words words = new Words(house);
            rule.deeds().get(i).action().say(words, "");
            parts.put("/deeds/" + i, "then " + SentencePart.plain(words.pieces));
        }
        return parts;
    }

    /** A trigger, within a sentence. */
    static String of(RuledHouse house, Trigger trigger) {
        Words words = new Words(house);
        trigger.say(words, "");
        return SentencePart.plain(words.pieces);
    }

    /** The sentence of a link. */
    public static String of(RuledHouse house, Link link) {
        return house.nameOf(link.control()) + " " + link.effect().words() + " " + house.nameOf(link.output()) + " "
                + link.way().words() + (link.throughGroup() ? ", through a group" : "") + ".";
    }

    void text(String words) {
        if (!words.isEmpty()) {
            pieces.add(SentencePart.text(words));
        }
    }

    void slot(String words, String pointer, Kind kind) {
        pieces.add(SentencePart.slot(words, pointer, kind));
    }

    void slot(String words, String pointer, Kind kind, String unit) {
        pieces.add(SentencePart.slot(words, pointer, kind, unit));
    }

    void named(HouseId id, String pointer, Kind kind) {
        slot(house.nameOf(id), pointer, kind);
    }

    void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
        named(sensor, at + "/sensor", Kind.SENSOR);
        text(" ");
        slot(reading.words(), at + "/reading", Kind.READING);
        if (!reading.unit().isEmpty()) {
            text(" ");
            slot(String.valueOf(figure), at + "/figure", Kind.FIGURE, reading.unit());
        }
    }

    void schedule(Schedule schedule, String at) {
        if (schedule instanceof Schedule.Daily daily) {
            text("it is ");
            time(daily.at(), at + "/at");
            days(daily.days(), at);
        } else if (schedule instanceof Schedule.BySun sun) {
            text("it is ");
            slot(
                    Math.abs(sun.offsetMinutes()) + " min " + (sun.offsetMinutes() < 0 ? "before" : "after"),
                    at + "/offsetMinutes",
                    Kind.OFFSET);
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

    void time(LocalTime time, String pointer) {
        slot(time.toString(), pointer, Kind.TIME);
    }

    private void days(Set<DayOfWeek> days, String at) {
        text(" ");
        slot(
                days.size() == 7
                        ? "every day"
                        : "on "
                                + days.stream()
                                        .map(day -> day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH))
                                        .collect(Collectors.joining(", ")),
                at + "/days",
                Kind.DAYS);
    }

    String names(Collection<OutputId> outputs) {
        return outputs.stream().map(house::nameOf).collect(Collectors.joining(", "));
    }
}
