package org.hiddenclerk.app.stage.planning;

import com.fasterxml.jackson.annotation.JsonView;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Prices;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.PickedBeside;
import org.hiddenclerk.core.matching.module.SchemeChooser;
import org.hiddenclerk.core.matching.module.TakingMore;
import org.hiddenclerk.core.matching.room.Placement;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.paper.Caution;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Which modules can go where, and why the others can't. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}")
@Tag(name = "match")
class MatchController {
    private final Boxes boxes;
    private final StockBook stock;
    private final HouseSettings settings;
    private final Plans plans;

    MatchController(Boxes boxes, StockBook stock, HouseSettings settings, Plans plans) {
        this.boxes = boxes;
        this.stock = stock;
        this.settings = settings;
        this.plans = plans;
    }

    /** A limit and how far it is used. */
    record MarginView(String what, BigDecimal found, BigDecimal allowed, String unit, Margin.Level level) {}

    /** A module judged. */
    record CandidateView(
            String moduleCode,
            String maker,
            String name,
            String protocol,
            SchemeCode scheme,
            String schemeLabel,
            List<Integer> gangs,
            List<Integer> loads,
            @MayBeAbsent String companionCode,
            Map<Integer, InputBehaviour> behaviours,
            @MayBeAbsent BigDecimal bypassWatts,
            @JsonView(Prices.class) @MayBeAbsent BigDecimal price,
            boolean worksWithoutInternet,
            Verdict verdict,
            List<FindingView> findings,
            List<MarginView> margins,
            @MayBeAbsent PlaceInBoxView room) {
        static CandidateView of(Candidate candidate) {
            var assignment = candidate.assignment();
            var model = assignment.model();
            return new CandidateView(
                    model.code(),
                    model.maker(),
                    model.name(),
                    model.protocol().label(),
                    candidate.scheme(),
                    candidate.scheme().label(),
                    assignment.gangs(),
                    assignment.loads(),
                    assignment.companion().map(c -> c.code()).orElse(null),
                    assignment.behaviours(),
                    assignment.bypass().map(Watts::asDecimal).orElse(null),
                    money(candidate.priceCents()),
                    model.worksWithoutInternet(),
                    candidate.verdict(),
                    candidate.findings().stream().map(FindingView::of).toList(),
                    candidate.margins().stream()
                            .map(m -> new MarginView(
                                    m.what(),
                                    m.found()
                                            .setScale(2, java.math.RoundingMode.HALF_UP)
                                            .stripTrailingZeros(),
                                    m.allowed(),
                                    m.unit(),
                                    m.level()))
                            .toList(),
                    candidate.placement().map(PlaceInBoxView::of).orElse(null));
        }
    }

    /** Where the module lies in the box, seen from the front. */
    record PlaceInBoxView(BigDecimal neededMm, List<RoundView> rounds, List<LyingView> lying) {
        static PlaceInBoxView of(Placement placement) {
            return new PlaceInBoxView(
                    placement.needed().asDecimal(),
                    placement.rounds().stream()
                            .map(r -> new RoundView(
                                    r.x().asDecimal(),
                                    r.y().asDecimal(),
                                    r.radius().asDecimal()))
                            .toList(),
                    placement.lying().stream()
                            .map(l -> new LyingView(
                                    l.x().asDecimal(),
                                    l.y().asDecimal(),
                                    l.width().asDecimal(),
                                    l.height().asDecimal(),
                                    l.from().asDecimal(),
                                    l.to().asDecimal(),
                                    l.beside()))
                            .toList());
        }
    }

    /** A round box: its centre and radius in millimetres; a box with straight sides has none. */
    record RoundView(BigDecimal x, BigDecimal y, BigDecimal radius) {}

    /** One body, in millimetres from the lower left of the box and from the wall's surface. */
    record LyingView(
            BigDecimal x,
            BigDecimal y,
            BigDecimal width,
            BigDecimal height,
            BigDecimal from,
            BigDecimal to,
            boolean beside) {}

    private static @Nullable BigDecimal money(OptionalInt cents) {
        return cents.isPresent() ? BigDecimal.valueOf(cents.getAsInt(), 2) : null;
    }

    /** All modules of the stock book, best first. */
    record MatchView(long version, List<Integer> gangs, List<CandidateView> candidates, List<FindingView> advice) {}

    /** Every scheme, those that apply first. */
    record SchemesView(long version, List<Integer> gangs, List<Integer> loads, List<OfferView> offers) {}

