package org.hiddenclerk.app.stock;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The stock book as a file. JSON holds all of a module. CSV holds its plain figures, one row a module; a row changes the module of its
 * code, or adds one that is wired like the module named in its column {@code like}.
 */
@Component
class StockTransfer {
    private static final int MOST = 2_000;
    /** Columns of a CSV and the fields of the document that they fill; a blank cell leaves a field as it is, "unknown" empties it. */
    private static final Map<String, String> TEXTS = ordered("maker", "maker", "name", "name", "supplier", "supplier",
            "mesh_role", "meshRole", "default_function", "defaultFunction");
    private static final Map<String, String> FIGURES = ordered("length_mm", "lengthMm", "width_mm", "widthMm", "thickness_mm", "thicknessMm",
            "corner_radius_mm", "cornerRadiusMm", "price_cents", "priceCents", "total_a", "totalAmps", "contact_peak_a", "contactPeakAmps");
    private static final Map<String, String> LOADS = ordered("resistive_a", "RESISTIVE", "led_w", "LED_LAMP", "led_driver_w", "LED_DRIVER",
            "incandescent_w", "INCANDESCENT", "halogen_w", "HALOGEN", "motor_w", "MOTOR", "heater_w", "HEATER");

    /** Forms of a file. */
    enum Format { JSON, CSV }

    /** A row that is not taken, with what stands against it. */
    record Refused(int row, String code, List<FieldProblem> problems) {
    }

    /** What became of a file. */
    record StockReport(int added, int changed, List<Refused> refused, List<ChangeStock.Reopened> reopened) {
    }

    private final StockItemRepository items;
    private final ChangeStock changeStock;
    private final Validator validator;
    private final JsonMapper json;

