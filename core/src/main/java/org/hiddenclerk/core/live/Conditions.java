package org.hiddenclerk.core.live;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.rules.Reach;

/**
 * What is the matter in a house.
 *
 * @param down    parts that are not there; a circuit that is off is one of them
 * @param slow    times as long as usual that every message takes; 1 is usual
 * @param polling whether the hub asks every {@value #POLL_MS} ms instead of being told
 */
public record Conditions(Set<Reach.Part> down, int slow, boolean polling) {
    /** Between two rounds of a hub that asks; common practice, no source. */
    public static final long POLL_MS = 10_000;

    public static final Conditions WHOLE = new Conditions(Set.of(), 1, false);
    private static final int MOST = 100;

    public Conditions {
        down = Set.copyOf(down);
        if (slow < 1 || slow > MOST) {
            throw new IllegalArgumentException(
                    "Messages must take 1 to " + MOST + " times as long as usual, not " + slow + ".");
        }
    }

    boolean isDown(Reach.Part part) {
        return down.contains(part);
    }

    boolean isAnyDown(Set<Reach.Part> parts) {
        return parts.stream().anyMatch(down::contains);
    }

    /** Circuits by their labels. */
    Set<String> circuitsOff() {
        return down.isEmpty() ? Set.of() : ids(Reach.Part.Kind.MAINS);
    }

    /** Devices that do nothing any more. */
    Set<DeviceId> broken() {
        return down.isEmpty()
                ? Set.of()
                : ids(Reach.Part.Kind.MODULE).stream().map(DeviceId::new).collect(Collectors.toSet());
    }

    private Set<String> ids(Reach.Part.Kind kind) {
        return down.stream()
                .filter(part -> part.kind() == kind)
                .map(Reach.Part::id)
                .collect(Collectors.toSet());
    }

    /** The same with a part down, or up again. */
    public Conditions with(Reach.Part part, boolean isDown) {
        Set<Reach.Part> other = new HashSet<>(down);
        if (isDown) {
            other.add(part);
        } else {
            other.remove(part);
        }
        return new Conditions(other, slow, polling);
    }
}
