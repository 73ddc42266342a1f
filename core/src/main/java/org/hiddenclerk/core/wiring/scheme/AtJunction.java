package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** The module sits in a junction box where feed, switch and lamp cables meet. */
final class AtJunction implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.AT_JUNCTION;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(new Obstacles(site)
                .gangsWithLoads()
                .contacts()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .notFor(
                        junctions(site).isEmpty(),
                        new Subject.Box(site.lead().label()),
                        "No junction box is surveyed on this run.")
                .list());
        obstacles.addAll(Reading.obstacles(site));
        return obstacles;
    }

    private static List<Place> junctions(Site site) {
        return site.run().places().stream()
                .filter(place -> place.box().kind() == BoxKind.JUNCTION)
                .toList();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return Reading.variants(site, junctions(site));
    }
}
