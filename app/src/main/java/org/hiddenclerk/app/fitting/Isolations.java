package org.hiddenclerk.app.fitting;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.house.Houses;
import org.hiddenclerk.app.survey.BoxRow;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.HouseContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which circuits of a job are switched off, or worked on, and because of which box. */
@Service
public class Isolations {
    private final Houses houses;
    private final Boxes boxes;
    private final RunSheets sheets;

    Isolations(Houses houses, Boxes boxes, RunSheets sheets) {
        this.houses = houses;
        this.boxes = boxes;
        this.sheets = sheets;
    }

    /** How a circuit stands because of the work on a box. */
    public record Isolated(String circuit, String box, UUID boxId, RunSheet.Isolation.State state, String who, Optional<Instant> since) {
    }

    @Transactional(readOnly = true)
    public List<Isolated> of(UUID job) {
        HouseContext house = houses.context(job);
        List<Isolated> all = new ArrayList<>();
        Map<UUID, RunSheets.Open> open = sheets.lastByBox(job, house);
        for (BoxRow row : boxes.ofJob(job)) {
            Optional.ofNullable(open.get(row.id())).ifPresent(sheet -> all.addAll(of(boxes.found(row, job, house), sheet.sheet())));
        }
        return all;
    }

    static List<Isolated> of(Boxes.Found found, RunSheet sheet) {
        RunSheet.Isolation state = sheet.isolation();
        boolean working = sheet.progress() > 0 && !sheet.isFinished();
        return !working && state.state() == RunSheet.Isolation.State.ON ? List.of() : found.run().circuitsIn(found.run().lead()).stream().map(circuit ->
                new Isolated(found.house().label(circuit), found.row().label(), found.row().id(), state.state(), state.who(), state.since())).toList();
    }

    /** The circuits of every box of a job, in words. */
    @Transactional(readOnly = true)
    public Map<UUID, String> circuitsByBox(UUID job) {
        HouseContext house = houses.context(job);
        return boxes.ofJob(job).stream().collect(Collectors.toMap(BoxRow::id, row -> {
            Boxes.Found found = boxes.found(row, job, house);
            Set<CircuitId> circuits = found.run().circuitsIn(found.run().lead());
            return circuits.stream().map(house::label).sorted().collect(Collectors.joining(", "));
        }));
    }
}
