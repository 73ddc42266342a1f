package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** Two interlocked channels for the two directions of one motor; each switch or button commands one direction. */
final class BlindPair extends BehindSwitchWithNeutral {

    BlindPair() {
        super(SchemeCode.BLIND_PAIR);
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(super.obstacles(site));
        Set<Drive.Direction> directions = new LinkedHashSet<>();
        Set<String> motors = new LinkedHashSet<>();
        site.positions().forEach(position -> position.loads()
                .forEach(load -> load.load().drive().ifPresent(drive -> {
                    directions.add(drive.direction());
                    motors.add(drive.motor());
                })));
        obstacles.addAll(new Obstacles(site)
                .lacks(
                        !site.model().interlocked(),
                        Sentence.of(
                                "{0} does not lock its channels against each other.",
                                site.model().code()),
                        "a blind module")
                .notFor(
                        site.positions().size() != 2 || motors.size() != 1 || directions.size() != 2,
                        site.positions().get(0).subject(),
                        "A blind takes two gangs, up and down of one motor.")
                .list());
        return obstacles;
    }

    /** A hand holds or lets go; that a press ends with the motor moving is not wanted of it. */
    @Override
    void wish(Site site, PlanDraft draft, Site.Position position) {
        position.loads().forEach(load -> draft.want(load, List.of(), true));
    }
}
