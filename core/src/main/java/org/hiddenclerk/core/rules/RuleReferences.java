package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.RuledHouse.Problem;
import org.hiddenclerk.core.schedule.Occurrences;
import org.hiddenclerk.core.schedule.Schedule;

/** Everything that one rule names, checked against the house. */
final class RuleReferences {
    private static final int DAY_SECONDS = 86_400;

    private final RuledHouse house;
    private final Rule rule;
    private final String at;
    private final List<Problem> problems = new ArrayList<>();

    RuleReferences(RuledHouse house, Rule rule, String at) {
        this.house = house;
        this.rule = rule;
        this.at = at;
    }

    void addProblems(List<Problem> all) {
        if (rule.triggers().isEmpty()) {
            problems.add(new Problem(at + "/triggers", "none", "something that sets the rule going"));
        }
        if (rule.deeds().isEmpty()) {
            problems.add(new Problem(at + "/deeds", "none", "something that the rule does"));
        }
        for (int i = 0; i < rule.triggers().size(); i++) {
            trigger(at + "/triggers/" + i, rule.triggers().get(i));
        }
        for (int i = 0; i < rule.guards().size(); i++) {
            guard(at + "/guards/" + i, rule.guards().get(i));
        }
        for (int i = 0; i < rule.deeds().size(); i++) {
            within(at + "/deeds/" + i + "/afterSeconds", rule.deeds().get(i).afterSeconds(), 0, DAY_SECONDS, "s");
            action(at + "/deeds/" + i + "/action", rule.deeds().get(i).action());
        }
        all.addAll(problems);
    }

    private void trigger(String pointer, Trigger trigger) {
        if (trigger instanceof Trigger.Changes changes) {
            output(pointer + "/output", changes.output());
        } else if (trigger instanceof Trigger.Used used) {
            RuledHouse.known(problems, pointer + "/control", used.control(), house.controls()::containsKey, "a control of the house");
        } else if (trigger instanceof Trigger.Sensed sensed) {
            sensor(pointer, sensed.sensor());
        } else if (trigger instanceof Trigger.Due due && due.schedule() instanceof Schedule.Recurring recurring) {
            Occurrences.problem(recurring.rule()).ifPresent(why -> problems.add(new Problem(pointer + "/schedule/rule", recurring.rule(), "a recurrence of RFC 5545: " + why)));
        }
    }

    private void guard(String pointer, Guard guard) {
        if (guard instanceof Guard.OutputIs is) {
            output(pointer + "/output", is.output());
        } else if (guard instanceof Guard.SensorSays says) {
            sensor(pointer, says.sensor());
        }
    }

    private void action(String pointer, Action action) {
        action.outputs().forEach(output -> output(pointer + (action instanceof Action.Pretend ? "/outputs" : "/output"), output));
        if (action instanceof Action.AllOff off) {
            off.except().forEach(output -> output(pointer + "/except", output));
        }
        if (action instanceof Action.SetLevel set) {
            within(pointer + "/percent", set.percent(), 0, 100, "%");
        } else if (action instanceof Action.Step step) {
            if (step.percents().size() < 2) {
                problems.add(new Problem(pointer + "/percents", step.percents().size() + " level", "two levels or more"));
            }
            step.percents().forEach(percent -> within(pointer + "/percents", percent, 0, 100, "%"));
        } else if (action instanceof Action.DimToggle toggle) {
            List.of(toggle.low(), toggle.high(), toggle.threshold()).forEach(percent -> within(pointer, percent, 0, 100, "%"));
        } else if (action instanceof Action.Pulse pulse) {
            within(pointer + "/ms", pulse.ms(), 50, 60_000, "ms");
        } else if (action instanceof Action.Move move) {
            within(pointer + "/ms", move.ms(), 100, 300_000, "ms");
        } else if (action instanceof Action.RunOn run) {
            within(pointer + "/seconds", run.seconds(), 1, DAY_SECONDS, "s");
        } else if (action instanceof Action.Follow follow) {
            output(pointer + "/source", follow.source());
        } else if (action instanceof Action.WriteSetting write) {
            RuledHouse.known(problems, pointer + "/device", write.device(), id -> house.devices().stream().anyMatch(device -> device.id().equals(id)), "a device of the house");
        } else if (action instanceof Action.Pretend pretend && (pretend.leastMinutes() < 1 || pretend.mostMinutes() < pretend.leastMinutes())) {
            problems.add(new Problem(pointer + "/leastMinutes", pretend.leastMinutes() + " to " + pretend.mostMinutes() + " min", "1 min or more, and not above the most"));
        }
    }

    private void output(String pointer, OutputId id) {
        RuledHouse.known(problems, pointer, id, house.outputs()::containsKey, "an output of the house");
    }

    private void sensor(String pointer, SensorId id) {
        RuledHouse.known(problems, pointer + "/sensor", id, house.sensors()::containsKey, "a sensor of the house");
    }

    private void within(String pointer, int value, int least, int most, String unit) {
        if (value < least || value > most) {
            problems.add(new Problem(pointer, value + " " + unit, least + " to " + most + " " + unit));
        }
    }
}