    StockTransfer(StockItemRepository items, ChangeStock changeStock, Validator validator, JsonMapper json) {
        this.items = items;
        this.changeStock = changeStock;
        this.validator = validator;
        this.json = json;
    }

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return map;
    }

    StockReport take(Format format, String text, String who) {
        List<JsonNode> documents = format == Format.JSON ? entries(text) : rows(text);
        int added = 0;
        int changed = 0;
        List<Refused> refused = new ArrayList<>();
        List<ChangeStock.Reopened> reopened = new ArrayList<>();
        for (int i = 0; i < documents.size(); i++) {
            String code = documents.get(i).path("code").asString("");
            try {
                ModuleDocument document = document(documents.get(i));
                int onHand = documents.get(i).path("onHand").asInt(items.findById(code).map(StockItemRow::onHand).orElse(0));
                Optional<StockItemRow> row = items.findById(document.code());
                if (row.isEmpty()) {
                    changeStock.add(document, onHand, who);
                    added++;
                } else {
                    reopened.addAll(changeStock.change(document, onHand, documents.get(i).path("retired").asBoolean(row.get().retired()),
                            row.get().version(), who));
                    changed++;
                }
            } catch (Unusable e) {
                refused.add(new Refused(i + 1, code, e.errors().isEmpty() ? List.of(new FieldProblem("", code, e.getMessage())) : e.errors()));
            }
        }
        return new StockReport(added, changed, refused, reopened);
    }

    private ModuleDocument document(JsonNode node) {
        if (node.hasNonNull("problem")) {
            throw Unusable.content("The row cannot be taken", new FieldProblem(node.path("at").asString(""), node.path("found").asString(""),
                    node.path("problem").asString("")));
        }
        try {
            ObjectNode plain = node.deepCopy().asObject();
            plain.remove(List.of("onHand", "retired"));
            ModuleDocument document = json.treeToValue(plain, ModuleDocument.class);
            List<FieldProblem> problems = new ArrayList<>();
            for (ConstraintViolation<ModuleDocument> violation : validator.validate(document)) {
                problems.add(new FieldProblem("/" + violation.getPropertyPath().toString().replace('.', '/'),
                        String.valueOf(violation.getInvalidValue()), violation.getMessage()));
            }
            if (!problems.isEmpty()) {
                throw Unusable.content("The module cannot be taken", problems);
            }
            return document;
        } catch (JacksonException | IllegalArgumentException e) {
            throw Unusable.content("The module cannot be taken", new FieldProblem("", "not a module", String.valueOf(e.getMessage())
                    .lines().findFirst().orElse("the fields of docs/formats/module.schema.json")));
        }
    }

    private List<JsonNode> entries(String text) {
        try {
            JsonNode tree = json.readTree(text);
            JsonNode list = tree.isArray() ? tree : tree.path("modules");
            if (!list.isArray() || list.size() > MOST) {
                throw Unusable.content("The file cannot be taken", new FieldProblem("", list.size() + " entries", "a list of modules, at most "
                        + MOST));
            }
            return List.copyOf(list.values());
        } catch (JacksonException e) {
            throw Unusable.content("The file cannot be taken", new FieldProblem("", String.valueOf(e.getMessage()).lines().findFirst().orElse(""),
                    "JSON (RFC 8259)"));
        }
    }

    private List<JsonNode> rows(String text) {
        String first = text.lines().findFirst().orElse("");
        char separator = first.chars().filter(c -> c == ';').count() > first.chars().filter(c -> c == ',').count() ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180.builder().setDelimiter(separator).setHeader().setSkipHeaderRecord(true).setIgnoreHeaderCase(true)
                .setIgnoreEmptyLines(true).setTrim(true).get();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            List<CSVRecord> records = parser.getRecords();
            boolean hasCode = parser.getHeaderNames().stream().anyMatch("code"::equalsIgnoreCase);
            if (!hasCode || records.size() > MOST) {
                throw Unusable.content("The file cannot be taken", new FieldProblem("", hasCode ? records.size() + " rows" : "no column code",
                        "a column code, and at most " + MOST + " rows"));
            }
            return records.stream().map(this::row).toList();
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            throw Unusable.content("The file cannot be taken", new FieldProblem("", String.valueOf(e.getMessage()),
                    "comma-separated values with names of columns in the first line (RFC 4180)"));
        }
    }

    /** The module as it would be after a row; with a problem in it where the row makes no sense. */
    private JsonNode row(CSVRecord row) {
        String code = row.get("code");
        String like = cell(row, "like").orElse(code);
        Optional<StockItemRow> origin = items.findById(items.existsById(code) ? code : like);
        if (origin.isEmpty()) {
            return json.createObjectNode().put("code", code).put("problem", "the code of a module, or in the column like the code of one that is "
                    + "wired alike").put("found", like).put("at", "/like");
        }
        ObjectNode node = json.readTree(origin.get().document()).asObject();
        node.put("code", code);
        TEXTS.forEach((column, field) -> cell(row, column).ifPresent(value -> {
            if (value.equals("unknown")) {
                node.putNull(field);
            } else {
                node.put(field, value);
            }
        }));
        try {
            FIGURES.forEach((column, field) -> cell(row, column).ifPresent(value -> {
                if (value.equals("unknown")) {
                    node.putNull(field);
                } else {
                    node.put(field, new BigDecimal(value.replace(',', '.')));
                }
            }));
            LOADS.forEach((column, kind) -> cell(row, column).ifPresent(value -> rate(node, kind, column.endsWith("_a"), value)));
            cell(row, "on_hand").ifPresent(value -> node.put("onHand", Integer.parseInt(value)));
            cell(row, "retired").ifPresent(value -> node.put("retired", value.equalsIgnoreCase("yes")));
        } catch (NumberFormatException e) {
            return json.createObjectNode().put("code", code).put("problem", "figures with a point, blank to leave one as it is, or \"unknown\"")
                    .put("found", String.valueOf(e.getMessage())).put("at", "");
        }
        return node;
    }

    private static Optional<String> cell(CSVRecord row, String column) {
        return row.isMapped(column) && row.isSet(column) && !row.get(column).isBlank() ? Optional.of(row.get(column).strip()) : Optional.empty();
    }

    private static void rate(ObjectNode node, String kind, boolean amps, String value) {
        for (JsonNode channel : node.path("channels")) {
            var ratings = channel.withArray("ratings");
            for (int i = ratings.size() - 1; i >= 0; i--) {
                if (ratings.get(i).path("load").asString("").equals(kind)) {
                    ratings.remove(i);
                }
            }
            if (!value.equals("unknown")) {
                ratings.addObject().put("load", kind).put(amps ? "amps" : "watts", new BigDecimal(value.replace(',', '.')));
            }
        }
    }

    String give(Format format) {
        List<StockItemRow> modules = items.findAll(org.springframework.data.domain.Sort.by("code")).stream()
                .filter(row -> row.kind() == StockItemRow.Kind.MODULE).toList();
        if (format == Format.JSON) {
            ObjectNode all = json.createObjectNode();
            modules.forEach(row -> all.withArray("modules").add(json.readTree(row.document()).asObject().put("onHand", row.onHand())
                    .put("retired", row.retired())));
            return json.writerWithDefaultPrettyPrinter().writeValueAsString(all);
        }
        return csv(modules);
    }

    private String csv(List<StockItemRow> modules) {
        List<String> columns = new ArrayList<>(List.of("code", "like"));
        columns.addAll(TEXTS.keySet());
        columns.addAll(FIGURES.keySet());
        columns.addAll(LOADS.keySet());
        columns.addAll(List.of("markets", "on_hand", "retired"));
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(columns);
            for (StockItemRow row : modules) {
                JsonNode node = json.readTree(row.document());
                List<Object> cells = new ArrayList<>(List.of(row.code(), ""));
                TEXTS.values().forEach(field -> cells.add(harmless(plain(node.path(field)))));
                FIGURES.values().forEach(field -> cells.add(plain(node.path(field))));
                LOADS.forEach((column, kind) -> cells.add(rating(node, kind, column.endsWith("_a"))));
                TreeSet<String> markets = new TreeSet<>();
                node.path("markets").forEach(m -> markets.add(m.asString("")));
                cells.addAll(List.of(String.join(" ", markets), row.onHand(), row.retired() ? "yes" : "no"));
                printer.printRecord(cells);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static String plain(JsonNode node) {
        return node.isNull() || node.isMissingNode() ? "unknown" : node.asString("");
    }

    /** A text that begins like a formula is not run by a spreadsheet when an apostrophe stands before it. */
    private static String harmless(String text) {
        return text.isEmpty() || "=+-@".indexOf(text.charAt(0)) < 0 ? text : "'" + text;
    }

    private static String rating(JsonNode node, String kind, boolean amps) {
        for (JsonNode rating : node.path("channels").path(0).path("ratings")) {
            if (rating.path("load").asString("").equals(kind)) {
                return rating.hasNonNull(amps ? "amps" : "watts") ? rating.path(amps ? "amps" : "watts").asString("") : "";
            }
        }
        return node.path("channels").isEmpty() ? "" : "unknown";
    }
}
