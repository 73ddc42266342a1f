package org.hiddenclerk.app.job.daybook;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.JobRepository;
import org.hiddenclerk.app.job.house.JobRow;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.JobProgress;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells how jobs stand, and keeps who is called for one and when somebody goes there next. */
@Service
class DayBook {
    private static final String ENTRIES =
            """
            SELECT j.id, j.name, j.place, j.region, j.contact, j.visit_on, j.archived_at IS NOT NULL, j.people_removed_at IS NOT NULL,
                   (SELECT COUNT(*) FROM box b JOIN room r ON b.room_id = r.id WHERE r.job_id = j.id AND b.removed_at IS NULL),
                   (SELECT COUNT(*) FROM room r JOIN box b ON b.room_id = r.id WHERE r.job_id = j.id AND b.removed_at IS NULL AND EXISTS (SELECT 1 FROM box_pick p WHERE p.box_id = b.id)),
                   (SELECT COUNT(DISTINCT b.id) FROM issued_plan_box i JOIN box b ON i.box_id = b.id JOIN room r ON b.room_id = r.id WHERE r.job_id = j.id AND b.removed_at IS NULL
                        AND EXISTS (SELECT 1 FROM box_pick p WHERE p.box_id = b.id)),
                   (SELECT COUNT(DISTINCT b.id) FROM run_sheet s JOIN issued_plan_box i ON s.plan_id = i.plan_id JOIN box b ON i.box_id = b.id JOIN room r ON b.room_id = r.id
                        WHERE r.job_id = j.id AND s.finished AND EXISTS (SELECT 1 FROM box_pick p WHERE p.box_id = b.id)),
                   EXISTS (SELECT 1 FROM handed_over h WHERE h.job_id = j.id),
                   (SELECT COUNT(*) FROM found_otherwise f JOIN box b ON f.box_id = b.id JOIN room r ON b.room_id = r.id WHERE r.job_id = j.id AND b.removed_at IS NULL AND f.settled_at IS NULL),
                   (SELECT COUNT(*) FROM handover_entry t WHERE t.job_id = j.id AND NOT t.as_planned
                        AND NOT EXISTS (SELECT 1 FROM handover_entry n WHERE n.job_id = t.job_id AND n.test = t.test AND n.made_at > t.made_at)),
                   (SELECT COUNT(*) FROM circuit_lock l JOIN circuit c ON l.circuit_id = c.id WHERE c.job_id = j.id AND l.taken_off_at IS NULL),
                   (SELECT COUNT(*) FROM rollout o WHERE o.job_id = j.id AND o.state = 'HALTED')
            FROM job j WHERE j.id IN (:jobs)""";
    /**
     * Whatever a day book counts stands in the log too, in the same transaction: as long as the log of a job is the
     * same, so is its line.
     */
    private static final String LOGS =
            """
            SELECT j.id, COALESCE(l.last, 0), COALESCE(l.`lines`, 0) FROM job j
                LEFT JOIN (SELECT e.job_id, MAX(e.id) AS last, COUNT(*) AS `lines` FROM log_entry e GROUP BY e.job_id) l ON l.job_id = j.id ORDER BY j.created_at""";

    private final JdbcClient jdbc;
    private final JobRepository jobs;
    private final Clock clock;
    private final Map<UUID, LoggedEntry> kept = new ConcurrentHashMap<>();

