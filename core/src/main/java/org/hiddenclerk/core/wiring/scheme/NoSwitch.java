package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** A module without a wall switch: the plate is blanked or guarded, the wires that went to the switch are joined for good. */
final class NoSwitch implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.NO_SWITCH;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        return new Obstacles(site)
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .lampPlaces()
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        boolean switchHere =
                site.positions().stream().allMatch(position -> position.gang().isPresent());
        if (switchHere) {
            variants.add(draft -> apply(site, site.lead(), draft));
        }
        site.lampPlaces().forEach(place -> variants.add(draft -> apply(site, place, draft)));
        return variants;
    }

    private static void apply(Site site, Place place, PlanDraft draft) {
        ModuleWork work = ModuleWork.fit(draft, place, site.model());
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            work.output(site.model().channels().get(i), positions.get(i).loads());
            positions.get(i).controls().forEach(gang -> blank(draft, gang));
            positions.get(i).loads().forEach(load -> draft.want(load, List.of(), true));
        }
    }

    /** Takes a mechanism out and blanks its plate. */
    static void blank(PlanDraft draft, GangRef gang) {
        draft.takeOver(gang);
        draft.change(gang, Mechanism.FIXED_ON);
    }
}
