package org.hiddenclerk.core.electrical.part;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Parts on nodes, the mains they hang on, and what is wanted of the loads.
 *
 * @param names what people call parts, for sentences; a part without one goes by its id
 */
public record Wiring(SupplySystem supply, List<Part> parts, List<Intent> intents, Map<PartId, String> names) {
    /** Parts that one wiring may have. */
    public static final int MAX_PARTS = 5_000;
    /** Two-state elements that one connected region may have. */
    public static final int MAX_ELEMENTS = 20;

    public Wiring {
        parts = List.copyOf(parts);
        intents = List.copyOf(intents);
        names = Map.copyOf(names);
    }

    public Wiring(SupplySystem supply, List<Part> parts, List<Intent> intents) {
        this(supply, parts, intents, Map.of());
    }

    /** The same wiring with some circuits switched off: their lives are gone, neutral and earth stay. */
    public Wiring withoutLives(Set<String> circuits) {
        return circuits.isEmpty()
                ? this
                : new Wiring(
                        supply,
                        parts.stream()
                                .filter(part -> !(part instanceof Part.Supply source
                                        && circuits.contains(source.circuit())
                                        && (source.line().isLive() || source.line() == Line.ELV_PLUS)))
                                .toList(),
                        intents,
                        names);
    }

    /** What people call a part. */
    public String nameOf(PartId part) {
        return names.getOrDefault(part, part.value());
    }
}
