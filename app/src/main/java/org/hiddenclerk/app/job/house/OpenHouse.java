package org.hiddenclerk.app.job.house;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.RegionProfile;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens jobs and adds what a house is made of. */
@Service
public class OpenHouse {
    private final JobRepository jobs;
    private final RoomRepository rooms;
    private final CircuitRepository circuits;
    private final Clock clock;

    OpenHouse(JobRepository jobs, RoomRepository rooms, CircuitRepository circuits, Clock clock) {
        this.jobs = jobs;
        this.rooms = rooms;
        this.circuits = circuits;
        this.clock = clock;
    }

    /** A job in the day book. */
    public record DayBookEntry(JobRow job, long boxes) {}

    @Transactional(readOnly = true)
    public List<DayBookEntry> dayBook() {
        Map<UUID, Long> boxes = jobs.countBoxes().stream()
                .collect(Collectors.toMap(JobRepository.BoxCount::job, JobRepository.BoxCount::boxes));
        return jobs.findAllByOrderByCreatedAt().stream()
                .map(job -> new DayBookEntry(job, boxes.getOrDefault(job.id(), 0L)))
                .toList();
    }

    @Transactional
    public UUID job(String name, String place, RegionProfile region) {
        return jobs.saveAndFlush(new JobRow(name, place, region, clock.instant().truncatedTo(ChronoUnit.MICROS)))
                .id();
    }

    @Transactional
    public UUID room(UUID job, String name, String storey) {
        int position = rooms.findByJobIdOrderByPosition(job).size();
        return rooms.saveAndFlush(new RoomRow(job, name, storey, position)).id();
    }

    /**
     * Calls a room otherwise. Modules keep their names until they are renamed.
     *
     * @param was    what it was called when somebody decided that
     * @param storey where it is; empty where that is as it was
     */
    @Transactional
    public UUID renameRoom(UUID room, String was, String name, Optional<String> storey) {
        RoomRow row = rooms.findById(room).orElseThrow(() -> ProblemException.notFound("room"));
        if (!row.name().equals(was)) {
            throw ProblemException.conflict("The room is called \"" + row.name() + "\" by now. Look at it again.");
        }
        if (rooms.findByJobIdOrderByPosition(row.jobId()).stream()
                .anyMatch(other -> other != row
                        && other.name().equalsIgnoreCase(name)
                        && other.storey().equals(storey.orElse(row.storey())))) {
            throw ProblemException.content(
                    "The room cannot be called so",
                    new FieldProblem("/name", name, "a name that no other room of " + row.storey() + " has"));
        }
        row.isCalled(name);
        storey.ifPresent(row::isOn);
        rooms.saveAndFlush(row);
        return row.jobId();
    }

    /**
     * Takes a room away in which no box is.
     *
     * @throws ProblemException as a conflict, when somebody changed it meanwhile or boxes are in it
     */
    @Transactional
    public void removeRoom(UUID room, long version) {
        RoomRow row = rooms.findById(room).orElseThrow(() -> ProblemException.notFound("room"));
        if (row.version() != version) {
            throw ProblemException.conflict("Somebody changed the room meanwhile. Look at it again.");
        }
        List<String> labels = rooms.labelsOfBoxesIn(room);
        if (!labels.isEmpty()) {
            throw ProblemException.conflict("In " + row.name() + " there is " + String.join(", ", labels)
                    + ". Move that to another room or take it away first.");
        }
        if (rooms.countBoxesTakenAwayToo(room) > 0) {
            // What was taken away can still be put back: into another room then.
            UUID other = rooms.findByJobIdOrderByPosition(row.jobId()).stream()
                    .map(RoomRow::id)
                    .filter(id -> !id.equals(room))
                    .findFirst()
                    .orElseThrow(
                            () -> ProblemException.conflict(
                                    "A box was taken away from " + row.name()
                                            + ", the only room, and can still be put back. Add another room first, or rename this one."));
            rooms.moveBoxes(room, other);
        }
        rooms.delete(row);
        rooms.flush();
    }

    @Transactional
    public UUID circuit(UUID job, CircuitRow.Data data) {
        return circuits.saveAndFlush(new CircuitRow(job, data)).id();
    }

    /**
     * The circuit, if it still has the version that the person saw.
     *
     * @throws ProblemException as a conflict, when somebody changed it meanwhile
     */
    public CircuitRow unchangedCircuit(UUID circuit, long version) {
        CircuitRow row = circuits.findById(circuit).orElseThrow(() -> ProblemException.notFound("circuit"));
        if (row.version() != version) {
            throw ProblemException.conflict(
                    "Somebody changed the circuit meanwhile. Your entry is not saved; look at it again.");
        }
        return row;
    }

    @Transactional
    public void changeCircuit(CircuitRow row, CircuitRow.Data data) {
        row.is(data);
        circuits.saveAndFlush(row);
    }

    @Transactional
    public void removeCircuit(CircuitRow row) {
        circuits.delete(row);
        circuits.flush();
    }
}
