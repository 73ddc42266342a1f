package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.quantity.Watts;

/**
 * How everything in a box is connected, as found or as planned.
 *
 * @param box      what the box holds
 * @param ends     where each core ends, by core key, in the order of the survey
 * @param jumpers  pieces of wire within the box
 * @param modules  modules, numbered from 1 in this order
 * @param bypasses bypass watts by load number
 */
public record BoxWiring(Box box, Map<String, End> ends, List<Jumper> jumpers, List<Assignment> modules,
                        Map<Integer, Watts> bypasses) {
    public BoxWiring {
        ends = Collections.unmodifiableMap(new LinkedHashMap<>(ends));
        jumpers = List.copyOf(jumpers);
        modules = List.copyOf(modules);
        bypasses = Collections.unmodifiableMap(new LinkedHashMap<>(bypasses));
    }

    /** The box as it was surveyed. */
    public static BoxWiring surveyed(Box box) {
        Map<String, End> ends = new LinkedHashMap<>();
        box.cores().forEach(core -> ends.put(core.key(), core.core().end()));
        return new BoxWiring(box, ends, box.jumpers(), List.of(), Map.of());
    }

    public End endOf(Box.CableCore core) {
        return ends.get(core.key());
    }

    /** What is attached at a place, in words: cores first, then jumpers. */
    public List<Attached> attachedAt(End place) {
        List<Attached> attached = new ArrayList<>();
        box.cores().stream().filter(core -> endOf(core).equals(place))
                .forEach(core -> attached.add(new Attached(core.key(), core.core().colour(), core.words())));
        for (Jumper jumper : jumpers) {
            if (jumper.from().equals(place)) {
                attached.add(new Attached(jumper.key(), jumper.colour(), "jumper to " + jumper.to().words()));
            } else if (jumper.to().equals(place)) {
                attached.add(new Attached(jumper.key(), jumper.colour(), "jumper to " + jumper.from().words()));
            }
        }
        return attached;
    }

    /** One conductor at a place. */
    public record Attached(String key, CoreColour colour, String words) {
    }

    /** Places that hold something, in a stable order. */
    public List<End> places() {
        Map<End, Boolean> places = new java.util.TreeMap<>();
        ends.values().forEach(end -> places.put(end, true));
        jumpers.forEach(jumper -> {
            places.put(jumper.from(), true);
            places.put(jumper.to(), true);
        });
        return List.copyOf(places.keySet());
    }
}
