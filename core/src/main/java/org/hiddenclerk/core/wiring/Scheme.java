package org.hiddenclerk.core.wiring;

import java.util.List;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.job.Box;

/** A way to put a module into an existing circuit: when it applies, and what it does to the wiring. */
public interface Scheme {

    SchemeCode code();

    /** Why it does not apply to these gangs with this module; empty when it does. */
    List<Finding> obstacles(Box box, Assignment assignment);

    /**
     * Adds the module to the plan. Only asked when there are no {@link #obstacles}.
     *
     * @param plan where conductors are placed
     */
    void apply(PlanInProgress plan, int module, Assignment assignment);

    /** The scheme that suits a module's supply, for a switch box. */
    static Scheme behindSwitch(Assignment assignment) {
        return assignment.model().supply() instanceof ModuleSupply.TwoWire
                ? new BehindSwitchWithoutNeutral() : new BehindSwitchWithNeutral();
    }
}
