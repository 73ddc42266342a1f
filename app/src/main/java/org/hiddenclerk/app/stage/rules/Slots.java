package org.hiddenclerk.app.stage.rules;

import java.time.DayOfWeek;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.hiddenclerk.app.stage.rules.RulesViews.SlotChoice;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.schedule.Schedule;

/** What may be put into a slot of a sentence; values are JSON as they stand in the rule. */
public final class Slots {
    private Slots() {}

    /** Choices of a slot; none where anything may be typed. */
    public static List<SlotChoice> choices(RuledHouse house, SentencePart.Kind kind) {
        return switch (kind) {
            case OUTPUT, OUTPUTS -> named(house.outputs(), Device.Output::name);
            case CONTROL -> named(house.controls(), Device.Control::name);
            case SENSOR -> named(house.sensors(), Device.Sensor::name);
            case DEVICE ->
                house.devices().stream()
                        .map(device -> new SlotChoice(device.id().text(), device.name()))
                        .toList();
            case GESTURE -> of(Device.Gesture.values(), Device.Gesture::words);
            case READING ->
                of(
                        Trigger.Reading.values(),
                        reading -> reading.words() + (reading.unit().isEmpty() ? "" : " (" + reading.unit() + ")"));
            case TO ->
                of(Trigger.To.values(), to -> switch (to) {
                    case ON -> "goes on";
                    case OFF -> "goes off";
                    case ANY -> "changes";
                });
            case COMMAND ->
                of(Action.Command.values(), command -> switch (command) {
                    case ON -> "goes on";
                    case OFF -> "goes off";
                    case TOGGLE -> "changes over";
                });
            case MOTION ->
                of(
                        Motion.values(),
                        motion -> motion == Motion.STOP
                                ? "stops"
                                : "goes " + motion.name().toLowerCase(java.util.Locale.ROOT));
            case SUN -> of(Schedule.SunEvent.values(), Schedule.SunEvent::label);
            case DAYS ->
                of(
                        DayOfWeek.values(),
                        day -> day.getDisplayName(java.time.format.TextStyle.FULL, java.util.Locale.ENGLISH));
            case HOME -> yesNo("somebody comes home, or is home", "nobody is home, or the last one leaves");
            case DARK -> yesNo("it is dark", "it is light outside");
            case ON_OFF -> yesNo("on", "off");
            case BY_HAND -> yesNo("by a hand on the switch", "by whatever it may be");
            case MINUTES,
                    SECONDS,
                    MILLISECONDS,
                    PERCENT,
                    PERCENTS,
                    FIGURE,
                    TIME,
                    OFFSET,
                    RULE_TEXT,
                    DATE_TIME,
                    SEED,
                    KEY,
                    VALUE -> List.of();
            // Slots of checks, which speak of a house that runs.
            case SWITCH, DOING, PART -> List.of();
        };
    }

    private static <T> List<SlotChoice> named(Map<? extends HouseId, T> things, Function<T, String> name) {
        return things.entrySet().stream()
                .map(e -> new SlotChoice(e.getKey().text(), name.apply(e.getValue())))
                .toList();
    }

    private static <E extends Enum<E>> List<SlotChoice> of(E[] values, Function<E, String> label) {
        return Arrays.stream(values)
                .map(value -> new SlotChoice(value.name(), label.apply(value)))
                .toList();
    }

    private static List<SlotChoice> yesNo(String yes, String no) {
        return List.of(new SlotChoice("true", yes), new SlotChoice("false", no));
    }
}
