package org.hiddenclerk.core.rules;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.schedule.Schedule;

/** What a rule may be put together from, each drafted on the first suitable thing of the house; slots say the rest. */
public enum RulePart {
    WHEN_USED("or when a switch is used"),
    WHEN_CHANGES("or when an output changes"),
    WHEN_SENSED("or when a sensor says something"),
    WHEN_TIME("or at a time of the clock"),
    WHEN_SUN("or when the sun rises or sets"),
    WHEN_HOUSEHOLD("or when somebody comes or goes"),
    WHILE_OUTPUT("only while an output is on or off"),
    WHILE_TIME("only between two times"),
    WHILE_DARK("only while it is dark or light"),
    WHILE_HOME("only while somebody or nobody is home"),
    WHILE_SENSOR("only while a sensor says something"),
    THEN_TURN("and switch an output"),
    THEN_LEVEL("and dim an output"),
    THEN_ALL_OFF("and switch all lights off"),
    THEN_RUN_ON("and let an output run on for a while"),
    THEN_PULSE("and give a pulse"),
    THEN_FOLLOW("and let an output follow another");

    private static final LocalTime EVENING = LocalTime.of(22, 0);
    private static final LocalTime MORNING = LocalTime.of(6, 0);
    private static final int HALF = 50;
    private static final int RUN_ON_SECONDS = 180;
    private static final int PULSE_MS = 500;

    private final String words;

    RulePart(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** A rule to begin with: the first switch changes the last output over; empty in a house without any. */
    public static Optional<Rule> draft(RuledHouse house, String id) {
        List<OutputId> outputs = List.copyOf(house.outputs().keySet());
        return house.controls().values().stream()
                .findFirst()
                .filter(control -> !outputs.isEmpty())
                .map(control -> new Rule(
                        id,
                        "A rule of our own",
                        Rule.RunsOn.HUB,
                        List.of(new Trigger.Used(control.id(), control.leading())),
                        List.of(),
                        List.of(new Rule.Deed(
                                new Action.Turn(outputs.get(outputs.size() - 1), Action.Command.TOGGLE), 0)),
                        true));
    }

    /** The rule with this added; empty where the house lacks what it takes. */
    public Optional<Rule> addTo(Rule rule, RuledHouse house) {
        Optional<OutputId> output = house.outputs().keySet().stream().findFirst();
        Optional<Device.Sensor> sensor = house.sensors().values().stream().findFirst();
        Set<DayOfWeek> days = EnumSet.allOf(DayOfWeek.class);
        return switch (this) {
            case WHEN_USED ->
                house.controls().values().stream()
                        .findFirst()
                        .map(control -> when(rule, new Trigger.Used(control.id(), control.leading())));
            case WHEN_CHANGES -> output.map(id -> when(rule, new Trigger.Changes(id, Trigger.To.ON, false)));
            case WHEN_SENSED -> sensor.map(each -> when(rule, new Trigger.Sensed(each.id(), reading(each), 0)));
            case WHEN_TIME -> Optional.of(when(rule, new Trigger.Due(new Schedule.Daily(EVENING, days))));
            case WHEN_SUN ->
                Optional.of(when(rule, new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 0, days))));
            case WHEN_HOUSEHOLD -> Optional.of(when(rule, new Trigger.Household(false)));
            case WHILE_OUTPUT -> output.map(id -> only(rule, new Guard.OutputIs(id, true)));
            case WHILE_TIME -> Optional.of(only(rule, new Guard.TimeBetween(EVENING, MORNING)));
            case WHILE_DARK -> Optional.of(only(rule, new Guard.Dark(true)));
            case WHILE_HOME -> Optional.of(only(rule, new Guard.SomebodyHome(true)));
            case WHILE_SENSOR -> sensor.map(each -> only(rule, new Guard.SensorSays(each.id(), reading(each), 0)));
            case THEN_TURN -> output.map(id -> then(rule, new Action.Turn(id, Action.Command.ON)));
            case THEN_LEVEL ->
                house.outputs().values().stream()
                        .filter(Device.Output::dims)
                        .findFirst()
                        .map(each -> then(rule, new Action.SetLevel(each.id(), HALF)));
            case THEN_ALL_OFF -> Optional.of(then(rule, new Action.AllOff(Set.of())));
            case THEN_RUN_ON -> output.map(id -> then(rule, new Action.RunOn(id, RUN_ON_SECONDS)));
            case THEN_PULSE -> output.map(id -> then(rule, new Action.Pulse(id, PULSE_MS)));
            case THEN_FOLLOW ->
                house.outputs().keySet().stream()
                        .skip(1)
                        .findFirst()
                        .map(id -> then(rule, new Action.Follow(id, output.orElseThrow())));
        };
    }

    private static Trigger.Reading reading(Device.Sensor sensor) {
        return Arrays.stream(Trigger.Reading.values())
                .filter(reading -> reading.senses() == sensor.senses())
                .findFirst()
                .orElseThrow();
    }

    private static Rule when(Rule rule, Trigger trigger) {
        return new Rule(
                rule.id(),
                rule.name(),
                rule.on(),
                and(rule.triggers(), trigger),
                rule.guards(),
                rule.deeds(),
                rule.enabled());
    }

    private static Rule only(Rule rule, Guard guard) {
        return new Rule(
                rule.id(),
                rule.name(),
                rule.on(),
                rule.triggers(),
                and(rule.guards(), guard),
                rule.deeds(),
                rule.enabled());
    }

    private static Rule then(Rule rule, Action action) {
        return new Rule(
                rule.id(),
                rule.name(),
                rule.on(),
                rule.triggers(),
                rule.guards(),
                and(rule.deeds(), new Rule.Deed(action, 0)),
                rule.enabled());
    }

    private static <T> List<T> and(List<T> before, T more) {
        List<T> all = new ArrayList<>(before);
        all.add(more);
        return all;
    }
}
