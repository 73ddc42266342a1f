package org.hiddenclerk.app.stage.fitting;

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
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
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
@Needs(Right.WORK)
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
    record LastRunSheet(@MayBeAbsent RunSheetView sheet) {}

    /** What was done at a step. {@code key} is the sender's; an entry that comes again with it changes nothing. */
    record StepEntry(
            @MayBeAbsent @Size(max = 40) String key,
            @NotBlank @Size(max = 80) String stepId,
            @NotNull @Size(max = 100) Set<@NotBlank @Size(max = 80) String> confirmed,
            @NotNull @Size(max = 400) Map<@NotBlank @Size(max = 120) String, @NotNull BigDecimal> readings,
            @NotNull @Size(max = 500) String note) {}

    /** Something of a step was confirmed, or is not so after all. */
    record TickEntry(
            @MayBeAbsent @Size(max = 40) String key,
            @NotBlank @Size(max = 80) String stepId,
            @NotBlank @Size(max = 120) String item,
            boolean on) {}

    /** Something of a step was measured. */
    record MeasureEntry(
            @MayBeAbsent @Size(max = 40) String key,
            @NotBlank @Size(max = 80) String stepId,
            @NotBlank @Size(max = 120) String item,
            @NotNull BigDecimal value) {}

    /** What a mistyped value really was, and how the mistake came about. */
    record CorrectionEntry(
            @MayBeAbsent @Size(max = 40) String key,
            @NotBlank @Size(max = 80) String stepId,
            @NotBlank @Size(max = 120) String item,
            @NotNull BigDecimal value,
            @NotBlank @Size(max = 500) String reason) {}

    /** Why a step is left out. */
    record SkipEntry(
            @MayBeAbsent @Size(max = 40) String key,
            @NotBlank @Size(max = 80) String stepId,
            @NotBlank @Size(max = 500) String reason) {}

    /** Why the sheet stops or goes on, or what was found. */
    record Reason(@NotBlank @Size(max = 500) String reason) {}

    /** The version to set aside. */
    record Aside(long version) {}

    private RunSheetView view(RunSheets.Open open) {
        return RunSheetView.of(open, sheets.standing(open), sheets.locks(open), sheets.refusals(open.box()));
    }

    @GetMapping
    @Operation(operationId = "runSheet")
    LastRunSheet runSheet(@PathVariable UUID box) {
        return new LastRunSheet(sheets.last(box).map(this::view).orElse(null));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "startRunSheet")
    RunSheetView start(@PathVariable UUID box, Principal who) {
        return view(sheets.start(box, people.nameOf(who)));
    }

    @PostMapping("/entries")
    @Operation(operationId = "enterStep")
    RunSheetView enter(@PathVariable UUID box, @Valid @RequestBody StepEntry entry, Principal who) {
        return view(sheets.enter(
                box,
                entry.key(),
                entry.stepId(),
                entry.confirmed(),
                entry.readings(),
                entry.note(),
                people.nameOf(who)));
    }

    @PostMapping("/ticks")
    @Operation(
            operationId = "tickStep",
            summary = "Confirms something of a step that is open; whoever else works on the sheet sees it")
    RunSheetView tick(@PathVariable UUID box, @Valid @RequestBody TickEntry entry, Principal who) {
        return view(sheets.tick(box, entry.key(), entry.stepId(), entry.item(), entry.on(), people.nameOf(who)));
    }

    @PostMapping("/measurements")
    @Operation(operationId = "measureStep")
    RunSheetView measure(@PathVariable UUID box, @Valid @RequestBody MeasureEntry entry, Principal who) {
        return view(sheets.measure(box, entry.key(), entry.stepId(), entry.item(), entry.value(), people.nameOf(who)));
    }

    @PostMapping("/skips")
    @Operation(operationId = "skipStep", summary = "Leaves a step out that may be, with a reason")
    RunSheetView skip(@PathVariable UUID box, @Valid @RequestBody SkipEntry entry, Principal who) {
        return view(sheets.skip(box, entry.key(), entry.stepId(), entry.reason(), people.nameOf(who)));
    }

    @PostMapping("/corrections")
    @Operation(
            operationId = "correctReading",
            summary = "Puts a mistyped value right, with a reason; a reading of dead conductors is made again instead")
    RunSheetView correct(@PathVariable UUID box, @Valid @RequestBody CorrectionEntry entry, Principal who) {
        return view(sheets.correct(
                box, entry.key(), entry.stepId(), entry.item(), entry.value(), entry.reason(), people.nameOf(who)));
    }

    @PostMapping("/stop")
    @Operation(operationId = "stopRunSheet")
    RunSheetView stop(@PathVariable UUID box, @Valid @RequestBody Reason reason, Principal who) {
        return view(sheets.stop(box, reason.reason(), people.nameOf(who)));
    }

    @PostMapping("/found-otherwise")
    @Operation(
            operationId = "foundOtherwise",
            summary = "Something is otherwise than drawn: the sheet stops, and the box goes back to be traced")
    RunSheetView foundOtherwise(@PathVariable UUID box, @Valid @RequestBody Reason reason, Principal who) {
        return view(sheets.foundOtherwise(box, reason.reason(), people.nameOf(who)));
    }

    @PostMapping("/resume")
    @Operation(operationId = "resumeRunSheet")
    RunSheetView resume(@PathVariable UUID box, @Valid @RequestBody Reason reason, Principal who) {
        return view(sheets.resume(box, reason.reason(), people.nameOf(who)));
    }

    @PostMapping("/lock")
    @Operation(operationId = "lockCircuits", summary = "Hangs the own lock on every circuit of the sheet")
    RunSheetView lock(@PathVariable UUID box, Principal who) {
        return view(sheets.lock(box, people.nameOf(who)));
    }

    @PostMapping("/sign-off")
    @Operation(operationId = "signOff", summary = "Takes the own locks for this box off")
    RunSheetView signOff(@PathVariable UUID box, Principal who) {
        return view(sheets.signOff(box, people.nameOf(who)));
    }

    @PostMapping("/set-aside")
    @Operation(operationId = "setRunSheetAside")
    RunSheetView setAside(@PathVariable UUID box, @RequestBody Aside aside, Principal who) {
        return view(sheets.setAside(box, aside.version(), people.nameOf(who)));
    }
}
