package org.hiddenclerk.app.rules;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.accounts.People;
import org.hiddenclerk.app.finding.FindingView;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Fix;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Piece;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Recipe;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleAnalysis;
import org.hiddenclerk.core.rules.RuleFinding;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.rules.Words;
import org.hiddenclerk.core.schedule.Occurrences;
import org.hiddenclerk.core.schedule.Schedule;
import org.hiddenclerk.core.schedule.Whereabouts;
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
@RequestMapping("/api/v1/jobs/{job}/rules")
@Tag(name = "rules")
class RulesController {
    private static final int NEXT = 10;

    private final Rules rules;
    private final People people;
    private final Clock clock;

    RulesController(Rules rules, People people, Clock clock) {
        this.rules = rules;
        this.people = people;
        this.clock = clock;
    }

    /** A choice with its words. */
    record SlotChoice(String code, String label) {
    }

    /** A part of a sentence; with a pointer it is a slot. {@code value} is what stands in the rule there, as JSON text. */
    record PieceView(String words, @MayBeAbsent String pointer, @MayBeAbsent Piece.Kind kind, @MayBeAbsent String unit, @MayBeAbsent String value) {
    }

    /** A rule. {@code next} are the next times that it is due, where it is by the clock or the sun. */
    record RuleView(String id, String name, Rule.RunsOn on, boolean enabled, List<PieceView> sentence, List<OffsetDateTime> next, @MayBeAbsent String nextUnknown) {
    }

    record HouseLinkView(String id, String sentence, Link.Way way, List<Link.Way> ways) {
    }

    /** Something done at a press that mends a finding. */
    record FixView(Fix.Kind kind, String words, List<String> subjects) {
    }

    record StoryStepView(long atMs, String words) {
    }

    record RuleFindingView(FindingView finding, List<StoryStepView> story, List<String> rules, List<FixView> fixes) {
        static RuleFindingView of(RuleFinding found) {
            return new RuleFindingView(FindingView.of(found.finding()), found.story().stream().map(step -> new StoryStepView(step.atMs(), step.words())).toList(), found.rules(),
                    found.fixes().stream().map(fix -> new FixView(fix.kind(), fix.kind().words(), fix.subjects())).toList());
        }
    }

    /** How one control reaches one output while something is down; {@code down} is in the order of the columns. */
    record ReachRowView(String control, String output, String by, int delayMs, List<OutcomeView> down, List<String> takes) {
    }

    record OutcomeView(Reach.State state, @MayBeAbsent Integer delayMs, @MayBeAbsent String by) {
    }

    /** Single parts and pairs of them that are down. */
    record ReachGridView(List<String> columns, List<ReachRowView> rows) {
    }

    record RecipeView(Recipe recipe, String label, String needs, boolean available) {
    }

    /** A sensor or remote control that no box holds. */
    record ThingView(String id, String name, String what) {
    }

    record HousePlaceView(double latitude, double longitude, String zone) {
    }

    /** Everything of the rules of a house; {@code choices} by kind of slot. */
    record RulesView(long version, int devices, List<RuleView> rules, List<HouseLinkView> links, List<RuleFindingView> findings, ReachGridView reach, List<RecipeView> recipes,
                     List<ThingView> things, Map<Piece.Kind, List<SlotChoice>> choices, List<String> lost, boolean undoable, @MayBeAbsent HousePlaceView place) {
    }

    record NewRule(long version, @NotNull Recipe recipe) {
    }

    record Filling(long version, @NotBlank @Size(max = 200) String pointer, @NotNull JsonNode value) {
    }

    record RuleChange(long version, @NotBlank @Size(max = 80) String name, @NotNull Rule.RunsOn on, boolean enabled) {
    }

    record NewHouseLink(long version, @MayBeAbsent @Size(max = 60) String id, @NotBlank @Size(max = 120) String control, @NotBlank @Size(max = 120) String output,
                   @NotNull Link.Way way, @NotNull Link.Effect effect, boolean throughGroup) {
    }

    /** @param senses left out for a remote control with some buttons */
    record NewThing(long version, @NotBlank @Size(max = 60) String name, @NotBlank @Size(max = 60) String room, @NotNull Protocol protocol, @MayBeAbsent Device.Senses senses) {
    }

    record Fixing(long version, @NotNull Fix.Kind kind, @NotNull @Size(min = 1, max = 200) List<@NotBlank @Size(max = 120) String> subjects) {
    }

    record Placing(long version, @DecimalMin("-90") @DecimalMax("90") double latitude, @DecimalMin("-180") @DecimalMax("180") double longitude,
                   @NotBlank @Size(max = 60) String zone) {
    }

