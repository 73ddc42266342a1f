package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;

/**
 * The part of a large wiring that can influence some of its switches, loads and modules.
 *
 * <p>A net that a supply holds whatever the switches do has one potential in every state, so what meets only there does not
 * influence each other: two lamps with their switches on one circuit are two neighbourhoods. Conductors, caps and supplies
 * all stay; switches, loads and modules of other neighbourhoods are left out.
 */
public final class Neighbourhood {
    private Neighbourhood() {}

    /**
     * The wiring without the neighbourhoods in which nothing is wanted. A wiring of at most {@code enough} switches and
     * channels is left as it is.
     */
    public static Wiring of(Wiring wiring, int enough, Predicate<PartId> wanted) {
        int elements =
                wiring.parts().stream().mapToInt(Neighbourhood::elementsOf).sum();
        if (elements <= enough) {
            return wiring;
        }
        FixedNets nets = FixedNets.of(wiring);
        Map<Integer, Integer> numbers = new HashMap<>();
        List<Part> movable =
                wiring.parts().stream().filter(Neighbourhood::isMovable).toList();
        movable.forEach(part -> freeNets(part, nets).forEach(net -> numbers.putIfAbsent(net, numbers.size())));
        Sets sets = new Sets(numbers.size());
        for (Part part : movable) {
            List<Integer> own = freeNets(part, nets);
            own.forEach(net -> sets.join(numbers.get(own.get(0)), numbers.get(net)));
        }
        Set<Integer> near = new HashSet<>();
        movable.stream()
                .filter(part -> wanted.test(part.id()))
                .flatMap(part -> freeNets(part, nets).stream())
                .forEach(net -> near.add(sets.find(numbers.get(net))));
        Set<PartId> kept = new HashSet<>();
        List<Part> parts = new ArrayList<>();
        for (Part part : wiring.parts()) {
            boolean stays = !isMovable(part)
                    || wanted.test(part.id())
                    || freeNets(part, nets).stream().anyMatch(net -> near.contains(sets.find(numbers.get(net))));
            if (stays) {
                parts.add(part);
                kept.add(part.id());
            } else {
                // A conductor that ends on it does not end in the air: something inert stays on each of its nodes.
                part.pins()
                        .forEach((pin, node) -> parts.add(
                                new Part.Link(new PartId(part.id() + "." + pin), Map.of("a", node, "b", node))));
            }
        }
        return new Wiring(
                wiring.supply(),
                parts,
                wiring.intents().stream()
                        .filter(intent -> kept.contains(intent.load()) && kept.containsAll(intent.controls()))
                        .toList(),
                wiring.names());
    }

    private static int elementsOf(Part part) {
        if (part instanceof Part.FittedModule module) {
            return module.channels().size();
        }
        return part instanceof Part.Switch mechanism && mechanism.mechanism().isTwoState() ? 1 : 0;
    }

    private static boolean isMovable(Part part) {
        return part instanceof Part.Switch
                || part instanceof Part.Load
                || part instanceof Part.FittedModule
                || part instanceof Part.Sender
                || part instanceof Part.Bypass;
    }

    /** Nets of a part that no supply holds. */
    private static List<Integer> freeNets(Part part, FixedNets nets) {
        return part.pins().values().stream()
                .flatMap(node -> nets.netOf(node).stream())
                .filter(net -> nets.suppliesOf(net).isEmpty())
                .distinct()
                .toList();
    }
}
