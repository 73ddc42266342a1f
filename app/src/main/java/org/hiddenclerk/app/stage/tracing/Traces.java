package org.hiddenclerk.app.stage.tracing;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.FieldReadings;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.RecordSurvey;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.core.conductors.Board;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.conductors.PenNote;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxProgress;
import org.hiddenclerk.core.job.Role;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Readings on the cores of a run of boxes, and what follows from them. */
@Service
public class Traces implements FieldReadings {
    private final Boxes boxes;
    private final RecordSurvey recordSurvey;
    private final TraceReadingRepository readings;
    private final Clock clock;
    private final Map<UUID, Judged> standings = new ConcurrentHashMap<>();
    private final JsonMapper json = JsonMapper.builder().build();

    Traces(Boxes boxes, RecordSurvey recordSurvey, TraceReadingRepository readings, Clock clock) {
        this.boxes = boxes;
        this.recordSurvey = recordSurvey;
        this.readings = readings;
        this.clock = clock;
    }

    @EventListener
    void forget(HouseReadAnew anew) {
        standings.keySet().removeAll(anew.boxes());
    }

    private record Basis(Map<String, Long> versions, int readings, Instant last) {}

    private record Judged(Basis basis, BoxProgress.Readings standing, FieldEvidence evidence) {}

    /**
     * How far the readings of boxes have come. A standing is kept as long as the boxes of its run and their readings are the
     * same.
     *
     * @param read boxes in which something was read, see {@link #boxesRead}
     */
    @Transactional(readOnly = true)
    public BoxProgress.Readings standing(Boxes.Found found, Set<UUID> read) {
        return judged(found, read).map(Judged::standing).orElse(BoxProgress.Readings.UNREAD);
    }

    @Override
    @Transactional(readOnly = true)
    public Read in(UUID job) {
        List<TraceReadingRepository.ReadBox> read = readings.read(job);
        return new Read(
                read.stream()
                        .map(box -> box.boxId() + ":" + box.readings() + ":" + box.last())
                        .sorted()
                        .toList()
                        .toString(),
                read.stream().map(TraceReadingRepository.ReadBox::boxId).collect(Collectors.toSet()));
    }

    @Override
    @Transactional(readOnly = true)
    public FieldEvidence evidence(Boxes.Found found, Read read) {
        return judged(found, read.boxes()).map(Judged::evidence).orElse(FieldEvidence.NONE);
    }

    private Optional<Judged> judged(Boxes.Found found, Set<UUID> read) {
        Map<String, Long> versions =
                new TreeMap<>(Map.of(found.row().id().toString(), found.row().version()));
        found.neighbours()
                .forEach((id, neighbour) -> versions.put(id, neighbour.row().version()));
        List<UUID> ids = versions.keySet().stream().map(UUID::fromString).toList();
        if (ids.stream().noneMatch(read::contains)) {
            return Optional.empty();
        }
        List<TraceReadingRow> rows = readings.findByBoxIdInOrderByReadAt(ids);
        Basis basis = new Basis(versions, rows.size(), rows.get(rows.size() - 1).readAt());
        Judged before = standings.get(found.row().id());
        if (before == null || !before.basis().equals(basis)) {
            before = judge(basis, found);
            standings.put(found.row().id(), before);
        }
        return Optional.of(before);
    }

    private Judged judge(Basis basis, Boxes.Found found) {
        State state;
        try {
            state = of(found);
        } catch (ProblemException tooMany) {
            return new Judged(basis, BoxProgress.Readings.READ, FieldEvidence.notCompared());
        }
        FieldEvidence evidence = FieldEvidence.of(state.surveyed(), state.answered(), state.traced());
        BoxProgress.Readings standing = !state.traced().contradictions().isEmpty()
                ? BoxProgress.Readings.CONTRADICTORY
                : state.traced().done() ? BoxProgress.Readings.CERTAIN : BoxProgress.Readings.READ;
        return new Judged(basis, standing, evidence);
    }

    /** Boxes of a job in which something was read. */
    @Transactional(readOnly = true)
    public Set<UUID> boxesRead(UUID job) {
        return readings.boxesRead(job);
    }

    /** A kept reading on the board as it is now. */
    record StoredReading(TraceReadingRow row, Reading reading) {
        boolean isWeak() {
            return row.kind() == ReadingEntry.Kind.PEN;
        }

        PenNote note() {
            return new PenNote((Reading.Live) reading, row.value());
        }
    }

    /**
     * A run of boxes with what was read.
     *
     * @param kept  readings that its cores still have
     * @param stale how many readings name cores that are not surveyed any more
     */
    record State(
            Boxes.Found found,
            SurveyedBoard surveyed,
            Board board,
            List<StoredReading> kept,
            int stale,
            Traced traced) {
        /** Strong readings, in the order in which contradictions number them. */
        List<StoredReading> strong() {
            return kept.stream().filter(k -> !k.isWeak()).toList();
        }

        List<Reading.Answered> answered() {
            return strong().stream()
                    .map(k -> new Reading.Answered(k.reading(), k.row().value()))
                    .toList();
        }
    }

