package org.hiddenclerk.app.stage.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** The stock book: look, add, change, retire, take in and give out. */
@RestController
@Needs(Right.LEAD)
@RequestMapping("/api/v1/stock")
@Tag(name = "stock")
class StockController {
    private final StockShelf shelf;
    private final ChangeStock changeStock;
    private final StockTransfer transfer;
    private final JsonMapper json;
    private final People people;

    StockController(StockShelf shelf, ChangeStock changeStock, StockTransfer transfer, JsonMapper json, People people) {
        this.shelf = shelf;
        this.changeStock = changeStock;
        this.transfer = transfer;
        this.json = json;
        this.people = people;
    }

    /** A module with what the firm has of it. {@code unknown} names figures that nobody states. */
    record ModuleItem(
            long version,
            ModuleDocument document,
            int onHand,
            boolean retired,
            List<String> unknown,
            String changedBy,
            Instant changedAt) {}

    /** An accessory with what the firm has of it. */
    record AccessoryItem(long version, AccessoryDocument document, int onHand) {}

    record StockView(List<ModuleItem> modules, List<AccessoryItem> accessories) {}

    record NewModule(@NotNull @Valid ModuleDocument document, @Min(0) @Max(100_000) int onHand) {}

    record ModuleChange(
            long version, @NotNull @Valid ModuleDocument document, @Min(0) @Max(100_000) int onHand, boolean retired) {}

    record AccessoryChange(
            long version, @NotNull @Valid AccessoryDocument document, @Min(0) @Max(100_000) int onHand) {}

    /** A change, and the boxes whose verdicts it re-opened. */
    record Changed(ModuleItem module, List<ChangeStock.Reopened> reopened) {}

    /** A whole table or document. */
    record Delivery(@NotBlank @Size(max = 2_000_000) String text) {}

    @GetMapping
    @Needs(Right.FACTS)
    @Operation(operationId = "stock")
    StockView stock() {
        List<StockItemRow> rows = shelf.items();
        return new StockView(
                rows.stream()
                        .filter(r -> r.kind() == StockItemRow.Kind.MODULE)
                        .map(this::module)
                        .toList(),
                rows.stream()
                        .filter(r -> r.kind() == StockItemRow.Kind.ACCESSORY)
                        .map(r -> new AccessoryItem(
                                r.version(), json.readValue(r.document(), AccessoryDocument.class), r.onHand()))
                        .toList());
    }

    @GetMapping("/modules/{code}")
    @Needs(Right.FACTS)
    @Operation(operationId = "stockModule")
    ModuleItem module(@PathVariable String code) {
        return module(shelf.item(code, StockItemRow.Kind.MODULE));
    }

    private ModuleItem module(StockItemRow row) {
        ModuleDocument document = json.readValue(row.document(), ModuleDocument.class);
        return new ModuleItem(
                row.version(),
                document,
                row.onHand(),
                row.retired(),
                document.unknown(),
                row.changedBy(),
                row.changedAt());
    }

    @PostMapping("/modules")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addModule")
    ModuleItem add(@Valid @RequestBody NewModule module, Principal who) {
        changeStock.add(module.document(), module.onHand(), people.nameOf(who));
        return module(module.document().code());
    }

    @PutMapping("/modules/{code}")
    @Operation(operationId = "changeModule")
    Changed change(@PathVariable String code, @Valid @RequestBody ModuleChange change, Principal who) {
        if (!change.document().code().equals(code)) {
            throw ProblemException.conflict("The code of a module does not change. Duplicate it under another code.");
        }
        List<ChangeStock.Reopened> reopened = changeStock.change(
                change.document(), change.onHand(), change.retired(), change.version(), people.nameOf(who));
        return new Changed(module(code), reopened);
    }

    @PutMapping("/accessories/{code}")
    @Operation(operationId = "changeAccessory")
    AccessoryItem changeAccessory(
            @PathVariable String code, @Valid @RequestBody AccessoryChange change, Principal who) {
        if (!change.document().code().equals(code)) {
            throw ProblemException.conflict("The code of an accessory does not change.");
        }
        changeStock.changeAccessory(change.document(), change.onHand(), change.version(), people.nameOf(who));
        StockItemRow row = shelf.item(code, StockItemRow.Kind.ACCESSORY);
        return new AccessoryItem(row.version(), json.readValue(row.document(), AccessoryDocument.class), row.onHand());
    }

    /** Takes modules in, row by row; those that are not taken come back with the reason. */
    @PostMapping("/import")
    @Operation(
            operationId = "importStock",
            summary = "A stock book from a file: all or none; without apply it is only tried")
    StockTransfer.StockReport take(
            @RequestParam StockTransfer.Format format,
            @Valid @RequestBody Delivery delivery,
            @RequestParam(defaultValue = "false") boolean apply,
            Principal who) {
        return transfer.take(format, delivery.text(), people.nameOf(who), apply);
    }

    @GetMapping("/export")
    @Operation(operationId = "exportStock")
    ResponseEntity<String> give(@RequestParam StockTransfer.Format format) {
        boolean csv = format == StockTransfer.Format.CSV;
        return ResponseEntity.ok()
                .contentType(csv ? MediaType.parseMediaType("text/csv;charset=UTF-8") : MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"stock-book." + (csv ? "csv" : "json") + "\"")
                .body(transfer.give(format));
    }
}
