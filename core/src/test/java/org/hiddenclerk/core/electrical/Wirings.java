package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Small wirings for tests: pins are given as "PIN=node". */
final class Wirings {
    private final List<Part> parts = new ArrayList<>();
    private final List<Intent> intents = new ArrayList<>();

    static Wirings mains() {
        return new Wirings().supply("F1", Line.L1, "C1", "l").supply("N1", Line.N, "C1", "n");
    }

    Wirings supply(String id, Line line, String circuit, String node) {
        return supply(id, line, circuit, node, 10);
    }

    Wirings supply(String id, Line line, String circuit, String node, double ratedAmps) {
        parts.add(new Part.Supply(
                new PartId(id),
                line,
                circuit,
                OptionalDouble.of(ratedAmps),
                OptionalDouble.empty(),
                pins("out=" + node)));
        return this;
    }

    Wirings bypass(String id, double watts, String a, String b) {
        parts.add(new Part.Bypass(new PartId(id), watts, pins("a=" + a, "b=" + b)));
        return this;
    }

    Wirings mechanism(String id, Mechanism mechanism, String... pins) {
        parts.add(new Part.Switch(new PartId(id), mechanism, pins(pins)));
        return this;
    }

    Wirings lamp(String id, double watts, String live, String neutral) {
        parts.add(new Part.Load(
                new PartId(id),
                LoadKind.LED_LAMP,
                watts,
                0.9,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                pins("L=" + live, "N=" + neutral)));
        return this;
    }

    Wirings conductor(String id, String from, String to) {
        return conductor(id, from, to, 1.5);
    }

    Wirings conductor(String id, String from, String to, double mm2) {
        parts.add(
                new Part.Conductor(new PartId(id), "c", "black", OptionalDouble.of(mm2), pins("a=" + from, "b=" + to)));
        return this;
    }

    /** A pole of extra-low voltage. */
    Wirings elv(String id, Line line, String circuit, double volts, String node) {
        parts.add(new Part.Supply(
                new PartId(id), line, circuit, OptionalDouble.of(10), OptionalDouble.of(volts), pins("out=" + node)));
        return this;
    }

    /** @param figures its own volts, where they differ */
    Wirings load(String id, LoadKind kind, double watts, Map<String, Integer> figures, String... pins) {
        parts.add(new Part.Load(
                new PartId(id),
                kind,
                watts,
                1,
                figures.containsKey("volts") ? OptionalDouble.of(figures.get("volts")) : OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                pins(pins)));
        return this;
    }

    /** One direction of a motor; null where none is named. */
    Wirings winding(String id, String motor, String direction, String live, String neutral) {
        parts.add(new Part.Load(
                new PartId(id),
                LoadKind.BLIND_MOTOR,
                100,
                1,
                OptionalDouble.empty(),
                Optional.of(motor),
                Optional.ofNullable(direction),
                false,
                pins("L=" + live, "N=" + neutral)));
        return this;
    }

    Wirings sender(String id, String... pins) {
        parts.add(new Part.Sender(new PartId(id), List.of(), pins(pins)));
        return this;
    }

    Wirings cap(String id, String node) {
        parts.add(new Part.Cap(new PartId(id), pins("end=" + node)));
        return this;
    }

    Wirings module(String id, ModuleSupply supply, List<Channel> channels, List<Input> inputs, String... pins) {
        parts.add(new Part.FittedModule(new PartId(id), supply, channels, inputs, false, pins(pins)));
        return this;
    }

    /** Its channels are interlocked. */
    Wirings blindModule(String id, ModuleSupply supply, List<Channel> channels, List<Input> inputs, String... pins) {
        parts.add(new Part.FittedModule(new PartId(id), supply, channels, inputs, true, pins(pins)));
        return this;
    }

    Wirings intent(String load, boolean remote, String... controls) {
        intents.add(new Intent(
                new PartId(load), List.of(controls).stream().map(PartId::new).toList(), remote));
        return this;
    }

    Wiring build() {
        return new Wiring(new SupplySystem(230, 50, SupplySystem.Arrangement.THREE_PHASE), parts, intents);
    }

    private static Map<String, NodeId> pins(String... pins) {
        Map<String, NodeId> map = new LinkedHashMap<>();
        for (String pin : pins) {
            map.put(pin.substring(0, pin.indexOf('=')), new NodeId(pin.substring(pin.indexOf('=') + 1)));
        }
        return map;
    }
}
