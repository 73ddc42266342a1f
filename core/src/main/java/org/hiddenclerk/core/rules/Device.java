package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;

/**
 * A device as rules know it: a module, a remote control, a sensor.
 *
 * @param circuit that feeds it; empty for what runs on a battery
 * @param direct  ways in which it can command others without a hub
 */
public record Device(
        DeviceId id,
        String name,
        String room,
        Protocol protocol,
        Optional<String> circuit,
        Set<Link.Way> direct,
        List<Output> outputs,
        List<Control> controls,
        List<Sensor> sensors) {
    public Device {
        direct = Set.copyOf(direct);
        outputs = List.copyOf(outputs);
        controls = List.copyOf(controls);
        sensors = List.copyOf(sensors);
    }

    /** It, and everything of it. */
    public Set<HouseId> ids() {
        return Stream.of(
                        Stream.of(id),
                        outputs.stream().map(Output::id),
                        controls.stream().map(Control::id),
                        sensors.stream().map(Sensor::id))
                .flatMap(ids -> ids)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** What hangs on an output. */
    public enum Drives {
        LIGHT,
        FAN,
        HEATER,
        SOCKET,
        BLIND,
        GATE,
        OTHER;

        /** What a hub calls it: what it does not know for anything else is a relay. */
        public String label() {
            return this == OTHER ? "relay" : name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * Something that can be switched.
     *
     * @param id       unique in the house
     * @param drives   what hangs on it
     * @param declared what the hub takes it for; a relay is no lamp to a hub until it is told so
     */
    public record Output(OutputId id, String name, Drives drives, Drives declared, boolean dims) {
        Output declaredAs(Drives other) {
            return new Output(id, name, drives, other, dims);
        }
    }

    /** What a hand works. */
    public enum Kind {
        ROCKER,
        PUSH,
        REMOTE_BUTTON
    }

    /** What a hand does. */
    public enum Gesture {
        FLIP("is flipped"),
        PRESS("is pressed"),
        SHORT("is pressed shortly"),
        LONG("is held"),
        DOUBLE("is pressed twice");

        private final String words;

        Gesture(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A switch at the wall, or a button of a remote control.
     *
     * @param id     unique in the house
     * @param output that it commands by its own wires; empty for one that only reports
     */
    public record Control(ControlId id, String name, Kind kind, InputBehaviour behaviour, Optional<OutputId> output) {
        /** What it can tell of. */
        public Set<Gesture> gestures() {
            if (kind == Kind.REMOTE_BUTTON) {
                return Set.of(Gesture.SHORT, Gesture.LONG, Gesture.DOUBLE);
            }
            if (behaviour.tellsPresses()) {
                return Set.of(Gesture.SHORT, Gesture.LONG);
            }
            if (behaviour.actsAtPress()) {
                return Set.of(Gesture.PRESS);
            }
            return kind == Kind.PUSH ? Set.of(Gesture.PRESS, Gesture.FLIP) : Set.of(Gesture.FLIP);
        }

        /** The one of them by which it leads what it is linked to. */
        public Gesture leading() {
            return gestures().contains(Gesture.SHORT)
                    ? Gesture.SHORT
                    : gestures().contains(Gesture.PRESS) ? Gesture.PRESS : Gesture.FLIP;
        }
    }

    /** What a sensor senses. */
    public enum Senses {
        DOOR,
        MOTION,
        BRIGHTNESS,
        TEMPERATURE,
        HUMIDITY
    }

    /** @param id unique in the house */
    public record Sensor(SensorId id, String name, Senses senses) {}

    Device withOutput(Output changed) {
        return new Device(
                id,
                name,
                room,
                protocol,
                circuit,
                direct,
                outputs.stream()
                        .map(o -> o.id().equals(changed.id()) ? changed : o)
                        .toList(),
                controls,
                sensors);
    }
}
