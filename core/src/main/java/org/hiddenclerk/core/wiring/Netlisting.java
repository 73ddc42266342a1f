package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.Intent;
import org.hiddenclerk.core.electrical.Line;
import org.hiddenclerk.core.electrical.NodeId;
import org.hiddenclerk.core.electrical.Part;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.electrical.Wiring;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * The electrical wiring of a box with everything its cables lead to, ready to be proved.
 *
 * <p>Part ids: {@code S1} the mechanism of gang 1, {@code K1} the first module, {@code X1} the first load ({@code X1.2}
 * its second bank), {@code B1} a bypass, {@code F/N-circuit} the supplies, conductors and jumpers by their keys.
 */
final class Netlisting {
    private final BoxWiring wiring;
    private final Box box;
    private final RegionProfile region;
    private final Map<CircuitId, Circuit> circuits;
    private final List<Part> parts = new ArrayList<>();
    private final Set<String> supplied = new LinkedHashSet<>();

    Netlisting(BoxWiring wiring, RegionProfile region, Map<CircuitId, Circuit> circuits) {
        this.wiring = wiring;
        this.box = wiring.box();
        this.region = region;
        this.circuits = circuits;
    }

    static PartId switchOf(int gang) {
        return new PartId("S" + gang);
    }

    static PartId moduleOf(int module) {
        return new PartId("K" + module);
    }

    static PartId loadOf(int load, int bank) {
        return new PartId(bank == 0 ? "X" + load : "X" + load + "." + (bank + 1));
    }

    Wiring wiring() {
        box.cores().forEach(this::addCore);
        wiring.jumpers().forEach(this::addJumper);
        box.gangs().forEach(this::addGang);
        box.loads().forEach(this::addLoad);
        for (int i = 0; i < wiring.modules().size(); i++) {
            addModule(i + 1, wiring.modules().get(i));
        }
        wiring.bypasses().forEach((load, watts) -> parts.add(new Part.Bypass(new PartId("B" + load), watts.asDouble(),
                pins("a", loadNode(load, "l"), "b", loadNode(load, "n")))));
        return new Wiring(region.supplySystem(), parts, intents());
    }

    private void addCore(Box.CableCore core) {
        String key = core.key();
        NodeId far = farNode(core);
        End end = wiring.endOf(core);
        NodeId near = end instanceof End.Capped || end instanceof End.Loose
                ? new NodeId(key + ".end") : new NodeId(end.key());
        parts.add(new Part.Conductor(new PartId(key), core.cable().name(), core.core().colour().words(),
                OptionalDouble.of(core.cable().mm2().doubleValue()), pins("a", far.value(), "b", near.value())));
        if (end instanceof End.Capped) {
            parts.add(new Part.Cap(new PartId(key + ".cap"), pins("end", near.value())));
        }
        if (core.core().role() == Role.SPARE) {
            parts.add(new Part.Cap(new PartId(key + ".far-cap"), pins("end", far.value())));
        }
    }

    private NodeId farNode(Box.CableCore core) {
        Role role = core.core().role();
        if (role == Role.SPARE) {
            return new NodeId(core.key() + ".far");
        }
        if (core.cable().leads() instanceof Leads.FromSupply feed) {
            return role == Role.SWITCHED_LIVE ? new NodeId(core.key() + ".far") : supply(feed.circuit(), role);
        }
        if (core.cable().leads() instanceof Leads.ToLoadWithFeed loop) {
            return role == Role.SWITCHED_LIVE ? new NodeId(loadNode(loop.load(), "l")) : supply(loop.circuit(), role);
        }
        int load = ((Leads.ToLoad) core.cable().leads()).load();
        return switch (role) {
            case SWITCHED_LIVE, PERMANENT_LIVE -> new NodeId(loadNode(load, "l"));
            case NEUTRAL -> new NodeId(loadNode(load, "n"));
            case EARTH -> new NodeId(loadNode(load, "e"));
            case SPARE -> throw new IllegalStateException("Impossible state: a spare core has an end of its own.");
        };
    }

