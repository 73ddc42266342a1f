package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;

/**
 * A relay at each lamp and a sender in each switch box. The senders stand in the path of the relays' live and are always
 * joined through, so the relays are always powered; no neutral is needed at the switches. One sender reads as many switches
 * of its box as it has inputs.
 */
final class SplitPair implements Scheme {
    private static final int MOST_BOXES = 5;

    @Override
    public SchemeCode code() {
        return SchemeCode.SPLIT_PAIR;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Optional<ModuleModel> sender = site.assignment().companion();
        int boxes = site.switchesByPlace().size();
        Obstacles obstacles = new Obstacles(site)
                .gangsWithLoads()
                .contacts()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .lampPlaces()
                .notFor(
                        boxes > MOST_BOXES,
                        site.positions().get(0).subject(),
                        Sentence.of("More than {0} senders on one wire are not planned here.", MOST_BOXES))
                .lacks(
                        sender.filter(ModuleModel::isSender).isEmpty(),
                        "No sender is chosen for the switches.",
                        "a sender of the same network")
                .lacks(
                        sender.filter(s -> s.protocol() != site.model().protocol())
                                .isPresent(),
                        "Sender and relay do not speak the same language.",
                        "a sender of the same network");
        sender.ifPresent(s -> obstacles.inputsForEach(site.switchesByPlace(), s).actsAsWanted(s));
        return obstacles.list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        int places = site.positions().stream()
                .mapToInt(position -> placesOf(position).size())
                .max()
                .orElse(0);
        for (int i = 0; i < places; i++) {
            int place = i;
            Chain.orders(List.copyOf(site.switchesByPlace().keySet()))
                    .forEach(order -> variants.add(draft -> apply(site, order, place, draft)));
        }
        return variants;
    }

    private static List<Place> placesOf(Site.Position position) {
        return position.loads().stream()
                .map(ConnectedBoxes.LoadRef::place)
                .distinct()
                .toList();
    }

    /** @param at which of the places of each position's lamps gets the relay; the last where it has fewer */
    private static void apply(Site site, List<Place> order, int at, PlanDraft draft) {
        Map<Site.Position, Relay> relays = relays(site, at, draft);
        ModuleModel sender = site.assignment().companion().orElseThrow();
        CircuitId circuit = site.positions().get(0).circuit();
        Net before = draft.feed(circuit);
        for (int i = 0; i < order.size(); i++) {
            Net after = Net.fed((i + 1) + " of " + order.size());
            ModuleWork stands = ModuleWork.fit(draft, order.get(i), sender);
            stands.stand(before, after);
            stands.inputs(
                    site.switchesByPlace().get(order.get(i)),
                    position -> Optional.of(relays.get(position).target()),
                    circuit,
                    site);
            if (i == order.size() - 1) {
                site.positions().forEach(position -> position.loads()
                        .forEach(load -> draft.prefer(after, load.place(), new End.AtLoad(load.number(), "L"))));
            }
            before = after;
        }
        Net live = before;
        relays.values().stream().map(Relay::work).distinct().forEach(relay -> relay.supply(live, draft.back(circuit)));
        relays.forEach((position, relay) -> relay.work().output(relay.channel(), position.loads()));
        site.positions()
                .forEach(position -> position.loads().forEach(load -> draft.want(load, position.controls(), true)));
    }

    /** The channel at the lamp that a position gets. */
    private record Relay(ModuleWork work, Channel channel) {
        ModuleWork.Target target() {
            return new ModuleWork.Target(work.id(), channel.id());
        }
    }

    /** One relay where all lamps hang in one place and it has a channel for each, else one at each lamp. */
    private static Map<Site.Position, Relay> relays(Site site, int at, PlanDraft draft) {
        Map<Site.Position, Relay> relays = new LinkedHashMap<>();
        List<Channel> channels = site.model().channels();
        boolean together = site.lampPlace().isPresent()
                && channels.size() >= site.positions().size();
        ModuleWork shared = together ? ModuleWork.fit(draft, site.lampPlace().orElseThrow(), site.model()) : null;
        for (int i = 0; i < site.positions().size(); i++) {
            Site.Position position = site.positions().get(i);
            relays.put(
                    position,
                    shared != null
                            ? new Relay(shared, channels.get(i))
                            : new Relay(
                                    ModuleWork.fit(
                                            draft,
                                            placesOf(position)
                                                    .get(Math.min(
                                                            at,
                                                            placesOf(position).size() - 1)),
                                            site.model()),
                                    channels.get(0)));
        }
        return relays;
    }
}
