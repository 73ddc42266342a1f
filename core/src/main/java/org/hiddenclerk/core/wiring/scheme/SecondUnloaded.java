package org.hiddenclerk.core.wiring.scheme;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;

/**
 * A module in each switch box. The first carries the lamps; the others have nothing on their outputs, and tell the first by
 * radio. Each is fed where it is, from any circuit whose live and neutral are both there; or it is a sender, which stands in
 * the path of the first one's live and needs no neutral.
 */
final class SecondUnloaded implements Scheme {
    private static final int MOST_SENDERS = 4;

    @Override
    public SchemeCode code() {
        return SchemeCode.MULTI_SECOND_UNLOADED;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        ModuleModel second = second(site);
        Map<Place, Map<GangRef, Site.Position>> others = others(site);
        Obstacles obstacles = new Obstacles(site)
                .gangsWithLoads()
                .inputs()
                .contacts()
                .severalSwitches()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule();
        // The live of a module behind senders may come from any of their boxes.
        (second.isSender() ? obstacles : obstacles.liveAt(site.lead()))
                .neutralAt(site.lead())
                .lacks(
                        second.protocol() != site.model().protocol(),
                        Sentence.of(
                                "{0} does not speak {1}.",
                                second.code(), site.model().protocol().label()),
                        "a module of the same network")
                .notFor(
                        second.isSender() && others.size() > MOST_SENDERS,
                        site.positions().get(0).subject(),
                        Sentence.of("More than {0} senders on one wire are not planned here.", MOST_SENDERS))
                .inputsForEach(others, second);
        return second.equals(site.model())
                ? obstacles.list()
                : obstacles.actsAsWanted(second).list();
    }

    private static ModuleModel second(Site site) {
        return site.assignment().companion().orElse(site.model());
    }

    /** Every switch but the one of each position that the loaded module reads. */
    private static Map<Place, Map<GangRef, Site.Position>> others(Site site) {
        Map<Place, Map<GangRef, Site.Position>> others = site.switchesByPlace();
        others.values().forEach(here -> here.entrySet()
                .removeIf(read ->
                        read.getValue().gang().filter(read.getKey()::equals).isPresent()));
        others.values().removeIf(Map::isEmpty);
        return others;
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Place> boxes = List.copyOf(others(site).keySet());
        // What has a supply of its own needs no place on the wire.
        return second(site).isSender()
                ? Chain.orders(boxes).stream()
                        .<Consumer<PlanDraft>>map(order -> draft -> apply(site, order, draft))
                        .toList()
                : List.of(draft -> apply(site, boxes, draft));
    }

    /** @param order of the other boxes, in which senders follow each other */
    private static void apply(Site site, List<Place> order, PlanDraft draft) {
        ModuleModel model = site.model();
        CircuitId circuit = site.positions().get(0).circuit();
        ModuleWork loaded = ModuleWork.fit(draft, site.lead(), model);
        Map<Site.Position, Channel> channels = new LinkedHashMap<>();
        for (Site.Position position : site.positions()) {
            Channel channel = model.channels().get(channels.size());
            channels.put(position, channel);
            loaded.output(channel, position.loads());
            loaded.input(
                    loaded.inputsOf(channel).get(0), position.gang().orElseThrow(), circuit, site.behaviour(position));
        }
        Function<Site.Position, Optional<ModuleWork.Target>> target = position -> Optional.of(
                new ModuleWork.Target(loaded.id(), channels.get(position).id()));
        Net live = draft.feed(circuit);
        for (Place place : order) {
            ModuleWork other = ModuleWork.fit(draft, place, second(site));
            CircuitId here = circuit;
            if (second(site).isSender()) {
                Net after = Net.fed("sender " + (order.indexOf(place) + 1));
                other.stand(live, after);
                live = after;
            } else {
                List<CircuitId> there = site.found().circuitsAt(place);
                here = there.isEmpty() || there.contains(circuit) ? circuit : there.get(0);
                other.supply(here);
            }
            other.inputs(others(site).get(place), target, here, site);
        }
        loaded.supply(live, draft.back(circuit));
        site.positions()
                .forEach(position -> position.loads().forEach(load -> draft.want(load, position.controls(), true)));
    }
}
