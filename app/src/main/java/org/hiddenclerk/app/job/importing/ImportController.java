package org.hiddenclerk.app.job.importing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Circuits and boxes from tables. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/import")
@Tag(name = "house")
class ImportController {
    private final HouseImport houseImport;
    private final People people;

    ImportController(HouseImport houseImport, People people) {
        this.houseImport = houseImport;
        this.people = people;
    }

    /** Comma- or semicolon-separated values. */
    record Table(@NotBlank @Size(max = 1_000_000) String csv) {}

    @PostMapping("/circuits")
    @Operation(
            operationId = "importCircuits",
            summary = "Circuits from a table: all or none; without apply it is only tried")
    CsvTable.ImportReport circuits(
            @PathVariable UUID job,
            @Valid @RequestBody Table table,
            @RequestParam(defaultValue = "false") boolean apply) {
        return houseImport.circuits(job, table.csv(), apply);
    }

    @PostMapping("/boxes")
    @Operation(operationId = "importBoxes", summary = "Boxes from a table: all or none; without apply it is only tried")
    CsvTable.ImportReport boxes(
            @PathVariable UUID job,
            @Valid @RequestBody Table table,
            @RequestParam(defaultValue = "false") boolean apply,
            Principal who) {
        return houseImport.boxes(job, table.csv(), people.nameOf(who), apply);
    }
}
