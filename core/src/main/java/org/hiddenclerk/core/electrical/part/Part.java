package org.hiddenclerk.core.electrical.part;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hiddenclerk.core.finding.Subject;

/**
 * One part of a wiring, with its pins on nodes. Pins that name the same node are joined there. A pin that is left out
 * is unused and stands on a node of its own.
 */
public sealed interface Part {

    PartId id();

    Map<String, NodeId> pins();

    /** Names of all pins that this part has, used or not. */
    List<String> pinNames();

    /** Itself, where a finding concerns it. */
    Subject subject();

    /**
     * A line, neutral, earth or extra-low-voltage pole of a circuit.
     *
     * @param circuit name of the circuit; empty for earth
     * @param volts   volts of an ELV+ supply against its ELV-
     */
    record Supply(
            PartId id,
            Line line,
            String circuit,
            OptionalDouble ratedAmps,
            OptionalDouble volts,
            Map<String, NodeId> pins)
            implements Part {
        public Supply {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("out");
        }

        @Override
        public Subject subject() {
            return new Subject.Supply(id.value());
        }
    }

    /** A core of a cable. It joins its two ends and is what can be missing, swapped or overloaded. */
    record Conductor(PartId id, String cable, String core, OptionalDouble mm2, Map<String, NodeId> pins)
            implements Part {
        public Conductor {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("a", "b");
        }

        @Override
        public Subject subject() {
            return new Subject.Core(id.value());
        }
    }

    /** A switch mechanism. */
    record Switch(PartId id, Mechanism mechanism, Map<String, NodeId> pins) implements Part {
        public Switch {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return mechanism.terminals();
        }

        @Override
        public Subject subject() {
            return new Subject.Switch(id.value());
        }
    }

    /**
     * Something that uses power; a resistance at its nominal volts.
     *
     * @param watts         power at nominal volts
     * @param powerFactor   used for amps only
     * @param volts         nominal volts where they differ from the wiring's
     * @param motor         motor this is one winding of
     * @param direction     direction this winding turns the motor
     * @param earthRequired whether a pin PE on earth is demanded
     */
    record Load(
            PartId id,
            LoadKind kind,
            double watts,
            double powerFactor,
            OptionalDouble volts,
            Optional<String> motor,
            Optional<String> direction,
            boolean earthRequired,
            Map<String, NodeId> pins)
            implements Part {
        public Load {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("L", "N", "PE");
        }

        @Override
        public Subject subject() {
            return new Subject.Load(id.value());
        }
    }

    /** A relay module as it is fitted. */
    record FittedModule(
            PartId id,
            ModuleSupply supply,
            List<Channel> channels,
            List<Input> inputs,
            boolean interlocked,
            Map<String, NodeId> pins)
            implements Part {
        public FittedModule {
            channels = List.copyOf(channels);
            inputs = List.copyOf(inputs);
            pins = ordered(pins);
        }

        /** One of its contacts, where a finding concerns it. */
        public Subject subjectOf(Channel channel) {
            return new Subject.Channel(id.value(), channel.id());
        }

        /** The same module with its pins on other nodes. */
        public FittedModule connected(Map<String, NodeId> nodes) {
            return new FittedModule(id, supply, channels, inputs, interlocked, nodes);
        }

        @Override
        public List<String> pinNames() {
            Map<String, Boolean> names = new LinkedHashMap<>();
            names.put(supply.livePin(), true);
            names.put(supply.returnPin(), true);
            for (Channel channel : channels) {
                names.put(channel.from(), true);
                names.put(channel.to(), true);
            }
            addInputPins(inputs, names);
            return List.copyOf(names.keySet());
        }

        @Override
        public Subject subject() {
            return new Subject.Module(id.value());
        }
    }

    /** The switch-side half of a split pair: always joined through, with inputs of its own. */
    record Sender(PartId id, List<Input> inputs, Map<String, NodeId> pins) implements Part {
        public Sender {
            inputs = List.copyOf(inputs);
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            Map<String, Boolean> names = new LinkedHashMap<>();
            names.put("COM", true);
            names.put("L1", true);
            addInputPins(inputs, names);
            return List.copyOf(names.keySet());
        }

        @Override
        public Subject subject() {
            return new Subject.Module(id.value());
        }
    }

    /** A parallel load at the lamp that counts towards a two-wire module's minimum. */
    record Bypass(PartId id, double watts, Map<String, NodeId> pins) implements Part {
        public Bypass {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("a", "b");
        }

        @Override
        public Subject subject() {
            return new Subject.Bypass(id.value());
        }
    }

    /** Insulation on an end. */
    record Cap(PartId id, Map<String, NodeId> pins) implements Part {
        public Cap {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("end");
        }

        @Override
        public Subject subject() {
            return new Subject.CoreEnd(id.value(), "end");
        }
    }

    /** A jumper without identity. */
    record Link(PartId id, Map<String, NodeId> pins) implements Part {
        public Link {
            pins = ordered(pins);
        }

        @Override
        public List<String> pinNames() {
            return List.of("a", "b");
        }

        @Override
        public Subject subject() {
            return new Subject.Core(id.value());
        }
    }

    private static Map<String, NodeId> ordered(Map<String, NodeId> pins) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(pins));
    }

    private static void addInputPins(List<Input> inputs, Map<String, Boolean> names) {
        for (Input input : inputs) {
            input.pins().forEach(pin -> names.put(pin, true));
            input.activeWith().ifPresent(pin -> names.put(pin, true));
        }
    }
}