    @GetMapping
    @Operation(operationId = "rules")
    RulesView rules(@PathVariable UUID job) {
        Rules.Kept kept = rules.of(job);
        RuledHouse house = kept.house();
        Optional<Whereabouts> where = kept.document().whereabouts();
        Map<Piece.Kind, List<SlotChoice>> choices = new EnumMap<>(Piece.Kind.class);
        Arrays.stream(Piece.Kind.values()).forEach(kind -> choices.put(kind, Slots.choices(house, kind)));
        return new RulesView(kept.version(), house.devices().size(), house.rules().stream().map(rule -> view(house, rule, where)).toList(),
                house.links().stream().map(link -> view(house, link)).toList(), RuleAnalysis.of(house, Delays.USUAL).stream().map(RuleFindingView::of).toList(), reach(house),
                Arrays.stream(Recipe.values()).map(recipe -> new RecipeView(recipe, recipe.label(), recipe.needs(), recipe.draft(house, "r").isPresent())).toList(),
                kept.document().things().stream().map(RulesController::view).toList(), choices, kept.lost(), kept.undoable(), Optional.ofNullable(kept.document().place()).map(place ->
                new HousePlaceView(place.latitude(), place.longitude(), place.zone())).orElse(null));
    }

    private RuleView view(RuledHouse house, Rule rule, Optional<Whereabouts> where) {
        JsonNode json = RuleJson.MAPPER.valueToTree(rule);
        List<PieceView> sentence = Words.of(house, rule).stream().map(piece -> piece.slot().map(slot -> new PieceView(piece.words(), slot.pointer(), slot.kind(), slot.unit(),
                json.at(slot.pointer()).toString())).orElseGet(() -> new PieceView(piece.words(), null, null, null, null))).toList();
        List<Schedule> schedules = rule.triggers().stream().filter(Trigger.Due.class::isInstance).map(trigger -> ((Trigger.Due) trigger).schedule()).toList();
        if (schedules.isEmpty() || where.isEmpty()) {
            return new RuleView(rule.id(), rule.name(), rule.on(), rule.enabled(), sentence, List.of(), schedules.isEmpty() ? null
                    : "Say where the house is: times are by its clocks and its sun.");
        }
        List<OffsetDateTime> next = schedules.stream().flatMap(schedule -> Occurrences.next(schedule, where.get(), clock.instant(), NEXT).stream()).sorted().limit(NEXT)
                .map(ZonedDateTime::toOffsetDateTime).toList();
        return new RuleView(rule.id(), rule.name(), rule.on(), rule.enabled(), sentence, next, next.isEmpty() ? "It is never due again." : null);
    }

    private static HouseLinkView view(RuledHouse house, Link link) {
        Set<Link.Way> both = new TreeSet<>(house.owner(link.control()).direct());
        both.retainAll(house.owner(link.output()).direct());
        return new HouseLinkView(link.id(), Words.of(house, link), link.way(), Stream.concat(both.stream(), Stream.of(Link.Way.HUB, Link.Way.CLOUD)).toList());
    }

    private static ThingView view(Device thing) {
        String what = thing.sensors().isEmpty() ? "remote control" : thing.sensors().stream().map(sensor -> sensor.senses().name().toLowerCase(java.util.Locale.ROOT) + " sensor")
                .collect(Collectors.joining(", "));
        return new ThingView(thing.id(), thing.name(), what);
    }

    private static ReachGridView reach(RuledHouse house) {
        List<Reach.Row> rows = Reach.of(house, Delays.USUAL);
        List<Reach.Part> common = rows.stream().flatMap(row -> row.paths().stream()).flatMap(path -> path.parts().stream()).filter(part ->
                part.kind().compareTo(Reach.Part.Kind.MAINS) < 0).distinct().sorted().toList();
        List<Set<Reach.Part>> columns = new java.util.ArrayList<>();
        common.forEach(part -> columns.add(Set.of(part)));
        for (int i = 0; i < common.size(); i++) {
            for (int j = i + 1; j < common.size(); j++) {
                columns.add(new TreeSet<>(Set.of(common.get(i), common.get(j))));
            }
        }
        return new ReachGridView(columns.stream().map(parts -> "no " + parts.stream().map(Reach.Part::words).collect(Collectors.joining(", no "))).toList(), rows.stream().map(row ->
                new ReachRowView(house.nameOf(row.control()), house.nameOf(row.output()), row.paths().get(0).words(), row.paths().get(0).delayMs(), columns.stream().map(parts ->
                        view(row.without(parts))).toList(), row.paths().get(0).parts().stream().map(Reach.Part::words).toList())).toList());
    }

    private static OutcomeView view(Reach.Outcome outcome) {
        return new OutcomeView(outcome.state(), outcome.delayMs().isPresent() ? outcome.delayMs().getAsInt() : null, outcome.by().map(Reach.Path::words).orElse(null));
    }

