package org.hiddenclerk.app.stage.papers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Caller;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Prices;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Papers of jobs: started, watched, stopped, fetched. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/papers")
@Tag(name = "hand over")
class PapersController {
    private final PaperRuns runs;
    private final SealedSection sealed;
    private final People people;

    PapersController(PaperRuns runs, SealedSection sealed, People people) {
        this.runs = runs;
        this.sealed = sealed;
        this.people = people;
    }

    /** Papers that can be made, and those that were. */
    record PapersView(List<PaperKindView> kinds, List<PaperView> papers) {}

    record PaperKindView(PaperKind kind, String label) {}

    /** {@code done} of {@code parts}, as far as it is known; 0 of 0 otherwise. */
    record PaperView(
            UUID id,
            PaperKind kind,
            String label,
            PaperSize size,
            PaperRow.State state,
            String words,
            int done,
            int parts,
            boolean draft,
            int bytes,
            String madeBy,
            Instant madeAt,
            @MayBeAbsent Instant finishedAt) {
        static PaperView of(PaperRow row) {
            return new PaperView(
                    row.id(),
                    row.kind(),
                    row.kind().label(),
                    row.size(),
                    row.state(),
                    row.words(),
                    row.done(),
                    row.parts(),
                    row.isDraft(),
                    row.bytes(),
                    row.madeBy(),
                    row.madeAt(),
                    row.finishedAt().orElse(null));
        }
    }

    record NewPaper(@NotNull PaperKind kind, @NotNull PaperSize size) {}

    record StartedPaper(UUID id) {}

    /** What the sealed section is locked with, and what it is for. */
    record SealedRequest(
            @NotBlank @Size(min = 12, max = 100) String password,
            @NotBlank @Size(min = 5, max = 200) String why,
            @NotNull PaperSize size) {}

    @GetMapping
    @Operation(operationId = "papers")
    PapersView papers(@PathVariable UUID job, Principal who) {
        return new PapersView(
                Arrays.stream(PaperKind.values())
                        .filter(kind -> isFor(kind, who))
                        .map(kind -> new PaperKindView(kind, kind.label()))
                        .toList(),
                runs.of(job).stream()
                        .filter(row -> isFor(row.kind(), who))
                        .map(PaperView::of)
                        .toList());
    }

    private static boolean isFor(PaperKind kind, Principal who) {
        return !kind.isPriced() || Prices.areFor(Caller.of(who));
    }

    private static void mustBeFor(PaperKind kind, Principal who) {
        if (!isFor(kind, who)) {
            throw new ProblemException(
                    HttpStatus.FORBIDDEN, "This paper tells prices, which are for leads.", List.of());
        }
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    @Operation(operationId = "makePaper", summary = "Begins to print a paper; ask for the list to see how far it is")
    StartedPaper make(@PathVariable UUID job, @Valid @RequestBody NewPaper paper, Principal who) {
        mustBeFor(paper.kind(), who);
        return new StartedPaper(runs.start(job, paper.kind(), paper.size(), people.nameOf(who)));
    }

    @DeleteMapping("/{paper}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "stopPaper")
    void stop(@PathVariable UUID job, @PathVariable UUID paper) {
        runs.stop(job, paper);
    }

    @GetMapping(value = "/{paper}/file.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Operation(operationId = "paperFile")
    ResponseEntity<byte[]> file(@PathVariable UUID job, @PathVariable UUID paper, Principal who) {
        PaperRow row = runs.find(job, paper);
        mustBeFor(row.kind(), who);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        "Content-Disposition",
                        "inline; filename=\"" + row.kind().file() + (row.isDraft() ? "-draft" : "") + ".pdf\"")
                .body(runs.pdf(paper));
    }

    @PostMapping(value = "/sealed-section.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Needs(Right.CODES)
    @Operation(
            operationId = "sealedSection",
            summary = "The codes of the modules, locked with a password; each counts as shown. For leads")
    ResponseEntity<byte[]> sealedSection(
            @PathVariable UUID job, @Valid @RequestBody SealedRequest request, Principal who) {
        byte[] pdf = sealed.print(
                job, request.size(), request.password(), request.why().strip(), people.nameOf(who));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "attachment; filename=\"sealed-section.pdf\"")
                .header("Cache-Control", "no-store")
                .body(pdf);
    }
}
