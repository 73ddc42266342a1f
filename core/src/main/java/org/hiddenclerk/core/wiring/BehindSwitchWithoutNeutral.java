package org.hiddenclerk.core.wiring;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;

/** Two-wire: live to L, lamp wire to the output, the switch across the input; a bypass at the lamp where it is needed. */
final class BehindSwitchWithoutNeutral implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.BEHIND_SWITCH_NO_N;
    }

    @Override
    public List<Finding> obstacles(Box box, Assignment assignment) {
        return BehindSwitch.obstacles(box, assignment);
    }

    @Override
    public void apply(PlanInProgress plan, int module, Assignment assignment) {
        Gang first = plan.box().gang(assignment.gangs().get(0));
        plan.onLive(first.circuit(), new End.AtModule(module, assignment.model().supply().livePin()));
        for (int i = 0; i < assignment.gangs().size(); i++) {
            Gang gang = plan.box().gang(assignment.gangs().get(i));
            plan.output(gang, new End.AtModule(module, assignment.model().channels().get(i).to()));
            plan.input(gang, module, assignment.model().inputs().get(i));
            assignment.bypass().ifPresent(watts -> plan.box().loadsOf(gang.number()).stream().findFirst()
                    .ifPresent(load -> plan.bypass(load.number(), watts)));
        }
    }
}
