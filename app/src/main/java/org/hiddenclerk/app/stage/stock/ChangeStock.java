package org.hiddenclerk.app.stage.stock;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Adds to the stock book and changes it; says which verdicts a change re-opened. */
@Service
public class ChangeStock {
    private final StockItemRepository items;
    private final StockBook book;
    private final StockChange boxes;
    private final JsonMapper json;
    private final Clock clock;
    private final TransactionTemplate transaction;

    ChangeStock(
            StockItemRepository items,
            StockBook book,
            StockChange boxes,
            JsonMapper json,
            Clock clock,
            TransactionTemplate transaction) {
        this.items = items;
        this.book = book;
        this.boxes = boxes;
        this.json = json;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** A box whose module changed: how it stood and how it stands. */
    public record Reopened(StockChange.Concerned before, StockChange.Concerned after) {}

    /** @throws ProblemException when the code is taken or the document contradicts itself */
    void add(ModuleDocument document, int onHand, String who) {
        refuse(document.problems());
        transaction.executeWithoutResult(status -> {
            if (items.existsById(document.code())) {
                throw ProblemException.content(
                        "The module cannot be added",
                        new FieldProblem(
                                "/document/code", document.code(), "a code that the stock book does not have yet"));
            }
            items.saveAndFlush(new StockItemRow(
                    document.code(), StockItemRow.Kind.MODULE, json.writeValueAsString(document), onHand, who, now()));
        });
        book.changed();
    }

    /** What changed for boxes that use the module. */
    List<Reopened> change(ModuleDocument document, int onHand, boolean retired, long version, String who) {
        refuse(document.problems());
        List<StockChange.Concerned> before = boxes.concerned(document.code());
        Optional<String> printBefore = book.fingerprint(document.code());
        transaction.executeWithoutResult(status -> {
            StockItemRow row = items.findById(document.code()).orElseThrow(() -> ProblemException.notFound("module"));
            if (row.version() != version) {
                throw ProblemException.conflict(row.changedBy()
                        + " changed this module meanwhile. Your entry is not saved; load it again and repeat it.");
            }
            row.changed(json.writeValueAsString(document), onHand, retired, who, now());
            items.saveAndFlush(row);
        });
        book.changed();
        return printBefore.equals(book.fingerprint(document.code())) ? List.of() : reopened(document.code(), before);
    }

    private List<Reopened> reopened(String code, List<StockChange.Concerned> before) {
        List<StockChange.Concerned> after = boxes.concerned(code);
        List<Reopened> reopened = new ArrayList<>();
        before.forEach(was -> after.stream()
                .filter(is -> is.box().equals(was.box()))
                .findFirst()
                .ifPresent(is -> reopened.add(new Reopened(was, is))));
        return reopened;
    }

    /** @throws ProblemException when somebody changed it meanwhile */
    void changeAccessory(AccessoryDocument document, int onHand, long version, String who) {
        transaction.executeWithoutResult(status -> {
            StockItemRow row = items.findById(document.code()).orElse(null);
            if (row == null) {
                items.saveAndFlush(new StockItemRow(
                        document.code(),
                        StockItemRow.Kind.ACCESSORY,
                        json.writeValueAsString(document),
                        onHand,
                        who,
                        now()));
            } else if (row.version() != version || row.kind() != StockItemRow.Kind.ACCESSORY) {
                throw ProblemException.conflict(
                        "Somebody changed this meanwhile, or the code is a module's. Load it again and repeat it.");
            } else {
                row.changed(json.writeValueAsString(document), onHand, false, who, now());
                items.saveAndFlush(row);
            }
        });
        book.changed();
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    private static void refuse(List<FieldProblem> problems) {
        if (!problems.isEmpty()) {
            throw ProblemException.content(
                    "The module contradicts itself",
                    problems.stream()
                            .map(p -> new FieldProblem("/document" + p.pointer(), p.found(), p.expected()))
                            .toList());
        }
    }
}
