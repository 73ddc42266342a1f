package org.hiddenclerk.app.stage.planning;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.IssuedWork;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Plans that were issued, and the surveys that they rest on. */
@Component
class IssuedPlans implements IssuedWork {
    private final Plans plans;

    IssuedPlans(Plans plans) {
        this.plans = plans;
    }

    @Override
    @Transactional(readOnly = true)
    public boolean speaksOf(UUID job, UUID circuit) {
        return plans.issuedIn(job).stream()
                .anyMatch(plan -> (plan.survey() + plan.neighbours()).contains(circuit.toString()));
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> restingOn(Boxes.Found found) {
        Map<UUID, IssuedPlanRow> last = plans.lastIssuedByBox(found.job());
        return Stream.concat(
                        Stream.of(found.row()),
                        found.neighbours().values().stream().map(Boxes.Neighbour::row))
                .filter(row -> last.containsKey(row.id()))
                .filter(row -> plans.isCurrent(last.get(row.id()), found))
                .map(BoxRow::label)
                .sorted()
                .toList();
    }
}
