package org.hiddenclerk.app.stage.rules;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Guard;
import org.hiddenclerk.core.rules.Recipe;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.springframework.stereotype.Component;

/** Rules of the demo house, with two traps among them: a pair that chase each other, and lights that "all off" does not know. */
@Component
public class DemoRules {
    private static final String ZONE = "Europe/Vienna";
    private static final double LATITUDE = 47.1;
    private static final double LONGITUDE = 13.4;

    private final Rules rules;
    private final RuleChanges changes;

    DemoRules(Rules rules, RuleChanges changes) {
        this.rules = rules;
        this.changes = changes;
    }

    public void keep(UUID job, String who) {
        changes.move(job, 0, new RulesDocument.PlaceEntry(LATITUDE, LONGITUDE, ZONE), who);
        changes.add(
                job,
                1,
                Things.of(new RulesController.NewThing(1, "Bed remote", "Reading loft", Protocol.ZIGBEE, null)),
                who);
        changes.add(
                job,
                2,
                Things.of(
                        new RulesController.NewThing(2, "Door", "Glass passage", Protocol.ZIGBEE, Device.Senses.DOOR)),
                who);
        changes.add(
                job,
                3,
                Things.of(new RulesController.NewThing(
                        3, "Motion sensor", "Boot room", Protocol.ZIGBEE, Device.Senses.MOTION)),
                who);
        changes.add(job, 4, Recipe.ALL_OFF, who);
        RuledHouse house = rules.of(job).house();
        List<OutputId> lights = house.outputs().values().stream()
                .filter(output -> output.drives() == Device.Drives.LIGHT)
                .map(Device.Output::id)
                .toList();
        List<Rule> made = new ArrayList<>();
        OutputId one = lights.get(0);
        OutputId other = lights.get(lights.size() - 1);
        made.add(rule(
                "chase-1",
                house.nameOf(other) + " with " + house.nameOf(one),
                Rule.RunsOn.HUB,
                new Trigger.Changes(one, Trigger.To.ANY, false),
                List.of(),
                new Action.Turn(other, Action.Command.TOGGLE)));
        made.add(rule(
                "chase-2",
                house.nameOf(one) + " with " + house.nameOf(other),
                Rule.RunsOn.HUB,
                new Trigger.Changes(other, Trigger.To.ANY, false),
                List.of(),
                new Action.Turn(one, Action.Command.TOGGLE)));
        SensorId door = house.sensors().keySet().iterator().next();
        made.add(rule(
                "passage",
                "Passage at night",
                Rule.RunsOn.CLOUD,
                new Trigger.Sensed(door, Trigger.Reading.OPENS, 0),
                List.of(new Guard.Dark(true), new Guard.TimeBetween(LocalTime.of(17, 0), LocalTime.of(7, 0))),
                new Action.RunOn(lights.get(1), 180)));
        made.add(rule(
                "leaving",
                "Leaving home",
                Rule.RunsOn.HUB,
                new Trigger.Household(false),
                List.of(),
                new Action.AllOff(Set.of())));
        changes.add(job, 5, made, who);
    }

    private static Rule rule(
            String id, String name, Rule.RunsOn on, Trigger trigger, List<Guard> guards, Action action) {
        return new Rule(id, name, on, List.of(trigger), guards, List.of(new Rule.Deed(action, 0)), true);
    }
}
