package org.hiddenclerk.app.job.logbook;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Reads the log book. */
@Service
class LogBook {
    private static final int PAGE = 100;
    private static final Pattern ID = Pattern.compile("\\b[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Houses houses;

    LogBook(JdbcClient jdbc, JsonMapper json, Houses houses) {
        this.jdbc = jdbc;
        this.json = json;
        this.houses = houses;
    }

    /** @param box label as it is now; empty for what is told of the house, or of a box that is gone */
    record Entry(
            long id,
            Optional<UUID> boxId,
            String box,
            String concept,
            String action,
            String subject,
            String words,
            List<Difference> changes,
            String who,
            Instant at) {}

    /** @param older number below which the next page begins */
    record Page(List<Entry> entries, Optional<Long> older) {}

    /** What is wanted of the log; all of it must hold. @param before number of an entry: older ones only */
    record Wanted(
            Optional<UUID> box,
            Optional<String> who,
            Optional<String> concept,
            Optional<String> text,
            Optional<Long> before) {}

    /** Latest first, at most {@value #PAGE}. */
    @Transactional(readOnly = true)
    public Page of(UUID job, Wanted wanted) {
        houses.job(job);
        StringBuilder sql = new StringBuilder(
                """
                SELECT e.id, e.box_id, COALESCE(b.label, ''), e.concept, e.action, e.subject, e.words, e.changes, e.who, e.at
                FROM log_entry e LEFT JOIN box b ON e.box_id = b.id WHERE e.job_id = :job""");
        wanted.box().ifPresent(box -> sql.append(" AND e.box_id = :box"));
        wanted.who().ifPresent(who -> sql.append(" AND e.who = :who"));
        wanted.concept().ifPresent(concept -> sql.append(" AND e.concept = :concept"));
        wanted.text().ifPresent(text -> sql.append(" AND (e.subject LIKE :text OR e.words LIKE :text)"));
        wanted.before().ifPresent(before -> sql.append(" AND e.id < :before"));
        JdbcClient.StatementSpec query = jdbc.sql(sql.append(" ORDER BY e.id DESC LIMIT ")
                        .append(PAGE + 1)
                        .toString())
                .param("job", job.toString());
        wanted.box().ifPresent(box -> query.param("box", box.toString()));
        wanted.who().ifPresent(who -> query.param("who", who));
        wanted.concept().ifPresent(concept -> query.param("concept", concept));
        wanted.text()
                .ifPresent(text -> query.param(
                        "text",
                        "%" + text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%"));
        wanted.before().ifPresent(before -> query.param("before", before));
        Map<String, String> labels = jdbc
                .sql("SELECT b.id, b.label FROM box b JOIN room r ON b.room_id = r.id WHERE r.job_id = :job")
                .param("job", job.toString())
                .query((row, i) -> Map.entry(row.getString(1), row.getString(2)))
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        List<Entry> found = query.query((row, i) -> new Entry(
                        row.getLong(1),
                        Optional.ofNullable(row.getString(2)).map(UUID::fromString),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7),
                        json.readValue(named(row.getString(8), labels), new TypeReference<List<Difference>>() {}),
                        row.getString(9),
                        row.getObject(10, LocalDateTime.class).toInstant(ZoneOffset.UTC)))
                .list();
        List<Entry> entries = found.subList(0, Math.min(PAGE, found.size()));
        return new Page(
                entries, found.size() > PAGE ? Optional.of(entries.get(PAGE - 1).id()) : Optional.empty());
    }

    /** Boxes by the labels that they have now, where the text has their ids. */
    private String named(String changes, Map<String, String> labels) {
        return ID.matcher(changes).replaceAll(found -> {
            String label = json.writeValueAsString(labels.getOrDefault(found.group(), found.group()));
            return Matcher.quoteReplacement(label.substring(1, label.length() - 1));
        });
    }

    /** Who and what the log of a job speaks of. */
    record Spoken(List<String> people, List<String> concepts) {}

    @Transactional(readOnly = true)
    public Spoken spokenOf(UUID job) {
        return new Spoken(distinct(job, "who"), distinct(job, "concept"));
    }

    private List<String> distinct(UUID job, String column) {
        return jdbc.sql("SELECT DISTINCT " + column + " FROM log_entry WHERE job_id = :job ORDER BY 1")
                .param("job", job.toString())
                .query(String.class)
                .list();
    }
}
