package org.hiddenclerk.app.stage.stock;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.hiddenclerk.app.platform.csv.CsvFile;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The stock book as a file. JSON holds all of it, modules and accessories; CSV holds the plain figures of the modules, see
 * {@link StockTable}. Tried row by row; what is refused
 * stands in the report, and then nothing is taken.
 */
@Component
class StockTransfer {
    private static final int MOST_ON_HAND = 100_000;

    /** Forms of a file. */
    enum Format {
        JSON,
        CSV
    }

    /** A row that is not taken, with what stands against it. */
    record Refused(int row, String code, List<FieldProblem> problems) {}

    /** What became of a file, or would: with a row refused none is taken. */
    record StockReport(
            int added, int changed, List<Refused> refused, List<ChangeStock.Reopened> reopened, boolean applied) {}

    private final StockItemRepository items;
    private final ChangeStock changeStock;
    private final StockTable table;
    private final Validator validator;
    private final JsonMapper json;
    private final TransactionTemplate transaction;

    StockTransfer(
            StockItemRepository items,
            ChangeStock changeStock,
            StockTable table,
            Validator validator,
            JsonMapper json,
            TransactionTemplate transaction) {
        this.transaction = transaction;
        this.items = items;
        this.changeStock = changeStock;
        this.table = table;
        this.validator = validator;
        this.json = json;
    }

    StockReport take(Format format, String text, String who, boolean apply) {
        return transaction.execute(status -> {
            StockReport report = take(format, text, who);
            boolean applied = apply && report.refused().isEmpty();
            if (!applied) {
                status.setRollbackOnly();
            }
            return new StockReport(report.added(), report.changed(), report.refused(), report.reopened(), applied);
        });
    }

    private StockReport take(Format format, String text, String who) {
        List<Entry> entries = format == Format.JSON
                ? entries(text)
                : table.rows(text).stream()
                        .map(node -> new Entry(StockItemRow.Kind.MODULE, node))
                        .toList();
        int added = 0;
        int changed = 0;
        List<Refused> refused = new ArrayList<>();
        List<ChangeStock.Reopened> reopened = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            Entry entry = entries.get(i);
            try {
                boolean known = items.existsById(entry.code());
                reopened.addAll(take(entry, who));
                added += known ? 0 : 1;
                changed += known ? 1 : 0;
            } catch (ProblemException e) {
                refused.add(new Refused(
                        i + 1,
                        entry.code(),
                        e.errors().isEmpty()
                                ? List.of(new FieldProblem("", entry.code(), e.getMessage()))
                                : e.errors()));
            }
        }
        return new StockReport(added, changed, refused, reopened, false);
    }

    /** Something of a file. */
    private record Entry(StockItemRow.Kind kind, JsonNode node) {
        String code() {
            return node.path("code").asString("");
        }
    }

    private List<ChangeStock.Reopened> take(Entry entry, String who) {
        Optional<StockItemRow> row = items.findById(entry.code());
        row.filter(r -> r.kind() != entry.kind()).ifPresent(r -> {
            throw ProblemException.content(
                    "The row cannot be taken",
                    new FieldProblem(
                            "/code",
                            entry.code(),
                            "a code that no " + (r.kind() == StockItemRow.Kind.MODULE ? "module" : "accessory")
                                    + " has"));
        });
        int onHand = onHand(entry, row);
        if (entry.kind() == StockItemRow.Kind.ACCESSORY) {
            changeStock.changeAccessory(
                    document(entry, AccessoryDocument.class),
                    onHand,
                    row.map(StockItemRow::version).orElse(0L),
                    who);
            return List.of();
        }
        ModuleDocument document = document(entry, ModuleDocument.class);
        if (row.isEmpty()) {
            changeStock.add(document, onHand, who);
            return List.of();
        }
        return changeStock.change(
                document,
                onHand,
                entry.node().path("retired").asBoolean(row.get().retired()),
                row.get().version(),
                who);
    }

    private static int onHand(Entry entry, Optional<StockItemRow> row) {
        JsonNode given = entry.node().path("onHand");
        if (given.isMissingNode()) {
            return row.map(StockItemRow::onHand).orElse(0);
        }
        if (!given.isInt() || given.asInt() < 0 || given.asInt() > MOST_ON_HAND) {
            throw ProblemException.content(
                    "The row cannot be taken", new FieldProblem("/onHand", given.toString(), "0 to " + MOST_ON_HAND));
        }
        return given.asInt();
    }

    private <T> T document(Entry entry, Class<T> type) {
        JsonNode node = entry.node();
        if (node.hasNonNull("problem")) {
            throw ProblemException.content(
                    "The row cannot be taken",
                    new FieldProblem(
                            node.path("at").asString(""),
                            node.path("found").asString(""),
                            node.path("problem").asString("")));
        }
        try {
            ObjectNode plain = node.deepCopy().asObject();
            plain.remove(List.of("onHand", "retired"));
            T document = json.treeToValue(plain, type);
            List<FieldProblem> problems = new ArrayList<>();
            for (ConstraintViolation<T> violation : validator.validate(document)) {
                problems.add(new FieldProblem(
                        "/" + violation.getPropertyPath().toString().replace('.', '/'),
                        String.valueOf(violation.getInvalidValue()),
                        violation.getMessage()));
            }
            if (!problems.isEmpty()) {
                throw ProblemException.content("The row cannot be taken", problems);
            }
            return document;
        } catch (JacksonException | IllegalArgumentException e) {
            throw ProblemException.content(
                    "The row cannot be taken",
                    new FieldProblem(
                            "",
                            "not a " + entry.kind().name().toLowerCase(Locale.ROOT),
                            String.valueOf(e.getMessage()).lines().findFirst().orElse("the fields of docs/formats")));
        }
    }

    private List<Entry> entries(String text) {
        try {
            JsonNode tree = json.readTree(text);
            List<Entry> entries = new ArrayList<>();
            JsonNode modules = tree.isArray() ? tree : tree.path("modules");
            modules.forEach(node -> entries.add(new Entry(StockItemRow.Kind.MODULE, node)));
            tree.path("accessories").forEach(node -> entries.add(new Entry(StockItemRow.Kind.ACCESSORY, node)));
            if (entries.isEmpty() || entries.size() > CsvFile.MOST_ROWS) {
                throw ProblemException.content(
                        "The file cannot be taken",
                        new FieldProblem(
                                "",
                                entries.size() + " entries",
                                "a list of modules, or lists named modules and accessories, at most "
                                        + CsvFile.MOST_ROWS + " in all"));
            }
            return entries;
        } catch (JacksonException e) {
            throw ProblemException.content(
                    "The file cannot be taken",
                    new FieldProblem(
                            "",
                            String.valueOf(e.getMessage()).lines().findFirst().orElse(""),
                            "JSON (RFC 8259)"));
        }
    }

    String give(Format format) {
        List<StockItemRow> rows = items.findAll(Sort.by("code"));
        if (format == Format.CSV) {
            return table.give(rows.stream()
                    .filter(row -> row.kind() == StockItemRow.Kind.MODULE)
                    .toList());
        }
        ObjectNode all = json.createObjectNode();
        for (StockItemRow row : rows) {
            ObjectNode node = json.readTree(row.document()).asObject().put("onHand", row.onHand());
            if (row.kind() == StockItemRow.Kind.MODULE) {
                all.withArray("modules").add(node.put("retired", row.retired()));
            } else {
                all.withArray("accessories").add(node);
            }
        }
        return json.writerWithDefaultPrettyPrinter().writeValueAsString(all);
    }
}
