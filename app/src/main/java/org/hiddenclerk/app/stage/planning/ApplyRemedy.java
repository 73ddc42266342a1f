package org.hiddenclerk.app.stage.planning;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.stock.AccessoryDocument;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes a plan the way a remedy says, with the smallest part of the stock book after which the finding is gone. */
@Service
class ApplyRemedy {
    private final Boxes boxes;
    private final Plans plans;
    private final StockBook stock;

    ApplyRemedy(Boxes boxes, Plans plans, StockBook stock) {
        this.boxes = boxes;
        this.plans = plans;
        this.stock = stock;
    }

    /** @throws ProblemException when there is no such finding, or nothing in the stock book makes it go away */
    @Transactional
    void apply(UUID box, long version, FindingCode code, String subject, Remedy.Kind kind, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        Predicate<Finding> same = f -> f.code() == code && f.subject().key().equals(subject);
        if (plans.judge(found).findings().stream().filter(same).noneMatch(f -> f.remedies().stream()
                .anyMatch(r -> r.kind() == kind))) {
            throw ProblemException.content(
                    "There is nothing to mend",
                    new FieldProblem(
                            "/code", code + " at " + subject, "a finding of the plan as it is now, with this remedy"));
        }
        List<PickEntry> picks = Picks.fromRows(found.picks());
        List<PickEntry> mended = ways(kind, picks).stream()
                .filter(way -> plans.judge(found, way).findings().stream().noneMatch(same))
                .findFirst()
                .orElseThrow(() -> ProblemException.content(
                        "Nothing in the stock book mends it",
                        new FieldProblem(
                                "/kind",
                                kind.name(),
                                kind == Remedy.Kind.DEEPER_BOX
                                        ? "a spacer that is high enough; take a thinner module or work at the lamp"
                                        : "a bypass that is large enough; take a module that uses the neutral")));
        plans.choose(box, version, mended, who);
    }

    /** The picks changed in every way that the stock book has, the smallest part first. */
    private List<List<PickEntry>> ways(Remedy.Kind kind, List<PickEntry> picks) {
        List<List<PickEntry>> ways = new ArrayList<>();
        if (kind == Remedy.Kind.DEEPER_BOX) {
            sizes(AccessoryDocument.Kind.SPACER, a -> Optional.ofNullable(a.spacerMm()))
                    .forEach(mm -> ways.add(
                            picks.stream().map(pick -> pick.withSpacer(mm)).toList()));
        } else if (kind == Remedy.Kind.ADD_BYPASS) {
            for (int watts : sizes(AccessoryDocument.Kind.BYPASS, a -> Optional.ofNullable(a.watts()))) {
                for (PickEntry pick : picks) {
                    ways.add(picks.stream()
                            .map(other -> other == pick ? pick.withBypass(BigDecimal.valueOf(watts)) : other)
                            .toList());
                }
            }
        }
        return ways;
    }

    private List<Integer> sizes(
            AccessoryDocument.Kind kind, java.util.function.Function<AccessoryDocument, Optional<Integer>> size) {
        return stock.accessories().stream()
                .filter(a -> a.kind() == kind)
                .flatMap(a -> size.apply(a).stream())
                .distinct()
                .sorted()
                .toList();
    }
}
