package org.hiddenclerk.app.compute;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.electrical.Wiring;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.WiringRules;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Stateless computations for scripts and other software. */
@RestController
@RequestMapping("/api/v1/compute")
@Tag(name = "compute")
class ComputeController {
    private static final String UNUSABLE = "The document cannot be used";
    private final FormatSchema wiringSchema = new FormatSchema("wiring");
    private final FormatSchema traceSchema = new FormatSchema("trace");

    @PostMapping("/wiring-check")
    @Operation(operationId = "wiringCheck", summary = "Judge a wiring in every switching state",
            description = "The request is described by docs/formats/wiring.schema.json.")
    WiringAnswer wiringCheck(@RequestBody JsonNode document) {
        refuse(wiringSchema.problemsOf(document));
        Wiring wiring = WiringReader.read(document);
        refuse(WiringRules.problemsOf(wiring).stream()
                .map(p -> new FieldProblem(p.pointer(), p.found(), p.expected())).toList());
        return WiringAnswer.of(WiringCheck.of(wiring));
    }

    @PostMapping("/trace")
    @Operation(operationId = "trace", summary = "Tell which conductor is what, and which reading to make next",
            description = "The request is described by docs/formats/trace.schema.json.")
    TraceAnswer trace(@RequestBody JsonNode document) {
        refuse(traceSchema.problemsOf(document));
        TraceReader reader = new TraceReader(document);
        refuse(reader.problems());
        try {
            Traced traced = Tracing.of(reader.board(), reader.region(), reader.readings());
            return TraceAnswer.of(traced, traced.possible().stream().anyMatch(p -> p.topology().contains("+")));
        } catch (Tracing.TooMany e) {
            throw Unusable.content(UNUSABLE, List.of(new FieldProblem("/boxes", "more wirings than can be told apart",
                    "fewer boxes at a time")));
        }
    }

    private static void refuse(List<FieldProblem> problems) {
        if (!problems.isEmpty()) {
            throw Unusable.content(UNUSABLE, problems);
        }
    }
}
