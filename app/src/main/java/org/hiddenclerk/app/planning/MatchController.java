package org.hiddenclerk.app.planning;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.finding.FindingView;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.stock.StockBook;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.Candidate;
import org.hiddenclerk.core.matching.Margin;
import org.hiddenclerk.core.matching.ModuleMatch;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.SchemeCode;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Which modules can go where, and why the others can't. */
@RestController
@RequestMapping("/api/v1/boxes/{box}/match")
@Tag(name = "match")
class MatchController {
    private final Boxes boxes;
    private final StockBook stock;

    MatchController(Boxes boxes, StockBook stock) {
        this.boxes = boxes;
        this.stock = stock;
    }

    /** A limit and how far it is used. */
    record MarginView(String what, BigDecimal found, BigDecimal allowed, String unit, Margin.Level level) {
    }

    /** A module judged. */
    record CandidateView(String moduleCode, String maker, String name, String protocol, SchemeCode scheme,
                         String schemeLabel, List<Integer> gangs, Map<Integer, InputBehaviour> behaviours,
                         @MayBeAbsent BigDecimal bypassWatts, BigDecimal price, boolean worksWithoutInternet,
                         Verdict verdict, List<FindingView> findings, List<MarginView> margins) {
        static CandidateView of(Candidate candidate) {
            var assignment = candidate.assignment();
            var model = assignment.model();
            return new CandidateView(model.code(), model.maker(), model.name(), model.protocol().label(),
                    candidate.scheme(), candidate.scheme().label(), assignment.gangs(), assignment.behaviours(),
                    assignment.bypass().map(Watts::asDecimal).orElse(null),
                    BigDecimal.valueOf(model.priceCents(), 2), model.worksWithoutInternet(), candidate.verdict(),
                    candidate.findings().stream().map(FindingView::of).toList(),
                    candidate.margins().stream().map(m -> new MarginView(m.what(), m.found()
                            .setScale(2, java.math.RoundingMode.HALF_UP).stripTrailingZeros(), m.allowed(), m.unit(),
                            m.level())).toList());
        }
    }

    /** All modules of the stock book, best first. */
    record MatchView(long version, List<Integer> gangs, List<CandidateView> candidates) {
    }

    @GetMapping
    @Operation(operationId = "match")
    MatchView match(@PathVariable UUID box, @RequestParam List<Integer> gangs) {
        Boxes.Found found = boxes.find(box);
        boolean known = !gangs.isEmpty() && gangs.stream().distinct().count() == gangs.size()
                && gangs.stream().allMatch(gang -> gang >= 1 && gang <= found.box().gangs().size());
        if (!known) {
            throw Unusable.content("The gangs cannot be matched", new FieldProblem("#gangs", gangs.toString(),
                    "different gangs, 1 to " + found.box().gangs().size()));
        }
        return new MatchView(found.row().version(), gangs, new ModuleMatch(found.house(), found.box())
                .rank(gangs, stock.catalogue().models()).stream().map(CandidateView::of).toList());
    }
}