    private NodeId supply(CircuitId circuit, Role role) {
        Line line = switch (role) {
            case PERMANENT_LIVE -> circuitOf(circuit).phase();
            case NEUTRAL -> Line.N;
            case EARTH -> Line.PE;
            case SWITCHED_LIVE, SPARE -> throw new IllegalStateException("Impossible state: no supply for " + role);
        };
        String label = circuitOf(circuit).label();
        String id = line == Line.PE ? "PE" : (line == Line.N ? "N-" : "F-") + label;
        NodeId node = new NodeId("board." + id);
        if (supplied.add(id)) {
            parts.add(new Part.Supply(new PartId(id), line, line == Line.PE ? "" : label,
                    line.isLive() ? OptionalDouble.of(circuitOf(circuit).rating().asDouble()) : OptionalDouble.empty(),
                    OptionalDouble.empty(), pins("out", node.value())));
        }
        return node;
    }

    private Circuit circuitOf(CircuitId id) {
        Circuit circuit = circuits.get(id);
        if (circuit == null) {
            throw new IllegalArgumentException("Circuit " + id + " of box " + box.label() + " is not in the job.");
        }
        return circuit;
    }

    private void addJumper(Jumper jumper) {
        parts.add(new Part.Conductor(new PartId(jumper.key()), "box", jumper.colour().words(), OptionalDouble.empty(),
                pins("a", jumper.from().key(), "b", jumper.to().key())));
    }

    private void addGang(Gang gang) {
        Map<String, NodeId> pins = new LinkedHashMap<>();
        for (String terminal : gang.mechanism().terminals()) {
            pins.put(terminal, new NodeId(new End.AtMechanism(gang.number(), terminal).key()));
        }
        parts.add(new Part.Switch(switchOf(gang.number()), gang.mechanism(), pins));
    }

    private void addLoad(SurveyedLoad load) {
        for (int bank = 0; bank < load.banks().size(); bank++) {
            LoadBank one = load.banks().get(bank);
            parts.add(new Part.Load(loadOf(load.number(), bank), one.kind(), one.total().asDouble(),
                    one.powerFactor().doubleValue(), OptionalDouble.empty(), Optional.empty(), Optional.empty(), false,
                    pins("L", loadNode(load.number(), "l"), "N", loadNode(load.number(), "n"))));
        }
        boolean neutralComesAlong = box.cores().stream().anyMatch(core -> core.core().role() == Role.NEUTRAL
                && core.cable().leads() instanceof Leads.ToLoad lamp && lamp.load() == load.number());
        if (!neutralComesAlong) {
            NodeId neutral = supply(box.gang(load.gang()).circuit(), Role.NEUTRAL);
            parts.add(new Part.Link(new PartId("X" + load.number() + ".neutral"),
                    pins("a", loadNode(load.number(), "n"), "b", neutral.value())));
        }
    }

    private void addModule(int number, Assignment assignment) {
        // An input whose own pin is left free is no input: with a common that others share it would look stuck.
        List<Input> inputs = new ArrayList<>();
        for (int i = 0; i < assignment.gangs().size(); i++) {
            Input input = assignment.model().inputs().get(i);
            inputs.add(new Input(input.id(), input.pins(), input.activeWith(), input.potential(),
                    assignment.behaviour(assignment.gangs().get(i)), input.channel(), input.target()));
        }
        Part.FittedModule bare = new Part.FittedModule(moduleOf(number), assignment.model().supply(),
                assignment.model().channels(), inputs, assignment.model().interlocked(), Map.of());
        Map<String, NodeId> pins = new LinkedHashMap<>();
        for (String pin : bare.pinNames()) {
            pins.put(pin, new NodeId(new End.AtModule(number, pin).key()));
        }
        parts.add(bare.connected(pins));
    }

    private List<Intent> intents() {
        List<Intent> intents = new ArrayList<>();
        for (SurveyedLoad load : box.loads()) {
            boolean remote = wiring.modules().stream().anyMatch(m -> m.gangs().contains(load.gang()));
            for (int bank = 0; bank < load.banks().size(); bank++) {
                intents.add(new Intent(loadOf(load.number(), bank), List.of(switchOf(load.gang())), remote));
            }
        }
        return intents;
    }

    private static String loadNode(int load, String pin) {
        return "x" + load + "." + pin;
    }

    private static Map<String, NodeId> pins(String first, String firstNode) {
        return Map.of(first, new NodeId(firstNode));
    }

    private static Map<String, NodeId> pins(String first, String firstNode, String second, String secondNode) {
        Map<String, NodeId> pins = new LinkedHashMap<>();
        pins.put(first, new NodeId(firstNode));
        pins.put(second, new NodeId(secondNode));
        return pins;
    }
}
