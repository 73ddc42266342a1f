package org.hiddenclerk.core.fitting;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Locks that people hang on circuits. A circuit is switched on again only when everybody on it has signed off. */
public final class Locks {
    private Locks() {}

    /**
     * A lock of one person, hung for the work on one box.
     *
     * @param box label of the box
     */
    public record Lock(String circuit, String person, String box, Instant since) {}

    /**
     * Why circuits may not be switched on, in words; empty when they may.
     *
     * @param hanging locks on the circuits that would come on
     * @param who     who would switch them on; the own lock for this box comes off with it
     */
    public static Optional<String> refusal(List<Lock> hanging, String who, String box) {
        List<Lock> others = hanging.stream()
                .filter(lock -> !lock.person().equals(who) || !lock.box().equals(box))
                .toList();
        return others.isEmpty()
                ? Optional.empty()
                : Optional.of(others.stream()
                        .map(lock ->
                                "circuit " + lock.circuit() + " is locked by " + lock.person() + " for " + lock.box())
                        .distinct()
                        .collect(Collectors.joining(", ")));
    }
}
