package org.hiddenclerk.app.stage.survey;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.survey.CircuitSum;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What all surveyed loads of each circuit of a house come to, read again when a box or the house has changed. */
@Component
public class CircuitSums {
    private final Houses houses;
    private final Boxes boxes;
    private final Map<UUID, Cached> kept = new ConcurrentHashMap<>();

    CircuitSums(Houses houses, Boxes boxes) {
        this.houses = houses;
        this.boxes = boxes;
    }

    private record Cached(HouseContext house, Map<UUID, Long> versions, List<CircuitSum> sums) {}

    @EventListener
    void forget(HouseReadAnew anew) {
        kept.remove(anew.job());
    }

    @Transactional(readOnly = true)
    public List<CircuitSum> of(UUID job) {
        HouseContext house = houses.context(job);
        List<BoxRow> rows = boxes.ofJob(job);
        Map<UUID, Long> versions = new LinkedHashMap<>();
        rows.forEach(row -> versions.put(row.id(), row.version()));
        Cached before = kept.get(job);
        if (before != null && before.house().equals(house) && before.versions().equals(versions)) {
            return before.sums();
        }
        Map<String, Box> all = new LinkedHashMap<>();
        rows.forEach(row -> all.put(row.id().toString(), boxes.read(row, house)));
        List<CircuitSum> sums = CircuitSum.of(house, all);
        kept.put(job, new Cached(house, versions, sums));
        return sums;
    }
}
