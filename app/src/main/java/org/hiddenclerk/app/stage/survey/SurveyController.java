package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.survey.SurveyChecks;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Survey of one box. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "survey")
class SurveyController {
    private final People people;
    private final Boxes boxes;
    private final RecordSurvey recordSurvey;
    private final IssuedWork issued;

    SurveyController(Boxes boxes, RecordSurvey recordSurvey, IssuedWork issued, People people) {
        this.people = people;
        this.boxes = boxes;
        this.recordSurvey = recordSurvey;
        this.issued = issued;
    }

    /** A surveyed box with what its wiring, as found, shows; {@code issuedOnIt} are boxes whose issued plan a change of it opens again. */
    record SurveyView(
            UUID id,
            UUID jobId,
            UUID roomId,
            long version,
            String changedBy,
            Instant changedAt,
            SurveyDocument survey,
            Verdict verdict,
            List<FindingView> findings,
            List<String> issuedOnIt) {
        static SurveyView of(Boxes.Found found, List<String> issuedOnIt) {
            WiringPlan plan = WiringPlan.surveyed(found.house(), found.run());
            BoxRow row = found.row();
            List<Finding> findings = new ArrayList<>(plan.findings());
            findings.addAll(SurveyChecks.of(found.house(), found.run()));
            findings.sort(Finding.ORDER);
            return new SurveyView(
                    row.id(),
                    found.job(),
                    row.roomId(),
                    row.version(),
                    row.changedBy(),
                    row.changedAt(),
                    found.survey(),
                    plan.verdict(),
                    findings.stream().map(FindingView::of).toList(),
                    issuedOnIt);
        }
    }

    /** A new box. */
    record NewBox(@NotNull @Valid SurveyDocument survey) {}

    /** A change, and the version it was made on. */
    record SurveyChange(long version, @NotNull @Valid SurveyDocument survey) {}

    private SurveyView view(Boxes.Found found) {
        return SurveyView.of(found, issued.restingOn(found));
    }

    @GetMapping("/boxes/{box}/survey")
    @Operation(operationId = "survey")
    SurveyView survey(@PathVariable UUID box) {
        return view(boxes.find(box));
    }

    @PostMapping("/rooms/{room}/boxes")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addBox")
    SurveyView addBox(@PathVariable UUID room, @Valid @RequestBody NewBox box, Principal who) {
        return view(boxes.find(recordSurvey.add(room, box.survey(), people.nameOf(who))));
    }

    @PutMapping("/boxes/{box}/survey")
    @Operation(operationId = "recordSurvey")
    SurveyView recordSurvey(@PathVariable UUID box, @Valid @RequestBody SurveyChange change, Principal who) {
        recordSurvey.change(box, change.version(), change.survey(), people.nameOf(who));
        return view(boxes.find(box));
    }
}
