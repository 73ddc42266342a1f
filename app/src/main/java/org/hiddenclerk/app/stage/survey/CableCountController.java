package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How many cables come into each box of a job. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/cable-counts")
@Tag(name = "survey")
class CableCountController {
    private final Boxes boxes;

    CableCountController(Boxes boxes) {
        this.boxes = boxes;
    }

    /** One box. */
    record CableCountView(String box, int cables) {}

    @GetMapping
    @Operation(operationId = "cableCounts", summary = "How many cables come into each box")
    List<CableCountView> counts(@PathVariable UUID job) {
        return boxes.ofJob(job).stream()
                .map(row -> boxes.find(row.id()).box())
                .map(box -> new CableCountView(box.label(), box.cables().size()))
                .toList();
    }
}
