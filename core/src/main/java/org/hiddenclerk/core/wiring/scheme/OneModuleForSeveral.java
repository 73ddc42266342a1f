package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * One module takes over a lamp that several switches share. It sits in a switch box that live and neutral reach; the other
 * switches come to its inputs over conductors that are free now.
 */
final class OneModuleForSeveral implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.MULTI_ONE_MODULE;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(new Obstacles(site)
                .gangsWithLoads()
                .contacts()
                .severalSwitches()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .list());
        obstacles.addAll(Reading.obstacles(site));
        return obstacles;
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        Set<Place> places = new LinkedHashSet<>(List.of(site.lead()));
        site.positions().forEach(position -> position.controls().forEach(gang -> places.add(gang.place())));
        return Reading.variants(site, new ArrayList<>(places));
    }
}
