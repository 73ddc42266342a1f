package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;

/** A wiring with one mistake in it, as a hand makes them. */
final class Mutants {
    private Mutants() {}

    /** What was done, and what came of it. */
    record Mutant(String words, Wiring wiring) {}

    static Mutant of(Wiring wiring, Random random) {
        List<Part> parts = new ArrayList<>(wiring.parts());
        int at = random.nextInt(parts.size());
        Part part = parts.get(at);
        List<String> pins = List.copyOf(part.pins().keySet());
        String words;
        switch (random.nextInt(7)) {
            case 0 -> {
                String pin = pins.get(random.nextInt(pins.size()));
                NodeId to = anyNode(wiring, random);
                parts.set(at, withPins(part, with(part.pins(), pin, to)));
                words = part.id() + "." + pin + " moved to " + to;
            }
            case 1 -> {
                String first = pins.get(random.nextInt(pins.size()));
                String second = pins.get(random.nextInt(pins.size()));
                Map<String, NodeId> swapped =
                        with(part.pins(), first, part.pins().get(second));
                parts.set(at, withPins(part, with(swapped, second, part.pins().get(first))));
                words = part.id() + ": " + first + " and " + second + " exchanged";
            }
            case 2 -> {
                NodeId a = anyNode(wiring, random);
                NodeId b = anyNode(wiring, random);
                parts.add(new Part.Link(new PartId("J99"), pins("a", a, "b", b)));
                words = a + " and " + b + " joined";
            }
            case 3 -> words = changeMechanism(parts, random);
            case 4 -> words = moveInput(wiring, parts, random);
            case 5 -> words = exchangeNeutrals(parts, random);
            default -> {
                boolean removable = part instanceof Part.Conductor || part instanceof Part.Link;
                if (removable) {
                    parts.remove(at);
                }
                words = removable ? part.id() + " removed" : "nothing changed";
            }
        }
        return new Mutant(words, new Wiring(wiring.supply(), parts, wiring.intents()));
    }

    /** Every way in which an earth, an input or a pole is put where it hurts: none of them may ever be proved. */
    static List<Mutant> dangerous(Wiring wiring) {
        List<Mutant> mutants = new ArrayList<>();
        List<Part.Supply> supplies = wiring.parts().stream()
                .filter(Part.Supply.class::isInstance)
                .map(Part.Supply.class::cast)
                .toList();
        for (Part.Supply supply : supplies) {
            NodeId node = supply.pins().get("out");
            if (supply.line() == Line.N || supply.line().isLive()) {
                earthOn(wiring, node, "earth core on " + supply.id(), mutants);
            }
            if (supply.line().isLive() || supply.line() == Line.ELV_PLUS) {
                liveOnInputs(wiring, node, supply.id() + " on input", mutants);
            }
        }
        for (Part part : wiring.parts()) {
            boolean direct =
                    part instanceof Part.FittedModule module && module.supply() instanceof ModuleSupply.DirectCurrent;
            boolean elvLoad = part instanceof Part.Load load && load.volts().isPresent();
            if (direct || elvLoad) {
                String plus = direct ? ((Part.FittedModule) part).supply().livePin() : "L";
                String minus = direct ? ((Part.FittedModule) part).supply().returnPin() : "N";
                Map<String, NodeId> exchanged = with(
                        with(part.pins(), plus, part.pins().get(minus)),
                        minus,
                        part.pins().get(plus));
                mutants.add(new Mutant(
                        part.id() + ": + and - exchanged", replaced(wiring, part, withPins(part, exchanged))));
            }
        }
        return mutants;
    }