    @Transactional(readOnly = true)
    State of(UUID box) {
        return of(boxes.find(box));
    }

    private State of(Boxes.Found found) {
        Map<String, Box> all = new LinkedHashMap<>();
        all.put(found.row().id().toString(), found.box());
        found.neighbours().forEach((id, neighbour) -> all.put(id, neighbour.box()));
        SurveyedBoard surveyed = surveyed(all);
        Board board = surveyed.board();
        List<StoredReading> kept = new ArrayList<>();
        List<TraceReadingRow> rows = readings.findByBoxIdInOrderByReadAt(
                all.keySet().stream().map(UUID::fromString).toList());
        for (TraceReadingRow row : rows) {
            try {
                kept.add(new StoredReading(row, entry(row).on(board)));
            } catch (ProblemException noLongerThere) {
                continue;
            }
        }
        return new State(found, surveyed, board, kept, rows.size() - kept.size(), traced(found, surveyed, kept));
    }

    private static SurveyedBoard surveyed(Map<String, Box> boxes) {
        try {
            return SurveyedBoard.of(boxes);
        } catch (Tracing.TooMany e) {
            throw ProblemException.conflict(String.valueOf(e.getMessage()));
        }
    }

    private static Traced traced(Boxes.Found found, SurveyedBoard surveyed, List<StoredReading> kept) {
        if (!surveyed.obstacles().isEmpty()) {
            return new Traced(List.of(), Map.of(), List.of(), Optional.empty(), Optional.empty(), false);
        }
        try {
            return Tracing.of(
                    surveyed,
                    found.house().region(),
                    kept.stream()
                            .filter(k -> !k.isWeak())
                            .map(k -> new Reading.Answered(k.reading(), k.row().value()))
                            .toList(),
                    kept.stream()
                            .filter(StoredReading::isWeak)
                            .map(StoredReading::note)
                            .toList());
        } catch (Tracing.TooMany e) {
            throw ProblemException.conflict(String.valueOf(e.getMessage()));
        }
    }

    private ReadingEntry entry(TraceReadingRow row) {
        Map<String, Integer> with = new LinkedHashMap<>();
        json.readTree(row.positions())
                .properties()
                .forEach(e -> with.put(e.getKey(), e.getValue().asInt()));
        return new ReadingEntry(row.kind(), row.core(), row.farCore(), with, row.value());
    }

    @Transactional
    void keep(UUID box, ReadingEntry entry, String who) {
        State state = of(box);
        if (!state.surveyed().obstacles().isEmpty()) {
            throw ProblemException.conflict(state.surveyed().obstacles().get(0));
        }
        entry.on(state.board());
        readings.save(new TraceReadingRow(
                box,
                entry,
                json.writeValueAsString(entry.with()),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }

    /** Takes a reading back, as one does that was wrong. */
    @Transactional
    void takeBack(UUID box, UUID reading) {
        State state = of(box);
        StoredReading kept = state.kept().stream()
                .filter(k -> k.row().id().equals(reading))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("reading"));
        readings.delete(kept.row());
    }

    /** Writes the roles that are certain into the surveys of all boxes. */
    @Transactional
    void write(UUID box, String who) {
        State state = of(box);
        if (state.traced().certain().isEmpty()) {
            throw ProblemException.conflict("No role is certain yet. Make the next test first.");
        }
        write(
                state.found().row().id(),
                state.found().row().version(),
                state.found().survey(),
                state,
                who);
        state.found()
                .neighbours()
                .forEach((id, neighbour) ->
                        write(UUID.fromString(id), neighbour.row().version(), neighbour.survey(), state, who));
    }

    private void write(UUID box, long version, SurveyDocument survey, State state, String who) {
        List<SurveyDocument.CableEntry> cables = survey.cables().stream()
                .map(cable -> new SurveyDocument.CableEntry(
                        cable.name(),
                        cable.leadsTo(),
                        cable.circuit(),
                        cable.load(),
                        cable.box(),
                        cable.farCable(),
                        cable.mm2(),
                        cable.cores().stream()
                                .map(core -> withRole(
                                        core,
                                        state.traced()
                                                .certain()
                                                .get(SurveyedBoard.coreId(
                                                        box.toString(), cable.name() + "." + core.number()))))
                                .toList(),
                        cable.asUsual()))
                .toList();
        if (!cables.equals(survey.cables())) {
            recordSurvey.change(box, version, survey.with(cables), who);
        }
    }

    private static SurveyDocument.CoreEntry withRole(SurveyDocument.CoreEntry core, @Nullable ConductorRole role) {
        if (role == null) {
            return core;
        }
        Role written = SurveyedBoard.surveyRole(role);
        return new SurveyDocument.CoreEntry(
                core.number(),
                core.colour(),
                core.sleeve(),
                written,
                core.end(),
                written == Role.SWITCHED_LIVE ? core.load() : null);
    }
}
