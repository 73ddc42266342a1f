package org.hiddenclerk.app.stage.handover;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.core.handover.HandoverTest;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Figures of the tests of a job over time: power, link, delay. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "exchange")
class ReadingsController {
    private static final BigDecimal NANOS = BigDecimal.valueOf(1_000_000_000);

    private final Handovers handovers;
    private final Houses houses;

    ReadingsController(Handovers handovers, Houses houses) {
        this.handovers = handovers;
        this.houses = houses;
    }

    /** Figures of one test, oldest first. */
    record TrendView(HandoverTest.Kind kind, String label, String name, String unit, List<PointView> points) {}

    record PointView(Instant at, BigDecimal figure, boolean passed, String who) {}

    @GetMapping("/trends")
    @Operation(
            operationId = "trends",
            summary = "Power, link quality and delay over time, as they were read at tests and service visits")
    List<TrendView> trends(@PathVariable UUID job) {
        houses.job(job);
        return handovers.series(job).stream()
                .map(series -> new TrendView(
                        series.test().kind(),
                        series.test().kind().label(),
                        series.name(),
                        series.unit(),
                        series.points().stream()
                                .map(point -> new PointView(point.at(), point.figure(), point.passed(), point.who()))
                                .toList()))
                .toList();
    }

    /** Units as they are registered for SenML; the quality of a Zigbee link is a figure without one. */
    @GetMapping(value = "/readings.senml.json", produces = "application/senml+json")
    @Operation(operationId = "readingsSenml", summary = "The same figures as SenML (RFC 8428)")
    ResponseEntity<List<Map<String, Object>>> senml(@PathVariable UUID job) {
        houses.job(job);
        List<Map<String, Object>> pack = new ArrayList<>();
        for (Handovers.Series series : handovers.series(job)) {
            String name = series.test().id().replaceAll("[^A-Za-z0-9./_-]", ":");
            for (Handovers.Point point : series.points()) {
                Map<String, Object> record = new LinkedHashMap<>();
                if (pack.isEmpty()) {
                    record.put("bn", "urn:uuid:" + job + ":");
                }
                record.put("n", name);
                switch (series.unit()) {
                    case "W" -> record.put("u", "W");
                    case "ms" -> record.put("u", "s");
                    case "dBm" -> record.put("u", "dBW");
                    default -> {}
                }
                record.put(
                        "v",
                        switch (series.unit()) {
                            case "ms" -> point.figure().movePointLeft(3);
                            // A milliwatt is 30 dB below a watt.
                            case "dBm" -> point.figure().subtract(BigDecimal.valueOf(30));
                            default -> point.figure();
                        });
                record.put(
                        "t",
                        BigDecimal.valueOf(point.at().getEpochSecond())
                                .add(BigDecimal.valueOf(point.at().getNano()).divide(NANOS)));
                pack.add(record);
            }
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/senml+json"))
                .body(pack);
    }
}
