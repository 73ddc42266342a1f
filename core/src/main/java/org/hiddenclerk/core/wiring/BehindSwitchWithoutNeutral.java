package org.hiddenclerk.core.wiring;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;

/** Two-wire: live to L, lamp wire to the output, the switch across the input; a bypass at the lamp where it is needed. */
final class BehindSwitchWithoutNeutral implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.BEHIND_SWITCH_NO_N;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        return new Obstacles(site).gangsWithLoads().inputs().contacts().oneCircuit().singleSwitch().mainsCircuit()
                .liveAt(site.lead())
                .notFor(!(site.model().supply() instanceof ModuleSupply.TwoWire) || site.model().isSender(),
                        site.model().code(), site.model().code() + " needs a neutral, or has no contact.").list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> apply(site, draft));
    }

    private static void apply(Site site, PlanDraft draft) {
        ModuleModel model = site.model();
        ModuleWork work = ModuleWork.fit(draft, site.lead(), model);
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            Site.Position position = positions.get(i);
            work.output(model.channels().get(i), position.loads());
            work.input(model.inputs().get(i), position.gang().orElseThrow(), position.circuit(), site.behaviour(position));
            site.assignment().bypass().ifPresent(watts -> position.loads().stream().findFirst()
                    .ifPresent(load -> draft.bypass(load, watts)));
            position.loads().forEach(load -> draft.want(load, position.controls(), true));
        }
    }
}
