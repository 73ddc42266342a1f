package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.finding.Finding;

/** Several loads and as many switches on one module whose inputs share one extra-low-voltage common. */
final class FourChannel extends BehindSwitchWithNeutral {

    FourChannel() {
        super(SchemeCode.FOUR_CHANNEL);
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = new ArrayList<>(super.obstacles(site));
        boolean elvInputs = site.model().inputs().stream().allMatch(input -> input.potential() == Input.Potential.ELV);
        obstacles.addAll(new Obstacles(site)
                .lacks(
                        site.model().channels().size() < 3 || !elvInputs,
                        "This scheme takes a module with three channels or more and extra-low-voltage inputs.",
                        "a module with extra-low-voltage inputs")
                .notFor(
                        site.positions().size() < 2,
                        site.positions().get(0).subject(),
                        "One switch alone needs no common.")
                .list());
        return obstacles;
    }
}
