package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** A way to put a module into an existing circuit: when it applies, and what it does to the wiring. */
public interface Scheme {

    SchemeCode code();

    /** Why it does not apply here with this module; empty when it does, as far as can be said before ways are looked for. */
    List<Finding> obstacles(Site site);

    /**
     * The ways of doing it, best first; more than one where a choice is open that only the conductors decide. Only asked
     * when there are no {@link #obstacles}.
     */
    List<Consumer<PlanDraft>> variants(Site site);
}
