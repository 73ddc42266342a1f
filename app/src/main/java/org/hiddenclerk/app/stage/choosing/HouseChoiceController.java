package org.hiddenclerk.app.stage.choosing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Every position of a house matched, and choices for all of them at once. */
@RestController
@Needs(Right.LEAD)
@RequestMapping("/api/v1")
@Tag(name = "match")
class HouseChoiceController {
    private static final int MOST_PER_PAGE = 100;

    private final HouseMatches matches;
    private final ChooseHouse chooseHouse;
    private final TakeOver takeOver;
    private final JsonMapper json;
    private final Clock clock;
    private final People people;

    HouseChoiceController(
            HouseMatches matches,
            ChooseHouse chooseHouse,
            TakeOver takeOver,
            JsonMapper json,
            Clock clock,
            People people) {
        this.matches = matches;
        this.chooseHouse = chooseHouse;
        this.takeOver = takeOver;
        this.json = json;
        this.clock = clock;
        this.people = people;
    }

    /** How many modules may be chosen for a unit, and the verdict of each in its best scheme. */
    record UnitMatch(ChoiceDocument.UnitView unit, int ok, int hold, int stop, List<ModuleVerdict> modules) {}

    /** A module at a unit, in the scheme in which it stands best. */
    record ModuleVerdict(String module, SchemeCode scheme, Verdict verdict, List<FindingCode> reasons) {}

    /** A page of units. */
    record HouseMatchPage(int units, int page, int pages, List<UnitMatch> matches, List<String> mute) {}

    /** A choice in the list. @param stale whether a survey, a wish or the stock book is otherwise since */
    record ChoiceEntry(
            UUID id,
            String name,
            HouseChoiceRow.State state,
            String words,
            String who,
            Instant when,
            @MayBeAbsent ChoiceDocument.Outcome outcome,
            List<ChoiceDocument.PinEntry> pins,
            boolean stale) {}

    /** Units for which two choices differ; absent where a unit gets nothing. */
    record Comparison(List<WhyNotAnswer.Change> differences) {}

    /** The id of a choice that was begun. */
    record Begun(UUID id) {}

    @GetMapping("/jobs/{job}/house-match")
    @Needs(Right.WORK)
    @Operation(operationId = "houseMatch", summary = "Every module at every position, a page of positions at a time")
    HouseMatchPage match(
            @PathVariable UUID job,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "50") int size) {
        HouseSurvey survey = matches.survey(job);
        HouseMatch.Result result = matches.match(job, survey);
        int perPage = Math.max(1, Math.min(MOST_PER_PAGE, size));
        int pages = Math.max(1, (result.units().size() + perPage - 1) / perPage);
        int at = Math.max(0, Math.min(pages - 1, page));
        List<Unit> shown =
                result.units().subList(at * perPage, Math.min(result.units().size(), (at + 1) * perPage));
        Map<Unit, Map<String, HouseMatch.Cell>> best = new LinkedHashMap<>();
        shown.forEach(unit -> best.put(unit, new LinkedHashMap<>()));
        for (HouseMatch.Cell cell : result.cells()) {
            if (cell.units().size() == 1 && best.containsKey(cell.units().get(0))) {
                best.get(cell.units().get(0))
                        .merge(cell.model().code(), cell, (a, b) -> b.verdict().compareTo(a.verdict()) > 0 ? b : a);
            }
        }
        return new HouseMatchPage(
                result.units().size(),
                at,
                pages,
                shown.stream().map(unit -> view(unit, best.get(unit), survey)).toList(),
                result.mute());
    }

    private static UnitMatch view(Unit unit, Map<String, HouseMatch.Cell> best, HouseSurvey survey) {
        return new UnitMatch(
                ChoiceDocument.UnitView.of(unit, survey),
                count(best, Verdict.OK),
                count(best, Verdict.HOLD),
                count(best, Verdict.STOP),
                best.values().stream()
                        .map(cell -> new ModuleVerdict(
                                cell.model().code(),
                                cell.scheme(),
                                cell.verdict(),
                                cell.codes().stream()
                                        .filter(code -> code.severity() != Severity.NOTE)
                                        .toList()))
                        .toList());
    }

    private static int count(Map<String, HouseMatch.Cell> best, Verdict verdict) {
        return (int)
                best.values().stream().filter(cell -> cell.verdict() == verdict).count();
    }

    @GetMapping("/jobs/{job}/choices")
    @Operation(operationId = "houseChoices")
    List<ChoiceEntry> choices(@PathVariable UUID job) {
        String now = matches.restsOn(job);
        return chooseHouse.ofJob(job).stream().map(row -> entry(row, now)).toList();
    }

    @PostMapping("/jobs/{job}/choices")
    @ResponseStatus(HttpStatus.ACCEPTED)
    @Operation(
            operationId = "chooseHouse",
            summary = "Begins a choice for the whole house; ask for it by its id until it is done")
    Begun choose(@PathVariable UUID job, @Valid @RequestBody ChoiceDocument.Asked asked, Principal who) {
        return new Begun(chooseHouse.start(job, asked, people.nameOf(who)));
    }

    @GetMapping("/choices/{choice}")
    @Operation(operationId = "houseChoice")
    ChoiceEntry choice(@PathVariable UUID choice) {
        return entry(chooseHouse.find(choice));
    }

    @DeleteMapping("/choices/{choice}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "stopChoice", summary = "Stops a choice that is running")
    void stop(@PathVariable UUID choice) {
        chooseHouse.stop(choice);
    }

    @GetMapping("/choices/{choice}/why-not")
    @Operation(operationId = "whyNot")
    WhyNotAnswer whyNot(@PathVariable UUID choice, @RequestParam String unit, @RequestParam String module) {
        return chooseHouse.whyNot(choice, unit, module);
    }

    @PostMapping("/choices/{choice}/take-over")
    @Operation(
            operationId = "takeChoiceOver",
            summary = "Makes it the choice of the boxes; those with open work keep what they have")
    TakeOver.TakeOverReport takeOver(@PathVariable UUID choice, Principal who) {
        return takeOver.takeOver(choice, people.nameOf(who));
    }

    @GetMapping("/choices/{choice}/compare/{other}")
    @Operation(operationId = "compareChoices")
    Comparison compare(@PathVariable UUID choice, @PathVariable UUID other) {
        return new Comparison(ChoiceComparison.of(
                entry(chooseHouse.find(choice)).outcome(),
                entry(chooseHouse.find(other)).outcome()));
    }

    private ChoiceEntry entry(HouseChoiceRow row) {
        return entry(row, matches.restsOn(row.jobId()));
    }

    private ChoiceEntry entry(HouseChoiceRow row, String now) {
        return new ChoiceEntry(
                row.id(),
                row.name(),
                row.stateAt(clock.instant()),
                row.words(),
                row.startedBy(),
                row.startedAt(),
                row.result()
                        .map(text -> json.readValue(text, ChoiceDocument.Outcome.class))
                        .orElse(null),
                json.readValue(row.request(), ChoiceDocument.Asked.class).pins(),
                row.isStale(now));
    }
}
