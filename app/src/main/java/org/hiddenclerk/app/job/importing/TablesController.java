package org.hiddenclerk.app.job.importing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Circuits and boxes of a job as tables. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "house")
class TablesController {
    private final HouseTables tables;

    TablesController(HouseTables tables) {
        this.tables = tables;
    }

    @GetMapping(value = "/circuits.csv", produces = "text/csv")
    @Operation(operationId = "circuitsCsv", summary = "Circuits as comma-separated values (RFC 4180)")
    ResponseEntity<String> circuits(@PathVariable UUID job) {
        return table("circuits", tables.circuits(job));
    }

    @GetMapping(value = "/boxes.csv", produces = "text/csv")
    @Operation(operationId = "boxesCsv", summary = "Boxes as comma-separated values (RFC 4180), without their cables")
    ResponseEntity<String> boxes(@PathVariable UUID job) {
        return table("boxes", tables.boxes(job));
    }

    private static ResponseEntity<String> table(String name, String text) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"" + name + ".csv\"")
                .body(text);
    }
}
