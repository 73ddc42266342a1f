package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/**
 * An input of a planned module with the switches that it reads, found in the truth table and not asked of anybody.
 *
 * @param fitted the module
 * @param gangs  whose switches change the input, or break its supply
 * @param wall   what a hand finds there
 */
public record WallInput(Fitted fitted, Input input, List<ConnectedBoxes.GangRef> gangs, Wall wall) {
    public WallInput {
        gangs = List.copyOf(gangs);
    }

    /** Its name within the plan: module and input. */
    public String key() {
        return RunWiring.moduleOf(fitted.number()).value() + "/" + input.id();
    }

    /** Its number on its module, from 1. */
    public int number() {
        return Math.max(
                1, 1 + fitted.model().inputs().stream().map(Input::id).toList().indexOf(input.id()));
    }

    /** Number of the channel that it commands on its module, from 1; that of the input where it commands none there. */
    public int channelNumber() {
        return input.channel()
                .map(id -> Math.max(
                        1,
                        1
                                + fitted.model().channels().stream()
                                        .map(Channel::id)
                                        .toList()
                                        .indexOf(id)))
                .orElse(number());
    }

    /** How else it may act: what its module can be set to and what its switches allow. */
    public List<InputBehaviour> possible() {
        return fitted.model().behaviours().stream()
                .sorted()
                .filter(behaviour -> refusal(behaviour).isEmpty())
                .toList();
    }

    /** Why it cannot act so; empty when it can. */
    public Optional<String> refusal(InputBehaviour behaviour) {
        return Adviser.refusal(behaviour, wall, fitted.model().behaviours());
    }

    /** How it may be set, as it acts among them. */
    public List<InputBehaviour> choices() {
        return Stream.concat(Stream.of(input.behaviour()), possible().stream())
                .distinct()
                .sorted()
                .toList();
    }

    /** The input that is set where a gang's switch is picked for. */
    public record OfGang(ConnectedBoxes.GangRef gang, WallInput input) {}

    /**
     * Every gang of the lead whose switch some module reads, with what can be had there: the same as where its feel is set.
     *
     * @param modules picked for the lead, in the order of the plan
     */
    public static List<OfGang> ofLead(WiringPlan plan, List<Assignment> modules) {
        List<OfGang> all = new ArrayList<>();
        for (WallInput input : of(plan)) {
            boolean own =
                    input.wall().kind() != Wall.Kind.SUPPLY && input.fitted().assignment() < modules.size();
            input.gangs().stream()
                    .filter(gang -> own
                            && gang.place().equals(plan.run().lead())
                            && modules.get(input.fitted().assignment()).gangs().contains(gang.number()))
                    .findFirst()
                    .ifPresent(gang -> all.add(new OfGang(gang, input)));
        }
        return all;
    }

    /** Inputs that a switch at the wall reaches, in the order of the modules. */
    public static List<WallInput> of(WiringPlan plan) {
        List<WallInput> inputs = new ArrayList<>();
        plan.planned().ifPresent(wiring -> wiring.fitted()
                .forEach(fitted -> fitted.inputs().forEach(input -> {
                    boolean blinks = !input.behaviour().hasContact();
                    List<PartId> switches = blinks
                            ? wiring.intents().stream()
                                    .flatMap(intent -> intent.controls().stream())
                                    .distinct()
                                    .toList()
                            : plan.proof().truthTable().readBy(RunWiring.moduleOf(fitted.number()), input.id());
                    List<ConnectedBoxes.GangRef> gangs = gangs(wiring.run())
                            .filter(gang -> switches.contains(RunWiring.switchOf(gang)))
                            .toList();
                    if (!gangs.isEmpty()) {
                        inputs.add(new WallInput(
                                fitted, input, gangs, new Wall(kind(input, gangs, fitted), gangs.size())));
                    }
                })));
        return inputs;
    }

    private static Wall.Kind kind(Input input, List<ConnectedBoxes.GangRef> gangs, Fitted fitted) {
        if (!input.behaviour().hasContact()) {
            return Wall.Kind.SUPPLY;
        }
        if (fitted.model().behaviours().contains(InputBehaviour.UP_DOWN)
                && input.behaviour().movesSomething()) {
            return Wall.Kind.UP_DOWN;
        }
        return gangs.stream().allMatch(gang -> gang.gang().mechanism().isPush()) ? Wall.Kind.PUSH : Wall.Kind.ROCKER;
    }

    private static Stream<ConnectedBoxes.GangRef> gangs(ConnectedBoxes run) {
        return run.places().stream().flatMap(place -> place.box().gangs().stream()
                .map(gang -> new ConnectedBoxes.GangRef(place, gang.number())));
    }
}
