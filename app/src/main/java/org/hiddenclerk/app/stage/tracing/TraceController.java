package org.hiddenclerk.app.stage.tracing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.security.Principal;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Trace of the run of boxes that a box belongs to. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}/trace")
@Tag(name = "trace")
class TraceController {
    private final Traces traces;
    private final People people;

    TraceController(Traces traces, People people) {
        this.traces = traces;
        this.people = people;
    }

    @GetMapping
    @Operation(operationId = "traceOfBox")
    TraceView trace(@PathVariable UUID box) {
        return TraceView.of(traces.of(box));
    }

    @PostMapping("/readings")
    @Operation(operationId = "keepReading")
    TraceView keep(@PathVariable UUID box, @Valid @RequestBody ReadingEntry reading, Principal who) {
        traces.keep(box, reading, people.nameOf(who));
        return trace(box);
    }

    @DeleteMapping("/readings/{reading}")
    @Operation(operationId = "takeReadingBack")
    TraceView takeBack(@PathVariable UUID box, @PathVariable UUID reading) {
        traces.takeBack(box, reading);
        return trace(box);
    }

    /** Writes what is certain into the survey. */
    @PostMapping("/write")
    @Operation(operationId = "writeTrace")
    TraceView write(@PathVariable UUID box, Principal who) {
        traces.write(box, people.nameOf(who));
        return trace(box);
    }
}
