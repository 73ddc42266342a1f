package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.Run.GangRef;
import org.hiddenclerk.core.wiring.Run.Place;

/**
 * A relay at the lamp and a sender behind each switch. The senders stand in the path of the relay's live and are always
 * joined through, so the relay is always powered; no neutral is needed at the switches.
 */
final class SplitPair implements Scheme {
    private static final int MOST_SWITCHES = 5;

    @Override
    public SchemeCode code() {
        return SchemeCode.SPLIT_PAIR;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Optional<ModuleModel> sender = site.assignment().companion();
        Obstacles obstacles = new Obstacles(site).gangsWithLoads().contacts().mainsCircuit().mainsModule().oneLampPlace()
                .notFor(site.positions().size() > 1, site.positions().get(0).subject(), "One relay takes one load.")
                .notFor(site.positions().get(0).controls().size() > MOST_SWITCHES, site.positions().get(0).subject(),
                        Sentence.of("More than {0} senders on one wire are not planned here.", MOST_SWITCHES))
                .lacks(sender.filter(ModuleModel::isSender).isEmpty(), "No sender is chosen for the switches.",
                        "a sender of the same network")
                .lacks(sender.filter(s -> s.protocol() != site.model().protocol()).isPresent(),
                        "Sender and relay do not speak the same language.", "a sender of the same network");
        sender.ifPresent(obstacles::actsAsWanted);
        return obstacles.list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        Chain.orders(site.positions().get(0).controls()).forEach(order -> variants.add(draft -> apply(site, order, draft)));
        return variants;
    }

    private static void apply(Site site, List<GangRef> order, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        Place lamp = site.lampPlace().orElseThrow();
        ModuleModel sender = site.assignment().companion().orElseThrow();
        ModuleWork relay = ModuleWork.fit(draft, lamp, site.model());
        Input input = sender.inputs().get(0);
        Net before = draft.feed(position.circuit());
        for (int i = 0; i < order.size(); i++) {
            Net after = Net.fed((i + 1) + " of " + order.size());
            ModuleWork at = ModuleWork.fit(draft, order.get(i).place(), sender);
            draft.put(before, order.get(i).place(), at.pin(sender.supply().livePin()));
            draft.put(after, order.get(i).place(), at.pin(sender.supply().returnPin()));
            at.input(input, order.get(i), position.circuit(), site.behaviour(position),
                    Optional.of(new ModuleWork.Target(relay.id(), site.model().channels().get(0).id())));
            if (i == order.size() - 1) {
                position.loads().forEach(load -> draft.prefer(after, load.place(), new End.AtLoad(load.number(), "L")));
            }
            before = after;
        }
        relay.supply(before, draft.back(position.circuit()));
        relay.output(site.model().channels().get(0), position.loads());
        position.loads().forEach(load -> draft.want(load, position.controls(), true));
    }
}
