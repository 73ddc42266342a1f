package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;

/** The wall switch, or the chain of them, feeds the module at the lamp. It works, and off at the wall means unreachable. */
final class SwitchUpstream implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.SWITCH_UPSTREAM;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        return new Obstacles(site)
                .gangsWithLoads()
                .mainsCircuit()
                .mainsModule()
                .lampPlaces()
                .notFor(site.positions().size() > 1, site.positions().get(0).subject(), "One switch feeds one module.")
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return site.lampPlaces().stream()
                .<Consumer<PlanDraft>>map(place -> draft -> apply(site, place, draft))
                .toList();
    }

    private static void apply(Site site, Place place, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        Net fed = Net.fed("switch");
        ModuleWork work = ModuleWork.fit(draft, place, site.model());
        work.supply(fed, draft.back(position.circuit()));
        ModuleWork.lampPoles(draft.found(), position).forEach(pole -> {
            draft.lift(pole.place(), pole.end());
            draft.put(fed, pole.place(), pole.end());
        });
        position.loads().forEach(load -> draft.prefer(fed, load.place(), new End.AtLoad(load.number(), "L")));
        work.output(site.model().channels().get(0), position.loads());
        position.loads().forEach(load -> draft.want(load, List.of(), true));
    }
}
