package org.hiddenclerk.app.stage.fitting;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.SharedCircuits;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.run.HouseContext;
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

    /**
     * How a circuit stands because of some work.
     *
     * @param box labels of the boxes that it opens @param boxId the box that its locks are for
     */
    public record Isolated(
            String circuit,
            String box,
            UUID boxId,
            RunSheet.Isolation.State state,
            String who,
            Optional<Instant> since) {}

    @Transactional(readOnly = true)
    public List<Isolated> of(UUID job) {
        HouseContext house = houses.context(job);
        return of(
                boxes.ofJob(job).stream()
                        .map(row -> boxes.found(row, job, house))
                        .toList(),
                sheets.lastByBox(job, house));
    }

    /** How circuits stand because of the work on some boxes: of one circuit nothing is said in one box that another contradicts. */
    static List<Isolated> of(List<Boxes.Found> boxes, Map<UUID, RunSheets.Open> sheets) {
        Map<UUID, SharedCircuits.Work> works = new LinkedHashMap<>();
        Map<UUID, String> labels = boxes.stream()
                .collect(Collectors.toMap(
                        found -> found.row().id(), found -> found.row().label()));
        // A work over several boxes is one: it stands at the box that its locks are for.
        boxes.stream()
                .filter(found -> sheets.containsKey(found.row().id())
                        && sheets.get(found.row().id()).box().equals(found.row().id()))
                .forEach(found -> {
                    RunSheets.Open open = sheets.get(found.row().id());
                    works.put(
                            found.row().id(),
                            new SharedCircuits.Work(
                                    found.row().label(),
                                    open.sheet(),
                                    open.circuits().stream()
                                            .map(found.house()::label)
                                            .collect(Collectors.toSet()),
                                    open.row().isSetAside()));
                });
        List<Isolated> all = new ArrayList<>();
        for (Boxes.Found found : boxes) {
            SharedCircuits.Work own = works.get(found.row().id());
            boolean isWorked = own != null
                    && !own.setAside()
                    && !own.sheet().isFinished()
                    && (own.sheet().progress() > 0 || own.sheet().isolation().state() != RunSheet.Isolation.State.ON);
            if (isWorked) {
                List<SharedCircuits.Work> others =
                        works.values().stream().filter(work -> work != own).toList();
                own.circuits().stream().sorted().forEach(circuit -> {
                    RunSheet.Isolation state = SharedCircuits.standing(own, circuit, others);
                    all.add(new Isolated(
                            circuit,
                            sheets.get(found.row().id()).opens().stream()
                                    .map(labels::get)
                                    .collect(Collectors.joining(", ")),
                            found.row().id(),
                            state.state(),
                            state.who(),
                            state.since()));
                });
            }
        }
        return all;
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
