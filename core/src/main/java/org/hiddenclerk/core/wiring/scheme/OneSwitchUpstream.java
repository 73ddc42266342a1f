package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** One switch, and no chain of them, feeds the module at the lamp. */
final class OneSwitchUpstream implements Scheme {
    private final SwitchUpstream anySwitches = new SwitchUpstream();

    @Override
    public SchemeCode code() {
        return SchemeCode.ONE_SWITCH_UPSTREAM;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<Finding> obstacles = anySwitches.obstacles(site);
        return !obstacles.isEmpty()
                ? obstacles
                : new Obstacles(site)
                        .notFor(
                                site.positions().get(0).controls().size() > 1,
                                site.positions().get(0).subject(),
                                "The lamp has several switches.")
                        .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return anySwitches.variants(site);
    }
}
