package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device.Drives;
import org.hiddenclerk.core.rules.Device.Kind;
import org.hiddenclerk.core.rules.Device.Senses;

/** Houses for tests: rooms with a lamp behind a wall switch each, some other outputs, sensors and a remote control. */
final class Houses {
    private Houses() {}

    static Device lamp(int i, InputBehaviour behaviour) {
        String id = "lamp" + i;
        return new Device(
                new DeviceId("d-" + id),
                "Lamp " + i,
                "Room " + i,
                Protocol.ZIGBEE,
                Optional.of("C" + i % 4),
                Set.of(Link.Way.DIRECT_BINDING),
                List.of(new Device.Output(new OutputId(id), "lamp " + i, Drives.LIGHT, Drives.LIGHT, i % 2 == 0)),
                List.of(new Device.Control(
                        new ControlId("switch" + i),
                        "switch " + i,
                        Kind.ROCKER,
                        behaviour,
                        Optional.of(new OutputId(id)))),
                List.of());
    }

    static Device relay(String id, Drives drives) {
        return new Device(
                new DeviceId("d-" + id),
                id,
                "Hall",
                Protocol.ZIGBEE,
                Optional.of("C1"),
                Set.of(Link.Way.DIRECT_BINDING),
                List.of(new Device.Output(new OutputId(id), id, drives, drives, false)),
                List.of(),
                List.of());
    }

    static Device sensor(String id, Senses senses) {
        return new Device(
                new DeviceId("d-" + id),
                id,
                "Hall",
                Protocol.ZIGBEE,
                Optional.empty(),
                Set.of(),
                List.of(),
                List.of(),
                List.of(new Device.Sensor(new SensorId(id), id, senses)));
    }

    static List<Device> devices(int lamps) {
        List<Device> devices = new ArrayList<>();
        for (int i = 0; i < lamps; i++) {
            devices.add(lamp(i, i % 3 == 0 ? InputBehaviour.POSITION_RULES : InputBehaviour.EVERY_FLIP));
        }
        devices.add(relay("fan", Drives.FAN));
        devices.add(relay("heater", Drives.HEATER));
        devices.add(relay("gate", Drives.GATE));
        devices.add(relay("blind", Drives.BLIND));
        devices.add(sensor("door", Senses.DOOR));
        devices.add(sensor("motion", Senses.MOTION));
        devices.add(sensor("thermometer", Senses.TEMPERATURE));
        devices.add(new Device(
                new DeviceId("d-remote"),
                "remote",
                "Hall",
                Protocol.ZIGBEE,
                Optional.empty(),
                Set.of(),
                List.of(),
                List.of(
                        new Device.Control(
                                new ControlId("button"),
                                "button",
                                Kind.REMOTE_BUTTON,
                                InputBehaviour.REPORT_ONLY,
                                Optional.empty()),
                        new Device.Control(
                                new ControlId("button2"),
                                "button 2",
                                Kind.REMOTE_BUTTON,
                                InputBehaviour.REPORT_ONLY,
                                Optional.empty())),
                List.of()));
        return devices;
    }

    static RuledHouse house(int lamps, List<Rule> rules) {
        return new RuledHouse(devices(lamps), List.of(), rules);
    }

    static Rule rule(String id, Trigger trigger, Action... actions) {
        return new Rule(
                id,
                id,
                Rule.RunsOn.HUB,
                List.of(trigger),
                List.of(),
                java.util.Arrays.stream(actions)
                        .map(action -> new Rule.Deed(action, 0))
                        .toList(),
                true);
    }

    static Rule guarded(Rule rule, Guard... guards) {
        return new Rule(rule.id(), rule.name(), rule.on(), rule.triggers(), List.of(guards), rule.deeds(), true);
    }

    static Rule after(Rule rule, int seconds) {
        return new Rule(
                rule.id(),
                rule.name(),
                rule.on(),
                rule.triggers(),
                rule.guards(),
                rule.deeds().stream()
                        .map(deed -> new Rule.Deed(deed.action(), seconds))
                        .toList(),
                true);
    }

    static Action on(String output) {
        return new Action.Turn(new OutputId(output), Action.Command.ON);
    }

    static Action off(String output) {
        return new Action.Turn(new OutputId(output), Action.Command.OFF);
    }

    static Action toggle(String output) {
        return new Action.Turn(new OutputId(output), Action.Command.TOGGLE);
    }

    static Trigger changes(String output) {
        return new Trigger.Changes(new OutputId(output), Trigger.To.ANY, false);
    }

    static Trigger goesOn(String output) {
        return new Trigger.Changes(new OutputId(output), Trigger.To.ON, false);
    }

    static Trigger goesOff(String output) {
        return new Trigger.Changes(new OutputId(output), Trigger.To.OFF, false);
    }
}
