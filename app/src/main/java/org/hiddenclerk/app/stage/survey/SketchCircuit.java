package org.hiddenclerk.app.stage.survey;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.StandardBox;
import org.hiddenclerk.core.job.sketch.CircuitSketch;
import org.hiddenclerk.core.job.sketch.SketchedPlace;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Fills boxes with a circuit that somebody told, all of them or none. */
@Service
class SketchCircuit {
    private final BoxRepository rows;
    private final Boxes boxes;
    private final Houses houses;
    private final OpenWork openWork;
    private final ChangesOfIssuedWork issuedWork;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    SketchCircuit(
            BoxRepository rows,
            Boxes boxes,
            Houses houses,
            OpenWork openWork,
            ChangesOfIssuedWork issuedWork,
            Clock clock,
            ApplicationEventPublisher events) {
        this.rows = rows;
        this.boxes = boxes;
        this.houses = houses;
        this.openWork = openWork;
        this.issuedWork = issuedWork;
        this.clock = clock;
        this.events = events;
    }

    /**
     * Where a place of the circuit is.
     *
     * @param box  one that is there already, with the version that the person saw; empty for a new one
     * @param room of a new one
     */
    record Where(Optional<UUID> box, long version, Optional<UUID> room, String label, String switchName) {}

    /** @param where for each place of the sketch, in its order; @return the boxes, in the same order */
    @Transactional
    List<UUID> keep(UUID job, CircuitSketch sketch, List<Where> where, String who) {
        List<SketchedPlace> places = sketch.places();
        if (places.size() != where.size()) {
            throw ProblemException.content(
                    "The circuit cannot be filled in",
                    new FieldProblem(
                            "/places", where.size() + " places", places.size() + " places, as the shape has them"));
        }
        HouseContext house = houses.context(job);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        Map<String, CircuitSketch.Target> targets = new LinkedHashMap<>();
        List<BoxRow> filled = new ArrayList<>();
        List<SurveyDocument> before = new ArrayList<>();
        List<Boxes.Found> changed = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Where at = where.get(i);
            if (at.box().isPresent()) {
                Boxes.Found found = boxes.findUnchanged(at.box().get(), at.version());
                requireHere(i, found, job, places.get(i), targets);
                openWork.refuseIfOpen(found.row().id());
                changed.add(found);
                filled.add(found.row());
                before.add(found.survey());
                targets.put(
                        places.get(i).key(),
                        new CircuitSketch.Target(found.row().id().toString(), found.box(), at.switchName()));
            } else {
                UUID room = roomOf(i, at, job);
                BoxRow row = new BoxRow(room, who, now);
                SurveyDocument empty = empty(at.label(), places.get(i).kind(), house);
                filled.add(row);
                before.add(empty);
                targets.put(
                        places.get(i).key(),
                        new CircuitSketch.Target(
                                row.id().toString(), SurveyReader.read(empty, house), at.switchName()));
            }
        }
        issuedWork.refuseUnlessMeant(changed);
        Map<String, Box> built = sketch.into(targets);
        for (int i = 0; i < filled.size(); i++) {
            BoxRow row = filled.get(i);
            SurveyDocument survey = with(before.get(i), built.get(row.id().toString()));
            SurveyReader.read(survey, house);
            SurveyMapping.write(survey, row);
            row.changed(who, now);
            rows.save(row);
        }
        rows.flush();
        events.publishEvent(new RecordSurvey.SurveyKept(job));
        return filled.stream().map(BoxRow::id).toList();
    }

    private static void requireHere(
            int place, Boxes.Found found, UUID job, SketchedPlace wanted, Map<String, CircuitSketch.Target> targets) {
        String label = found.row().label();
        if (!found.job().equals(job)) {
            throw ProblemException.content(
                    "The circuit cannot be filled in",
                    new FieldProblem("/places/" + place + "/box", label, "a box of this house"));
        }
        if (found.row().kind() != wanted.kind()) {
            throw ProblemException.content(
                    "The circuit cannot be filled in",
                    new FieldProblem(
                            "/places/" + place + "/box",
                            label + ", a " + found.row().kind().label(),
                            "a " + wanted.kind().label()));
        }
        if (targets.values().stream()
                .anyMatch(target -> target.id().equals(found.row().id().toString()))) {
            throw ProblemException.content(
                    "The circuit cannot be filled in",
                    new FieldProblem("/places/" + place + "/box", label + " twice", "a box for each place"));
        }
    }

    private UUID roomOf(int place, Where at, UUID job) {
        UUID room = at.room()
                .orElseThrow(() -> ProblemException.content(
                        "The circuit cannot be filled in",
                        new FieldProblem("/places/" + place + "/room", "no room", "the room of a new box")));
        if (!houses.room(room).jobId().equals(job)) {
            throw ProblemException.content(
                    "The circuit cannot be filled in",
                    new FieldProblem(
                            "/places/" + place + "/room", houses.room(room).name(), "a room of this house"));
        }
        return room;
    }

    /** A new box has the measures of the first that is sold in its region, which nobody has measured. */
    private static SurveyDocument empty(String label, BoxKind kind, HouseContext house) {
        BoxGeometry usual = StandardBox.of(house.region()).get(0).geometry();
        return new SurveyDocument(
                label,
                kind,
                new SurveyDocument.Geometry(
                        usual.width().asDecimal(),
                        usual.height().asDecimal(),
                        usual.depth().asDecimal(),
                        usual.metal(),
                        usual.markedCubicInches().orElse(null),
                        usual.round() ? Boolean.TRUE : null,
                        null,
                        Boolean.TRUE),
                List.of(),
                List.of(),
                List.of(),
                List.of());
    }

    /** The survey with what a sketch added to its box. */
    private static SurveyDocument with(SurveyDocument before, Box built) {
        List<SurveyDocument.GangEntry> gangs = new ArrayList<>(before.gangs());
        built.gangs().stream()
                .skip(gangs.size())
                .forEach(gang -> gangs.add(new SurveyDocument.GangEntry(
                        gang.number(),
                        gang.name(),
                        gang.mechanism(),
                        SurveyMapping.plain(gang.depth().asDecimal()),
                        gang.circuit().value())));
        List<SurveyDocument.LoadEntry> loads = new ArrayList<>(before.loads());
        built.loads().stream()
                .skip(loads.size())
                .forEach(load -> loads.add(new SurveyDocument.LoadEntry(
                        load.number(),
                        load.name(),
                        load.typed(),
                        load.gang(),
                        load.continuous(),
                        load.drive()
                                .map(drive -> new SurveyDocument.DriveEntry(drive.motor(), drive.direction()))
                                .orElse(null))));
        List<SurveyDocument.CableEntry> cables = new ArrayList<>(before.cables());
        built.cables().stream().skip(cables.size()).forEach(cable -> {
            SurveyDocument.CableEntry entry = SurveyMapping.entry(cable);
            cables.add(
                    cable.leads() instanceof Leads.ToBox to
                            ? new SurveyDocument.CableEntry(
                                    entry.name(),
                                    entry.leadsTo(),
                                    null,
                                    null,
                                    to.box(),
                                    to.cable(),
                                    entry.mm2(),
                                    entry.cores(),
                                    entry.asUsual())
                            : entry);
        });
        List<SurveyDocument.JumperEntry> jumpers = new ArrayList<>(before.jumpers());
        built.jumpers().stream().skip(jumpers.size()).map(SurveyMapping::entry).forEach(jumpers::add);
        return new SurveyDocument(
                before.label(),
                before.kind(),
                before.geometry(),
                gangs,
                loads,
                cables,
                jumpers,
                before.modulesInPlace());
    }
}
