package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.survey.CircuitSum;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What all surveyed loads of each circuit come to. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/circuit-sums")
@Tag(name = "house")
class CircuitSumController {
    private final Houses houses;
    private final Boxes boxes;
    private final CircuitSums sums;

    CircuitSumController(Houses houses, Boxes boxes, CircuitSums sums) {
        this.houses = houses;
        this.boxes = boxes;
        this.sums = sums;
    }

    /**
     * All loads of a circuit at once.
     *
     * @param boxes identities of the boxes that the circuit is in
     */
    record CircuitSumView(
            String circuit,
            String label,
            int loads,
            BigDecimal watts,
            BigDecimal amps,
            BigDecimal ratingAmps,
            List<FindingView> findings,
            List<String> boxes) {
        static CircuitSumView of(CircuitSum sum, Map<String, Box> all) {
            return new CircuitSumView(
                    sum.circuit().id().value(),
                    sum.circuit().label(),
                    sum.loads(),
                    sum.watts().asDecimal(),
                    sum.amps().asDecimal(),
                    sum.circuit().rating().asDecimal(),
                    sum.findings().stream().map(FindingView::of).toList(),
                    all.entrySet().stream()
                            .filter(e -> e.getValue()
                                    .circuits()
                                    .contains(sum.circuit().id()))
                            .map(Map.Entry::getKey)
                            .toList());
        }
    }

    @GetMapping
    @Operation(operationId = "circuitSums")
    @Transactional(readOnly = true)
    List<CircuitSumView> sums(@PathVariable UUID job) {
        HouseContext house = houses.context(job);
        Map<String, Box> all = new LinkedHashMap<>();
        boxes.ofJob(job).forEach(row -> all.put(row.id().toString(), boxes.read(row, house)));
        return sums.of(job).stream().map(sum -> CircuitSumView.of(sum, all)).toList();
    }
}
