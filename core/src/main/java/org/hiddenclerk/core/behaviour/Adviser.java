package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Ranks behaviours for a switch by playing what happens in a household with each of them. */
public final class Adviser {
    private Adviser() {}

    /**
     * A behaviour with what it costs.
     *
     * @param parameters that it was played with
     * @param refusal    why it cannot be had here; empty when it can
     * @param costs      what each school of these people pays, in the order of the schools; lower is better, and nothing by itself
     * @param played     every occasion that can happen here
     */
    public record Advice(
            InputBehaviour behaviour,
            Parameters parameters,
            Optional<String> refusal,
            List<Integer> costs,
            List<ScenarioResult> played) {
        public Advice {
            costs = List.copyOf(costs);
            played = List.copyOf(played);
        }

        /** What those pay who pay most: who is fair lets nobody pay for all. */
        public int cost() {
            return Collections.max(costs);
        }

        private int together() {
            return costs.stream().mapToInt(each -> each).sum();
        }
    }

    /**
     * Every behaviour of a relay, best first; those that cannot be had at the end, with the reason. Of two schools that is best which costs
     * least whoever pays most for it, and of equal ones that which costs both together least.
     *
     * @param can what the module can be set to
     */
    public static List<Advice> rank(Wall atWall, Household household, Set<InputBehaviour> can, Parameters parameters) {
        Wall wall =
                household.schools().equals(List.of(Household.Want.PUSH_BUTTONS)) && atWall.kind() == Wall.Kind.ROCKER
                        ? new Wall(Wall.Kind.PUSH, atWall.ends())
                        : atWall;
        List<Advice> all = new ArrayList<>();
        for (InputBehaviour behaviour : InputBehaviour.values()) {
            Parameters own = suited(behaviour, parameters);
            Optional<String> refusal = refusal(behaviour, wall, can);
            List<ScenarioResult> played = behaviour.movesSomething()
                            || refusal.isPresent()
                                    && (!behaviour.hasContact()
                                            || wall.kind() == Wall.Kind.UP_DOWN
                                            || wall.kind() == Wall.Kind.SUPPLY)
                    ? List.of()
                    : Arrays.stream(Scenario.values())
                            .filter(occasion -> occasion.suits(wall))
                            .map(occasion -> ScenarioResult.of(occasion, wall, new Machine(behaviour, own)))
                            .toList();
            all.add(new Advice(
                    behaviour,
                    own,
                    refusal,
                    household.schools().stream()
                            .map(school -> played.stream()
                                    .mapToInt(each -> household.cost(school, each))
                                    .sum())
                            .toList(),
                    played));
        }
        all.sort(Comparator.comparing((Advice advice) -> advice.refusal().isPresent())
                .thenComparingInt(Advice::cost)
                .thenComparingInt(Advice::together)
                .thenComparing(Advice::behaviour));
        return List.copyOf(all);
    }

    /** The parameters, with the power-on state that suits a behaviour and a run-on that a press ends. */
    private static Parameters suited(InputBehaviour behaviour, Parameters p) {
        return new Parameters(
                p.debounceMs(),
                p.rest(),
                p.inverted(),
                p.holdMs(),
                p.runOnMs(),
                p.pressStops() || behaviour.endsByItself(),
                p.minimumBlinkMs(),
                p.holdUpMs(),
                p.reversePauseMs(),
                powerOn(behaviour).state());
    }

    /** What a relay should be when the supply comes back, with the reason. */
    public record PowerOnAdvice(PowerOn state, String reason) {}

    /** Common practice, no source. */
    public static PowerOnAdvice powerOn(InputBehaviour behaviour) {
        return behaviour.powerOn();
    }

    /** How long what opens a gate, door or lock is closed. Common practice, no source: about as long as a finger stays on the button. */
    public static final int PULSE_SECONDS = 1;

    /** The same for a module that a switch at the wall cuts off its supply. Common practice, no source. */
    public static PowerOnAdvice powerOnBehindASwitch() {
        return new PowerOnAdvice(PowerOn.ON, "off and on at the wall is light, as it always was");
    }

    /** Why a behaviour cannot be had at a wall; empty when it can. */
    public static Optional<String> refusal(InputBehaviour behaviour, Wall wall, Set<InputBehaviour> can) {
        if (!can.contains(behaviour)) {
            return Optional.of("the module cannot be set to it");
        }
        return behaviour.unsuited(wall);
    }
}
