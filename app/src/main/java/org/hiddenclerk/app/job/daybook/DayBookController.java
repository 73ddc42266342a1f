package org.hiddenclerk.app.job.daybook;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.JobsOfCallers;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.job.JobProgress;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Stage;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The day book. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "day book")
class DayBookController {
    private final DayBook book;
    private final JobsOfCallers visible;

    DayBookController(DayBook book, JobsOfCallers visible) {
        this.book = book;
        this.visible = visible;
    }

    /** {@code next} is what to do next, {@code blocks} what keeps the job from going on. */
    record DayBookEntryView(
            UUID id,
            String name,
            String place,
            String regionLabel,
            String contact,
            @MayBeAbsent LocalDate visitOn,
            boolean today,
            boolean peopleRemoved,
            int boxes,
            int planned,
            int issued,
            int fitted,
            JobProgress.State state,
            String stateLabel,
            Stage nextStage,
            String next,
            List<String> blocks) {
        static DayBookEntryView of(DayBook.Entry entry, LocalDate today) {
            JobProgress progress = entry.progress();
            return new DayBookEntryView(
                    entry.job(),
                    entry.name(),
                    entry.place(),
                    RegionProfile.valueOf(entry.region()).label(),
                    entry.contact(),
                    entry.visitOn().orElse(null),
                    entry.visitOn().filter(today::equals).isPresent(),
                    entry.peopleRemoved(),
                    progress.boxes(),
                    progress.planned(),
                    progress.issued(),
                    progress.fitted(),
                    progress.state(),
                    progress.state().label(),
                    progress.nextStage(),
                    progress.next(),
                    entry.blocks());
        }
    }

    record JobDetails(
            @NotBlank @Size(max = 120) String name,
            @NotNull @Size(max = 200) String place,
            @NotNull @Size(max = 300) String contact,
            @MayBeAbsent LocalDate visitOn) {}

    @GetMapping("/day-book")
    @Needs(Right.LISTS)
    @Operation(operationId = "dayBook", summary = "All jobs with state, next step, next visit and what blocks")
    List<DayBookEntryView> entries(Principal who) {
        LocalDate today = book.today();
        Optional<Set<UUID>> theirs = visible.visibleTo(who);
        return book.entries().stream()
                .filter(entry -> theirs.map(jobs -> jobs.contains(entry.job())).orElse(true))
                .map(entry -> DayBookEntryView.of(entry, today))
                .toList();
    }

    @PutMapping("/jobs/{job}/details")
    @Operation(operationId = "keepJobDetails", summary = "Name, place, whom to call, and the next visit")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable UUID job, @Valid @RequestBody JobDetails details) {
        book.keep(job, details.name(), details.place(), details.contact(), Optional.ofNullable(details.visitOn()));
    }

    @PostMapping("/jobs/{job}/archived")
    @Needs(Right.LEAD)
    @Operation(operationId = "archiveJob")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void archive(@PathVariable UUID job) {
        book.archive(job, true);
    }

    @DeleteMapping("/jobs/{job}/archived")
    @Needs(Right.LEAD)
    @Operation(operationId = "takeJobUpAgain")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeUp(@PathVariable UUID job) {
        book.archive(job, false);
    }

    @DeleteMapping("/jobs/{job}/people")
    @Needs(Right.LEAD)
    @Operation(
            operationId = "removePeople",
            summary = "Removes what is known of the people of a house; what was built stays. For leads")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removePeople(@PathVariable UUID job) {
        book.removePeople(job);
    }
}
