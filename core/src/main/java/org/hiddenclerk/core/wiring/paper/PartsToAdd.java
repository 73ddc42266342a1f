package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.BoxWiring;

/** What must be brought to the box for a plan. */
public final class PartsToAdd {
    /** Sizes in which connectors are carried, in conductors; common practice, no source. */
    private static final int[] CONNECTOR_SIZES = {2, 3, 5, 8};

    private PartsToAdd() {}

    /** So many of one thing. */
    public record Item(int count, String what) {}

    /** What a whole plan takes, place after place, equal things counted together. */
    public static List<Item> of(WiringPlan plan) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        plan.planned().ifPresent(planned -> plan.placesOfWork()
                .forEach(place -> of(plan.found().at(place), planned.at(place))
                        .forEach(item -> counts.merge(item.what(), item.count(), Integer::sum))));
        List<Item> items = new ArrayList<>();
        counts.forEach((what, count) -> items.add(new Item(count, what)));
        return items;
    }

    /** Connectors that a whole plan takes, by the conductors that they are for. */
    public static Map<Integer, Integer> connectors(WiringPlan plan) {
        Map<Integer, Integer> bySize = new TreeMap<>();
        plan.planned().ifPresent(planned -> plan.placesOfWork()
                .forEach(place -> connectors(plan.found().at(place), planned.at(place))
                        .forEach((size, count) -> bySize.merge(size, count, Integer::sum))));
        return bySize;
    }

    /** Mechanisms and plates that a whole plan exchanges. */
    public static int mechanisms(WiringPlan plan) {
        return plan.planned().stream()
                .flatMap(planned -> plan.placesOfWork().stream()
                        .map(place -> exchanged(plan.found().at(place), planned.at(place))
                                .size()))
                .mapToInt(Integer::intValue)
                .sum();
    }

    private static List<Gang> exchanged(BoxWiring before, BoxWiring after) {
        return after.box() == before.box()
                ? List.of()
                : after.box().gangs().stream()
                        .filter(gang -> gang.mechanism()
                                != before.box().gang(gang.number()).mechanism())
                        .toList();
    }

    /** What one box takes. */
    public static List<Item> of(BoxWiring before, BoxWiring after) {
        List<Item> items = new ArrayList<>();
        after.modules().forEach((number, model) -> {
            if (!before.modules().containsKey(number)) {
                items.add(new Item(1, model.code() + ", " + model.name()));
            }
        });
        exchanged(before, after)
                .forEach(gang -> items.add(new Item(
                        1,
                        gang.mechanism() == Mechanism.FIXED_ON
                                ? "blank plate for " + gang.name()
                                : gang.mechanism().label() + " mechanism for " + gang.name())));
        spacer(before, after).ifPresent(mm -> items.add(new Item(1, "spacer of " + mm + " under the plate")));
        connectors(before, after).forEach((size, count) -> items.add(new Item(count, connectorWords(size))));
        Map<String, Integer> jumpers = new TreeMap<>();
        for (Jumper jumper : after.jumpers()) {
            if (!before.jumpers().contains(jumper)) {
                jumpers.merge(jumper.colour().words(), 1, Integer::sum);
            }
        }
        jumpers.forEach((colour, count) -> items.add(new Item(count, colour + " jumper")));
        after.bypasses()
                .forEach((load, watts) -> items.add(new Item(
                        1,
                        "bypass of " + watts + " at " + after.box().load(load).name())));
        return items;
    }

    /** What a spacer adds to the depth of the box, where one is planned. */
    public static Optional<Millimetres> spacer(BoxWiring before, BoxWiring after) {
        return before.box()
                .geometry()
                .flatMap(was -> after.box()
                        .geometry()
                        .map(is -> new Millimetres(
                                is.depth().micrometres() - was.depth().micrometres())))
                .filter(mm -> mm.micrometres() > 0);
    }

    /** Connectors that are new, or hold more than they did and so may have to be changed for a larger one. */
    public static Map<Integer, Integer> connectors(BoxWiring before, BoxWiring after) {
        Map<Integer, Integer> bySize = new TreeMap<>();
        Map<End, Integer> was = before.held();
        after.held().forEach((place, count) -> {
            int size = sizeFor(count);
            if (place instanceof End.InConnector && size > sizeFor(was.getOrDefault(place, 0))) {
                bySize.merge(size, 1, Integer::sum);
            }
        });
        return bySize;
    }

    /** What a connector for so many conductors is called. */
    public static String connectorWords(int size) {
        return "connector for " + size + " conductors";
    }

    private static int sizeFor(int conductors) {
        if (conductors == 0) {
            return 0;
        }
        for (int size : CONNECTOR_SIZES) {
            if (conductors <= size) {
                return size;
            }
        }
        return conductors;
    }
}
