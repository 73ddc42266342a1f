package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;

/**
 * One state of a wiring as a netlist for a general-purpose circuit simulator: every closed contact and every conductor a
 * small resistor, every load a resistor, every supply a source. It shares nothing with the solver but the part records.
 */
final class NaiveEvaluation {
    /** Resistance of a conductor or closed contact in the simulator, in ohms; far below any load. */
    private static final double CLOSED_OHMS = 1e-4;

    private static final double LEAK_OHMS = 1e9;

    private final Wiring wiring;
    private final Map<String, Integer> positions;
    private final Map<String, Integer> nodes = new LinkedHashMap<>();
    private final List<String> elements = new ArrayList<>();

    NaiveEvaluation(Wiring wiring, Map<String, Integer> positions) {
        this.wiring = wiring;
        this.positions = positions;
    }

    /** Elements of the circuit, one a line, in the simulator's language. */
    List<String> elements() {
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Supply supply) {
                source(supply);
            } else if (part instanceof Part.Conductor || part instanceof Part.Link) {
                resistor(node(part, "a"), node(part, "b"), CLOSED_OHMS);
            } else if (part instanceof Part.Switch mechanism) {
                int position = mechanism.mechanism().isTwoState()
                        ? positions.getOrDefault(part.id().value(), 0)
                        : 1;
                for (Mechanism.Contact contact : mechanism.mechanism().contacts(position)) {
                    resistor(node(part, contact.from()), node(part, contact.to()), CLOSED_OHMS);
                }
            } else if (part instanceof Part.Load load) {
                double volts = load.volts().orElse(wiring.supply().nominalVolts());
                resistor(node(part, "L"), node(part, "N"), volts * volts / load.watts());
            } else if (part instanceof Part.Bypass bypass) {
                double volts = wiring.supply().nominalVolts();
                resistor(node(part, "a"), node(part, "b"), volts * volts / bypass.watts());
            } else if (part instanceof Part.Sender) {
                resistor(node(part, "COM"), node(part, "L1"), CLOSED_OHMS);
            } else if (part instanceof Part.FittedModule module) {
                module(module);
            }
        }
        nodes.values().forEach(node -> elements.add("RL" + node + " n" + node + " 0 " + LEAK_OHMS));
        return elements;
    }

    private void module(Part.FittedModule module) {
        double nominal = wiring.supply().nominalVolts();
        double ohms;
        if (module.supply() instanceof ModuleSupply.LineNeutral mains) {
            ohms = nominal * nominal / mains.watts();
        } else if (module.supply() instanceof ModuleSupply.TwoWire twoWire) {
            ohms = nominal / (twoWire.standbyMilliamps() / 1000);
        } else {
            ModuleSupply.DirectCurrent direct = (ModuleSupply.DirectCurrent) module.supply();
            ohms = direct.maxVolts().orElseThrow() * direct.maxVolts().orElseThrow() / direct.watts();
        }
        resistor(
                node(module, module.supply().livePin()),
                node(module, module.supply().returnPin()),
                ohms);
        for (Channel channel : module.channels()) {
            if (positions.getOrDefault(module.id() + "/" + channel.id(), 0) == 1) {
                resistor(node(module, channel.from()), node(module, channel.to()), CLOSED_OHMS);
            }
        }
    }

    private void source(Part.Supply supply) {
        double volts =
                switch (supply.line()) {
                    case L1, L2, L3 -> wiring.supply().nominalVolts();
                    case ELV_PLUS -> supply.volts().orElseThrow();
                    case N, PE, ELV_MINUS -> 0;
                };
        boolean split = wiring.supply().arrangement() == SupplySystem.Arrangement.SPLIT_PHASE;
        int degrees = supply.line() == Line.L2 ? split ? 180 : -120 : supply.line() == Line.L3 ? 120 : 0;
        // A source of its own resistance, so that supplies that meet in a sound wiring don't make a loop of sources.
        int inner = nodes.computeIfAbsent("inner " + supply.id(), n -> nodes.size() + 1);
        elements.add("V" + elements.size() + " n" + inner + " 0 AC " + volts + " " + degrees);
        resistor(inner, node(supply, "out"), CLOSED_OHMS);
    }

    private void resistor(int a, int b, double ohms) {
        if (a != b) {
            elements.add("R" + elements.size() + " n" + a + " n" + b + " " + ohms);
        }
    }

    int node(Part part, String pin) {
        NodeId node = part.pins().get(pin);
        String name = node == null ? "unused " + part.id() + " " + pin : node.value();
        Integer known = nodes.get(name);
        if (known == null) {
            known = nodes.size() + 1;
            nodes.put(name, known);
        }
        return known;
    }

    /** Whether two supplies of different potential meet in this state, by plain flooding over closed edges. */
    boolean isShorted() {
        Map<Integer, TreeSet<String>> potentials = new HashMap<>();
        Map<Integer, Integer> colour = flood();
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Supply supply) {
                String potential =
                        supply.line().isLive() ? supply.line().name() : supply.line() == Line.ELV_PLUS ? "ELV" : "zero";
                potentials
                        .computeIfAbsent(colour.get(node(supply, "out")), c -> new TreeSet<>())
                        .add(potential);
            }
        }
        return potentials.values().stream().anyMatch(met -> met.size() > 1);
    }

    private Map<Integer, Integer> flood() {
        if (elements.isEmpty()) {
            elements();
        }
        Map<Integer, Integer> colour = new TreeMap<>();
        nodes.values().forEach(node -> colour.put(node, node));
        boolean changed = true;
        while (changed) {
            changed = false;
            for (String element : elements) {
                String[] words = element.split(" ");
                if (words[0].startsWith("R")
                        && !words[0].startsWith("RL")
                        && Double.parseDouble(words[3]) == CLOSED_OHMS) {
                    int a = Integer.parseInt(words[1].substring(1));
                    int b = Integer.parseInt(words[2].substring(1));
                    int least = Math.min(colour.get(a), colour.get(b));
                    changed |= colour.get(a) != least || colour.get(b) != least;
                    colour.put(a, least);
                    colour.put(b, least);
                }
            }
        }
        return colour;
    }
}
