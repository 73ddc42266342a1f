package org.hiddenclerk.app.stage.ordering;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.csv.CsvFile;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.ordering.JobCost;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The pick list of a job, as a list and as a file, and goods that arrive for it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "order")
class PickListController {
    private final Orders orders;
    private final People people;

    PickListController(Orders orders, People people) {
        this.orders = orders;
        this.people = people;
    }

    /** Goods that arrived, with their serial numbers as far as they have any. */
    record Arrival(
            @NotBlank @Size(max = 40) String code,
            @Min(1) @Max(100_000) int quantity,
            @NotNull @Size(max = 1000) List<@NotNull @Size(max = 80) String> serials) {}

    @GetMapping("/pick-list")
    @Operation(operationId = "pickList")
    List<Orders.SupplierView> list(@PathVariable UUID job) {
        return orders.bySupplier(job);
    }

    @GetMapping("/pick-list.csv")
    @Needs(Right.LEAD)
    @Operation(operationId = "pickListCsv", summary = "The pick list as comma-separated values (RFC 4180)")
    ResponseEntity<String> csv(@PathVariable UUID job) {
        String currency = orders.currency();
        String text = CsvFile.of(
                List.of(
                        "supplier",
                        "code",
                        "what",
                        "needed",
                        "spare",
                        "unit",
                        "on_shelf",
                        "arrived",
                        "to_order",
                        "price",
                        "currency"),
                orders.lines(job).stream()
                        .map(line -> List.<Object>of(
                                line.supplier(),
                                line.code(),
                                line.words(),
                                line.needed(),
                                line.spare(),
                                line.unit(),
                                line.onHand(),
                                line.arrived(),
                                line.toOrder(),
                                line.price() == null ? "unknown" : line.price(),
                                currency))
                        .toList());
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"pick-list.csv\"")
                .body(text);
    }

    /**
     * What a job costs, for a quote; amounts without tax but the total.
     *
     * @param unpriced what the sums leave out, in words
     * @param labour   absent while nobody said what an hour costs
     * @param measured over how many run sheets the time was measured; 0 where it is the usual one
     */
    record JobCostView(
            String currency,
            BigDecimal modules,
            BigDecimal smallParts,
            List<String> unpriced,
            int works,
            int minutes,
            int measured,
            @MayBeAbsent BigDecimal hour,
            @MayBeAbsent BigDecimal labour,
            BigDecimal net,
            BigDecimal taxPercent,
            BigDecimal tax,
            BigDecimal total,
            boolean whole) {
        static JobCostView of(Orders.Cost of) {
            JobCost cost = of.cost();
            return new JobCostView(
                    cost.trade().currency().getCurrencyCode(),
                    cost.modules(),
                    cost.smallParts(),
                    cost.unpriced(),
                    of.works(),
                    cost.minutes(),
                    of.measured(),
                    cost.trade().hour().orElse(null),
                    cost.labour().orElse(null),
                    cost.net(),
                    cost.trade().taxPercent(),
                    cost.tax(),
                    cost.total(),
                    cost.isWhole());
        }
    }

    @GetMapping("/cost")
    @Needs(Right.LEAD)
    @Operation(
            operationId = "jobCost",
            summary = "What the plans of a job cost: modules, small parts and hours by measured times")
    JobCostView cost(@PathVariable UUID job) {
        return JobCostView.of(orders.cost(job));
    }

    @PostMapping("/goods-in")
    @Operation(operationId = "goodsIn")
    List<Orders.SupplierView> arrived(@PathVariable UUID job, @Valid @RequestBody Arrival arrival, Principal who) {
        orders.arrived(job, arrival.code(), arrival.quantity(), arrival.serials(), people.nameOf(who));
        return orders.bySupplier(job);
    }
}
