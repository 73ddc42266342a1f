package org.hiddenclerk.core.joining;

import java.util.Comparator;
import java.util.List;

/**
 * In which order modules are let in: those that pass messages on first and from near to far, so that the far ones
 * find a way. Common practice, no source.
 */
public final class JoinOrder {
    private JoinOrder() {}

    /**
     * A module that is to come in.
     *
     * @param metres from the gateway, as the plan of the rooms says; the largest figure where it does not
     */
    public record Waiting(String id, boolean passesOn, double metres) {}

    public static List<Waiting> of(List<Waiting> all) {
        return all.stream()
                .sorted(Comparator.comparing((Waiting each) -> !each.passesOn())
                        .thenComparing(Waiting::metres)
                        .thenComparing(Waiting::id))
                .toList();
    }
}
