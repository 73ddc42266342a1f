package org.hiddenclerk.app.stage.fitting;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What was found otherwise than drawn, until somebody has looked into it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "fit")
class FoundOtherwiseController {
    private final RunSheets sheets;
    private final People people;

    FoundOtherwiseController(RunSheets sheets, People people) {
        this.sheets = sheets;
        this.people = people;
    }

    record FoundOtherwiseView(UUID id, String words, String who, Instant when) {}

    @GetMapping("/boxes/{box}/found-otherwise")
    @Operation(operationId = "openFindings")
    List<FoundOtherwiseView> open(@PathVariable UUID box) {
        return sheets.foundOtherwise(List.of(box)).stream()
                .map(row -> new FoundOtherwiseView(row.id(), row.words(), row.foundBy(), row.foundAt()))
                .toList();
    }

    @PostMapping("/found-otherwise/{found}/settle")
    @Operation(operationId = "settleFinding")
    List<FoundOtherwiseView> settle(@PathVariable UUID found, Principal who) {
        return open(sheets.settle(found, people.nameOf(who)));
    }
}
