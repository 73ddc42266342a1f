package org.hiddenclerk.app.stage.planning;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;

/**
 * What was worked out of the plans of boxes, kept as long as everything it was made from is the same: the version of the box and of its
 * neighbours, the circuits of the house, what the stock book says of its modules, and what the house and the firm have settled.
 */
public final class Remembered<T> {
    private final Plans plans;
    private final Map<UUID, Entry<T>> kept = new ConcurrentHashMap<>();

    public Remembered(Plans plans) {
        this.plans = plans;
    }

    private record Basis(
            long version,
            Map<String, Long> neighbours,
            Map<CircuitId, Circuit> circuits,
            Map<String, String> modules,
            String circumstances) {}

    private record Entry<T>(Basis basis, T what) {}

    public T of(Boxes.Found found, Plans.Circumstances circumstances, Supplier<T> worked) {
        Map<String, Long> neighbours = new TreeMap<>();
        found.neighbours()
                .forEach((id, neighbour) -> neighbours.put(id, neighbour.row().version()));
        Basis basis = new Basis(
                found.row().version(),
                neighbours,
                found.house().circuits(),
                plans.modules(found),
                circumstances.of(found.row().id()));
        Entry<T> before = kept.get(found.row().id());
        if (before != null && before.basis().equals(basis)) {
            return before.what();
        }
        T what = worked.get();
        kept.put(found.row().id(), new Entry<>(basis, what));
        return what;
    }

    public void forget(Set<UUID> boxes) {
        kept.keySet().removeAll(boxes);
    }
}
