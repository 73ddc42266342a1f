package org.hiddenclerk.app.stage.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.hiddenclerk.app.platform.csv.CsvFile;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The plain figures of modules as comma-separated values (RFC 4180), one row a module. A row changes the module of its code, or makes
 * one that is wired like the module named in its column {@code like}.
 */
@Component
class StockTable {
    private static final CsvFile.Sent SENT = new CsvFile.Sent("The file cannot be taken", "");
    /** Columns of a CSV and the fields of the document that they fill; a blank cell leaves a field as it is, "unknown" empties it. */
    private static final Map<String, String> TEXTS = ordered(
            "maker",
            "maker",
            "name",
            "name",
            "supplier",
            "supplier",
            "mesh_role",
            "meshRole",
            "default_function",
            "defaultFunction");

    private static final Map<String, String> FIGURES = ordered(
            "length_mm",
            "lengthMm",
            "width_mm",
            "widthMm",
            "thickness_mm",
            "thicknessMm",
            "corner_radius_mm",
            "cornerRadiusMm",
            "price_cents",
            "priceCents",
            "total_a",
            "totalAmps",
            "contact_peak_a",
            "contactPeakAmps");
    private static final Map<String, String> LOADS = ordered(
            "resistive_a",
            "RESISTIVE",
            "led_w",
            "LED_LAMP",
            "led_driver_w",
            "LED_DRIVER",
            "incandescent_w",
            "INCANDESCENT",
            "halogen_w",
            "HALOGEN",
            "motor_w",
            "MOTOR",
            "heater_w",
            "HEATER");

    private final StockItemRepository items;
    private final JsonMapper json;

    StockTable(StockItemRepository items, JsonMapper json) {
        this.items = items;
        this.json = json;
    }

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return map;
    }

    /**
     * The modules as they would be after each row; a row that makes no sense has its field {@code problem} set.
     *
     * @throws ProblemException when it is no such table
     */
    List<JsonNode> rows(String text) {
        CsvFile file = CsvFile.read(text, List.of("code"), SENT);
        file.rows().forEach(row -> file.formulaIn(row).ifPresent(column -> {
            throw ProblemException.content(
                    SENT.title(),
                    new FieldProblem(
                            "/" + row.number() + "/" + column,
                            row.cell(column).orElse(""),
                            "words or figures, nothing that a spreadsheet works out"));
        }));
        return file.rows().stream().map(this::row).toList();
    }

    /** The module as it would be after a row; with a problem in it where the row makes no sense. */
    private JsonNode row(CsvFile.Row row) {
        String code = row.cell("code").orElse("");
        String like = row.cell("like").orElse(code);
        Optional<StockItemRow> origin = items.findById(items.existsById(code) ? code : like);
        if (origin.isEmpty()) {
            return json.createObjectNode()
                    .put("code", code)
                    .put(
                            "problem",
                            "the code of a module, or in the column like the code of one that is " + "wired alike")
                    .put("found", like)
                    .put("at", "/like");
        }
        ObjectNode node = json.readTree(origin.get().document()).asObject();
        node.put("code", code);
        TEXTS.forEach((column, field) -> row.cell(column).ifPresent(value -> {
            if (value.equals("unknown")) {
                node.putNull(field);
            } else {
                node.put(field, value);
            }
        }));
        try {
            FIGURES.forEach((column, field) -> row.cell(column).ifPresent(value -> {
                if (value.equals("unknown")) {
                    node.putNull(field);
                } else {
                    node.put(field, new BigDecimal(value.replace(',', '.')));
                }
            }));
            row.cell("markets").ifPresent(value -> {
                ArrayNode markets = node.putArray("markets");
                List.of(value.equals("unknown") ? new String[0] : value.split("[ ,;]+"))
                        .forEach(markets::add);
            });
            LOADS.forEach((column, kind) ->
                    row.cell(column).ifPresent(value -> rate(node, kind, column.endsWith("_a"), value)));
            row.cell("on_hand").ifPresent(value -> node.put("onHand", Integer.parseInt(value)));
            row.cell("retired").ifPresent(value -> node.put("retired", value.equalsIgnoreCase("yes")));
        } catch (NumberFormatException e) {
            return json.createObjectNode()
                    .put("code", code)
                    .put("problem", "figures with a point, blank to leave one as it is, or \"unknown\"")
                    .put("found", String.valueOf(e.getMessage()))
                    .put("at", "");
        }
        return node;
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
                ratings.addObject()
                        .put("load", kind)
                        .put(amps ? "amps" : "watts", new BigDecimal(value.replace(',', '.')));
            }
        }
    }

    String give(List<StockItemRow> modules) {
        List<String> columns = new ArrayList<>(List.of("code", "like"));
        columns.addAll(TEXTS.keySet());
        columns.addAll(FIGURES.keySet());
        columns.addAll(LOADS.keySet());
        columns.addAll(List.of("markets", "on_hand", "retired"));
        return CsvFile.of(columns, modules.stream().map(this::cells).toList());
    }

    private List<Object> cells(StockItemRow row) {
        JsonNode node = json.readTree(row.document());
        List<Object> cells = new ArrayList<>(List.of(row.code(), ""));
        TEXTS.values().forEach(field -> cells.add(plain(node.path(field))));
        FIGURES.values().forEach(field -> cells.add(plain(node.path(field))));
        LOADS.forEach((column, kind) -> cells.add(rating(node, kind, column.endsWith("_a"))));
        TreeSet<String> markets = new TreeSet<>();
        node.path("markets").forEach(m -> markets.add(m.asString("")));
        cells.addAll(List.of(
                markets.isEmpty() ? "unknown" : String.join(" ", markets), row.onHand(), row.retired() ? "yes" : "no"));
        return cells;
    }

    private static String plain(JsonNode node) {
        return node.isNull() || node.isMissingNode() ? "unknown" : node.asString("");
    }

    private static String rating(JsonNode node, String kind, boolean amps) {
        for (JsonNode rating : node.path("channels").path(0).path("ratings")) {
            if (rating.path("load").asString("").equals(kind)) {
                return rating.hasNonNull(amps ? "amps" : "watts")
                        ? rating.path(amps ? "amps" : "watts").asString("")
                        : "";
            }
        }
        return node.path("channels").isEmpty() ? "" : "unknown";
    }
}
