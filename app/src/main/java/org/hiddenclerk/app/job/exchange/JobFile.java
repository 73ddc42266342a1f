package org.hiddenclerk.app.job.exchange;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.planned.PlannedId;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The shape of a job as a file, and how older ones are brought up to it. */
final class JobFile {
    static final String FORMAT = "hidden-clerk-job";
    static final int VERSION = 8;

    private static final int FIRST_COMPANION = 101;
    private static final int DEEPEST = 60;
    private static final int LONGEST_NUMBER = 40;
    /** A photo as text. */
    private static final int LONGEST_TEXT = 20_000_000;

    private static final int PROBLEM_SHOWN = 200;

    static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxNumberLength(LONGEST_NUMBER)
                            .maxStringLength(LONGEST_TEXT)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    /** What brings a file of a version up to the next one, by the version that it starts from. */
    private static final Map<Integer, UnaryOperator<ObjectNode>> MIGRATIONS = Map.of(
            1,
            JobFile::addHandOver,
            2,
            JobFile::addMetals,
            3,
            JobFile::nameModules,
            4,
            JobFile::addWorks,
            5,
            JobFile::addModulesInPlace,
            6,
            JobFile::addCoresOfOtherLoads,
            7,
            JobFile::addWhatIsAsUsual);

    private JobFile() {}

    /** Files of version 1 are of a time before hand overs and the log were kept. */
    private static ObjectNode addHandOver(ObjectNode file) {
        ObjectNode parts = file.get("parts").asObject();
        for (String part : List.of("handoverEntry", "handedOver", "logEntry")) {
            if (!parts.has(part)) {
                parts.putArray(part);
            }
        }
        parts.path("job").forEach(job -> {
            if (job.isObject()) {
                for (String later : List.of("archivedAt", "peopleRemovedAt", "visitOn")) {
                    job.asObject().putNull(later);
                }
                job.asObject().put("contact", "");
            }
        });
        return file.put("version", 2);
    }

    /**
     * Files of version 2 are of a time before metals of conductors, fittings in lamp boxes and the facts of what was
     * taken on were kept.
     */
    private static ObjectNode addMetals(ObjectNode file) {
        Map.of("circuit", "metal", "box", "supportFittings", "acceptedHold", "facts")
                .forEach((part, later) -> addEmpty(file, part, later));
        return file.put("version", 3);
    }

    /** Files of version 3 are of a time when modules on the bench were counted by box, and those that go with another one from 101 on. */
    private static ObjectNode nameModules(ObjectNode file) {
        file.get("parts").path("benchUnit").forEach(row -> {
            if (row.isObject() && row.has("pick")) {
                ObjectNode unit = row.asObject();
                boolean told = unit.get("pick").isInt()
                        && unit.get("pick").intValue() < FIRST_COMPANION
                        && unit.path("boxId").isString();
                if (told) {
                    unit.put(
                            "plannedModule",
                            new PlannedId.Module(
                                            unit.get("boxId").asString(),
                                            unit.get("pick").intValue(),
                                            0)
                                    .text());
                } else {
                    List.of("plannedModule", "boxId", "displayName", "handle").forEach(unit::putNull);
                }
                unit.remove("pick");
            }
        });
        return file.put("version", 4);
    }

    /**
     * Files of version 4 are of a time when an issued plan was known at the box where it was issued only, and which
     * input was flipped was not kept.
     */
    private static ObjectNode addWorks(ObjectNode file) {
        ObjectNode parts = file.get("parts").asObject();
        if (!parts.has("issuedPlanBox")) {
            ArrayNode opened = parts.putArray("issuedPlanBox");
            parts.path("issuedPlan").forEach(plan -> opened.addObject()
                    .put("planId", plan.path("id").asString(""))
                    .put("position", 0)
                    .put("boxId", plan.path("boxId").asString("")));
        }
        parts.path("joinedDevice").forEach(device -> {
            if (device.isObject() && !device.has("flippedInputs")) {
                device.asObject().put("flippedInputs", "");
            }
        });
        addEmpty(file, "benchUnit", "setTo");
        addEmpty(file, "houseChoice", "restsOn");
        return file.put("version", 5);
    }

    /** Files of version 5 are of a time when modules that were found in boxes were not surveyed. */
    private static ObjectNode addModulesInPlace(ObjectNode file) {
        addEmpty(file, "box", "modulesInPlace");
        return file.put("version", 6);
    }

    /** Files of version 6 are of a time when a cable led to one load. */
    private static ObjectNode addCoresOfOtherLoads(ObjectNode file) {
        addEmpty(file, "boxCore", "loadNumber");
        return file.put("version", 7);
    }

