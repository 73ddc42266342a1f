package org.hiddenclerk.core.rules;

import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Action.Command;
import org.hiddenclerk.core.rules.Device.Drives;
import org.hiddenclerk.core.rules.Device.Gesture;
import org.hiddenclerk.core.rules.Device.Senses;
import org.hiddenclerk.core.rules.Rule.Deed;
import org.hiddenclerk.core.rules.Rule.RunsOn;
import org.hiddenclerk.core.rules.Trigger.Reading;
import org.hiddenclerk.core.rules.Trigger.To;
import org.hiddenclerk.core.schedule.Schedule;

/**
 * Automations that houses ask for, drafted on what a house has; every slot can be filled otherwise. Figures are
 * common practice, no source.
 */
public enum Recipe {
    PRESENCE("Light while somebody is in the room", "a motion sensor, a door sensor and a light") {
        @Override
        List<Rule> make(Parts parts) {
            SensorId motion = parts.sensor(Senses.MOTION);
            SensorId door = parts.sensor(Senses.DOOR);
            OutputId light = parts.light();
            return List.of(
                    rule(
                            "comes",
                            "Somebody comes in",
                            List.of(
                                    new Trigger.Sensed(motion, Reading.MOVES, 0),
                                    new Trigger.Sensed(door, Reading.OPENS, 0)),
                            List.of(new Guard.Dark(true)),
                            new Action.Turn(light, Command.ON)),
                    rule(
                            "gone",
                            "The room is empty",
                            List.of(new Trigger.Sensed(motion, Reading.STILL, 10)),
                            List.of(),
                            new Action.Turn(light, Command.OFF)));
        }
    },
    PRESENCE_HEATING("Heat while somebody is in the room", "a motion sensor and a heater") {
        @Override
        List<Rule> make(Parts parts) {
            SensorId motion = parts.sensor(Senses.MOTION);
            OutputId heater = parts.output(Drives.HEATER);
            return List.of(
                    rule(
                            "warm",
                            "Somebody is in the cold room",
                            List.of(new Trigger.Sensed(motion, Reading.MOVES, 0)),
                            List.of(new Guard.TimeBetween(LocalTime.of(6, 0), LocalTime.of(22, 0))),
                            new Action.Turn(heater, Command.ON)),
                    rule(
                            "cool",
                            "The room was left",
                            List.of(new Trigger.Sensed(motion, Reading.STILL, 30)),
                            List.of(),
                            new Action.Turn(heater, Command.OFF)));
        }
    },
    ALL_OFF("All off except", "a control and lights") {
        @Override
        List<Rule> make(Parts parts) {
            Device.Control control = parts.control();
            return List.of(rule(
                    "all-off",
                    "All off",
                    List.of(new Trigger.Used(
                            control.id(),
                            control.gestures().contains(Gesture.LONG) ? Gesture.LONG : parts.gesture(control))),
                    List.of(),
                    new Action.AllOff(Set.of())));
        }
    },
    LEAVING("Everything off when the last one leaves", "lights") {
        @Override
        List<Rule> make(Parts parts) {
            return List.of(rule(
                    "leaving",
                    "Leaving home",
                    List.of(new Trigger.Household(false)),
                    List.of(),
                    new Action.AllOff(Set.of())));
        }
    },
    AWAY("As if somebody were home", "lights") {
        @Override
        List<Rule> make(Parts parts) {
            return List.of(rule(
                    "away",
                    "As if somebody were home",
                    List.of(new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 15, Set.of()))),
                    List.of(new Guard.SomebodyHome(false)),
                    new Action.Pretend(parts.someLights(), 2026, 10, 50)));
        }
    },
    SUN("Light at sunset", "a light") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId light = parts.light();
            return List.of(
                    rule(
                            "dusk",
                            "Evening light",
                            List.of(new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, -15, Set.of()))),
                            List.of(),
                            new Action.Turn(light, Command.ON)),
                    rule(
                            "late",
                            "Evening light off",
                            List.of(new Trigger.Due(new Schedule.Daily(LocalTime.of(23, 0), Set.of()))),
                            List.of(),
                            new Action.Turn(light, Command.OFF)));
        }
    },
    LATE_LOW("Low light late at night", "a motion sensor and a light that dims") {
        @Override
        List<Rule> make(Parts parts) {
            SensorId motion = parts.sensor(Senses.MOTION);
            OutputId light = parts.dimmed();
            return List.of(
                    rule(
                            "late-low",
                            "Low light late at night",
                            List.of(new Trigger.Sensed(motion, Reading.MOVES, 0)),
                            List.of(new Guard.TimeBetween(LocalTime.of(23, 0), LocalTime.of(6, 0))),
                            new Action.SetLevel(light, 10)),
                    rule(
                            "late-off",
                            "Low light off",
                            List.of(new Trigger.Sensed(motion, Reading.STILL, 3)),
                            List.of(new Guard.TimeBetween(LocalTime.of(23, 0), LocalTime.of(6, 0))),
                            new Action.Turn(light, Command.OFF)));
        }
    },
    FAN_RUN_ON("The fan runs on after the light", "a light and a fan") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId fan = parts.output(Drives.FAN);
            return List.of(rule(
                    "run-on",
                    "Fan runs on",
                    List.of(new Trigger.Changes(parts.light(), To.OFF, false)),
                    List.of(),
                    new Action.RunOn(fan, 600)));
        }
    },
    FAN_STEPS("Fan speeds on one button", "a button and a fan") {
        @Override
        List<Rule> make(Parts parts) {
            Device.Control control = parts.control();
            return List.of(rule(
                    "steps",
                    "Next speed",
                    List.of(new Trigger.Used(control.id(), parts.gesture(control))),
                    List.of(),
                    new Action.Step(parts.output(Drives.FAN), List.of(0, 33, 66, 100))));
        }
    },
    DIM_TOGGLE("Two levels on one button", "a button and a light that dims") {
        @Override
        List<Rule> make(Parts parts) {
            Device.Control control = parts.control();
            return List.of(rule(
                    "levels",
                    "Two levels",
                    List.of(new Trigger.Used(control.id(), parts.gesture(control))),
                    List.of(),
                    new Action.DimToggle(parts.dimmed(), 15, 85, 70)));
        }
    },
    MINIMUM_LEVEL("Never dimmer than", "a light that dims") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId light = parts.dimmed();
            return List.of(rule(
                    "least",
                    "Never dimmer than",
                    List.of(new Trigger.Changes(light, To.ANY, false)),
                    List.of(),
                    new Action.AtLeast(light, 15)));
        }
    },
    MIRROR("A second switch does what the first does", "two lights") {
        @Override
        List<Rule> make(Parts parts) {
            List<OutputId> two = parts.lights(2);
            return List.of(rule(
                    "mirror",
                    "The one does what the other does",
                    List.of(new Trigger.Changes(two.get(0), To.ANY, false)),
                    List.of(),
                    new Action.Follow(two.get(1), two.get(0))));
        }
    },
    INDICATOR("An indicator lamp shows a state", "a light and another output") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId light = parts.light();
            OutputId shown = parts.any(output -> !output.id().equals(light));
            return List.of(rule(
                    "indicator",
                    "Indicator follows",
                    List.of(new Trigger.Changes(shown, To.ANY, false)),
                    List.of(),
                    new Action.Follow(light, shown)));
        }
    },
    GATE("Pulse for the gate", "a control and a gate") {
        @Override
        List<Rule> make(Parts parts) {
            Device.Control control = parts.control();
            return List.of(rule(
                    "gate",
                    "Gate",
                    List.of(new Trigger.Used(control.id(), parts.gesture(control))),
                    List.of(),
                    new Action.Pulse(parts.output(Drives.GATE), 500)));
        }
    },
    BLINDS("Blinds with the sun", "a blind") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId blind = parts.output(Drives.BLIND);
            return List.of(
                    rule(
                            "blinds-down",
                            "Blinds down",
                            List.of(new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 20, Set.of()))),
                            List.of(),
                            new Action.Move(blind, Motion.DOWN, 25_000)),
                    rule(
                            "blinds-up",
                            "Blinds up",
                            List.of(new Trigger.Due(new Schedule.Daily(LocalTime.of(7, 30), Set.of()))),
                            List.of(),
                            new Action.Move(blind, Motion.UP, 25_000)));
        }
    },
    HEATER_LIMITS("A heater within limits", "a heater and a temperature sensor") {
        @Override
        List<Rule> make(Parts parts) {
            OutputId heater = parts.output(Drives.HEATER);
            SensorId sensor = parts.sensor(Senses.TEMPERATURE);
            return List.of(
                    rule(
                            "cold",
                            "Too cold",
                            List.of(new Trigger.Sensed(sensor, Reading.COLDER, 17)),
                            List.of(),
                            new Action.Turn(heater, Command.ON)),
                    rule(
                            "hot",
                            "Warm enough",
                            List.of(new Trigger.Sensed(sensor, Reading.WARMER, 20)),
                            List.of(),
                            new Action.Turn(heater, Command.OFF)));
        }
    };

    private final String label;
    private final String needs;

    Recipe(String label, String needs) {
        this.label = label;
        this.needs = needs;
    }

    public String label() {
        return label;
    }

    /** What it takes, in words. */
    public String needs() {
        return needs;
    }

    abstract List<Rule> make(Parts parts);

    /**
     * The rules on the first suitable devices of a house; empty when it lacks one.
     *
     * @param prefix of their ids
     */
    public Optional<List<Rule>> draft(RuledHouse house, String prefix) {
        try {
            return Optional.of(make(new Parts(house)).stream()
                    .map(rule -> new Rule(
                            prefix + "-" + rule.id(),
                            rule.name(),
                            rule.on(),
                            rule.triggers(),
                            rule.guards(),
                            rule.deeds(),
                            true))
                    .toList());
        } catch (NothingSuitable e) {
            return Optional.empty();
        }
    }

    private static Rule rule(String id, String name, List<Trigger> triggers, List<Guard> guards, Action action) {
        return new Rule(id, name, RunsOn.HUB, triggers, guards, List.of(new Deed(action, 0)), true);
    }

    /** The house has nothing for a slot. */
    private static final class NothingSuitable extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    /** The first suitable devices of a house. */
    private record Parts(RuledHouse house) {
        OutputId any(Predicate<Device.Output> suits) {
            return house.outputs().values().stream()
                    .filter(suits)
                    .map(Device.Output::id)
                    .findFirst()
                    .orElseThrow(NothingSuitable::new);
        }

        OutputId output(Drives drives) {
            return any(output -> output.drives() == drives);
        }

        OutputId light() {
            return output(Drives.LIGHT);
        }

        OutputId dimmed() {
            return any(output -> output.drives() == Drives.LIGHT && output.dims());
        }

        List<OutputId> lights(int least) {
            List<OutputId> lights = house.outputs().values().stream()
                    .filter(output -> output.drives() == Drives.LIGHT)
                    .map(Device.Output::id)
                    .toList();
            if (lights.size() < least) {
                throw new NothingSuitable();
            }
            return lights;
        }

        Set<OutputId> someLights() {
            return lights(1).stream().limit(4).collect(Collectors.toSet());
        }

        SensorId sensor(Senses senses) {
            return house.sensors().values().stream()
                    .filter(sensor -> sensor.senses() == senses)
                    .map(Device.Sensor::id)
                    .findFirst()
                    .orElseThrow(NothingSuitable::new);
        }

        /** A remote button before a wall switch, and one that only reports before one that switches a lamp too. */
        Device.Control control() {
            return house.controls().values().stream()
                    .min(java.util.Comparator.comparingInt(control -> control.kind() == Device.Kind.REMOTE_BUTTON
                            ? 0
                            : control.output().isEmpty() ? 1 : 2))
                    .orElseThrow(NothingSuitable::new);
        }

        Gesture gesture(Device.Control control) {
            return control.gestures().stream()
                    .filter(g -> g != Gesture.LONG && g != Gesture.DOUBLE)
                    .sorted()
                    .findFirst()
                    .orElse(Gesture.FLIP);
        }
    }
}
