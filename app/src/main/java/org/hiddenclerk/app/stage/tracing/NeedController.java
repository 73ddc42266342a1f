package org.hiddenclerk.app.stage.tracing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.core.matching.survey.SurveyNeed;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Facts that the survey of a box lacks, each with the decision that waits for it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}/needs")
@Tag(name = "survey")
class NeedController {
    private final Traces traces;

    NeedController(Traces traces) {
        this.traces = traces;
    }

    @GetMapping
    @Operation(operationId = "needs")
    List<SurveyNeed> needs(@PathVariable UUID box) {
        Traces.State state = traces.of(box);
        boolean traced = state.traced().done() && state.surveyed().obstacles().isEmpty();
        return SurveyNeed.of(state.found().house(), state.found().box(), traced);
    }
}
