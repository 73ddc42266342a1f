package org.hiddenclerk.core.live;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.RuledHouse;

/** The parts of a house that may fail. */
public final class Parts {
    private Parts() {}

    /** A name for a part that stays the same: its kind, and its id where there are several. */
    public static String keyOf(Part part) {
        return part.id().isEmpty() ? part.kind().name() : part.kind().name() + ":" + part.id();
    }

    /** Every part, those of the whole house first. */
    public static List<Part> of(RuledHouse house) {
        TreeSet<Part> parts = new TreeSet<>(List.of(Part.HUB, Part.INTERNET));
        house.devices().forEach(device -> {
            parts.addAll(Part.toHub(device.protocol()));
            parts.add(Part.of(device));
            device.circuit().map(Part::mains).ifPresent(parts::add);
        });
        return new ArrayList<>(parts);
    }

    public static Optional<Part> find(RuledHouse house, String key) {
        return of(house).stream().filter(part -> keyOf(part).equals(key)).findFirst();
    }
}
