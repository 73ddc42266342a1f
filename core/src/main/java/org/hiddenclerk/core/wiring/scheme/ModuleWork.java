package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.ModuleInPlace;
import org.hiddenclerk.core.wiring.run.Net;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;
import org.hiddenclerk.core.wiring.scheme.Site.Position;

/** A module being put into a draft: its supply, its outputs and its inputs, the way every scheme needs them. */
final class ModuleWork {
    private final PlanDraft draft;
    private final Place place;
    private final ModuleModel model;
    private final int number;

    /** Its terminals that hold something before the work: what else goes there joins that. */
    private final Set<String> held;

    private ModuleWork(PlanDraft draft, Place place, ModuleModel model, int number, Set<String> held) {
        this.draft = draft;
        this.place = place;
        this.model = model;
        this.number = number;
        this.held = held;
    }

    static ModuleWork fit(PlanDraft draft, Place place, ModuleModel model) {
        return new ModuleWork(draft, place, model, draft.fit(place, model), Set.of());
    }

    /** Uses more of a module that is in place: it has its supply. */
    static ModuleWork take(PlanDraft draft, ModuleInPlace module) {
        draft.take(module);
        return new ModuleWork(draft, module.place(), module.model(), module.number(), module.held());
    }

    /** Fits a module at the lead for its positions, each with a switch there: channel by channel, input by input. */
    static void behindItsSwitches(PlanDraft draft, Site site) {
        ModuleModel model = site.model();
        ModuleWork work = fit(draft, site.lead(), model);
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            Site.Position position = positions.get(i);
            work.output(model.channels().get(i), position.loads());
            if (position.hasSeveralSwitches()) {
                work.inputOfAll(model.inputs().get(i), position, site.behaviour(position));
            } else {
                work.input(
                        model.inputs().get(i),
                        position.gang().orElseThrow(),
                        position.circuit(),
                        site.behaviour(position));
            }
            position.loads().forEach(load -> draft.want(load, position.controls(), true));
        }
    }

    PartId id() {
        return RunWiring.moduleOf(number);
    }

    ModuleModel model() {
        return model;
    }

    End pin(String name) {
        return new End.AtModule(number, name);
    }

    /** Feeds it from a circuit: live, and what current comes back by where it has a pin for that. */
    void supply(CircuitId circuit) {
        supply(draft.feed(circuit), draft.back(circuit));
    }

    void supply(Net live, Net back) {
        draft.put(live, place, pin(model.supply().livePin()));
        if (!(model.supply() instanceof ModuleSupply.TwoWire)) {
            draft.put(back, place, pin(model.supply().returnPin()));
        }
    }

    /** Puts a sender into the path of what it lets through. */
    void stand(Net before, Net after) {
        draft.put(before, place, pin(model.supply().livePin()));
        draft.put(after, place, pin(model.supply().returnPin()));
    }

    /** Makes the switches of a box the contacts of its inputs, one after the other. */
    void inputs(
            Map<GangRef, Position> switches,
            Function<Position, Optional<Target>> target,
            CircuitId circuit,
            Site site) {
        List<Input> inputs = model.inputs().stream().filter(Input::hasContact).toList();
        int next = 0;
        for (Map.Entry<GangRef, Position> read : switches.entrySet()) {
            Position position = read.getValue();
            input(inputs.get(next++), read.getKey(), circuit, site.behaviour(position), target.apply(position));
        }
    }

    /** Sets an input that has no contact. */
    void use(Input input) {
        draft.use(number, input);
    }

    /** Gives the loads of a position to a channel. */
    void output(Channel channel, List<LoadRef> loads) {
        Net net = Net.output(number + (model.channels().size() > 1 ? "." + channel.id() : ""));
        draft.put(net, place, pin(channel.to()));
        for (LoadRef load : loads) {
            End live = new End.AtLoad(load.number(), "L");
            draft.takeOver(load);
            draft.prefer(net, load.place(), live);
            draft.put(net, load.place(), live);
        }
    }

    /** Makes a switch the contact of an input. */
    void input(Input input, GangRef gang, CircuitId circuit, InputBehaviour behaviour) {
        input(input, gang, circuit, behaviour, Optional.empty());
    }

    /** Makes a switch the contact of an input that commands a module elsewhere. */
    private void input(
            Input input, GangRef gang, CircuitId circuit, InputBehaviour behaviour, Optional<Target> target) {
        use(input, behaviour, target);
        Net signal = Net.input(number + "." + input.id());
        draft.put(signal, place, pin(input.pins().get(0)));
        Net reference;
        if (input.pins().size() > 1) {
            reference = common(input.pins().get(1));
        } else {
            String with = input.activeWith().orElseThrow();
            reference = with.equals(model.supply().livePin())
                    ? draft.feed(circuit)
                    : with.equals(model.supply().returnPin()) ? draft.back(circuit) : common(with);
        }
        contact(gang, reference, signal);
    }

    /** Channel of another module. */
    record Target(PartId module, String channel) {}

    private void use(Input input, InputBehaviour behaviour, Optional<Target> target) {
        draft.use(
                number,
                new Input(
                        input.id(),
                        input.pins(),
                        input.activeWith(),
                        input.potential(),
                        behaviour,
                        target.map(Target::channel).or(input::channel),
                        target.map(Target::module)));
    }

    /** A pin that several inputs share. */
    private Net common(String pin) {
        if (held.contains(pin)) {
            return draft.asFound(place, pin(pin));
        }
        Net net = Net.input(number + ".common " + pin);
        draft.put(net, place, pin(pin));
        return net;
    }

    private void contact(GangRef gang, Net reference, Net signal) {
        draft.takeOver(gang);
        List<String> poles = Site.contactOf(gang.gang().mechanism());
        End first = new End.AtMechanism(gang.number(), poles.get(0));
        End second = new End.AtMechanism(gang.number(), poles.get(1));
        boolean exchanged = isOn(gang.place(), second, reference) && !isOn(gang.place(), first, reference);
        draft.put(reference, gang.place(), exchanged ? second : first);
        draft.put(signal, gang.place(), exchanged ? first : second);
    }

    private boolean isOn(Place at, End end, Net net) {
        SurveyedWiring found = draft.found();
        Optional<Net> supply = found.netAt(at, end).flatMap(found::supplyOf);
        return supply.isPresent()
                && (supply.get().equals(net)
                        || net.kind() == Net.Kind.INPUT && supply.get().kind() != Net.Kind.EARTH);
    }

    /**
     * Lets the switches of a position, wired to each other as they were found, make one contact: what went to the lamp goes
     * to the input. Where that reads between two pins of its own, what came from the circuit goes to the other one.
     */
    void inputOfAll(Input input, Position position, InputBehaviour behaviour) {
        use(input, behaviour, Optional.empty());
        Net signal = Net.input(number + "." + input.id());
        draft.put(signal, place, pin(input.pins().get(0)));
        move(lampPoles(draft.found(), position), signal);
        if (input.pins().size() > 1) {
            Net feed = draft.feed(position.circuit());
            move(
                    poles(draft.found(), position, net -> draft.found()
                            .supplyOf(net)
                            .filter(feed::equals)
                            .isPresent()),
                    common(input.pins().get(1)));
        }
        position.loads().forEach(load -> draft.prefer(signal, load.place(), new End.AtLoad(load.number(), "L")));
    }

    private void move(Set<SwitchPole> poles, Net to) {
        for (SwitchPole pole : poles) {
            draft.lift(pole.place(), pole.end());
            draft.put(to, pole.place(), pole.end());
        }
    }

    /** A terminal of a switch. */
    record SwitchPole(Place place, End end) {}

    /** Terminals of a position's switches that stand on the live side of its loads as found. */
    static Set<SwitchPole> lampPoles(SurveyedWiring found, Position position) {
        Set<Integer> nets = new LinkedHashSet<>();
        position.loads().forEach(load -> found.netAt(load.place(), new End.AtLoad(load.number(), "L"))
                .ifPresent(nets::add));
        return poles(found, position, nets::contains);
    }

    private static Set<SwitchPole> poles(SurveyedWiring found, Position position, Predicate<Integer> on) {
        Set<SwitchPole> poles = new LinkedHashSet<>();
        for (GangRef gang : position.controls()) {
            for (String terminal : gang.gang().mechanism().terminals()) {
                End end = new End.AtMechanism(gang.number(), terminal);
                boolean wired = found.nets().endsAt(gang.place()).contains(end);
                if (wired && found.netAt(gang.place(), end).filter(on).isPresent()) {
                    poles.add(new SwitchPole(gang.place(), end));
                }
            }
        }
        return poles;
    }

    /** Inputs that command a channel. */
    List<Input> inputsOf(Channel channel) {
        List<Input> inputs = new ArrayList<>();
        model.inputs().stream()
                .filter(Input::hasContact)
                .filter(input -> input.channel().filter(channel.id()::equals).isPresent())
                .forEach(inputs::add);
        return inputs;
    }
}
