package org.hiddenclerk.core.matching.module;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.Placement;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * One module judged for some gangs.
 *
 * @param findings all reasons, gravest first
 * @param margins  all margins, tightest kinds first as the rules come
 * @param plan     the wiring it comes to
 * @param placement where it lies in the lead box, when it goes in there
 */
public record Candidate(
        Assignment assignment,
        List<Finding> findings,
        List<Margin> margins,
        WiringPlan plan,
        Optional<Placement> placement) {
    public Candidate {
        findings = List.copyOf(findings);
        margins = List.copyOf(margins);
    }

    public SchemeCode scheme() {
        return assignment.scheme();
    }

    /**
     * What all modules that go in cost, in hundredths; of the module alone while nothing is drawn. Empty where the
     * price of one is unknown.
     */
    public OptionalInt priceCents() {
        List<ModuleModel> models = plan.planned()
                .map(planned -> planned.added().stream().map(Fitted::model).toList())
                .orElse(scheme().has(SchemeCode.Trait.IN_PLACE) ? List.of() : List.of(assignment.model()));
        boolean known = models.stream().allMatch(model -> model.priceCents().isPresent());
        return known
                ? OptionalInt.of(models.stream()
                        .mapToInt(model -> model.priceCents().orElseThrow())
                        .sum())
                : OptionalInt.empty();
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }
}
