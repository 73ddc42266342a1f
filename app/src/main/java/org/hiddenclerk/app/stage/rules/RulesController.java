package org.hiddenclerk.app.stage.rules;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.rules.RulesViews.RulesView;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Fix;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Recipe;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RulePart;
import org.hiddenclerk.core.schedule.Location;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Links, rules and schedules of a house. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/rules")
@Tag(name = "rules")
class RulesController {
    private final Rules rules;
    private final RuleChanges changes;
    private final People people;
    private final Clock clock;

    RulesController(Rules rules, RuleChanges changes, People people, Clock clock) {
        this.rules = rules;
        this.changes = changes;
        this.people = people;
        this.clock = clock;
    }

    /** @param recipe left out for a rule of one's own */
    record NewRule(long version, @MayBeAbsent Recipe recipe) {}

    record NewRulePart(long version, @NotNull RulePart part) {}

    record Filling(long version, @NotBlank @Size(max = 200) String pointer, @NotNull JsonNode value) {}

    record RuleChange(long version, @NotBlank @Size(max = 80) String name, @NotNull Rule.RunsOn on, boolean enabled) {}

    record NewHouseLink(
            long version,
            @MayBeAbsent @Size(max = 60) String id,
            @NotBlank @Size(max = 120) String control,
            @NotBlank @Size(max = 120) String output,
            @NotNull Link.Way way,
            @NotNull Link.Effect effect,
            boolean throughGroup) {}

    /** @param senses left out for a remote control with some buttons */
    record NewThing(
            long version,
            @NotBlank @Size(max = 60) String name,
            @NotBlank @Size(max = 60) String room,
            @NotNull Protocol protocol,
            @MayBeAbsent Device.Senses senses) {}

    record Fixing(
            long version,
            @NotNull Fix.Kind kind,
            @NotNull @Size(min = 1, max = 200) List<@NotBlank @Size(max = 120) String> subjects) {}

    record Placing(
            long version,
            @DecimalMin("-90") @DecimalMax("90") double latitude,
            @DecimalMin("-180") @DecimalMax("180") double longitude,
            @NotBlank @Size(max = 60) String zone) {}

    @GetMapping
    @Operation(operationId = "rules")
    RulesView rules(@PathVariable UUID job) {
        return RulesViews.of(rules.of(job), clock.instant());
    }

    @PostMapping
    @Operation(
            operationId = "addRule",
            summary = "Drafts the rules of a recipe, or one of one's own, on the first suitable devices of the house")
    RulesView add(@PathVariable UUID job, @Valid @RequestBody NewRule added, Principal who) {
        if (added.recipe() == null) {
            changes.add(job, added.version(), people.nameOf(who));
        } else {
            changes.add(job, added.version(), added.recipe(), people.nameOf(who));
        }
        return rules(job);
    }

    @PostMapping("/{rule}/parts")
    @Operation(operationId = "addRulePart", summary = "Adds what sets a rule going, what must hold, or what it does")
    RulesView addPart(
            @PathVariable UUID job, @PathVariable String rule, @Valid @RequestBody NewRulePart added, Principal who) {
        changes.addPart(job, added.version(), rule, added.part(), people.nameOf(who));
        return rules(job);
    }

