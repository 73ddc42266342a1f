package org.hiddenclerk.app.job.search;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.JobsOfCallers;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Search from anywhere. */
@RestController
@Needs(Right.LISTS)
@RequestMapping("/api/v1/search")
@Tag(name = "search")
class SearchController {
    private static final int LONGEST = 100;

    private final Search search;
    private final JobsOfCallers visible;

    SearchController(Search search, JobsOfCallers visible) {
        this.search = search;
        this.visible = visible;
    }

    record HitView(
            Search.Kind kind,
            String label,
            UUID job,
            String jobName,
            @MayBeAbsent UUID box,
            String title,
            String detail) {}

    @GetMapping
    @Operation(
            operationId = "search",
            summary =
                    "Boxes, circuits, serials, names, notes, accepted holds and the log of all jobs; at most 8 of each kind")
    List<HitView> search(@RequestParam String text, Principal who) {
        if (text.length() > LONGEST) {
            throw ProblemException.content(
                    "The text is too long",
                    new FieldProblem("/text", text.length() + " letters", "at most " + LONGEST));
        }
        return search.find(text, visible.visibleTo(who)).stream()
                .map(hit -> new HitView(
                        hit.kind(),
                        hit.kind().label(),
                        hit.job(),
                        hit.jobName(),
                        hit.box().orElse(null),
                        hit.title(),
                        hit.detail()))
                .toList();
    }
}
