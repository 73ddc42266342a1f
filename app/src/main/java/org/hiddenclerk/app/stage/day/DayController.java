package org.hiddenclerk.app.stage.day;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.security.Principal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.day.DayDocument.DayQuestion;
import org.hiddenclerk.app.stage.day.DayDocument.DaysView;
import org.hiddenclerk.app.stage.day.DayDocument.NormsEntry;
import org.hiddenclerk.core.day.DayTask.Norms;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The days on site of a job. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/day")
@Tag(name = "fit")
class DayController {
    private final Days days;
    private final SiteWork site;
    private final Houses houses;
    private final People people;

    DayController(Days days, SiteWork site, Houses houses, People people) {
        this.days = days;
        this.site = site;
        this.houses = houses;
        this.people = people;
    }

    /** A circuit that works hang on. */
    record DayCircuitView(String label, boolean lights, boolean alternativeSupplies) {}

    /**
     * What there is to plan, and what was planned.
     *
     * @param asked what was asked last, or what is usual
     * @param soFar minutes that a position of this job took so far, over so many sheets
     */
    record DayPlanView(
            int works,
            List<String> notIssued,
            List<DayCircuitView> circuits,
            NormsEntry norms,
            @MayBeAbsent Integer soFar,
            int sheets,
            DayQuestion asked,
            @MayBeAbsent DaysView planned,
            @MayBeAbsent String madeBy,
            @MayBeAbsent Instant madeAt) {}

    @GetMapping
    @Operation(operationId = "day")
    DayPlanView day(@PathVariable UUID job) {
        houses.job(job);
        Optional<DayPlanRow> row = days.last(job);
        SiteWork.Site all = site.of(job, Norms.USUAL, Map.of());
        SiteWork.SoFar soFar = site.soFar(job);
        return new DayPlanView(
                all.works().size(),
                all.notIssued(),
                all.circuits().entrySet().stream()
                        .map(c -> new DayCircuitView(
                                c.getKey(), c.getValue().lights(), c.getValue().alternativeSupplies()))
                        .toList(),
                NormsEntry.of(Norms.USUAL),
                soFar.minutes().isPresent() ? soFar.minutes().getAsInt() : null,
                soFar.sheets(),
                row.map(days::asked).orElseGet(() -> days.usual(job)),
                row.map(days::planned).orElse(null),
                row.map(DayPlanRow::madeBy).orElse(null),
                row.map(DayPlanRow::madeAt).orElse(null));
    }

    @PutMapping
    @Operation(operationId = "planDay", summary = "Plans the days on site, or plans them again after a delay")
    DayPlanView plan(@PathVariable UUID job, @Valid @RequestBody DayQuestion question, Principal who) {
        houses.job(job);
        days.plan(job, question, people.nameOf(who));
        return day(job);
    }

    @GetMapping("/calendar.ics")
    @Operation(operationId = "dayCalendar", summary = "The planned days as iCalendar (RFC 5545)")
    ResponseEntity<String> calendar(@PathVariable UUID job) {
        DayPlanRow row = days.last(job).orElseThrow(() -> ProblemException.notFound("plan of the day"));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/calendar;charset=UTF-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"site.ics\"")
                .body(DayCalendar.of(
                        days.planned(row),
                        ZoneId.of(days.asked(row).zone()),
                        job,
                        houses.job(job).name()));
    }
}