    /** A scheme with the module that suits it best, or with why it does not apply. */
    record OfferView(
            SchemeCode scheme,
            String label,
            boolean atLoad,
            @MayBeAbsent CandidateView best,
            @MayBeAbsent TollView toll,
            List<FindingView> reasons) {
        static OfferView of(SchemeChooser.Offer offer) {
            return new OfferView(
                    offer.scheme(),
                    offer.scheme().label(),
                    offer.scheme().isAtLoad(),
                    offer.best().map(CandidateView::of).orElse(null),
                    offer.toll().map(TollView::of).orElse(null),
                    offer.reasons().stream().map(FindingView::of).toList());
        }
    }

    /** What a scheme takes and leaves. */
    record TollView(
            int modules,
            int connectors,
            int jumpers,
            int cappedCores,
            List<String> boxes,
            int minutes,
            @JsonView(Prices.class) @MayBeAbsent BigDecimal price,
            boolean alwaysReachable,
            boolean switchesWork,
            List<String> cautions) {
        static TollView of(SchemeChooser.Toll toll) {
            return new TollView(
                    toll.modules(),
                    toll.connectors(),
                    toll.jumpers(),
                    toll.cappedCores(),
                    toll.boxes(),
                    toll.minutes(),
                    money(toll.priceCents()),
                    toll.alwaysReachable(),
                    toll.switchesWork(),
                    toll.cautions().stream().map(Caution::words).toList());
        }
    }

    /** With a scheme, modules are ranked for it; without, each by the usual scheme for its supply. */
    @GetMapping("/match")
    @Operation(operationId = "match")
    MatchView match(
            @PathVariable UUID box,
            @RequestParam(required = false) List<Integer> gangs,
            @RequestParam(required = false) List<Integer> loads,
            @RequestParam(required = false) SchemeCode scheme) {
        Boxes.Found found = boxes.find(box);
        Asked asked = asked(found, gangs, loads);
        Planner planner = new Planner(found.house(), found.run());
        PickedBeside beside = PickedBeside.of(planner, plans.pickedBeside(found, asked.gangs(), asked.loads()));
        ModuleMatch match = new ModuleMatch(planner, settings.terms(found.job()), beside);
        List<Candidate> candidates = scheme == null && asked.loads().isEmpty()
                ? match.rank(
                        asked.gangs(),
                        stock.models().stream()
                                .filter(model -> !model.channels().isEmpty())
                                .toList())
                : new SchemeChooser(planner, stock.models(), settings.terms(found.job()), beside)
                        .rank(scheme == null ? SchemeCode.SOCKET : scheme, asked.gangs(), asked.loads());
        return new MatchView(
                found.row().version(),
                asked.gangs(),
                candidates.stream().map(CandidateView::of).toList(),
                Stream.concat(
                                match.contactorAdvice(asked.gangs(), asked.loads(), stock.models()).stream(),
                                TakingMore.free(found.box()).stream())
                        .map(FindingView::of)
                        .toList());
    }

    @GetMapping("/schemes")
    @Operation(operationId = "schemes")
    SchemesView schemes(
            @PathVariable UUID box,
            @RequestParam(required = false) List<Integer> gangs,
            @RequestParam(required = false) List<Integer> loads) {
        Boxes.Found found = boxes.find(box);
        Asked asked = asked(found, gangs, loads);
        Planner planner = new Planner(found.house(), found.run());
        return new SchemesView(
                found.row().version(),
                asked.gangs(),
                asked.loads(),
                new SchemeChooser(
                                planner,
                                stock.models(),
                                settings.terms(found.job()),
                                PickedBeside.of(planner, plans.pickedBeside(found, asked.gangs(), asked.loads())))
                        .offers(asked.gangs(), asked.loads()).stream()
                                .map(OfferView::of)
                                .toList());
    }

    private record Asked(List<Integer> gangs, List<Integer> loads) {}

    private static Asked asked(Boxes.Found found, List<Integer> gangs, List<Integer> loads) {
        List<Integer> ownGangs = gangs == null ? List.of() : gangs;
        List<Integer> ownLoads = loads == null ? List.of() : loads;
        boolean known = ownGangs.stream().distinct().count() == ownGangs.size()
                && ownGangs.stream()
                        .allMatch(
                                gang -> gang >= 1 && gang <= found.box().gangs().size());
        if (!known || ownGangs.isEmpty() && ownLoads.isEmpty()) {
            throw ProblemException.content(
                    "The gangs cannot be matched",
                    new FieldProblem(
                            "#gangs",
                            ownGangs.toString(),
                            "different gangs, 1 to " + found.box().gangs().size()));
        }
        boolean hanging = ownLoads.stream().distinct().count() == ownLoads.size()
                && ownLoads.stream().allMatch(number -> found.box().loads().stream()
                        .anyMatch(l -> l.number() == number && l.hangsHere()));
        if (!hanging) {
            throw ProblemException.content(
                    "The loads cannot be matched",
                    new FieldProblem("#loads", ownLoads.toString(), "different loads that hang in this box"));
        }
        return new Asked(ownGangs, ownLoads);
    }
}
