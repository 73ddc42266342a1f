package org.hiddenclerk.core.electrical;

import java.util.List;

/** Parts on nodes, the mains they hang on, and what is wanted of the loads. */
public record Wiring(SupplySystem supply, List<Part> parts, List<Intent> intents) {
    /** Parts that one wiring may have. */
    public static final int MAX_PARTS = 5_000;
    /** Two-state elements that one connected region may have. */
    public static final int MAX_ELEMENTS = 20;

    public Wiring {
        parts = List.copyOf(parts);
        intents = List.copyOf(intents);
    }
}
