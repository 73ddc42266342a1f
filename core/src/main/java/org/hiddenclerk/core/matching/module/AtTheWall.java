package org.hiddenclerk.core.matching.module;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * What a scheme does to the wall.
 *
 * @param keepsPlates  whether every mechanism and plate stays
 * @param switchesWork whether every wall switch still acts
 */
public record AtTheWall(boolean keepsPlates, boolean switchesWork) {
    /** Whether every wall switch of the loads still commands them. */
    public static boolean switchesWork(Planner planner, WiringPlan plan, Assignment assignment) {
        Set<PartId> switches = planner.switchesOf(assignment);
        Set<PartId> commanding = plan.planned().orElseThrow().intents().stream()
                .filter(Intent::remote)
                .flatMap(intent -> intent.controls().stream())
                .collect(Collectors.toCollection(HashSet::new));
        if (assignment.scheme().has(SchemeCode.Trait.LOCKED_PAIR)) {
            // What moves while a button is held is no change from on to off, which intents speak of.
            WallInput.of(plan).stream()
                    .filter(input -> input.input().behaviour().movesSomething())
                    .flatMap(input -> input.gangs().stream())
                    .map(RunWiring::switchOf)
                    .forEach(commanding::add);
        }
        return assignment.scheme().has(SchemeCode.Trait.ISOLATED_CONTACT)
                || !switches.isEmpty() && commanding.containsAll(switches);
    }
}
