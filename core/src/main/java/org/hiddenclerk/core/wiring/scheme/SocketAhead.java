package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** A module ahead of a socket outlet, in the same box; there is no wall switch. */
final class SocketAhead implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.SOCKET;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        boolean sockets = site.positions().stream()
                .flatMap(p -> p.loads().stream())
                .allMatch(load -> load.load().banks().stream().anyMatch(bank -> bank.kind() == LoadKind.SOCKET));
        return new Obstacles(site)
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .oneLampPlace()
                .singleSupply()
                .notFor(!sockets, site.positions().get(0).subject(), "There is no socket outlet here.")
                .notFor(
                        site.positions().stream().anyMatch(p -> !p.controls().isEmpty()),
                        site.positions().get(0).subject(),
                        "A switch is ahead of this socket; it is read by another scheme.")
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> apply(site, site.lampPlace().orElseThrow(), draft));
    }

    private static void apply(Site site, Place place, PlanDraft draft) {
        ModuleWork work = ModuleWork.fit(draft, place, site.model());
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            work.output(site.model().channels().get(i), positions.get(i).loads());
            positions.get(i).loads().forEach(load -> draft.want(load, List.of(), true));
        }
    }
}
