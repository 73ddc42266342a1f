package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.Channel;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.Run.GangRef;

/**
 * A module behind each switch. The first carries the lamp; the others have nothing on their outputs, and tell the first by
 * radio. Each is fed where it is, from any circuit whose live and neutral are both there.
 */
final class SecondUnloaded implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.MULTI_SECOND_UNLOADED;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Obstacles obstacles = new Obstacles(site).gangsWithLoads().inputs().contacts().severalSwitches().oneCircuit().mainsCircuit()
                .mainsModule().liveAt(site.lead()).neutralAt(site.lead())
                .notFor(site.positions().size() > 1, site.positions().get(0).subject(), "One lamp at a time.");
        companion(site).ifPresent(other -> obstacles.lacks(other.protocol() != site.model().protocol(),
                Sentence.of("{0} does not speak {1}.", other.code(), site.model().protocol().label()), "a module of the same network").actsAsWanted(other));
        return obstacles.list();
    }

    private static Optional<ModuleModel> companion(Site site) {
        return site.assignment().companion();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> apply(site, draft));
    }

    private static void apply(Site site, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        GangRef first = position.gang().orElseThrow();
        ModuleModel model = site.model();
        ModuleWork loaded = ModuleWork.fit(draft, site.lead(), model);
        loaded.supply(position.circuit());
        Channel channel = model.channels().get(0);
        loaded.output(channel, position.loads());
        loaded.input(model.inputs().get(0), first, position.circuit(), site.behaviour(position));
        List<GangRef> others = new ArrayList<>(position.controls());
        others.remove(first);
        for (GangRef gang : others) {
            ModuleModel second = companion(site).orElse(model);
            ModuleWork unloaded = ModuleWork.fit(draft, gang.place(), second);
            List<CircuitId> here = site.found().circuitsAt(gang.place());
            CircuitId circuit = here.isEmpty() || here.contains(position.circuit()) ? position.circuit() : here.get(0);
            unloaded.supply(circuit);
            Input input = second.inputs().get(0);
            unloaded.input(input, gang, circuit, site.behaviour(position),
                    Optional.of(new ModuleWork.Target(loaded.id(), channel.id())));
        }
        position.loads().forEach(load -> draft.want(load, position.controls(), true));
    }
}
