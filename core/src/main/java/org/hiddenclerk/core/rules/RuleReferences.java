package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.RuledHouse.Problem;

/** Everything that one rule names, checked against the house. */
final class RuleReferences {
    static final int DAY_SECONDS = 86_400;

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
            rule.triggers().get(i).look(this, at + "/triggers/" + i);
        }
        for (int i = 0; i < rule.guards().size(); i++) {
            rule.guards().get(i).look(this, at + "/guards/" + i);
        }
        for (int i = 0; i < rule.deeds().size(); i++) {
            within(at + "/deeds/" + i + "/afterSeconds", rule.deeds().get(i).afterSeconds(), 0, DAY_SECONDS, "s");
            rule.deeds().get(i).action().look(this, at + "/deeds/" + i + "/action");
        }
        all.addAll(problems);
    }

    void cannotBe(String pointer, String found, String expected) {
        problems.add(new Problem(pointer, found, expected));
    }

    void control(String pointer, ControlId id) {
        RuledHouse.known(problems, pointer, id, house.controls()::containsKey, "a control of the house");
    }

    void device(String pointer, DeviceId id) {
        RuledHouse.known(
                problems,
                pointer,
                id,
                each -> house.devices().stream().anyMatch(device -> device.id().equals(each)),
                "a device of the house");
    }

    void percent(String pointer, int value) {
        within(pointer, value, 0, 100, "%");
    }

    void output(String pointer, OutputId id) {
        RuledHouse.known(problems, pointer, id, house.outputs()::containsKey, "an output of the house");
    }

    void sensor(String pointer, SensorId id) {
        RuledHouse.known(problems, pointer + "/sensor", id, house.sensors()::containsKey, "a sensor of the house");
    }

    void within(String pointer, int value, int least, int most, String unit) {
        if (value < least || value > most) {
            problems.add(new Problem(pointer, value + " " + unit, least + " to " + most + " " + unit));
        }
    }
}
