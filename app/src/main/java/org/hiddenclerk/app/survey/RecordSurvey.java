package org.hiddenclerk.app.survey;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.hiddenclerk.app.house.Houses;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was found in a box. */
@Service
public class RecordSurvey {
    private final BoxRepository boxes;
    private final Boxes found;
    private final Houses houses;
    private final OpenWork openWork;
    private final Clock clock;

    RecordSurvey(BoxRepository boxes, Boxes found, Houses houses, OpenWork openWork, Clock clock) {
        this.boxes = boxes;
        this.found = found;
        this.houses = houses;
        this.openWork = openWork;
        this.clock = clock;
    }

    @Transactional
    public UUID add(UUID room, SurveyDocument survey, String who) {
        SurveyReader.read(survey, houses.context(houses.room(room).jobId()).circuits().keySet());
        BoxRow row = new BoxRow(room, who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        SurveyMapping.write(survey, row);
        return boxes.save(row).id();
    }

    @Transactional
    public void change(UUID box, long version, SurveyDocument survey, String who) {
        Boxes.Found before = found.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        SurveyReader.read(survey, before.house().circuits().keySet());
        SurveyMapping.write(survey, before.row());
        dropPicksThatNoLongerFit(before.row(), survey);
        before.row().changed(who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        boxes.saveAndFlush(before.row());
    }

    private static void dropPicksThatNoLongerFit(BoxRow row, SurveyDocument survey) {
        row.pick(row.picks().stream().filter(pick -> pick.gang() <= survey.gangs().size()).toList());
    }
}
