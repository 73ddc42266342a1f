package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.sketch.CircuitShape;
import org.hiddenclerk.core.job.sketch.CircuitSketch;
import org.hiddenclerk.core.job.sketch.ShapeOutline;
import org.hiddenclerk.core.job.sketch.SketchedLoad;
import org.hiddenclerk.core.job.sketch.SketchedPlace;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Begins a survey with the circuit: where the feed comes in, where the lamp hangs, which switches act on it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "survey")
class SketchController {
    private static final String REFUSED = "The circuit cannot be filled in";

    private final SketchCircuit sketches;
    private final Houses houses;
    private final People people;

    SketchController(SketchCircuit sketches, Houses houses, People people) {
        this.sketches = sketches;
        this.houses = houses;
        this.people = people;
    }

    /**
     * A circuit that one meets.
     *
     * @param places        without switches between
     * @param placesByBetween with none, one, two … switches between
     * @param cables        between places, by their keys
     * @param fedAt         where the feed comes in; empty where it comes down from a lamp that is not opened
     * @param loadsAt       where loads hang, or where their cable leaves
     * @param mostBetween   how many intermediate switches may stand before the last place that is a switch
     * @param neutralMayLack whether the neutral may lie elsewhere
     */
    record CircuitShapeView(
            CircuitShape shape,
            String words,
            List<SketchedPlaceView> places,
            List<List<SketchedPlaceView>> placesByBetween,
            List<ShapeOutline.Link> cables,
            List<String> fedAt,
            List<String> loadsAt,
            int mostBetween,
            int leastLoads,
            int mostLoads,
            boolean neutralMayLack) {
        static CircuitShapeView of(CircuitShape shape) {
            ShapeOutline outline = ShapeOutline.of(shape);
            return new CircuitShapeView(
                    shape,
                    shape.words(),
                    placesOf(shape, 0),
                    IntStream.rangeClosed(0, shape.mostBetween())
                            .mapToObj(between -> placesOf(shape, between))
                            .toList(),
                    outline.links(),
                    outline.fedAt(),
                    outline.loadsAt(),
                    shape.mostBetween(),
                    shape.leastLoads(),
                    shape.mostLoads(),
                    shape.has(CircuitShape.Trait.NEUTRAL_MAY_LACK));
        }
    }

    private static List<SketchedPlaceView> placesOf(CircuitShape shape, int between) {
        return shape.places(between).stream().map(SketchedPlaceView::of).toList();
    }

    record SketchedPlaceView(String key, BoxKind kind, String words) {
        static SketchedPlaceView of(SketchedPlace place) {
            return new SketchedPlaceView(place.key(), place.kind(), place.words());
        }
    }

    /** What the circuit feeds, as typed. */
    record LoadWish(@NotBlank @Size(max = 120) String name, @NotBlank @Size(max = 200) String typed) {}

    /** A box that is there already with the version that was seen, or the room and label of a new one. */
    record PlaceWish(
            @MayBeAbsent UUID box,
            @MayBeAbsent Long version,
            @MayBeAbsent UUID room,
            @MayBeAbsent @Size(min = 1, max = 40) String label,
            @NotBlank @Size(max = 100) String switchName) {}

    /** A circuit as a person tells it. */
    record CircuitWish(
            @NotNull CircuitShape shape,
            @NotBlank String circuit,
            @MayBeAbsent ColourEra era,
            boolean neutral,
            @Min(0) @Max(4) int between,
            @NotNull @Size(min = 1, max = 6) List<@Valid @NotNull LoadWish> loads,
            @NotNull @Size(min = 1, max = 8) List<@Valid @NotNull PlaceWish> places) {}

    /** The boxes that were filled, in the order of the places. */
    record FilledBoxes(List<UUID> boxes) {}

    @GetMapping("/circuit-shapes")
    @Needs(Right.FACTS)
    @Operation(operationId = "circuitShapes", summary = "Circuits that one meets, with their places")
    List<CircuitShapeView> shapes() {
        return Arrays.stream(CircuitShape.values()).map(CircuitShapeView::of).toList();
    }

    @PostMapping("/jobs/{job}/circuit-sketch")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            operationId = "sketchCircuit",
            summary = "Fills boxes with a circuit as it usually is; every cable waits until somebody has looked at it")
    FilledBoxes sketch(@PathVariable UUID job, @Valid @RequestBody CircuitWish wish, Principal who) {
        return new FilledBoxes(sketches.keep(job, sketch(wish, houses.context(job)), where(wish), people.nameOf(who)));
    }

    private static CircuitSketch sketch(CircuitWish wish, HouseContext house) {
        CircuitId circuit = new CircuitId(wish.circuit());
        if (!house.circuits().containsKey(circuit)) {
            throw ProblemException.content(
                    REFUSED, new FieldProblem("/circuit", wish.circuit(), "a circuit of this job"));
        }
        ColourEra era = Optional.ofNullable(wish.era()).orElse(ColourEra.now(house.region()));
        if (era.region() != house.region()) {
            throw ProblemException.content(
                    REFUSED,
                    new FieldProblem(
                            "/era",
                            era.label(),
                            ColourEra.of(house.region()).stream()
                                    .map(ColourEra::label)
                                    .collect(Collectors.joining(" or "))));
        }
        try {
            return new CircuitSketch(wish.shape(), circuit, era, wish.neutral(), wish.between(), loads(wish));
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    REFUSED, new FieldProblem("/shape", wish.shape().words(), String.valueOf(e.getMessage())));
        }
    }

    private static List<SketchedLoad> loads(CircuitWish wish) {
        List<SketchedLoad> loads = new ArrayList<>();
        for (int i = 0; i < wish.loads().size(); i++) {
            LoadWish load = wish.loads().get(i);
            LoadText.Outcome outcome = LoadText.read(load.typed());
            if (outcome instanceof LoadText.NotUnderstood not) {
                throw ProblemException.content(
                        REFUSED, new FieldProblem("/loads/" + i + "/typed", not.found(), not.expected()));
            }
            loads.add(new SketchedLoad(
                    load.name().strip(), load.typed().strip(), ((LoadText.Understood) outcome).banks()));
        }
        return loads;
    }

    private static List<SketchCircuit.Where> where(CircuitWish wish) {
        return IntStream.range(0, wish.places().size())
                .mapToObj(i -> {
                    PlaceWish place = wish.places().get(i);
                    if (place.box() == null && place.label() == null) {
                        throw ProblemException.content(
                                REFUSED,
                                new FieldProblem("/places/" + i + "/label", "no label", "the label of a new box"));
                    }
                    return new SketchCircuit.Where(
                            Optional.ofNullable(place.box()),
                            place.version() == null ? 0 : place.version(),
                            Optional.ofNullable(place.room()),
                            place.label() == null ? "" : place.label().strip(),
                            place.switchName().strip());
                })
                .toList();
    }
}
