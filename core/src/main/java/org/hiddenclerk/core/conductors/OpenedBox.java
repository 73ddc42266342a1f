package org.hiddenclerk.core.conductors;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Mechanism;

/**
 * A gang of an opened box, or the opened lamp place.
 *
 * @param mechanism as found; empty for a lamp place, and where a mechanism is gone that nobody saw
 * @param removed   whether the mechanism is off, so that its cores hang free or meet in joints
 */
public record OpenedBox(String id, Optional<Mechanism> mechanism, boolean removed, List<SeenCore> cores) {
    public OpenedBox {
        cores = List.copyOf(cores);
    }

    boolean isLampPlace() {
        return mechanism.isEmpty() && !removed;
    }

    /** Whether its switch can be put in positions: it is there. */
    public boolean isOperable() {
        return mechanism.isPresent() && !removed;
    }

    boolean mayBe(Mechanism kind) {
        return mechanism.map(kind::equals).orElse(removed);
    }

    /** What entries of one wall box have in common: their id up to the last dot; empty when there is none. */
    Optional<String> wallBox() {
        int dot = id.lastIndexOf('.');
        return dot < 0 ? Optional.empty() : Optional.of(id.substring(0, dot));
    }
}
