package org.hiddenclerk.app.job.house;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.JobsOfCallers;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.LoadWords;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.StandardBox;
import org.hiddenclerk.core.quantity.WireGauge;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Jobs, rooms and circuits. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "house")
class HouseController {
    private final Houses houses;
    private final OpenHouse openHouse;
    private final JobsOfCallers visible;

    HouseController(Houses houses, OpenHouse openHouse, JobsOfCallers visible) {
        this.houses = houses;
        this.openHouse = openHouse;
        this.visible = visible;
    }

    record JobEntry(UUID id, String name, String place, String regionLabel, long boxes) {}

    record NewJob(
            @NotBlank @Size(max = 120) String name,
            @NotNull @Size(max = 200) String place,
            @NotNull RegionProfile region) {}

    record NewRoom(@NotBlank @Size(max = 120) String name, @NotBlank @Size(max = 60) String storey) {}

    /** The id of what was made. */
    record Made(UUID id) {}

    /** A region that a job can be in. */
    record RegionView(
            RegionProfile region,
            String label,
            List<StandardBoxView> boxes,
            List<EraView> eras,
            List<WireGauge.GaugeSize> gauges) {
        static RegionView of(RegionProfile region) {
            return new RegionView(
                    region,
                    region.label(),
                    StandardBox.of(region).stream()
                            .map(box -> new StandardBoxView(
                                    box.name(),
                                    box.geometry().width().asDecimal(),
                                    box.geometry().height().asDecimal(),
                                    box.geometry().depth().asDecimal(),
                                    box.geometry().metal(),
                                    box.geometry().markedCubicInches().orElse(null),
                                    box.geometry().round(),
                                    box.source().text()))
                            .toList(),
                    ColourEra.of(region).stream()
                            .map(era ->
                                    new EraView(era, era.label(), era.source().text()))
                            .toList(),
                    WireGauge.sizes());
        }
    }

    /** Colours of fixed wiring at a time. */
    record EraView(ColourEra era, String label, String source) {}

    /** A box as it is sold. */
    record StandardBoxView(
            String name,
            BigDecimal widthMm,
            BigDecimal heightMm,
            BigDecimal depthMm,
            boolean metal,
            @MayBeAbsent BigDecimal markedCubicInches,
            boolean round,
            String source) {}

    /**
     * Loads as they were typed: what they come to, or where they stop making sense.
     *
     * @param taken what a word left open and was taken for something, in sentences
     */
    record TypedLoads(
            @MayBeAbsent String words,
            @MayBeAbsent BigDecimal totalWatts,
            List<String> taken,
            @MayBeAbsent FieldProblem problem) {}

    /** A word for a load. */
    record LoadWordView(String word, String kind) {}

    @GetMapping("/jobs")
    @Needs(Right.LISTS)
    @Operation(operationId = "jobs")
    List<JobEntry> jobs(Principal who) {
        Optional<Set<UUID>> theirs = visible.visibleTo(who);
        return openHouse.dayBook().stream()
                .filter(entry ->
                        theirs.map(jobs -> jobs.contains(entry.job().id())).orElse(true))
                .map(entry -> new JobEntry(
                        entry.job().id(),
                        entry.job().name(),
                        entry.job().place(),
                        entry.job().region().label(),
                        entry.boxes()))
                .toList();
    }

    @GetMapping("/regions")
    @Needs(Right.FACTS)
    @Operation(operationId = "regions")
    List<RegionView> regions() {
        return java.util.Arrays.stream(RegionProfile.values())
                .map(RegionView::of)
                .toList();
    }

    @PostMapping("/jobs")
    @ResponseStatus(HttpStatus.CREATED)
    @Needs(Right.LEAD)
    @Operation(operationId = "addJob")
    Made addJob(@Valid @RequestBody NewJob job) {
        return new Made(openHouse.job(job.name().strip(), job.place().strip(), job.region()));
    }

    @PostMapping("/jobs/{job}/rooms")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addRoom")
    Made addRoom(@PathVariable UUID job, @Valid @RequestBody NewRoom room) {
        return new Made(openHouse.room(
                houses.job(job).id(), room.name().strip(), room.storey().strip()));
    }

    /** @param was what the room was called when somebody decided that */
    record RoomName(
            @NotBlank @Size(max = 80) String was,
            @NotBlank @Size(max = 80) String name,
            @MayBeAbsent @Size(min = 1, max = 60) String storey) {}

    @PutMapping("/rooms/{room}")
    @Operation(
            operationId = "renameRoom",
            summary = "Calls a room otherwise; modules keep their names until they are renamed")
    Made renameRoom(@PathVariable UUID room, @Valid @RequestBody RoomName renamed) {
        return new Made(openHouse.renameRoom(
                room,
                renamed.was(),
                renamed.name().strip(),
                Optional.ofNullable(renamed.storey()).map(String::strip)));
    }

    @DeleteMapping("/rooms/{room}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeRoom", summary = "Takes a room away in which no box is")
    void removeRoom(@PathVariable UUID room, @RequestParam long version) {
        openHouse.removeRoom(room, version);
    }

    @PostMapping("/jobs/{job}/circuits")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addCircuit")
    Made addCircuit(@PathVariable UUID job, @Valid @RequestBody NewCircuit circuit) {
        JobRow row = houses.job(job);
        return new Made(openHouse.circuit(row.id(), circuit.in(row.region(), "")));
    }

    @GetMapping("/loads/read")
    @Needs(Right.FACTS)
    @Operation(operationId = "readLoads", summary = "What a typed load means, for instance 3x2 LED 7")
    TypedLoads readLoads(@RequestParam @Size(max = 200) String text) {
        LoadText.Outcome outcome = LoadText.read(text);
        if (outcome instanceof LoadText.NotUnderstood not) {
            return new TypedLoads(
                    null,
                    null,
                    List.of(),
                    new FieldProblem("#text", not.found() + " (column " + (not.column() + 1) + ")", not.expected()));
        }
        LoadText.Understood understood = (LoadText.Understood) outcome;
        return new TypedLoads(understood.words(), understood.total().asDecimal(), understood.taken(), null);
    }

    @GetMapping("/loads/kinds")
    @Needs(Right.FACTS)
    @Operation(
            operationId = "loadWords",
            summary = "Words for loads that are understood, with the kind that each means")
    List<LoadWordView> loadWords() {
        return LoadWords.all().entrySet().stream()
                .map(word -> new LoadWordView(word.getKey(), word.getValue().label()))
                .toList();
    }
}
