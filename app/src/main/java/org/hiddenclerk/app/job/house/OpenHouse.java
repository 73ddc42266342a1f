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
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
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
     * @param was what it was called when somebody decided that
     */
    @Transactional
    public UUID renameRoom(UUID room, String was, String name) {
        RoomRow row = rooms.findById(room).orElseThrow(() -> ProblemException.notFound("room"));
        if (!row.name().equals(was)) {
            throw ProblemException.conflict("The room is called \"" + row.name() + "\" by now. Look at it again.");
        }
        if (rooms.findByJobIdOrderByPosition(row.jobId()).stream()
                .anyMatch(other -> other != row
                        && other.name().equalsIgnoreCase(name)
                        && other.storey().equals(row.storey()))) {
            throw ProblemException.content(
                    "The room cannot be called so",
                    new FieldProblem("/name", name, "a name that no other room of " + row.storey() + " has"));
        }
        row.isCalled(name);
        rooms.saveAndFlush(row);
        return row.jobId();
    }

    @Transactional
    public UUID circuit(
            UUID job,
            String label,
            Amps rating,
            Line phase,
            boolean alternativelySupplied,
            Optional<Volts> elvVolts,
            Protection protection) {
        return circuits.saveAndFlush(
                        new CircuitRow(job, label, rating, phase, alternativelySupplied, elvVolts, protection))
                .id();
    }
}
