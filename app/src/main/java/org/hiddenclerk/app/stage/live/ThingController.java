package org.hiddenclerk.app.stage.live;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Devices of a job as Thing Descriptions. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "exchange")
class ThingController {
    private final ThingDescriptions things;

    ThingController(ThingDescriptions things) {
        this.things = things;
    }

    @GetMapping(value = "/things.td.json", produces = MediaType.APPLICATION_JSON_VALUE)
    @Operation(operationId = "thingDescriptions", summary = "Every planned device as a W3C WoT Thing Description 1.1")
    ResponseEntity<List<Map<String, Object>>> things(@PathVariable UUID job) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"things.td.json\"")
                .body(things.of(job));
    }
}
