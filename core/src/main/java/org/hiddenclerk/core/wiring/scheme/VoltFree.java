package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.Net;

/**
 * A contact without volts of its own closes the circuit of a gate, door or boiler; that circuit's own supply is all that it
 * carries. A button that is there already stays beside it.
 */
final class VoltFree implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.VOLT_FREE;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        boolean control = site.positions().stream().allMatch(position -> isControlCircuit(site, position));
        return new Obstacles(site)
                .oneLampPlace()
                .ownVolts()
                .notFor(
                        !control,
                        site.positions().get(0).subject(),
                        "This scheme is for gates, doors, boilers and extra-low-voltage circuits, not for a lamp on mains.")
                .mainsModule()
                .lacks(
                        site.model().hasWetContacts(),
                        Sentence.of(
                                "The contact of {0} stands on its own live.",
                                site.model().code()),
                        "a module with a volt-free contact")
                .notFor(
                        site.found().circuitsAt(site.lead()).isEmpty(),
                        new Subject.Box(site.lead().label()),
                        "No live and neutral of a mains circuit reach this box to power the module.")
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        site.found().circuitsAt(site.lead()).forEach(circuit -> variants.add(draft -> apply(site, circuit, draft)));
        return variants;
    }

    private static boolean isControlCircuit(Site site, Site.Position position) {
        return site.found().house().circuits().get(position.circuit()).isElv()
                || position.loads().stream()
                        .flatMap(load -> load.load().banks().stream())
                        .anyMatch(bank -> bank.kind() == LoadKind.DOOR_INPUT || bank.kind() == LoadKind.COIL);
    }

    private static void apply(Site site, CircuitId mains, PlanDraft draft) {
        ModuleModel model = site.model();
        ModuleWork work = ModuleWork.fit(draft, site.lead(), model);
        work.supply(Net.live(mains), Net.neutral(mains));
        for (int i = 0; i < site.positions().size(); i++) {
            Site.Position position = site.positions().get(i);
            Channel channel = model.channels().get(i);
            draft.put(draft.feed(position.circuit()), site.lead(), work.pin(channel.from()));
            for (LoadRef load : position.loads()) {
                draft.putAsFound(load.place(), new End.AtLoad(load.number(), "L"), site.lead(), work.pin(channel.to()));
                draft.want(load, List.of(), true);
            }
        }
    }
}
