package org.hiddenclerk.app.stage.survey;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was found in a box. */
@Service
public class RecordSurvey {
    private final BoxRepository boxes;
    private final Boxes found;
    private final Houses houses;
    private final OpenWork openWork;
    private final ChangesOfIssuedWork issuedWork;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    RecordSurvey(
            BoxRepository boxes,
            Boxes found,
            Houses houses,
            OpenWork openWork,
            ChangesOfIssuedWork issuedWork,
            Clock clock,
            ApplicationEventPublisher events) {
        this.boxes = boxes;
        this.found = found;
        this.houses = houses;
        this.openWork = openWork;
        this.issuedWork = issuedWork;
        this.clock = clock;
        this.events = events;
    }

    /** What was found in a box of a house is another thing than before. */
    public record SurveyKept(UUID job) {}

    /** Switches or loads of a box are called otherwise than before. */
    public record CalledOtherwise(UUID job) {}

    @Transactional
    public UUID add(UUID room, SurveyDocument survey, String who) {
        UUID job = houses.room(room).jobId();
        SurveyReader.read(survey, houses.context(job));
        requireNeighbours(survey, job);
        BoxRow row = new BoxRow(room, who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        SurveyMapping.write(survey, row);
        events.publishEvent(new SurveyKept(job));
        return boxes.save(row).id();
    }

    @Transactional
    public void change(UUID box, long version, SurveyDocument survey, String who) {
        Boxes.Found before = found.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        if (survey.equals(before.survey())) {
            return;
        }
        issuedWork.refuseUnlessMeant(before);
        SurveyReader.read(survey, before.house());
        requireNeighbours(survey, before.job());
        SurveyMapping.write(survey, before.row());
        dropPicksThatNoLongerFit(before.row(), survey);
        before.row().changed(who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        boxes.saveAndFlush(before.row());
        events.publishEvent(new SurveyKept(before.job()));
        if (!names(survey).equals(names(before.survey()))) {
            events.publishEvent(new CalledOtherwise(before.job()));
        }
    }

    private static List<String> names(SurveyDocument survey) {
        return Stream.concat(
                        survey.gangs().stream().map(SurveyDocument.GangEntry::name),
                        survey.loads().stream().map(SurveyDocument.LoadEntry::name))
                .toList();
    }

    private static void dropPicksThatNoLongerFit(BoxRow row, SurveyDocument survey) {
        row.pick(row.picks().stream()
                .filter(pick -> pick.gang() <= survey.gangs().size()
                        && (pick.loadNumber() == null
                                || survey.loads().stream().anyMatch(load -> load.number() == pick.loadNumber())))
                .toList());
    }

    /** Cables lead to boxes of the same house only. */
    private void requireNeighbours(SurveyDocument survey, UUID job) {
        List<String> known =
                boxes.findByJob(job).stream().map(box -> box.id().toString()).toList();
        for (int i = 0; i < survey.cables().size(); i++) {
            String other = survey.cables().get(i).box();
            if (other != null && !known.contains(other)) {
                throw ProblemException.content(
                        "The survey cannot be kept like this",
                        new FieldProblem(
                                "/cables/" + i + "/box", other, "a box of this house, or none where it is not known"));
            }
        }
    }
}
