package org.hiddenclerk.app.stage.survey;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Finds boxes with the house they are in. */
@Component
public class Boxes {
    private final BoxRepository boxes;
    private final Houses houses;

    Boxes(BoxRepository boxes, Houses houses) {
        this.boxes = boxes;
        this.houses = houses;
    }

    /**
     * A stored box, read whole, with what the core needs to judge it.
     *
     * @param run        the box with all that its cables lead to
     * @param neighbours other boxes of the run, by identity
     */
    public record Found(
            BoxRow row,
            UUID job,
            HouseContext house,
            SurveyDocument survey,
            Box box,
            List<BoxRow.PickPart> picks,
            ConnectedBoxes run,
            Map<String, Neighbour> neighbours) {}

    /** Another box of the run. */
    public record Neighbour(BoxRow row, SurveyDocument survey, Box box) {}

    @Transactional(readOnly = true)
    public Found find(UUID id) {
        BoxRow row = boxes.findById(id).orElseThrow(() -> ProblemException.notFound("box"));
        UUID job = houses.room(row.roomId()).jobId();
        return found(row, job, houses.context(job));
    }

    /** A box of a house that is known already. */
    public Found found(BoxRow row, UUID job, HouseContext house) {
        SurveyDocument survey = SurveyMapping.read(row);
        Box box = SurveyReader.readKept(survey, house);
        Map<String, Neighbour> neighbours = neighbours(row, house);
        Map<String, Box> boxesOfRun = new LinkedHashMap<>(Map.of(row.id().toString(), box));
        neighbours.forEach((id, neighbour) -> boxesOfRun.put(id, neighbour.box()));
        return new Found(
                row,
                job,
                house,
                survey,
                box,
                row.picks(),
                ConnectedBoxes.of(boxesOfRun, row.id().toString(), house.region()),
                neighbours);
    }

    /** A box alone, without what its cables lead to. */
    public Box read(BoxRow row, HouseContext house) {
        return SurveyReader.readKept(SurveyMapping.read(row), house);
    }

    private Map<String, Neighbour> neighbours(BoxRow lead, HouseContext house) {
        Map<String, Neighbour> found = new LinkedHashMap<>();
        Deque<UUID> open = new ArrayDeque<>(lead.neighbours());
        while (!open.isEmpty()) {
            UUID id = open.remove();
            if (!id.equals(lead.id()) && !found.containsKey(id.toString())) {
                boxes.findById(id).ifPresent(row -> {
                    SurveyDocument survey = SurveyMapping.read(row);
                    found.put(id.toString(), new Neighbour(row, survey, SurveyReader.readKept(survey, house)));
                    open.addAll(row.neighbours());
                });
            }
        }
        return found;
    }

    /** By identity, of what the core keys by its text. */
    public static <T> Map<UUID, T> keyed(Map<String, T> byText) {
        return byText.entrySet().stream()
                .collect(Collectors.toMap(entry -> UUID.fromString(entry.getKey()), Map.Entry::getValue));
    }

    /** The box, if it still has the version that the person saw. */
    public Found findUnchanged(UUID id, long version) {
        Found found = find(id);
        if (found.row().version() != version) {
            throw ProblemException.conflict(found.row().changedBy()
                    + " changed this box meanwhile. Your entry is not saved; " + "load the box again and repeat it.");
        }
        return found;
    }

    public List<BoxRow> ofJob(UUID job) {
        return boxes.findByJob(job);
    }
}
