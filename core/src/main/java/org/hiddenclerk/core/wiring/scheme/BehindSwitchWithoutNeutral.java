package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/**
 * Two-wire: live to L, lamp wire to the output, the switch across the input; a bypass at the lamp where it is needed. Several
 * switches of one lamp are read as the one contact that they make wired to each other as found.
 */
final class BehindSwitchWithoutNeutral implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.BEHIND_SWITCH_NO_N;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        return new Obstacles(site)
                .gangsWithLoads()
                .inputs()
                .contacts()
                .oneCircuit()
                .readAsOne()
                .mainsCircuit()
                .liveAt(site.lead())
                .notFor(
                        !(site.model().supply() instanceof ModuleSupply.TwoWire)
                                || site.model().isSender(),
                        site.modelSubject(),
                        Sentence.of(
                                "{0} needs a neutral, or has no contact.",
                                site.model().code()))
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> {
            ModuleWork.behindItsSwitches(draft, site);
            site.assignment().bypass().ifPresent(watts -> site.positions()
                    .forEach(position ->
                            position.loads().stream().findFirst().ifPresent(load -> draft.bypass(load, watts))));
        });
    }
}
