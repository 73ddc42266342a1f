package org.hiddenclerk.app.fitting;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.accounts.People;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The run sheet of a box. */
@RestController
@RequestMapping("/api/v1/boxes/{box}/run-sheet")
@Tag(name = "fit")
class RunSheetController {
    private final People people;
    private final RunSheets sheets;

    RunSheetController(RunSheets sheets, People people) {
        this.people = people;
        this.sheets = sheets;
    }

    /** The last run sheet of a box, if there was one. */
    record LastRunSheet(@MayBeAbsent RunSheetView sheet) {
    }

    /** What was done at a step, and the version of the sheet it was entered on. */
    record StepEntry(long version, @NotBlank @Size(max = 80) String stepId,
                     @NotNull @Size(max = 100) Set<@NotBlank @Size(max = 80) String> confirmed,
                     @NotNull @Size(max = 400) Map<@NotBlank @Size(max = 120) String, @NotNull BigDecimal> readings,
                     @NotNull @Size(max = 500) String note) {
    }

    /** Why the sheet stops or goes on. */
    record Reason(long version, @NotBlank @Size(max = 500) String reason) {
    }

    /** The version to set aside. */
    record Aside(long version) {
    }

    @GetMapping
    @Operation(operationId = "runSheet")
    LastRunSheet runSheet(@PathVariable UUID box) {
        return new LastRunSheet(sheets.last(box).map(RunSheetView::of).orElse(null));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "startRunSheet")
    RunSheetView start(@PathVariable UUID box, Principal who) {
        return RunSheetView.of(sheets.start(box, people.nameOf(who)));
    }

    @PostMapping("/entries")
    @Operation(operationId = "enterStep")
    RunSheetView enter(@PathVariable UUID box, @Valid @RequestBody StepEntry entry, Principal who) {
        return RunSheetView.of(sheets.enter(box, entry.version(), entry.stepId(), entry.confirmed(), entry.readings(),
                entry.note(), people.nameOf(who)));
    }

    @PostMapping("/stop")
    @Operation(operationId = "stopRunSheet")
    RunSheetView stop(@PathVariable UUID box, @Valid @RequestBody Reason reason, Principal who) {
        return RunSheetView.of(sheets.stop(box, reason.version(), reason.reason(), people.nameOf(who)));
    }

    @PostMapping("/resume")
    @Operation(operationId = "resumeRunSheet")
    RunSheetView resume(@PathVariable UUID box, @Valid @RequestBody Reason reason, Principal who) {
        return RunSheetView.of(sheets.resume(box, reason.version(), reason.reason(), people.nameOf(who)));
    }

    @PostMapping("/set-aside")
    @Operation(operationId = "setRunSheetAside")
    RunSheetView setAside(@PathVariable UUID box, @RequestBody Aside aside) {
        return RunSheetView.of(sheets.setAside(box, aside.version()));
    }
}
