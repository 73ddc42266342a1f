package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;

/**
 * The module sits at the lamp and is fed through change-over switches whose throws are linked: power comes through in either
 * position, and the short break of a flip is the signal. Any number of them follow each other on one wire.
 *
 * <p>Where switches change over between two travellers, one link across the travellers makes all of them do so, and only its
 * box is opened. Each such link is tried first; whether every flip of every switch is then a break is left to the proof.
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
        Obstacles obstacles = new Obstacles(site)
                .gangsWithLoads()
                .contacts()
                .mainsCircuit()
                .mainsModule()
                .lampPlaces()
                .notFor(site.positions().size() > 1, site.positions().get(0).subject(), "One wire feeds one module.")
                .notFor(
                        site.positions().get(0).controls().size() > MOST_SWITCHES,
                        site.positions().get(0).subject(),
                        Sentence.of("More than {0} switches on one wire are not planned here.", MOST_SWITCHES))
                .lacks(
                        blinkInput(site).isEmpty(),
                        Sentence.of(
                                "{0} does not count breaks of its supply, or its firmware lacks it.",
                                site.model().code()),
                        "a module that counts breaks");
        site.positions()
                .get(0)
                .controls()
                .forEach(gang -> obstacles.notFor(
                        gang.gang().mechanism().isPush(),
                        gang.subject(),
                        Sentence.of(
                                "{0} is a push button: held, it would leave the module without power.", gang.words())));
        return obstacles.list();
    }

    private static Optional<Input> blinkInput(Site site) {
        return site.model().behaviours().contains(InputBehaviour.SUPPLY_BLINK)
                ? Optional.of(new Input(
                        "blink",
                        List.of(),
                        Optional.empty(),
                        Input.Potential.MAINS,
                        InputBehaviour.SUPPLY_BLINK,
                        Optional.of(site.model().channels().get(0).id()),
                        Optional.empty()))
                : Optional.empty();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        Site.Position position = site.positions().get(0);
        for (Place lamp : site.lampPlaces()) {
            position.controls().forEach(gang -> acrossTravellers(site.found(), gang)
                    .ifPresent(link -> variants.add(draft -> apply(site, link, lamp, draft))));
        }
        for (Place lamp : site.lampPlaces()) {
            Chain.orders(position.controls()).forEach(order -> variants.add(draft -> apply(site, order, lamp, draft)));
        }
        return variants;
    }

    /** Terminals of a switch that one link would join. */
    private record Link(GangRef gang, End one, End other) {}

    /** The terminals that the two travellers of a switch stand on; empty where it has none. */
    private static Optional<Link> acrossTravellers(SurveyedWiring found, GangRef gang) {
        List<String> throwsOf =
                switch (gang.gang().mechanism()) {
                    case TWO_WAY -> List.of("L1", "L2");
                    case INTERMEDIATE -> List.of("A1", "A2");
                    case ONE_WAY, PULL_CORD, DOUBLE_POLE, PUSH_MAKE, PUSH_BREAK, FIXED_ON, DIMMER, FAN_SPEED ->
                        List.of();
                };
        List<End> ends = throwsOf.stream()
                .<End>map(terminal -> new End.AtMechanism(gang.number(), terminal))
                .filter(end -> found.nets().endsAt(gang.place()).contains(end))
                .toList();
        List<Integer> nets = ends.stream()
                .flatMap(end -> found.netAt(gang.place(), end).stream())
                .distinct()
                .toList();
        boolean travellers = nets.size() == 2
                && nets.stream().allMatch(net -> found.supplyOf(net).isEmpty());
        return travellers ? Optional.of(new Link(gang, ends.get(0), ends.get(1))) : Optional.empty();
    }

    /** Links the travellers at one switch, and leaves all others as they are; what went to the lamp feeds the module. */
    private static void apply(Site site, Link link, Place lamp, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        draft.bridge(Net.fed("either traveller"), link.gang().place(), link.one(), link.other());
        Net supply = Net.fed("the switches");
        ModuleWork.lampPoles(draft.found(), position).forEach(pole -> {
            draft.lift(pole.place(), pole.end());
            draft.put(supply, pole.place(), pole.end());
        });
        position.loads().forEach(load -> draft.prefer(supply, load.place(), new End.AtLoad(load.number(), "L")));
        fit(site, lamp, supply, draft);
    }

    private static void fit(Site site, Place lamp, Net supply, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        ModuleWork work = ModuleWork.fit(draft, lamp, site.model());
        work.supply(supply, draft.back(position.circuit()));
        work.output(site.model().channels().get(0), position.loads());
        work.use(blinkInput(site).orElseThrow());
        position.loads().forEach(load -> draft.want(load, position.controls(), true));
    }

    private static void apply(Site site, List<GangRef> order, Place lamp, PlanDraft draft) {
        Site.Position position = site.positions().get(0);
        Net before = draft.feed(position.circuit());
        for (int i = 0; i < order.size(); i++) {
            Net after = Net.fed((i + 1) + " of " + order.size());
            link(draft, site.found(), position, order.get(i), before, after);
            if (i == order.size() - 1) {
                position.loads().forEach(load -> draft.prefer(after, load.place(), new End.AtLoad(load.number(), "L")));
            }
            before = after;
        }
        fit(site, lamp, before, draft);
    }

    /** Puts a switch into the path so that both of its positions lead on. */
    private static void link(
            PlanDraft draft, SurveyedWiring found, Site.Position position, GangRef gang, Net before, Net after) {
        draft.takeOver(gang);
        if (gang.gang().mechanism() == Mechanism.INTERMEDIATE) {
            List.of("A1", "A2").forEach(t -> draft.put(before, gang.place(), new End.AtMechanism(gang.number(), t)));
            List.of("B1", "B2").forEach(t -> draft.put(after, gang.place(), new End.AtMechanism(gang.number(), t)));
            return;
        }
        if (gang.gang().mechanism() != Mechanism.TWO_WAY) {
            draft.change(gang, Mechanism.TWO_WAY);
        }
        boolean lampSide = gang.gang().mechanism() == Mechanism.TWO_WAY
                && ModuleWork.lampPoles(found, position)
                        .contains(new ModuleWork.SwitchPole(gang.place(), new End.AtMechanism(gang.number(), "COM")));
        draft.put(lampSide ? after : before, gang.place(), new End.AtMechanism(gang.number(), "COM"));
        List.of("L1", "L2")
                .forEach(
                        t -> draft.put(lampSide ? before : after, gang.place(), new End.AtMechanism(gang.number(), t)));
    }
}
