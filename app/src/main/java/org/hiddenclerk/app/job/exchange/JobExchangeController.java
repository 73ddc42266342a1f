package org.hiddenclerk.app.job.exchange;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Jobs as files. */
@RestController
@Needs(Right.LEAD)
@RequestMapping("/api/v1/jobs")
@Tag(name = "exchange")
class JobExchangeController {
    private final JobExchange exchange;

    JobExchangeController(JobExchange exchange) {
        this.exchange = exchange;
    }

    /** Rows of a part that a file brings, changes or takes away. */
    record PartCountView(String part, int added, int changed, int removed) {}

    /** What a job file would do, or has done; with anything refused nothing of it is taken. */
    record JobImportView(
            UUID job,
            String name,
            int version,
            boolean isNew,
            List<PartCountView> counts,
            List<FieldProblem> refused,
            List<String> notes,
            boolean applied) {
        static JobImportView of(JobExchange.Outcome outcome) {
            return new JobImportView(
                    outcome.job(),
                    outcome.name(),
                    outcome.version(),
                    outcome.isNew(),
                    outcome.counts().stream()
                            .map(count ->
                                    new PartCountView(count.part(), count.added(), count.changed(), count.removed()))
                            .toList(),
                    outcome.refused(),
                    outcome.notes(),
                    outcome.applied());
        }
    }

    @GetMapping(value = "/{job}/export", produces = MediaType.APPLICATION_JSON_VALUE)
    @Operation(
            operationId = "exportJob",
            summary = "The whole job as a file (docs/formats/job.md); the tag of the answer is its SHA-256. For leads")
    ResponseEntity<byte[]> export(@PathVariable UUID job) {
        JobExchange.Written written = exchange.write(job);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .eTag(written.print())
                .header("Content-Disposition", "attachment; filename=\"" + fileName(written.name()) + "\"")
                .body(written.bytes());
    }

    private static String fileName(String job) {
        String plain =
                job.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
        return (plain.isEmpty() ? "job" : plain) + ".job.json";
    }

    @PostMapping(value = "/import", consumes = MediaType.APPLICATION_JSON_VALUE)
    @Operation(
            operationId = "importJob",
            summary = "Takes a job from a file: everything or nothing. Without apply it is only tried. For leads")
    JobImportView take(@RequestBody byte[] file, @RequestParam(defaultValue = "false") boolean apply) {
        return JobImportView.of(exchange.read(file, apply));
    }

    @DeleteMapping("/{job}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(
            operationId = "deleteJob",
            summary = "Deletes a job that was exported as it is now: the SHA-256 of that file is the proof. For leads")
    void delete(@PathVariable UUID job, @RequestParam String exported) {
        exchange.delete(job, exported);
    }
}
