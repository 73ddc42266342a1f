package org.hiddenclerk.app.stage.papers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Drawings of boxes as files. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}")
@Tag(name = "draw")
class DrawingController {
    private final Boxes boxes;
    private final Plans plans;

    DrawingController(Boxes boxes, Plans plans) {
        this.boxes = boxes;
        this.plans = plans;
    }

    @GetMapping(value = "/drawing.svg", produces = "image/svg+xml")
    @Operation(
            operationId = "drawingSvg",
            summary = "The wiring of a box from behind as SVG 1.1: as found, or as planned")
    ResponseEntity<String> svg(@PathVariable UUID box, @RequestParam(defaultValue = "true") boolean planned) {
        Boxes.Found found = boxes.find(box);
        String title = "Box " + found.row().label() + (planned ? ", as planned" : ", as found");
        Artwork artwork = Artwork.of(
                BoxDrawing.of(plans.judge(found).plan(), planned, found.house()), Artwork.Insulations.COLOURS);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("image/svg+xml;charset=UTF-8"))
                .header("Content-Disposition", "inline; filename=\"" + (planned ? "planned" : "found") + ".svg\"")
                .body(Drawing.of(title, artwork).svg());
    }
}
