package org.hiddenclerk.app.stage.survey;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.IntStream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CableTemplate;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Drafts a usual cable for a survey that is being typed. Nothing is kept. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/cable-draft")
@Tag(name = "survey")
class CableDraftController {
    private final Houses houses;

    CableDraftController(Houses houses) {
        this.houses = houses;
    }

    /**
     * The survey so far, where the cable goes and which other loads hang there too, whether its cores lie singly in
     * conduit, and the colours of which time.
     */
    record CableWish(
            @NotNull @Valid SurveyDocument survey,
            @NotNull SurveyDocument.LeadsTo leadsTo,
            @MayBeAbsent String circuit,
            @MayBeAbsent Integer load,
            @MayBeAbsent @Size(max = 5) List<@NotNull Integer> others,
            @MayBeAbsent Boolean singles,
            @MayBeAbsent ColourEra era) {}

    record CableDraft(List<SurveyDocument.CableEntry> cables, List<SurveyDocument.JumperEntry> jumpers) {}

    @PostMapping
    @Operation(operationId = "draftCable")
    CableDraft draft(@PathVariable UUID job, @Valid @RequestBody CableWish wish) {
        HouseContext house = houses.context(job);
        Box box = SurveyReader.read(wish.survey(), house);
        CableTemplate template = new CableTemplate(era(wish, house), box);
        CableTemplate.Draft draft =
                switch (wish.leadsTo()) {
                    case SUPPLY -> template.feed(circuit(wish, house));
                    case LOAD -> template.shared(template.toLoad(load(wish, box)), others(wish, box));
                    case LOAD_WITH_FEED -> template.shared(template.loop(load(wish, box)), others(wish, box));
                    case BOX -> template.toBox();
                };
        List<Cable> cables =
                Boolean.TRUE.equals(wish.singles()) ? template.asSingles(draft.cable()) : List.of(draft.cable());
        return new CableDraft(
                cables.stream().map(SurveyMapping::entry).toList(),
                draft.jumpers().stream().map(SurveyMapping::entry).toList());
    }

    private static ColourEra era(CableWish wish, HouseContext house) {
        if (wish.era() == null) {
            return ColourEra.now(house.region());
        }
        if (wish.era().region() != house.region()) {
            throw ProblemException.content(
                    "The cable cannot be drafted",
                    new FieldProblem("/era", wish.era().name(), "one of " + ColourEra.of(house.region())));
        }
        return wish.era();
    }

    private static CircuitId circuit(CableWish wish, HouseContext house) {
        CircuitId circuit = new CircuitId(String.valueOf(wish.circuit()));
        if (!house.circuits().containsKey(circuit)) {
            throw ProblemException.content(
                    "The cable cannot be drafted",
                    new FieldProblem("/circuit", circuit.value(), "a circuit of this job"));
        }
        return circuit;
    }

    private static int load(CableWish wish, Box box) {
        return elsewhere("/load", wish.load(), box);
    }

    private static List<Integer> others(CableWish wish, Box box) {
        List<Integer> others = wish.others() == null ? List.of() : wish.others();
        if (!others.isEmpty() && Boolean.TRUE.equals(wish.singles())) {
            throw ProblemException.content(
                    "The cable cannot be drafted",
                    new FieldProblem(
                            "/others", others.toString(), "none where cores lie singly: each leads to its own load"));
        }
        return IntStream.range(0, others.size())
                .mapToObj(i -> elsewhere("/others/" + i, others.get(i), box))
                .toList();
    }

    private static int elsewhere(String at, @Nullable Integer number, Box box) {
        return box.loads().stream()
                .filter(load -> Objects.equals(load.number(), number) && !load.hangsHere())
                .findFirst()
                .orElseThrow(() -> ProblemException.content(
                        "The cable cannot be drafted",
                        new FieldProblem(at, String.valueOf(number), "a load of this box that hangs elsewhere")))
                .number();
    }
}