    @DeleteMapping("/{rule}/parts")
    @Operation(operationId = "takeRulePart", summary = "Takes a part of a rule's sentence away")
    RulesView takePart(
            @PathVariable UUID job,
            @PathVariable String rule,
            @RequestParam long version,
            @RequestParam String pointer,
            Principal who) {
        changes.takePart(job, version, rule, pointer, people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/{rule}/slot")
    @Operation(operationId = "fillSlot", summary = "Fills a slot of a rule's sentence otherwise")
    RulesView fill(
            @PathVariable UUID job, @PathVariable String rule, @Valid @RequestBody Filling filling, Principal who) {
        changes.fill(job, filling.version(), rule, filling.pointer(), filling.value(), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/{rule}")
    @Operation(operationId = "changeRule", summary = "Names a rule, says where it runs, switches it on or off")
    RulesView change(
            @PathVariable UUID job, @PathVariable String rule, @Valid @RequestBody RuleChange change, Principal who) {
        changes.set(job, change.version(), rule, change.name(), change.on(), change.enabled(), people.nameOf(who));
        return rules(job);
    }

    @DeleteMapping("/{id}")
    @Operation(operationId = "removeRule", summary = "Takes a rule, link, sensor or remote control away")
    RulesView remove(@PathVariable UUID job, @PathVariable String id, @RequestParam long version, Principal who) {
        changes.remove(job, version, id, people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/links")
    @Operation(operationId = "linkControl", summary = "Lets a control act on an output, or does so in another way")
    RulesView link(@PathVariable UUID job, @Valid @RequestBody NewHouseLink link, Principal who) {
        String id = Optional.ofNullable(link.id())
                .orElseGet(() -> "l" + UUID.randomUUID().toString().substring(0, 8));
        changes.link(
                job,
                link.version(),
                new Link(
                        id,
                        new ControlId(link.control()),
                        new OutputId(link.output()),
                        link.way(),
                        link.effect(),
                        link.throughGroup()),
                people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/links/{link}/way/{way}")
    @Operation(operationId = "linkBy", summary = "Lets a link go another way")
    RulesView linkBy(
            @PathVariable UUID job,
            @PathVariable String link,
            @PathVariable Link.Way way,
            @RequestParam long version,
            Principal who) {
        changes.linkBy(job, version, link, way, people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/things")
    @Operation(operationId = "addThing", summary = "Adds a sensor or remote control that no box holds")
    RulesView add(@PathVariable UUID job, @Valid @RequestBody NewThing thing, Principal who) {
        changes.add(job, thing.version(), Things.of(thing), people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/fix")
    @Operation(operationId = "fixRules", summary = "Does what mends a finding")
    RulesView fix(@PathVariable UUID job, @Valid @RequestBody Fixing fixing, Principal who) {
        changes.mend(job, fixing.version(), new Fix(fixing.kind(), fixing.subjects()), people.nameOf(who));
        return rules(job);
    }

    @GetMapping("/calendar.ics")
    @Operation(operationId = "ruleCalendar", summary = "Schedules of the rules as iCalendar (RFC 5545)")
    ResponseEntity<String> calendar(@PathVariable UUID job) {
        Rules.StoredRules kept = rules.of(job);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/calendar;charset=UTF-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"rules.ics\"")
                .body(RuleCalendar.write(kept.house(), whereabouts(kept), clock.instant()));
    }

    /** @param text of an iCalendar file */
    record CalendarText(long version, @NotBlank @Size(max = 200_000) String text) {}

    @PostMapping("/calendar")
    @Operation(
            operationId = "importCalendar",
            summary = "A rule for each event of an iCalendar text; none of them acts until somebody says what it does")
    RulesView importCalendar(@PathVariable UUID job, @Valid @RequestBody CalendarText calendar, Principal who) {
        Rules.StoredRules kept = rules.of(job);
        List<Rule> read;
        try {
            read = RuleCalendar.read(calendar.text(), kept.house(), whereabouts(kept));
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "The calendar cannot be taken in", new FieldProblem("/text", "", String.valueOf(e.getMessage())));
        }
        changes.add(job, calendar.version(), read, people.nameOf(who));
        return rules(job);
    }

    private static Location whereabouts(Rules.StoredRules kept) {
        return kept.document()
                .whereabouts()
                .orElseThrow(() -> ProblemException.conflict(
                        "Say where the house is first: times are by its clocks and its sun."));
    }

    /** The version that was seen. */
    record TakingBack(long version) {}

    @PostMapping("/undo")
    @Operation(operationId = "undoRules", summary = "Takes the last change back; once more brings it again")
    RulesView undo(@PathVariable UUID job, @RequestBody TakingBack seen, Principal who) {
        changes.takeBack(job, seen.version(), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/place")
    @Operation(operationId = "placeHouse", summary = "Says where the house is and whose clocks it keeps")
    RulesView place(@PathVariable UUID job, @Valid @RequestBody Placing placing, Principal who) {
        changes.move(
                job,
                placing.version(),
                new RulesDocument.PlaceEntry(placing.latitude(), placing.longitude(), placing.zone()),
                people.nameOf(who));
        return rules(job);
    }

    /** Milliseconds. */
    record DelaysChange(
            long version,
            @Min(0) @Max(10_000) int wire,
            @Min(0) @Max(10_000) int group,
            @Min(0) @Max(10_000) int binding,
            @Min(0) @Max(10_000) int mesh,
            @Min(0) @Max(10_000) int wifi,
            @Min(0) @Max(10_000) int broker,
            @Min(0) @Max(10_000) int hub,
            @Min(0) @Max(10_000) int cloud) {}

    @PutMapping("/delays")
    @Operation(
            operationId = "setDelays",
            summary = "Says how long things take in this house, as measured or as estimated")
    RulesView delays(@PathVariable UUID job, @Valid @RequestBody DelaysChange change, Principal who) {
        changes.take(
                job,
                change.version(),
                new Delays(
                        change.wire(),
                        change.group(),
                        change.binding(),
                        change.mesh(),
                        change.wifi(),
                        change.broker(),
                        change.hub(),
                        change.cloud()),
                people.nameOf(who));
        return rules(job);
    }
}
