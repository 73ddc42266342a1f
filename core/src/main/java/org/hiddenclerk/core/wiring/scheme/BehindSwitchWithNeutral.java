package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** Live to L, neutral to N, lamp wire to the output, one switch pole to the input, the other to its reference. */
class BehindSwitchWithNeutral implements Scheme {
    private final SchemeCode code;

    BehindSwitchWithNeutral(SchemeCode code) {
        this.code = code;
    }

    @Override
    public SchemeCode code() {
        return code;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        return new Obstacles(site)
                .aSwitchForEachOnMains()
                .liveAt(site.lead())
                .neutralAt(site.lead())
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> apply(site, draft));
    }

    private void apply(Site site, PlanDraft draft) {
        ModuleModel model = site.model();
        ModuleWork work = ModuleWork.fit(draft, site.lead(), model);
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            Site.Position position = positions.get(i);
            Channel channel = model.channels().get(i);
            work.output(channel, position.loads());
            Input input = model.inputs().get(i);
            work.input(input, position.gang().orElseThrow(), position.circuit(), site.behaviour(position));
            wish(site, draft, position);
        }
    }

    /** What is wanted of the loads of a position once it is done. */
    void wish(Site site, PlanDraft draft, Site.Position position) {
        position.loads().forEach(load -> draft.want(load, position.controls(), true));
    }
}
