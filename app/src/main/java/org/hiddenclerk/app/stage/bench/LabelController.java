package org.hiddenclerk.app.stage.bench;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.naming.DeviceName;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Labels of modules, to be printed. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "bench")
class LabelController {
    private final Bench bench;

    LabelController(Bench bench) {
        this.bench = bench;
    }

    @GetMapping(value = "/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Operation(
            operationId = "labels",
            summary = "Labels of the modules on the bench, on A4; of one module alone on a small label")
    ResponseEntity<byte[]> labels(@PathVariable UUID job, @RequestParam(required = false) UUID unit) {
        Bench.State state = bench.of(job);
        Optional<Bench.OnBench> one =
                state.units().stream().filter(u -> u.row().id().equals(unit)).findFirst();
        if (unit != null && one.isEmpty()) {
            throw ProblemException.notFound("module");
        }
        byte[] pdf = one.map(u -> LabelSheet.alone(label(job, u, state)))
                .orElseGet(() -> LabelSheet.sheet(state.units().stream()
                        .filter(u -> u.row().name().isPresent())
                        .map(u -> label(job, u, state))
                        .toList()));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"labels.pdf\"")
                .body(pdf);
    }

    /** The square code leads to the box, or to the bench for a module that no box waits for. */
    private static LabelSheet.Label label(UUID job, Bench.OnBench unit, Bench.State state) {
        BenchUnitRow row = unit.row();
        List<String> lines = new ArrayList<>();
        row.name().ifPresent(name -> lines.add(name.handle()));
        state.all().stream()
                .filter(p -> p.waitsFor(row))
                .findFirst()
                .ifPresent(
                        place -> lines.add(place.label() + ", " + place.named().room()));
        lines.add(row.moduleCode() + " · " + row.serial());
        String path = row.boxId()
                .map(box -> "/jobs/" + job + "/boxes/" + box + "/draw")
                .orElse("/jobs/" + job + "/bench");
        return new LabelSheet.Label(
                row.name().map(DeviceName::display).orElse(unit.model().name()),
                lines,
                ServletUriComponentsBuilder.fromCurrentContextPath().path(path).toUriString());
    }
}
