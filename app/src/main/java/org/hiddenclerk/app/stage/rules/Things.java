package org.hiddenclerk.app.stage.rules;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.rules.Device;

/** Sensors and remote controls that no box holds. */
final class Things {
    private static final int BUTTONS = 4;

    private Things() {}

    static Device of(RulesController.NewThing thing) {
        String fresh = "t" + UUID.randomUUID().toString().substring(0, 8);
        DeviceId id = new DeviceId(fresh);
        String name = thing.room() + " " + thing.name().substring(0, 1).toLowerCase(Locale.ROOT)
                + thing.name().substring(1);
        List<Device.Sensor> sensors = Optional.ofNullable(thing.senses())
                .map(senses -> List.of(new Device.Sensor(id.sensor("1"), name, senses)))
                .orElse(List.of());
        List<Device.Control> controls = thing.senses() != null
                ? List.of()
                : IntStream.rangeClosed(1, BUTTONS)
                        .mapToObj(button -> new Device.Control(
                                id.control(String.valueOf(button)),
                                name + ", button " + button,
                                Device.Kind.REMOTE_BUTTON,
                                InputBehaviour.REPORT_ONLY,
                                Optional.empty()))
                        .toList();
        return new Device(
                id, name, thing.room(), thing.protocol(), Optional.empty(), Set.of(), List.of(), controls, sensors);
    }
}
