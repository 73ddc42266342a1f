package org.hiddenclerk.app.stage.planning;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The plan of a box: choose, draw, issue. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}/plan")
@Tag(name = "draw")
class PlanController {
    private final People people;
    private final Boxes boxes;
    private final Plans plans;
    private final AcceptHold acceptHold;
    private final Acceptances acceptances;
    private final ApplyRemedy applyRemedy;

    PlanController(
            Boxes boxes,
            Plans plans,
            AcceptHold acceptHold,
            Acceptances acceptances,
            ApplyRemedy applyRemedy,
            People people) {
        this.people = people;
        this.boxes = boxes;
        this.plans = plans;
        this.acceptHold = acceptHold;
        this.acceptances = acceptances;
        this.applyRemedy = applyRemedy;
    }

    /** A choice of modules, and the version it was made on. */
    record Choice(long version, @NotNull @Size(max = 6) List<@Valid @NotNull PickEntry> picks) {}

    /** Ends put elsewhere, in this order. */
    record Moves(@NotNull @Size(min = 1, max = 24) List<@Valid @NotNull EndMove> moves) {}

    /** The version to issue. */
    record Issue(long version) {}

    @GetMapping
    @Operation(operationId = "plan")
    PlanView plan(@PathVariable UUID box, @RequestParam(required = false) Set<String> off) {
        return view(box, off == null ? Set.of() : off);
    }

    /** What comes of a plan in which ends of conductors are put elsewhere. Nothing is kept. */
    @PostMapping("/what-if")
    @Operation(operationId = "whatIf")
    WhatIf whatIf(@PathVariable UUID box, @Valid @RequestBody Moves moves) {
        Boxes.Found found = boxes.find(box);
        return WhatIf.of(plans.with(found, moves.moves()), found.house());
    }

    @PutMapping
    @Operation(operationId = "choose")
    PlanView choose(@PathVariable UUID box, @Valid @RequestBody Choice choice, Principal who) {
        plans.choose(box, choice.version(), choice.picks(), people.nameOf(who));
        return view(box);
    }

    @PostMapping("/issue")
    @Operation(operationId = "issuePlan")
    PlanView issue(@PathVariable UUID box, @RequestBody Issue issue, Principal who) {
        plans.issue(box, issue.version(), people.nameOf(who));
        return view(box);
    }

    /** A remedy of a finding, and the version it was seen at. */
    record Mending(
            long version,
            @NotNull FindingCode code,
            @NotNull @Size(max = 1000) String subject,
            @NotNull Remedy.Kind kind) {}

    @PostMapping("/mend")
    @Operation(
            operationId = "mend",
            summary = "Puts a spacer or a bypass of the stock book into the plan, the smallest that mends the finding")
    PlanView mend(@PathVariable UUID box, @Valid @RequestBody Mending mending, Principal who) {
        applyRemedy.apply(
                box, mending.version(), mending.code(), mending.subject(), mending.kind(), people.nameOf(who));
        return view(box);
    }

    /** What a lead takes on, and why. */
    record Acceptance(
            @NotNull FindingCode code,
            @NotNull @Size(max = 1000) String subject,
            @NotNull @Size(max = 1000) String facts,
            @NotBlank @Size(min = 10, max = 500) String reason) {}

    @PostMapping("/accepted")
    @Needs(Right.LEAD)
    @Operation(
            operationId = "acceptHold",
            summary = "A lead takes on what holds the plan back; what stops it is never accepted")
    PlanView accept(@PathVariable UUID box, @Valid @RequestBody Acceptance acceptance, Principal who) {
        acceptHold.accept(
                box,
                acceptance.code(),
                acceptance.subject(),
                acceptance.facts(),
                acceptance.reason().strip(),
                people.nameOf(who));
        return view(box);
    }

    @DeleteMapping("/accepted/{acceptance}")
    @Needs(Right.LEAD)
    @Operation(operationId = "takeAcceptanceBack")
    PlanView takeBack(@PathVariable UUID box, @PathVariable UUID acceptance) {
        acceptHold.takeBack(box, acceptance);
        return view(box);
    }

    private PlanView view(UUID box) {
        return view(box, Set.of());
    }

    /** @param off labels of circuits that are switched off in the drawing */
    private PlanView view(UUID box, Set<String> off) {
        Boxes.Found found = boxes.find(box);
        Optional<IssuedPlanRow> issued = plans.lastIssued(box);
        return PlanView.of(
                found,
                plans.assignments(found),
                plans.judge(found),
                plans.reliesOn(found),
                issued,
                issued.filter(row -> plans.isCurrent(row, found)).isPresent(),
                acceptances.list(box),
                off);
    }
}
