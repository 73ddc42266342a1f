package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** The module sits at the lamp and the old switch cable brings its input back: the switch carries no load any more. */
final class AtLamp implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.AT_LAMP_SPARE;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(new Obstacles(site)
                .gangsWithLoads()
                .contacts()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .lampPlaces()
                .list());
        obstacles.addAll(Reading.obstacles(site));
        return obstacles;
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return Reading.variants(site, site.lampPlaces());
    }
}
