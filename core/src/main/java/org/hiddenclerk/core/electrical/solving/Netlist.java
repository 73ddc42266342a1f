package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;

/**
 * A wiring with its nodes numbered and its connected regions separated. Regions share no node, so each is tabled and
 * judged alone; only a command by radio reaches from one into another.
 */
public final class Netlist {
    private final Wiring wiring;
    private final Map<NodeId, Integer> numbers = new HashMap<>();
    /** By identity: two parts are never one, and hashing whole records would cost more than solving them. */
    private final Map<Part, Map<String, Integer>> pins = new IdentityHashMap<>();

    private final List<NodeId> nodes = new ArrayList<>();
    private final List<Region> regions;

    public Netlist(Wiring wiring) {
        this.wiring = wiring;
        for (Part part : wiring.parts()) {
            pins.put(part, numbered(part));
        }
        regions = separate();
    }

    Wiring wiring() {
        return wiring;
    }

    public List<Region> regions() {
        return regions;
    }

    private Map<String, Integer> numbered(Part part) {
        Map<String, Integer> own = new LinkedHashMap<>();
        for (String pin : part.pinNames()) {
            NodeId node = part.pins().get(pin);
            if (node == null) {
                if (part instanceof Part.Load && pin.equals("PE")) {
                    continue;
                }
                nodes.add(new NodeId(part.id() + "." + pin + " (unused)"));
                own.put(pin, nodes.size() - 1);
            } else {
                own.put(pin, numbers.computeIfAbsent(node, n -> {
                    nodes.add(n);
                    return nodes.size() - 1;
                }));
            }
        }
        return own;
    }

    /** Two windings of one motor are one thing, whatever feeds them: both may be driven at once from two circuits. */
    private void joinMotors(Sets sets) {
        Map<String, Integer> windings = new HashMap<>();
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Load load
                    && load.motor().isPresent()
                    && !pins.get(load).isEmpty()) {
                int node = pins.get(load).values().iterator().next();
                Integer other = windings.putIfAbsent(load.motor().get(), node);
                if (other != null) {
                    sets.join(other, node);
                }
            }
        }
    }

    private List<Region> separate() {
        Sets sets = new Sets(nodes.size());
        for (Map<String, Integer> own : pins.values()) {
            int first = -1;
            for (int node : own.values()) {
                first = first < 0 ? node : sets.join(first, node);
            }
        }
        joinMotors(sets);
        Map<Integer, List<Part>> partsByRegion = new LinkedHashMap<>();
        for (Part part : wiring.parts()) {
            Map<String, Integer> own = pins.get(part);
            if (!own.isEmpty()) {
                partsByRegion
                        .computeIfAbsent(sets.find(own.values().iterator().next()), r -> new ArrayList<>())
                        .add(part);
            }
        }
        List<Region> separated = new ArrayList<>();
        for (List<Part> parts : partsByRegion.values()) {
            separated.add(new Region(wiring, parts, pins, nodes));
        }
        return separated;
    }
}
