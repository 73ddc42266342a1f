package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;

/** Small wirings for tests: pins are given as "PIN=node". */
public final class Wirings {
    private final List<Part> parts = new ArrayList<>();
    private final List<Intent> intents = new ArrayList<>();

    public static Wirings mains() {
        return new Wirings().supply("F1", Line.L1, "C1", "l").supply("N1", Line.N, "C1", "n");
    }

    public Wirings supply(String id, Line line, String circuit, String node) {
        return supply(id, line, circuit, node, 10);
    }

    public Wirings supply(String id, Line line, String circuit, String node, double ratedAmps) {
        parts.add(new Part.Supply(
                new PartId(id),
                line,
                circuit,
                OptionalDouble.of(ratedAmps),
                OptionalDouble.empty(),
                pins("out=" + node)));
        return this;
    }

    public Wirings bypass(String id, double watts, String a, String b) {
        parts.add(new Part.Bypass(new PartId(id), watts, pins("a=" + a, "b=" + b)));
        return this;
    }

    public Wirings mechanism(String id, Mechanism mechanism, String... pins) {
        parts.add(new Part.Switch(new PartId(id), mechanism, pins(pins)));
        return this;
    }

    public Wirings lamp(String id, double watts, String live, String neutral) {
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

    public Wirings conductor(String id, String from, String to) {
        return conductor(id, from, to, 1.5);
    }

    public Wirings conductor(String id, String from, String to, double mm2) {
        parts.add(
                new Part.Conductor(new PartId(id), "c", "black", OptionalDouble.of(mm2), pins("a=" + from, "b=" + to)));
        return this;
    }

    /** A pole of extra-low voltage. */
    public Wirings elv(String id, Line line, String circuit, double volts, String node) {
        parts.add(new Part.Supply(
                new PartId(id), line, circuit, OptionalDouble.of(10), OptionalDouble.of(volts), pins("out=" + node)));
        return this;
    }

    /** @param figures its own volts, where they differ */
    public Wirings load(String id, LoadKind kind, double watts, Map<String, Integer> figures, String... pins) {
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
    public Wirings winding(String id, String motor, String direction, String live, String neutral) {
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

    public Wirings sender(String id, String... pins) {
        parts.add(new Part.Sender(new PartId(id), List.of(), pins(pins)));
        return this;
    }

    public Wirings cap(String id, String node) {
        parts.add(new Part.Cap(new PartId(id), pins("end=" + node)));
        return this;
    }

    public Wirings module(String id, ModuleSupply supply, List<Channel> channels, List<Input> inputs, String... pins) {
        parts.add(new Part.FittedModule(new PartId(id), supply, channels, inputs, false, pins(pins)));
        return this;
    }

    /** Its channels are interlocked. */
    public Wirings blindModule(
            String id, ModuleSupply supply, List<Channel> channels, List<Input> inputs, String... pins) {
        parts.add(new Part.FittedModule(new PartId(id), supply, channels, inputs, true, pins(pins)));
        return this;
    }

    public Wirings intent(String load, boolean remote, String... controls) {
        intents.add(new Intent(
                new PartId(load), List.of(controls).stream().map(PartId::new).toList(), remote));
        return this;
    }

    public Wiring build() {
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
