package org.hiddenclerk.app.stage.survey;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.job.house.CircuitRow;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.NewCircuit;
import org.hiddenclerk.app.job.house.OpenHouse;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Changes circuits, and takes circuits and boxes away. What was issued on the ground of them is opened again only when that is meant, and
 * nothing is taken from under the hands of people at work.
 */
@Service
class PutRight {
    private final BoxRepository rows;
    private final Boxes boxes;
    private final Houses houses;
    private final OpenHouse openHouse;
    private final OpenWork openWork;
    private final ChangesOfIssuedWork issuedWork;
    private final IssuedWork issued;
    private final List<HoldsBox> holders;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    PutRight(
            BoxRepository rows,
            Boxes boxes,
            Houses houses,
            OpenHouse openHouse,
            OpenWork openWork,
            ChangesOfIssuedWork issuedWork,
            IssuedWork issued,
            List<HoldsBox> holders,
            Clock clock,
            ApplicationEventPublisher events) {
        this.rows = rows;
        this.boxes = boxes;
        this.houses = houses;
        this.openHouse = openHouse;
        this.openWork = openWork;
        this.issuedWork = issuedWork;
        this.issued = issued;
        this.holders = holders;
        this.clock = clock;
        this.events = events;
    }

    @Transactional
    public void circuit(UUID circuit, long version, NewCircuit changed, String who) {
        CircuitRow row = openHouse.unchangedCircuit(circuit, version);
        CircuitRow.Data data = changed.in(houses.job(row.jobId()).region(), "/circuit");
        if (data.equals(row.data())) {
            return;
        }
        List<Boxes.Found> concerned = with(row);
        concerned.forEach(box -> openWork.refuseIfOpen(box.row().id()));
        issuedWork.refuseUnlessMeant(concerned);
        openHouse.changeCircuit(row, data);
        concerned.forEach(box -> changed(box.row(), who));
        events.publishEvent(new RecordSurvey.SurveyKept(row.jobId()));
    }

    /** @throws ProblemException as a conflict, when a box is on the circuit or a plan speaks of it */
    @Transactional
    public void withoutCircuit(UUID circuit, long version) {
        CircuitRow row = openHouse.unchangedCircuit(circuit, version);
        String label = row.toCircuit().label();
        List<Boxes.Found> concerned = with(row);
        if (!concerned.isEmpty()) {
            throw ProblemException.conflict("Circuit " + label + " is in "
                    + String.join(
                            ", ",
                            concerned.stream().map(box -> box.row().label()).toList())
                    + ". Put what hangs there on another circuit first.");
        }
        if (issued.speaksOf(row.jobId(), circuit)) {
            throw ProblemException.conflict("A plan was issued that speaks of circuit " + label
                    + ". The books keep it, and so the circuit stays.");
        }
        openHouse.removeCircuit(row);
    }

    private List<Boxes.Found> with(CircuitRow circuit) {
        CircuitId id = circuit.toCircuit().id();
        HouseContext house = houses.context(circuit.jobId());
        return boxes.ofJob(circuit.jobId()).stream()
                .filter(row -> boxes.read(row, house).circuits().contains(id))
                .map(row -> boxes.found(row, circuit.jobId(), house))
                .toList();
    }

    /** Takes a box away; cables of other boxes that led to it lead to somewhere unknown until it is put back. */
    @Transactional
    public void withoutBox(UUID box, long version, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        Optional<String> why = holders.stream()
                .flatMap(holder -> holder.whyItStays(box).stream())
                .findFirst();
        if (why.isPresent()) {
            throw ProblemException.conflict(found.row().label() + " stays: " + why.get());
        }
        issuedWork.refuseUnlessMeant(found);
        found.row().isTakenAway(now());
        changed(found.row(), who);
        events.publishEvent(new RecordSurvey.SurveyKept(found.job()));
    }

    @Transactional
    public UUID putBack(UUID box, String who) {
        BoxRow row = rows.findTakenAway(box).orElseThrow(() -> ProblemException.notFound("box that was taken away"));
        row.isTakenAway(null);
        changed(row, who);
        events.publishEvent(
                new RecordSurvey.SurveyKept(houses.room(row.roomId()).jobId()));
        return row.id();
    }

    @Transactional
    public void room(UUID box, long version, UUID room, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        if (!houses.room(room).jobId().equals(found.job())) {
            throw ProblemException.content(
                    "The box cannot be there",
                    new FieldProblem("/room", houses.room(room).name(), "a room of the same house"));
        }
        if (found.row().roomId().equals(room)) {
            return;
        }
        issuedWork.refuseUnlessMeant(found);
        found.row().isIn(room);
        changed(found.row(), who);
        events.publishEvent(new RecordSurvey.SurveyKept(found.job()));
    }

    private void changed(BoxRow row, String who) {
        row.changed(who, now());
        rows.saveAndFlush(row);
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