    /** Files of version 7 are of a time when circuits and rooms stayed as they were entered, and nothing was filled in as usual. */
    private static ObjectNode addWhatIsAsUsual(ObjectNode file) {
        ObjectNode parts = file.get("parts").asObject();
        addEmpty(file, "box", "removedAt");
        for (String part : List.of("room", "circuit")) {
            add(parts, part, row -> row.put("version", 0));
        }
        for (String part : List.of("box", "boxCable")) {
            add(parts, part, row -> row.put("asUsual", false));
        }
        return file.put("version", 8);
    }

    private static void add(ObjectNode parts, String part, Consumer<ObjectNode> later) {
        parts.path(part).forEach(row -> {
            if (row.isObject()) {
                later.accept(row.asObject());
            }
        });
    }

    /** What rows of a part had not yet when the file was written. */
    private static void addEmpty(ObjectNode file, String part, String later) {
        file.get("parts").path(part).forEach(row -> {
            if (row.isObject() && !row.has(later)) {
                row.asObject().putNull(later);
            }
        });
    }

    /**
     * Reads a file, and brings it up to the version of today.
     *
     * @throws ProblemException when it is no JSON, no job, or of a version that is not known
     */
    static ObjectNode read(byte[] bytes) {
        JsonNode tree;
        try {
            tree = MAPPER.readTree(bytes);
        } catch (JacksonException e) {
            throw ProblemException.content(
                    "This is not readable as JSON",
                    new FieldProblem(
                            "",
                            shown(e),
                            "JSON in UTF-8, at most " + DEEPEST + " levels deep, numbers of at most " + LONGEST_NUMBER
                                    + " digits"));
        }
        if (!tree.isObject() || !FORMAT.equals(tree.path("format").asString(""))) {
            throw ProblemException.content(
                    "This is no job file",
                    new FieldProblem("/format", tree.path("format").asString("nothing"), FORMAT));
        }
        JsonNode version = tree.path("version");
        if (!version.isInt() || version.intValue() < 1 || version.intValue() > VERSION) {
            throw ProblemException.content(
                    "This version is not known",
                    new FieldProblem(
                            "/version",
                            version.asString("nothing"),
                            "a whole number from 1 to " + VERSION + "; a newer file needs a newer clerk"));
        }
        if (!tree.path("parts").isObject()) {
            throw ProblemException.content(
                    "This is no job file", new FieldProblem("/parts", "nothing", "the parts of a job, by name"));
        }
        ObjectNode file = tree.asObject();
        for (int from = version.intValue(); from < VERSION; from++) {
            file = MIGRATIONS.get(from).apply(file);
        }
        return file;
    }

    private static String shown(JacksonException e) {
        String words = e.getOriginalMessage()
                + (e.getLocation() == null
                        ? ""
                        : " at line " + e.getLocation().getLineNr() + ", column "
                                + e.getLocation().getColumnNr());
        return words.length() > PROBLEM_SHOWN ? words.substring(0, PROBLEM_SHOWN) + "…" : words;
    }

    /** Name of a part in the file. */
    static String nameOf(JobPart part) {
        return new Columns.Column(part.table(), Columns.Kind.TEXT, false, 0).field();
    }

    /** The published schema. */
    static Map<String, Object> schema(Columns columns) {
        Map<String, Object> parts = new LinkedHashMap<>();
        for (JobPart part : JobPart.ALL) {
            if (part.isKept()) {
                Map<String, Object> properties = new LinkedHashMap<>();
                columns.of(part).forEach(column -> properties.put(column.field(), column.schema()));
                parts.put(
                        nameOf(part),
                        ordered(
                                "type",
                                "array",
                                "items",
                                ordered(
                                        "type",
                                        "object",
                                        "properties",
                                        properties,
                                        "required",
                                        columns.of(part).stream()
                                                .map(Columns.Column::field)
                                                .toList(),
                                        "additionalProperties",
                                        false)));
            }
        }
        return ordered(
                "$schema",
                "https://json-schema.org/draft/2020-12/schema",
                "title",
                "A job of Hidden Clerk as a file",
                "type",
                "object",
                "properties",
                ordered(
                        "format",
                        Map.of("const", FORMAT),
                        "version",
                        Map.of("const", VERSION),
                        "parts",
                        ordered(
                                "type",
                                "object",
                                "properties",
                                parts,
                                "required",
                                List.copyOf(parts.keySet()),
                                "additionalProperties",
                                false)),
                "required",
                List.of("format", "version", "parts"),
                "additionalProperties",
                false);
    }

    private static Map<String, Object> ordered(Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return map;
    }
}
