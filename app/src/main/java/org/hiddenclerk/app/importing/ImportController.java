package org.hiddenclerk.app.importing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.UUID;
import org.hiddenclerk.app.accounts.People;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Circuits and boxes from tables. */
@RestController
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
    record Table(@NotBlank @Size(max = 1_000_000) String csv) {
    }

    @PostMapping("/circuits")
    @Operation(operationId = "importCircuits")
    CsvTable.ImportReport circuits(@PathVariable UUID job, @Valid @RequestBody Table table) {
        return houseImport.circuits(job, table.csv());
    }

    @PostMapping("/boxes")
    @Operation(operationId = "importBoxes")
    CsvTable.ImportReport boxes(@PathVariable UUID job, @Valid @RequestBody Table table, Principal who) {
        return houseImport.boxes(job, table.csv(), people.nameOf(who));
    }
}