    /** Each earth core by its end in a box, and each earth terminal of a load. */
    private static void earthOn(Wiring wiring, NodeId node, String words, List<Mutant> mutants) {
        Set<NodeId> earthed = new HashSet<>();
        wiring.parts().stream()
                .filter(p -> p instanceof Part.Supply supply && supply.line() == Line.PE)
                .forEach(p -> earthed.add(p.pins().get("out")));
        reach(wiring, earthed);
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Conductor && earthed.contains(part.pins().get("b"))) {
                Wiring moved = replaced(wiring, part, withPins(part, with(part.pins(), "b", node)));
                // A core that leads to no earth and to no metal hurts nobody by where its end is.
                Set<NodeId> reached = new HashSet<>(Set.of(node));
                reach(moved, reached);
                if (moved.parts().stream()
                        .anyMatch(p -> p instanceof Part.Supply supply
                                        && supply.line() == Line.PE
                                        && reached.contains(p.pins().get("out"))
                                || p instanceof Part.Load
                                        && reached.contains(p.pins().get("PE")))) {
                    mutants.add(new Mutant(words + ": " + part.id(), moved));
                }
            } else if (part instanceof Part.Load && part.pins().containsKey("PE")) {
                mutants.add(new Mutant(
                        words + ": " + part.id(),
                        replaced(wiring, part, withPins(part, with(part.pins(), "PE", node)))));
            }
        }
    }

    /** Adds all nodes that conductors and links join to some of them. */
    private static void reach(Wiring wiring, Set<NodeId> nodes) {
        boolean grew = !nodes.isEmpty();
        while (grew) {
            grew = false;
            for (Part part : wiring.parts()) {
                boolean joins = part instanceof Part.Conductor || part instanceof Part.Link;
                if (joins && part.pins().values().stream().anyMatch(nodes::contains)) {
                    grew |= nodes.addAll(part.pins().values());
                }
            }
        }
    }

    private static void liveOnInputs(Wiring wiring, NodeId node, String words, List<Mutant> mutants) {
        for (Part part : wiring.parts()) {
            List<Input> inputs = part instanceof Part.FittedModule module
                    ? module.inputs()
                    : part instanceof Part.Sender sender ? sender.inputs() : List.of();
            for (Input input : inputs) {
                for (String pin : input.pins()) {
                    List<Part> parts = new ArrayList<>(wiring.parts());
                    parts.add(new Part.Link(
                            new PartId("J99"), pins("a", node, "b", part.pins().get(pin))));
                    mutants.add(new Mutant(
                            words + " " + part.id() + "." + pin, new Wiring(wiring.supply(), parts, wiring.intents())));
                }
            }
        }
    }

    private static Wiring replaced(Wiring wiring, Part old, Part now) {
        List<Part> parts = new ArrayList<>(wiring.parts());
        parts.set(parts.indexOf(old), now);
        return new Wiring(wiring.supply(), parts, wiring.intents());
    }

    private static String changeMechanism(List<Part> parts, Random random) {
        List<Part> switches =
                parts.stream().filter(Part.Switch.class::isInstance).toList();
        if (switches.isEmpty()) {
            return "nothing changed";
        }
        Part.Switch old = (Part.Switch) switches.get(random.nextInt(switches.size()));
        Mechanism other = List.of(
                        Mechanism.ONE_WAY,
                        Mechanism.TWO_WAY,
                        Mechanism.PUSH_MAKE,
                        Mechanism.PUSH_BREAK,
                        Mechanism.FIXED_ON)
                .get(random.nextInt(5));
        Map<String, NodeId> pins = new LinkedHashMap<>();
        List<NodeId> nodes = List.copyOf(old.pins().values());
        for (int i = 0; i < Math.min(nodes.size(), other.terminals().size()); i++) {
            pins.put(other.terminals().get(i), nodes.get(i));
        }
        parts.set(parts.indexOf(old), new Part.Switch(old.id(), other, pins));
        return old.id() + " is " + other + " now";
    }

    private static String moveInput(Wiring wiring, List<Part> parts, Random random) {
        List<Part.FittedModule> modules = parts.stream()
                .filter(Part.FittedModule.class::isInstance)
                .map(Part.FittedModule.class::cast)
                .filter(m -> m.inputs().stream().anyMatch(Input::hasContact))
                .toList();
        if (modules.isEmpty()) {
            return "nothing changed";
        }
        Part.FittedModule module = modules.get(random.nextInt(modules.size()));
        String pin = module.inputs().stream()
                .filter(Input::hasContact)
                .findFirst()
                .orElseThrow()
                .pins()
                .get(0);
        NodeId to = anyNode(wiring, random);
        parts.set(parts.indexOf(module), module.connected(with(module.pins(), pin, to)));
        return "input of " + module.id() + " moved to " + to;
    }

    private static String exchangeNeutrals(List<Part> parts, Random random) {
        List<Part> neutrals = parts.stream()
                .filter(part -> part instanceof Part.Supply supply && supply.line() == Line.N)
                .toList();
        if (neutrals.size() < 2) {
            return "nothing changed";
        }
        Part first = neutrals.get(random.nextInt(neutrals.size()));
        Part second = neutrals.get(random.nextInt(neutrals.size()));
        parts.set(parts.indexOf(first), withPins(first, second.pins()));
        parts.set(parts.indexOf(second), withPins(second, first.pins()));
        return first.id() + " and " + second.id() + " exchanged";
    }

    private static NodeId anyNode(Wiring wiring, Random random) {
        List<NodeId> nodes = wiring.parts().stream()
                .flatMap(p -> p.pins().values().stream())
                .distinct()
                .toList();
        return nodes.get(random.nextInt(nodes.size()));
    }

    private static Map<String, NodeId> with(Map<String, NodeId> pins, String pin, NodeId node) {
        Map<String, NodeId> changed = new LinkedHashMap<>(pins);
        changed.put(pin, node);
        return changed;
    }

    private static Map<String, NodeId> pins(String first, NodeId firstNode, String second, NodeId secondNode) {
        return with(with(Map.of(), first, firstNode), second, secondNode);
    }

    private static Part withPins(Part part, Map<String, NodeId> pins) {
        if (part instanceof Part.Supply p) {
            return new Part.Supply(p.id(), p.line(), p.circuit(), p.ratedAmps(), p.volts(), pins);
        } else if (part instanceof Part.Conductor p) {
            return new Part.Conductor(p.id(), p.cable(), p.core(), p.mm2(), pins);
        } else if (part instanceof Part.Switch p) {
            return new Part.Switch(p.id(), p.mechanism(), pins);
        } else if (part instanceof Part.Load p) {
            return new Part.Load(
                    p.id(),
                    p.kind(),
                    p.watts(),
                    p.powerFactor(),
                    p.volts(),
                    p.motor(),
                    p.direction(),
                    p.earthRequired(),
                    pins);
        } else if (part instanceof Part.FittedModule p) {
            return new Part.FittedModule(p.id(), p.supply(), p.channels(), p.inputs(), p.interlocked(), pins);
        } else if (part instanceof Part.Sender p) {
            return new Part.Sender(p.id(), p.inputs(), pins);
        } else if (part instanceof Part.Bypass p) {
            return new Part.Bypass(p.id(), p.watts(), pins);
        } else if (part instanceof Part.Cap p) {
            return new Part.Cap(p.id(), pins);
        }
        return new Part.Link(part.id(), pins);
    }
}
