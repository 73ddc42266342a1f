package org.hiddenclerk.app.stage.day;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.stage.fitting.SheetTimes;
import org.hiddenclerk.app.stage.planning.IssuedPlanRow;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.day.DayTask.CircuitFacts;
import org.hiddenclerk.core.day.DayTask.Norms;
import org.hiddenclerk.core.day.DayTask.Work;
import org.hiddenclerk.core.fitting.RunSheetPlan;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is to be done on the site of a job: one work for each issued plan whose run sheet is not finished. */
@Component
class SiteWork {
    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final SheetTimes times;

    SiteWork(Houses houses, Boxes boxes, Plans plans, SheetTimes times) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
        this.times = times;
    }

    /**
     * Works and what they hang on.
     *
     * @param words     room and box, by work
     * @param notIssued boxes with modules picked whose plan is not issued, or not as the box is now; in words
     */
    record Site(
            List<Work> works, Map<String, CircuitFacts> circuits, Map<String, String> words, List<String> notIssued) {}

    /** How long a position took so far, in minutes, and over how many. */
    record SoFar(OptionalInt minutes, int sheets) {}

    @Transactional(readOnly = true)
    public Site of(UUID job, Norms norms, Map<String, Integer> mostOff) {
        HouseContext house = houses.context(job);
        Map<UUID, String> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, RoomRow::name));
        Map<UUID, IssuedPlanRow> issued = plans.lastIssuedByBox(job);
        Set<UUID> finished = times.finished(job);
        List<Work> works = new ArrayList<>();
        Map<String, String> words = new LinkedHashMap<>();
        List<String> notIssued = new ArrayList<>();
        Set<CircuitId> lights = new HashSet<>();
        List<BoxRow> rows = boxes.ofJob(job);
        Map<UUID, String> labels = rows.stream().collect(Collectors.toMap(BoxRow::id, BoxRow::label));
        Set<UUID> planned = new HashSet<>();
        for (BoxRow row : rows) {
            Boxes.Found found = boxes.found(row, job, house);
            lights.addAll(lightsIn(found.box()));
            String name = rooms.get(row.roomId()) + ", " + row.label();
            IssuedPlanRow plan = issued.get(row.id());
            boolean current = plan != null && plans.isCurrent(plan, found);
            if (!row.picks().isEmpty() && !current) {
                notIssued.add(name);
            } else if (current && !finished.contains(plan.id()) && planned.add(plan.id())) {
                // A plan over several boxes is one work, at the first of them that is come to.
                WiringPlan wiring = plans.restore(plan, house);
                Set<String> circuits =
                        RunSheetPlan.circuits(wiring).stream().map(house::label).collect(Collectors.toSet());
                int minutes = norms.position()
                        + norms.place() * (wiring.placesOfWork().size() - 1);
                String also = plan.opens().stream()
                        .filter(box -> !box.equals(row.id()))
                        .map(labels::get)
                        .collect(Collectors.joining(", "));
                String all = also.isEmpty() ? name : name + " with " + also;
                works.add(new Work(
                        row.id().toString(),
                        all,
                        circuits,
                        minutes,
                        norms.setUp() * wiring.planned().orElseThrow().fitted().size()));
                words.put(row.id().toString(), all);
            }
        }
        Map<String, CircuitFacts> circuits = new LinkedHashMap<>();
        house.circuits()
                .forEach((id, circuit) -> circuits.put(
                        circuit.label(),
                        new CircuitFacts(
                                lights.contains(id),
                                mostOff.getOrDefault(circuit.label(), Integer.MAX_VALUE),
                                circuit.alternativelySupplied())));
        return new Site(works, circuits, words, notIssued);
    }

    /** Circuits whose gangs switch lamps here. */
    private static Set<CircuitId> lightsIn(Box box) {
        return box.gangs().stream()
                .filter(gang -> box.loadsOf(gang.number()).stream()
                        .flatMap(load -> load.banks().stream())
                        .anyMatch(bank -> bank.kind().isLight()))
                .map(gang -> gang.circuit())
                .collect(Collectors.toSet());
    }

    @Transactional(readOnly = true)
    public SoFar soFar(UUID job) {
        List<Duration> took = times.took(job);
        return new SoFar(SheetTimes.medianMinutes(took), took.size());
    }
}
