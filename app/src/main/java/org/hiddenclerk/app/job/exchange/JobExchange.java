package org.hiddenclerk.app.job.exchange;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.fitting.RunSheets;
import org.hiddenclerk.app.stage.handover.Handovers;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes jobs as files and reads them back. Rows are moved as they are, with their ids: what refers to what stays so. */
@Service
class JobExchange {
    private static final int PROBLEMS_SHOWN = 30;
    private static final int FOUND_SHOWN = 80;
    private static final String JOB = "job";

    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate batches;
    private final Columns columns;
    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Handovers handovers;
    private final RunSheets sheets;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;

    JobExchange(
            JdbcClient jdbc,
            NamedParameterJdbcTemplate batches,
            Columns columns,
            Houses houses,
            Boxes boxes,
            Plans plans,
            Handovers handovers,
            RunSheets sheets,
            TransactionTemplate transaction,
            ApplicationEventPublisher events) {
        this.events = events;
        this.jdbc = jdbc;
        this.batches = batches;
        this.columns = columns;
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
        this.handovers = handovers;
        this.sheets = sheets;
        this.transaction = transaction;
    }

    /** A job as it was written. @param print SHA-256 of the bytes, in hex */
    record Written(String name, byte[] bytes, String print) {}

    /** So many rows of a part that a file would bring. */
    record Count(String part, int added, int changed, int removed) {}

    /**
     * What a file would do, or has done.
     *
     * @param isNew   whether the job is not here yet; otherwise what is here is replaced by the file
     * @param refused why nothing of it is taken; empty when it can be
     * @param notes   worth knowing, and no hindrance
     */
    record Outcome(
            UUID job,
            String name,
            int version,
            boolean isNew,
            List<Count> counts,
            List<FieldProblem> refused,
            List<String> notes,
            boolean applied) {}

    @Transactional(readOnly = true)
    public Written write(UUID job) {
        String name = houses.job(job).name();
        ObjectNode file =
                JobFile.MAPPER.createObjectNode().put("format", JobFile.FORMAT).put("version", JobFile.VERSION);
        file.set("parts", parts(job));
        byte[] bytes = (JobFile.MAPPER.writeValueAsString(file) + "\n").getBytes(StandardCharsets.UTF_8);
        return new Written(name, bytes, print(bytes));
    }

    private ObjectNode parts(UUID job) {
        ObjectNode parts = JobFile.MAPPER.createObjectNode();
        for (JobPart part : JobPart.ALL) {
            if (part.isKept()) {
                ArrayNode rows = parts.putArray(JobFile.nameOf(part));
                List<Columns.Column> own = columns.of(part);
                String list =
                        own.stream().map(column -> "`" + column.name() + "`").collect(Collectors.joining(", "));
                jdbc.sql("SELECT " + list + " FROM `" + part.table() + "` WHERE " + part.where() + " ORDER BY "
                                + String.join(", ", part.key()))
                        .param(JOB, job.toString())
                        .query(row -> {
                            ObjectNode written = rows.addObject();
                            for (int i = 0; i < own.size(); i++) {
                                Columns.Column column = own.get(i);
                                written.set(
                                        column.field(),
                                        column.write(
                                                column.kind() == Columns.Kind.INSTANT
                                                        ? row.getObject(i + 1, java.time.LocalDateTime.class)
                                                        : column.kind() == Columns.Kind.BYTES
                                                                ? row.getBytes(i + 1)
                                                                : column.kind() == Columns.Kind.ID
                                                                                || column.kind() == Columns.Kind.TEXT
                                                                                || column.kind() == Columns.Kind.JSON
                                                                        ? row.getString(i + 1)
                                                                        : row.getObject(i + 1)));
                            }
                        });
            }
        }
        return parts;
    }

