package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.Run.GangRef;
import org.hiddenclerk.core.wiring.Run.Place;

/**
 * The module sits at the lamp and is fed through change-over switches whose throws are linked: power comes through in either
 * position, and the short break of a flip is the signal. Any number of them follow each other on one wire.
 */
final class AtLampBlink implements Scheme {
    /** Switches on one wire whose orders are tried. */
    private static final int MOST_SWITCHES = 5;

    @Override
    public SchemeCode code() {
        return SchemeCode.AT_LAMP_BLINK;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Obstacles obstacles = new Obstacles(site).gangsWithLoads().contacts().mainsCircuit().mainsModule().oneLampPlace()
                .notFor(site.positions().size() > 1, site.positions().get(0).subject(), "One wire feeds one module.")
                .notFor(site.positions().get(0).controls().size() > MOST_SWITCHES, site.positions().get(0).subject(),
                        Sentence.of("More than {0} switches on one wire are not planned here.", MOST_SWITCHES))
                .lacks(blinkInput(site).isEmpty(), Sentence.of("{0} does not count breaks of its supply, or its firmware lacks it.",
                        site.model().code()), "a module that counts breaks");
        site.positions().get(0).controls().forEach(gang -> obstacles.notFor(gang.gang().mechanism().isPush(), gang.subject(),
                Sentence.of("{0} is a push button: held, it would leave the module without power.", gang.words())));
        return obstacles.list();
    }

    private static Optional<Input> blinkInput(Site site) {
        return site.model().behaviours().contains(InputBehaviour.SUPPLY_BLINK)
                ? Optional.of(new Input("blink", List.of(), Optional.empty(), Input.Potential.MAINS,
                        InputBehaviour.SUPPLY_BLINK, Optional.of(site.model().channels().get(0).id()), Optional.empty()))
                : Optional.empty();
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
        ModuleWork work = ModuleWork.fit(draft, lamp, site.model());
        Net before = draft.feed(position.circuit());
        for (int i = 0; i < order.size(); i++) {
            Net after = Net.fed((i + 1) + " of " + order.size());
            link(draft, site.found(), position, order.get(i), before, after);
            if (i == order.size() - 1) {
                position.loads().forEach(load -> draft.prefer(after, load.place(), new End.AtLoad(load.number(), "L")));
            }
            before = after;
        }
        work.supply(before, draft.back(position.circuit()));
        work.output(site.model().channels().get(0), position.loads());
        work.use(blinkInput(site).orElseThrow());
        position.loads().forEach(load -> draft.want(load, position.controls(), true));
    }

    /** Puts a switch into the path so that both of its positions lead on. */
    private static void link(PlanDraft draft, Found found, Site.Position position, GangRef gang, Net before, Net after) {
        draft.takeOver(gang);
        if (gang.gang().mechanism() == Mechanism.INTERMEDIATE) {
            List.of("A1", "A2").forEach(t -> draft.put(before, gang.place(), new End.AtMechanism(gang.number(), t)));
            List.of("B1", "B2").forEach(t -> draft.put(after, gang.place(), new End.AtMechanism(gang.number(), t)));
            return;
        }
        if (gang.gang().mechanism() != Mechanism.TWO_WAY) {
            draft.change(gang, Mechanism.TWO_WAY);
        }
        boolean lampSide = gang.gang().mechanism() == Mechanism.TWO_WAY && ModuleWork.lampPoles(found, position)
                .contains(new ModuleWork.SwitchPole(gang.place(), new End.AtMechanism(gang.number(), "COM")));
        draft.put(lampSide ? after : before, gang.place(), new End.AtMechanism(gang.number(), "COM"));
        List.of("L1", "L2").forEach(t -> draft.put(lampSide ? before : after, gang.place(),
                new End.AtMechanism(gang.number(), t)));
    }
}
