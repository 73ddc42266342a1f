package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.UUID;
import org.hiddenclerk.app.job.house.NewCircuit;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Circuits and boxes that are put right or taken away. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "survey")
class PutRightController {
    private final PutRight putRight;
    private final People people;

    PutRightController(PutRight putRight, People people) {
        this.putRight = putRight;
        this.people = people;
    }

    /** A circuit as it is to be, and the version it was changed on. */
    record CircuitChange(long version, @NotNull @Valid NewCircuit circuit) {}

    /** Where a box is to be, and the version it was moved on. */
    record BoxMove(long version, @NotNull UUID room) {}

    @PutMapping("/circuits/{circuit}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "changeCircuit", summary = "Changes a circuit; plans of its boxes are open again")
    void changeCircuit(@PathVariable UUID circuit, @Valid @RequestBody CircuitChange change, Principal who) {
        putRight.circuit(circuit, change.version(), change.circuit(), people.nameOf(who));
    }

    @DeleteMapping("/circuits/{circuit}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeCircuit", summary = "Takes a circuit away that is in no box")
    void removeCircuit(@PathVariable UUID circuit, @RequestParam long version) {
        putRight.withoutCircuit(circuit, version);
    }

    @DeleteMapping("/boxes/{box}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeBox", summary = "Takes a box away in which nothing was done yet")
    void removeBox(@PathVariable UUID box, @RequestParam long version, Principal who) {
        putRight.withoutBox(box, version, people.nameOf(who));
    }

    @PostMapping("/boxes/{box}/put-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "putBoxBack", summary = "Puts a box back that was taken away")
    void putBoxBack(@PathVariable UUID box, Principal who) {
        putRight.putBack(box, people.nameOf(who));
    }

    @PutMapping("/boxes/{box}/room")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "moveBox", summary = "Puts a box into another room")
    void moveBox(@PathVariable UUID box, @Valid @RequestBody BoxMove move, Principal who) {
        putRight.room(box, move.version(), move.room(), people.nameOf(who));
    }
}
