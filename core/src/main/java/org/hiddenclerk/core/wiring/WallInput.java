package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.PartId;

/**
 * An input of a planned module with the switches that it reads, found in the truth table and not asked of anybody.
 *
 * @param fitted the module
 * @param gangs  whose switches change the input, or break its supply
 * @param wall   what a hand finds there
 */
public record WallInput(Fitted fitted, Input input, List<Run.GangRef> gangs, Wall wall) {
    public WallInput {
        gangs = List.copyOf(gangs);
    }

    /** Its name within the plan: module and input. */
    public String key() {
        return RunWiring.moduleOf(fitted.number()).value() + "/" + input.id();
    }

    /** How else it may act: what its module can be set to and what its switches allow. */
    public List<InputBehaviour> possible() {
        return fitted.model().behaviours().stream().sorted().filter(behaviour -> refusal(behaviour).isEmpty()).toList();
    }

    /** Why it cannot act so; empty when it can. */
    public Optional<String> refusal(InputBehaviour behaviour) {
        return Adviser.refusal(behaviour, wall, fitted.model().behaviours());
    }

    /** Inputs that a switch at the wall reaches, in the order of the modules. */
    public static List<WallInput> of(WiringPlan plan) {
        List<WallInput> inputs = new ArrayList<>();
        plan.planned().ifPresent(wiring -> wiring.fitted().forEach(fitted -> fitted.inputs().forEach(input -> {
            boolean blinks = input.behaviour() == InputBehaviour.SUPPLY_BLINK;
            List<PartId> switches = blinks ? wiring.intents().stream().flatMap(intent -> intent.controls().stream()).distinct().toList()
                    : plan.proof().truthTable().readBy(RunWiring.moduleOf(fitted.number()), input.id());
            List<Run.GangRef> gangs = gangs(wiring.run()).filter(gang -> switches.contains(RunWiring.switchOf(gang))).toList();
            if (!gangs.isEmpty()) {
                inputs.add(new WallInput(fitted, input, gangs, new Wall(kind(input, gangs, fitted), gangs.size())));
            }
        })));
        return inputs;
    }

    private static Wall.Kind kind(Input input, List<Run.GangRef> gangs, Fitted fitted) {
        if (input.behaviour() == InputBehaviour.SUPPLY_BLINK) {
            return Wall.Kind.SUPPLY;
        }
        if (fitted.model().behaviours().contains(InputBehaviour.UP_DOWN) && input.behaviour() == InputBehaviour.UP_DOWN) {
            return Wall.Kind.UP_DOWN;
        }
        return gangs.stream().allMatch(gang -> gang.gang().mechanism().isPush()) ? Wall.Kind.PUSH : Wall.Kind.ROCKER;
    }

    private static Stream<Run.GangRef> gangs(Run run) {
        return run.places().stream().flatMap(place -> place.box().gangs().stream().map(gang -> new Run.GangRef(place, gang.number())));
    }
}
