package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;

/** Live to L, neutral to N, lamp wire to the output, one switch pole to the input, the other to its reference. */
final class BehindSwitchWithNeutral implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.BEHIND_SWITCH_N;
    }

    @Override
    public List<Finding> obstacles(Box box, Assignment assignment) {
        List<Finding> obstacles = new ArrayList<>(BehindSwitch.obstacles(box, assignment));
        if (!(assignment.model().supply() instanceof ModuleSupply.LineNeutral)) {
            obstacles.add(Finding.of(FindingCode.SUPPLY_NOT_MAINS, assignment.model().code(),
                    assignment.model().code() + " is powered from extra-low voltage; this box has mains only.",
                    Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a mains module")));
            return obstacles;
        }
        CircuitId circuit = box.gang(assignment.gangs().get(0)).circuit();
        if (new SwitchPoles(box).neutrals(circuit).isEmpty()) {
            obstacles.add(Finding.of(FindingCode.NEUTRAL_ABSENT, "circuit " + circuit,
                    "No neutral of circuit " + circuit + " reaches this box. A neutral of another circuit, or earth, "
                            + "must never take its place.", Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module that needs no neutral"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp, where the neutral is")));
        }
        return obstacles;
    }

    @Override
    public void apply(PlanInProgress plan, int module, Assignment assignment) {
        ModuleSupply supply = assignment.model().supply();
        CircuitId circuit = plan.box().gang(assignment.gangs().get(0)).circuit();
        plan.onLive(circuit, new End.AtModule(module, supply.livePin()));
        plan.onNeutral(circuit, new End.AtModule(module, supply.returnPin()));
        for (int i = 0; i < assignment.gangs().size(); i++) {
            Gang gang = plan.box().gang(assignment.gangs().get(i));
            plan.output(gang, new End.AtModule(module, assignment.model().channels().get(i).to()));
            plan.input(gang, module, assignment.model().inputs().get(i));
        }
    }
}
