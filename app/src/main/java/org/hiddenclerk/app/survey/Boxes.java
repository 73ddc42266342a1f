package org.hiddenclerk.app.survey;

import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.house.Houses;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.HouseContext;
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

    /** A stored box, read whole, with what the core needs to judge it. */
    public record Found(BoxRow row, UUID job, HouseContext house, SurveyDocument survey, Box box,
                        List<BoxRow.PickPart> picks) {
    }

    @Transactional(readOnly = true)
    public Found find(UUID id) {
        BoxRow row = boxes.findById(id).orElseThrow(() -> Unusable.notFound("box"));
        UUID job = houses.room(row.roomId()).jobId();
        return found(row, job, houses.context(job));
    }

    /** A box of a house that is known already. */
    public Found found(BoxRow row, UUID job, HouseContext house) {
        SurveyDocument survey = SurveyMapping.read(row);
        return new Found(row, job, house, survey, SurveyReader.read(survey, house.circuits().keySet()), row.picks());
    }

    /** The box, if it still has the version that the person saw. */
    public Found findUnchanged(UUID id, long version) {
        Found found = find(id);
        if (found.row().version() != version) {
            throw Unusable.conflict(found.row().changedBy() + " changed this box meanwhile. Your entry is not saved; "
                    + "load the box again and repeat it.");
        }
        return found;
    }

    public List<BoxRow> ofJob(UUID job) {
        return boxes.findByJob(job);
    }
}
