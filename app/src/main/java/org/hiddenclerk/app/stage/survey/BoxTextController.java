package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A box as plain text, both ways. Nothing is kept. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/box-text")
@Tag(name = "survey")
class BoxTextController {
    private final Houses houses;
    private final Boxes boxes;

    BoxTextController(Houses houses, Boxes boxes) {
        this.houses = houses;
        this.boxes = boxes;
    }

    /** Lines of a box. */
    record BoxLines(@NotNull @Size(max = 20_000) String text) {}

    /** What was read: the survey, or the places that stand against it. */
    record TextRead(@MayBeAbsent SurveyDocument survey, List<BoxTextLine.TextProblem> problems) {}

    /** A survey to be written as text. */
    record Drafted(@NotNull @Valid SurveyDocument survey) {}

    @PostMapping("/read")
    @Operation(operationId = "readBoxText")
    TextRead read(@PathVariable UUID job, @Valid @RequestBody BoxLines typed) {
        BoxText.Read read = BoxText.read(typed.text(), circuits(job), boxIds(job));
        if (read.survey() == null) {
            return new TextRead(null, read.problems());
        }
        List<BoxTextLine.TextProblem> problems = new ArrayList<>();
        try {
            SurveyReader.read(read.survey(), houses.context(job));
        } catch (ProblemException e) {
            e.errors()
                    .forEach(error -> problems.add(new BoxTextLine.TextProblem(
                            read.line(error.pointer()), 1, error.found(), error.expected())));
        }
        return new TextRead(problems.isEmpty() ? read.survey() : null, problems);
    }

    @PostMapping("/write")
    @Operation(operationId = "writeBoxText")
    BoxLines write(@PathVariable UUID job, @Valid @RequestBody Drafted drafted) {
        return new BoxLines(BoxTextWriter.write(drafted.survey(), circuits(job), boxIds(job)));
    }

    private Map<String, String> circuits(UUID job) {
        Map<String, String> ids = new LinkedHashMap<>();
        houses.circuits(job)
                .forEach(circuit ->
                        ids.put(circuit.toCircuit().label(), circuit.id().toString()));
        return ids;
    }

    private Map<String, String> boxIds(UUID job) {
        Map<String, String> ids = new LinkedHashMap<>();
        boxes.ofJob(job).forEach(box -> ids.put(box.label(), box.id().toString()));
        return ids;
    }
}
