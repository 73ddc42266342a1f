package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.Wiring;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;

/**
 * The planned wiring of a box, drawn and proved.
 *
 * @param before   as surveyed
 * @param after    as planned; empty when an obstacle stands in the way or nothing has been chosen
 * @param wiring   electrical wiring of {@code after}, or of {@code before} where there is no plan
 * @param proof    what every switching state of {@code wiring} shows
 * @param findings obstacles, findings of the proof and of the terminals
 */
public record WiringPlan(BoxWiring before, Optional<BoxWiring> after, Wiring wiring, WiringCheck.Result proof,
                         List<Finding> findings) {
    public WiringPlan {
        findings = List.copyOf(findings);
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }

    /** The wiring as found, without any module. */
    public static WiringPlan surveyed(HouseContext house, Box box) {
        BoxWiring before = BoxWiring.surveyed(box);
        Wiring wiring = new Netlisting(before, house.region(), house.circuits()).wiring();
        WiringCheck.Result proof = WiringCheck.of(wiring);
        return new WiringPlan(before, Optional.empty(), wiring, proof, proof.findings());
    }

    /**
     * Plans modules into a box.
     *
     * @param modules at least one; each gang at most once
     */
    public static WiringPlan of(HouseContext house, Box box, List<Assignment> modules) {
        requireEachGangOnce(modules);
        List<Finding> obstacles = new ArrayList<>();
        modules.forEach(module -> obstacles.addAll(Scheme.behindSwitch(module).obstacles(box, module)));
        if (!obstacles.isEmpty()) {
            WiringPlan found = surveyed(house, box);
            obstacles.sort(Finding.ORDER);
            return new WiringPlan(found.before(), Optional.empty(), found.wiring(), found.proof(), obstacles);
        }
        BoxWiring before = BoxWiring.surveyed(box);
        PlanInProgress plan = new PlanInProgress(before, house.region(), modules);
        for (int i = 0; i < modules.size(); i++) {
            Scheme.behindSwitch(modules.get(i)).apply(plan, i + 1, modules.get(i));
        }
        BoxWiring after = plan.finish();
        Wiring wiring = new Netlisting(after, house.region(), house.circuits()).wiring();
        WiringCheck.Result proof = WiringCheck.of(wiring);
        List<Finding> findings = new ArrayList<>(proof.findings());
        findings.addAll(crowdedTerminals(after));
        findings.sort(Finding.ORDER);
        return new WiringPlan(before, Optional.of(after), wiring, proof, findings);
    }

    private static void requireEachGangOnce(List<Assignment> modules) {
        Set<Integer> seen = new HashSet<>();
        for (Assignment module : modules) {
            for (int gang : module.gangs()) {
                if (!seen.add(gang)) {
                    throw new IllegalArgumentException("Gang " + gang + " must be given to one module only.");
                }
            }
        }
    }

    private static List<Finding> crowdedTerminals(BoxWiring after) {
        List<Finding> crowded = new ArrayList<>();
        for (End place : after.places()) {
            int holds = after.attachedAt(place).size();
            int takes;
            if (place instanceof End.AtModule terminal) {
                takes = after.modules().get(terminal.module() - 1).model().terminal(terminal.terminal()).takes();
            } else if (place instanceof End.AtMechanism) {
                takes = Netting.MECHANISM_TERMINAL_TAKES;
            } else {
                continue;
            }
            if (holds > takes) {
                crowded.add(Finding.of(FindingCode.TOO_MANY_IN_TERMINAL, place.words(),
                        place.words() + " holds " + holds + " conductors; it takes " + takes + ".",
                        Source.COMMON_PRACTICE, new Remedy(Remedy.Kind.ADD_CONNECTOR, "put a connector in between")));
            }
        }
        return crowded;
    }
}