    DayBook(JdbcClient jdbc, JobRepository jobs, Clock clock) {
        this.jdbc = jdbc;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** A job in the day book. @param blocks what keeps it from going on, in words */
    record Entry(
            UUID job,
            String name,
            String place,
            String region,
            String contact,
            Optional<LocalDate> visitOn,
            boolean peopleRemoved,
            JobProgress progress,
            List<String> blocks) {}

    /** How far the log of a job goes; lines that are written later may have lower numbers. */
    private record Log(UUID job, long last, long lines) {}

    private record LoggedEntry(Log log, Entry entry) {}

    @EventListener
    void forget(HouseReadAnew anew) {
        kept.remove(anew.job());
    }

    @Transactional(readOnly = true)
    public List<Entry> entries() {
        List<Log> logs = jdbc.sql(LOGS)
                .query((row, i) -> new Log(row.getObject(1, UUID.class), row.getLong(2), row.getLong(3)))
                .list();
        Map<UUID, LoggedEntry> now = new HashMap<>();
        logs.forEach(log -> Optional.ofNullable(kept.get(log.job()))
                .filter(before -> before.log().equals(log))
                .ifPresent(before -> now.put(log.job(), before)));
        Map<UUID, Log> changed = logs.stream()
                .filter(log -> !now.containsKey(log.job()))
                .collect(Collectors.toMap(Log::job, log -> log));
        if (!changed.isEmpty()) {
            read(changed.keySet())
                    .forEach(entry -> now.put(entry.job(), new LoggedEntry(changed.get(entry.job()), entry)));
        }
        kept.putAll(now);
        kept.keySet().retainAll(now.keySet());
        return logs.stream().map(log -> now.get(log.job()).entry()).toList();
    }

    private List<Entry> read(Set<UUID> jobs) {
        return jdbc.sql(ENTRIES)
                .param("jobs", jobs.stream().map(UUID::toString).toList())
                .query((row, i) -> {
                    List<String> blocks = new ArrayList<>();
                    block(
                            blocks,
                            row.getInt(14),
                            "box was found otherwise than drawn",
                            "boxes were found otherwise than drawn");
                    block(blocks, row.getInt(15), "test failed and is not mended", "tests failed and are not mended");
                    block(blocks, row.getInt(16), "lock hangs on a circuit", "locks hang on circuits");
                    block(blocks, row.getInt(17), "firmware roll-out halted", "firmware roll-outs halted");
                    return new Entry(
                            UUID.fromString(row.getString(1)),
                            row.getString(2),
                            row.getString(3),
                            row.getString(4),
                            row.getString(5),
                            Optional.ofNullable(row.getObject(6, LocalDate.class)),
                            row.getBoolean(8),
                            new JobProgress(
                                    row.getInt(9),
                                    row.getInt(10),
                                    row.getInt(11),
                                    row.getInt(12),
                                    row.getBoolean(13),
                                    row.getBoolean(7)),
                            blocks);
                })
                .list();
    }

    private static void block(List<String> blocks, int count, String one, String more) {
        if (count > 0) {
            blocks.add(count + " " + (count == 1 ? one : more));
        }
    }

    LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), java.time.ZoneId.systemDefault());
    }

    private JobRow row(UUID job) {
        return jobs.findById(job).orElseThrow(() -> ProblemException.notFound("job"));
    }

    @Transactional
    public void keep(UUID job, String name, String place, String contact, Optional<LocalDate> visitOn) {
        JobRow row = row(job);
        if (row.arePeopleRemoved() && !contact.isBlank()) {
            throw ProblemException.conflict(
                    "What is known of the people of this house was removed; open a new job for them.");
        }
        row.isCalled(name.strip(), place.strip());
        row.isVisited(contact.strip(), visitOn.orElse(null));
        jobs.saveAndFlush(row);
    }

    @Transactional
    public void archive(UUID job, boolean archived) {
        JobRow row = row(job);
        row.isArchived(archived ? clock.instant().truncatedTo(ChronoUnit.MICROS) : null);
        jobs.saveAndFlush(row);
    }

    /**
     * Removes what is known of the people of a house: its name and place, whom to call, to whom it was given, pictures, and
     * where it is but for the whole degree. What was built stays.
     */
    @Transactional
    public void removePeople(UUID job) {
        JobRow row = row(job);
        row.isCalled("House " + job.toString().substring(0, 8), "");
        row.isVisited("", null);
        row.peopleAreRemoved(clock.instant().truncatedTo(ChronoUnit.MICROS));
        jobs.saveAndFlush(row);
        String id = job.toString();
        jdbc.sql("UPDATE handed_over SET given_to = 'removed' WHERE job_id = :job")
                .param("job", id)
                .update();
        jdbc.sql("DELETE FROM box_photo WHERE box_id IN (SELECT b.id FROM box b JOIN room r ON "
                        + "b.room_id = r.id WHERE r.job_id = :job)")
                .param("job", id)
                .update();
        jdbc.sql("DELETE FROM paper_file WHERE paper_id IN (SELECT id FROM paper WHERE job_id = :job)")
                .param("job", id)
                .update();
        jdbc.sql("DELETE FROM paper WHERE job_id = :job").param("job", id).update();
        for (String document : List.of("document", "previous")) {
            for (String degree : List.of("latitude", "longitude")) {
                jdbc.sql("UPDATE house_rules SET " + document + " = JSON_REPLACE(" + document + ", '$.whereabouts."
                                + degree + "', ROUND(JSON_EXTRACT(" + document + ", '$.whereabouts." + degree
                                + "'))) WHERE job_id = :job AND JSON_EXTRACT(" + document + ", '$.whereabouts." + degree
                                + "') IS NOT NULL")
                        .param("job", id)
                        .update();
            }
        }
        jdbc.sql("UPDATE log_entry SET subject = 'removed', words = '', changes = '[]' WHERE "
                        + "job_id = :job AND concept IN ('job', 'hand over', 'links and rules')")
                .param("job", id)
                .update();
        jdbc.sql("INSERT INTO log_entry (job_id, concept, action, subject, words, changes, who, "
                        + "at) VALUES (:job, 'job', 'CHANGED', 'removed', 'what is known of its people was "
                        + "removed', '[]', " + "'the clerk', :at)")
                .param("job", id)
                .param("at", LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }
}