    @PostMapping
    @Operation(operationId = "addRule", summary = "Drafts the rules of a recipe on the first suitable devices of the house")
    RulesView add(@PathVariable UUID job, @Valid @RequestBody NewRule added, Principal who) {
        rules.add(job, added.version(), added.recipe(), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/{rule}/slot")
    @Operation(operationId = "fillSlot", summary = "Fills a slot of a rule's sentence otherwise")
    RulesView fill(@PathVariable UUID job, @PathVariable String rule, @Valid @RequestBody Filling filling, Principal who) {
        rules.fill(job, filling.version(), rule, filling.pointer(), filling.value(), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/{rule}")
    @Operation(operationId = "changeRule", summary = "Names a rule, says where it runs, switches it on or off")
    RulesView change(@PathVariable UUID job, @PathVariable String rule, @Valid @RequestBody RuleChange change, Principal who) {
        rules.set(job, change.version(), rule, change.name(), change.on(), change.enabled(), people.nameOf(who));
        return rules(job);
    }

    @DeleteMapping("/{id}")
    @Operation(operationId = "removeRule", summary = "Takes a rule, link, sensor or remote control away")
    RulesView remove(@PathVariable UUID job, @PathVariable String id, @RequestParam long version, Principal who) {
        rules.remove(job, version, id, people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/links")
    @Operation(operationId = "linkControl", summary = "Lets a control act on an output, or does so in another way")
    RulesView link(@PathVariable UUID job, @Valid @RequestBody NewHouseLink link, Principal who) {
        String id = Optional.ofNullable(link.id()).orElseGet(() -> "l" + UUID.randomUUID().toString().substring(0, 8));
        rules.link(job, link.version(), new Link(id, link.control(), link.output(), link.way(), link.effect(), link.throughGroup()), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/links/{link}/way/{way}")
    @Operation(operationId = "linkBy", summary = "Lets a link go another way")
    RulesView linkBy(@PathVariable UUID job, @PathVariable String link, @PathVariable Link.Way way, @RequestParam long version, Principal who) {
        rules.linkBy(job, version, link, way, people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/things")
    @Operation(operationId = "addThing", summary = "Adds a sensor or remote control that no box holds")
    RulesView add(@PathVariable UUID job, @Valid @RequestBody NewThing thing, Principal who) {
        rules.add(job, thing.version(), Things.of(thing), people.nameOf(who));
        return rules(job);
    }

    @PostMapping("/fix")
    @Operation(operationId = "fixRules", summary = "Does what mends a finding")
    RulesView fix(@PathVariable UUID job, @Valid @RequestBody Fixing fixing, Principal who) {
        rules.mend(job, fixing.version(), new Fix(fixing.kind(), fixing.subjects()), people.nameOf(who));
        return rules(job);
    }

    @GetMapping("/calendar.ics")
    @Operation(operationId = "ruleCalendar", summary = "Schedules of the rules as iCalendar (RFC 5545)")
    ResponseEntity<String> calendar(@PathVariable UUID job) {
        Rules.Kept kept = rules.of(job);
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_TYPE, "text/calendar;charset=UTF-8").header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"rules.ics\"")
                .body(RuleCalendar.write(kept.house(), whereabouts(kept), clock.instant()));
    }

    /** @param text of an iCalendar file */
    record CalendarText(long version, @NotBlank @Size(max = 200_000) String text) {
    }

    @PostMapping("/calendar")
    @Operation(operationId = "importCalendar", summary = "A rule for each event of an iCalendar text; none of them acts until somebody says what it does")
    RulesView importCalendar(@PathVariable UUID job, @Valid @RequestBody CalendarText calendar, Principal who) {
        Rules.Kept kept = rules.of(job);
        List<Rule> read;
        try {
            read = RuleCalendar.read(calendar.text(), kept.house(), whereabouts(kept));
        } catch (IllegalArgumentException e) {
            throw Unusable.content("The calendar cannot be taken in", new FieldProblem("/text", "", String.valueOf(e.getMessage())));
        }
        rules.add(job, calendar.version(), read, people.nameOf(who));
        return rules(job);
    }

    private static Whereabouts whereabouts(Rules.Kept kept) {
        return kept.document().whereabouts().orElseThrow(() -> Unusable.conflict("Say where the house is first: times are by its clocks and its sun."));
    }

    /** The version that was seen. */
    record TakingBack(long version) {
    }

    @PostMapping("/undo")
    @Operation(operationId = "undoRules", summary = "Takes the last change back; once more brings it again")
    RulesView undo(@PathVariable UUID job, @RequestBody TakingBack seen, Principal who) {
        rules.takeBack(job, seen.version(), people.nameOf(who));
        return rules(job);
    }

    @PutMapping("/place")
    @Operation(operationId = "placeHouse", summary = "Says where the house is and whose clocks it keeps")
    RulesView place(@PathVariable UUID job, @Valid @RequestBody Placing placing, Principal who) {
        rules.move(job, placing.version(), new RulesDocument.PlaceEntry(placing.latitude(), placing.longitude(), placing.zone()), people.nameOf(who));
        return rules(job);
    }
}