    private static String print(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256.", e);
        }
    }

    /**
     * Takes a job from a file: everything, or nothing.
     *
     * @param apply otherwise it is only tried
     */
    Outcome read(byte[] bytes, boolean apply) {
        ObjectNode file = JobFile.read(bytes);
        Rows rows = rows(file);
        if (!rows.problems().isEmpty()) {
            return new Outcome(
                    rows.job().orElse(new UUID(0, 0)),
                    rows.name(),
                    JobFile.VERSION,
                    true,
                    List.of(),
                    rows.problems(),
                    List.of(),
                    false);
        }
        UUID job = rows.job().orElseThrow();
        Set<UUID> touched = new HashSet<>(boxesHere(job));
        touched.addAll(rows.boxes());
        try {
            return take(job, rows, file, apply);
        } finally {
            // Also after a try: what was judged on its rows must not be told of those that are here.
            events.publishEvent(HouseReadAnew.here(job, touched));
        }
    }

    private List<UUID> boxesHere(UUID job) {
        return jdbc.sql("SELECT b.id FROM box b JOIN room r ON b.room_id = r.id WHERE r.job_id = :job")
                .param(JOB, job.toString())
                .query((row, i) -> UUID.fromString(row.getString(1)))
                .list();
    }

    private Outcome take(UUID job, Rows rows, ObjectNode file, boolean apply) {
        return transaction.execute(status -> {
            boolean isNew = jdbc.sql("SELECT COUNT(*) FROM job WHERE id = :job")
                            .param(JOB, job.toString())
                            .query(Integer.class)
                            .single()
                    == 0;
            List<Count> counts = counts(
                    isNew ? JobFile.MAPPER.createObjectNode() : parts(job),
                    file.get("parts").asObject());
            List<FieldProblem> refused = put(job, isNew, rows);
            if (refused.isEmpty()) {
                refused = judge(job);
            }
            if (!apply || !refused.isEmpty()) {
                status.setRollbackOnly();
            }
            return new Outcome(
                    job, rows.name(), JobFile.VERSION, isNew, counts, refused, notes(file), apply && refused.isEmpty());
        });
    }

    /** Rows of a file as the database takes them. */
    private record Rows(
            Optional<UUID> job,
            String name,
            Map<JobPart, List<Map<String, Object>>> byPart,
            List<FieldProblem> problems) {
        List<UUID> boxes() {
            return byPart.entrySet().stream()
                    .filter(part -> part.getKey().table().equals("box"))
                    .flatMap(part -> part.getValue().stream())
                    .map(row -> UUID.fromString(row.get("id").toString()))
                    .toList();
        }
    }

    private Rows rows(ObjectNode file) {
        ObjectNode parts = file.get("parts").asObject();
        List<FieldProblem> problems = new ArrayList<>();
        Map<JobPart, List<Map<String, Object>>> byPart = new LinkedHashMap<>();
        Set<String> names = JobPart.ALL.stream()
                .filter(JobPart::isKept)
                .map(JobFile::nameOf)
                .collect(Collectors.toSet());
        parts.propertyNames().stream()
                .filter(name -> !names.contains(name))
                .forEach(name ->
                        add(problems, "/parts/" + name, "a part that is not known", "one of those of the schema"));
        for (JobPart part : JobPart.ALL) {
            if (part.isKept()) {
                String at = "/parts/" + JobFile.nameOf(part);
                JsonNode array = parts.path(JobFile.nameOf(part));
                if (array.isArray()) {
                    List<Map<String, Object>> rows = new ArrayList<>();
                    for (int i = 0; i < array.size(); i++) {
                        rows.add(row(part, array.get(i), at + "/" + i, problems));
                    }
                    byPart.put(part, rows);
                } else {
                    add(problems, at, "nothing", "an array, which may be empty");
                }
            }
        }
        JsonNode jobs = parts.path(JOB);
        boolean one = jobs.isArray() && jobs.size() == 1 && problems.isEmpty();
        if (!one && problems.isEmpty()) {
            add(problems, "/parts/job", jobs.size() + " jobs", "exactly one");
        }
        return new Rows(
                one ? Optional.of(UUID.fromString(jobs.get(0).get("id").stringValue())) : Optional.empty(),
                jobs.path(0).path("name").asString(""),
                byPart,
                problems);
    }

    private Map<String, Object> row(JobPart part, JsonNode node, String at, List<FieldProblem> problems) {
        Map<String, Object> row = new HashMap<>();
        if (!node.isObject()) {
            add(problems, at, shown(node), "an object");
            return row;
        }
        Set<String> fields = new HashSet<>(node.propertyNames());
        for (Columns.Column column : columns.of(part)) {
            fields.remove(column.field());
            JsonNode value = node.path(column.field());
            try {
                Object read = column.read(value);
                if (read == null && !column.optional()) {
                    add(problems, at + "/" + column.field(), "nothing", "a value");
                }
                row.put(column.name(), read);
            } catch (IllegalArgumentException e) {
                add(problems, at + "/" + column.field(), shown(value), e.getMessage());
            }
        }
        fields.forEach(
                field -> add(problems, at + "/" + field, "a field that is not known", "one of those of the schema"));
        return row;
    }

    private static void add(List<FieldProblem> problems, String pointer, String found, String expected) {
        if (problems.size() < PROBLEMS_SHOWN) {
            problems.add(new FieldProblem(pointer, found, expected));
        }
    }

    private static String shown(JsonNode node) {
        String text = node.toString();
        return text.length() > FOUND_SHOWN ? text.substring(0, FOUND_SHOWN) + "…" : text;
    }

    private List<Count> counts(ObjectNode here, ObjectNode there) {
        List<Count> counts = new ArrayList<>();
        for (JobPart part : JobPart.ALL) {
            if (part.isKept()) {
                Map<String, JsonNode> before = byKey(part, here.path(JobFile.nameOf(part)));
                Map<String, JsonNode> after = byKey(part, there.path(JobFile.nameOf(part)));
                int added = (int) after.keySet().stream()
                        .filter(key -> !before.containsKey(key))
                        .count();
                int changed = (int) after.entrySet().stream()
                        .filter(e -> before.containsKey(e.getKey())
                                && !before.get(e.getKey())
                                        .toString()
                                        .equals(e.getValue().toString()))
                        .count();
                int removed = (int) before.keySet().stream()
                        .filter(key -> !after.containsKey(key))
                        .count();
                if (added + changed + removed > 0) {
                    counts.add(new Count(JobFile.nameOf(part), added, changed, removed));
                }
            }
        }
        return counts;
    }

    private Map<String, JsonNode> byKey(JobPart part, JsonNode rows) {
        List<String> fields = columns.of(part).stream()
                .filter(column -> part.key().contains(column.name()))
                .map(Columns.Column::field)
                .toList();
        Map<String, JsonNode> byKey = new LinkedHashMap<>();
        rows.forEach(row -> byKey.put(
                fields.isEmpty()
                        ? row.toString()
                        : fields.stream()
                                .map(field -> row.path(field).asString(""))
                                .collect(Collectors.joining("/")),
                row));
        return byKey;
    }

    /** @return why the database does not take it */
    private List<FieldProblem> put(UUID job, boolean isNew, Rows rows) {
        JobPart now = JobPart.ALL.get(0);
        try {
            if (!isNew) {
                remove(job);
            }
            for (Map.Entry<JobPart, List<Map<String, Object>>> part :
                    rows.byPart().entrySet()) {
                now = part.getKey();
                insert(part.getKey(), part.getValue());
            }
            return strangers(job, rows);
        } catch (DataAccessException e) {
            return List.of(new FieldProblem(
                    "/parts/" + JobFile.nameOf(now),
                    reason(e),
                    "what refers to rows of this file only, and names and serials that no other job has"));
        }
    }

    private static String reason(DataAccessException e) {
        String words = String.valueOf(e.getMostSpecificCause().getMessage()).replaceFirst("^\\(conn=\\d+\\) ", "");
        return words.length() > FOUND_SHOWN * 2 ? words.substring(0, FOUND_SHOWN * 2) + "…" : words;
    }

    @SuppressWarnings("unchecked")
    private void insert(JobPart part, List<Map<String, Object>> rows) {
        if (rows.isEmpty()) {
            return;
        }
        List<String> names = columns.of(part).stream().map(Columns.Column::name).toList();
        batches.batchUpdate(
                "INSERT INTO `" + part.table() + "` ("
                        + names.stream().map(name -> "`" + name + "`").collect(Collectors.joining(", ")) + ") VALUES ("
                        + names.stream().map(name -> ":" + name).collect(Collectors.joining(", ")) + ")",
                rows.toArray(Map[]::new));
    }

    /** Rows that the file brought and that belong to another job: they would be lost at the next export. */
    private List<FieldProblem> strangers(UUID job, Rows rows) {
        List<FieldProblem> problems = new ArrayList<>();
        rows.byPart().forEach((part, own) -> {
            int counted = jdbc.sql("SELECT COUNT(*) FROM `" + part.table() + "` WHERE " + part.where())
                    .param(JOB, job.toString())
                    .query(Integer.class)
                    .single();
            if (counted != own.size()) {
                add(
                        problems,
                        "/parts/" + JobFile.nameOf(part),
                        (own.size() - counted) + " rows of another job",
                        "rows of this job only");
            }
        });
        return problems;
    }

    /** Reads every box and the rules as the rest of the clerk does: a file that it cannot work with is not taken. */
    private List<FieldProblem> judge(UUID job) {
        List<FieldProblem> problems = new ArrayList<>();
        HouseContext house = houses.context(job);
        Plans.Circumstances circumstances = plans.circumstances(job);
        List<BoxRow> all;
        try {
            all = boxes.ofJob(job);
        } catch (RuntimeException e) {
            add(problems, "/parts/box", String.valueOf(e.getMessage()), "boxes that can be read again");
            return problems;
        }
        for (BoxRow row : all) {
            try {
                plans.judge(boxes.found(row, job, house), circumstances);
            } catch (ProblemException e) {
                e.errors()
                        .forEach(error -> add(
                                problems,
                                "/parts/box (" + row.label() + ")" + error.pointer(),
                                error.found(),
                                error.expected()));
                if (e.errors().isEmpty()) {
                    add(problems, "/parts/box", row.label(), e.getMessage());
                }
            } catch (RuntimeException e) {
                add(problems, "/parts/box", row.label() + ": " + e.getMessage(), "a survey that can be drawn");
            }
        }
        tried(
                problems,
                "/parts/houseRules",
                "links, rules, settings and tests as their schemas have them",
                () -> handovers.of(job));
        tried(
                problems,
                "/parts/runSheet",
                "plans and entries that can be read again",
                () -> sheets.readings(job, house));
        return problems;
    }

    private static void tried(List<FieldProblem> problems, String pointer, String expected, Runnable reading) {
        try {
            reading.run();
        } catch (RuntimeException e) {
            String words = String.valueOf(e.getMessage());
            add(problems, pointer, words.substring(0, Math.min(FOUND_SHOWN, words.length())), expected);
        }
    }

    private List<String> notes(ObjectNode file) {
        List<String> notes = new ArrayList<>();
        int codes = file.at("/parts/credential").size();
        if (codes > 0) {
            notes.add(
                    codes
                            + " codes are sealed with the keys of the clerk that wrote the file; without its key file they stay closed.");
        }
        notes.add("Accounts at the broker and printed papers are not in a job file; make them again.");
        return notes;
    }

    /**
     * Deletes a job that was written as a file.
     *
     * @param print of the file: whoever does not have it as it is now is refused
     */
    @Transactional
    public void delete(UUID job, String print) {
        if (!write(job).print().equals(print)) {
            throw ProblemException.conflict(
                    "The job is not what the file says, or was never written as one. Export it first, and delete it with that file.");
        }
        remove(job);
    }

    private void remove(UUID job) {
        List<JobPart> parts = new ArrayList<>(JobPart.ALL);
        java.util.Collections.reverse(parts);
        parts.forEach(part -> jdbc.sql("DELETE FROM `" + part.table() + "` WHERE " + part.where())
                .param(JOB, job.toString())
                .update());
    }
}
