package org.hiddenclerk.core.electrical.solving;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;

/** What is joined whatever the switches and contacts do: nodes that conductors, links and fixed contacts make one. */
public final class FixedNets {
    private final Map<NodeId, Integer> numbers = new HashMap<>();
    private final Sets sets;
    private final Map<Integer, Set<Part.Supply>> supplies = new HashMap<>();

    private FixedNets(Wiring wiring) {
        wiring.parts().forEach(part -> part.pins().values().forEach(node -> numbers.putIfAbsent(node, numbers.size())));
        sets = new Sets(numbers.size());
        for (Part part : wiring.parts()) {
            List<String> joined = part instanceof Part.Conductor || part instanceof Part.Link
                    ? List.of("a", "b")
                    : part instanceof Part.Sender ? List.of("COM", "L1") : List.of();
            if (!joined.isEmpty()) {
                sets.join(number(part, joined.get(0)), number(part, joined.get(1)));
            }
        }
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Supply supply) {
                supplies.computeIfAbsent(sets.find(number(part, "out")), n -> new LinkedHashSet<>())
                        .add(supply);
            }
        }
    }

    public static FixedNets of(Wiring wiring) {
        return new FixedNets(wiring);
    }

    private int number(Part part, String pin) {
        return numbers.get(part.pins().get(pin));
    }

    /** Number of the net of a node; empty when nothing of the wiring is there. */
    public Optional<Integer> netOf(NodeId node) {
        return Optional.ofNullable(numbers.get(node)).map(sets::find);
    }

    /** Supplies that hold a net. */
    public Set<Part.Supply> suppliesOf(int net) {
        return supplies.getOrDefault(net, Set.of());
    }
}
