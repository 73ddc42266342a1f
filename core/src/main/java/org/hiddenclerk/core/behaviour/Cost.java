package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;

/**
 * What a hand has to do after somebody else acted.
 *
 * @param handAfterRemote hand actions until the hand has changed again what a remote command has just changed; empty when it cannot
 * @param remoteAfterHand hand actions before a remote command can change it; empty without supply
 */
public record Cost(OptionalInt handAfterRemote, OptionalInt remoteAfterHand) {
    /** Actions after which nothing new comes: each contact has been in each position in each order. */
    private static final int MOST = 4;

    /** The cost from a state as settled: contacts count where they stand, no timer or pause runs. */
    public static Cost of(Machine machine, State state) {
        if (!state.supply().isThere()) {
            return new Cost(OptionalInt.empty(), OptionalInt.empty());
        }
        Machine prompt = new Machine(machine.behaviour(), machine.parameters().withoutDebounce());
        int worst = 0;
        for (State commanded : commanded(machine, state.settled())) {
            OptionalInt actions = actions(prompt, commanded);
            if (actions.isEmpty()) {
                return new Cost(actions, OptionalInt.of(0));
            }
            worst = Math.max(worst, actions.getAsInt());
        }
        return new Cost(OptionalInt.of(worst), OptionalInt.of(0));
    }

    /** Every state that a remote command can just have made. */
    private static List<State> commanded(Machine machine, State state) {
        return machine.behaviour().movesSomething()
                ? Arrays.stream(Motion.values())
                        .filter(motion -> motion != state.motion())
                        .map(motion -> State.of(state.contacts(), false, motion))
                        .toList()
                : List.of(State.of(state.contacts(), !state.relay(), Motion.STOP));
    }

    /** The least number of hand actions after which a hand has changed something. */
    private static OptionalInt actions(Machine machine, State from) {
        List<State> reached = List.of(from);
        for (int actions = 1; actions <= MOST; actions++) {
            List<State> next = new ArrayList<>();
            for (State state : reached) {
                for (List<Event> action : handActions(machine, state)) {
                    Machine.Step step = machine.run(
                            state, action, action.get(action.size() - 1).atMs());
                    if (step.outputs().stream().anyMatch(Cost::isChangeByHand)) {
                        return OptionalInt.of(actions);
                    }
                    next.add(step.state().settled());
                }
            }
            reached = next.stream().distinct().toList();
        }
        return OptionalInt.empty();
    }

    private static boolean isChangeByHand(Output output) {
        return output instanceof Output.Relay relay && relay.cause() == Cause.HAND
                || output instanceof Output.Moves moves && moves.cause() == Cause.HAND;
    }

    private static List<List<Event>> handActions(Machine machine, State state) {
        if (!machine.behaviour().hasContact()) {
            return List.of(List.of(
                    new Event(0, Event.Type.SUPPLY_LOST),
                    new Event(machine.parameters().minimumBlinkMs(), Event.Type.SUPPLY_BACK)));
        }
        List<List<Event>> actions = new ArrayList<>();
        for (int input = 1; input <= machine.inputs(); input++) {
            Contact stands = state.contacts().get(input - 1);
            Event change = change(stands.other(), input);
            boolean press =
                    machine.behaviour().tellsPresses() && !machine.parameters().isActive(stands);
            actions.add(Stream.concat(Stream.of(change), press ? Stream.of(change(stands, input)) : Stream.empty())
                    .toList());
        }
        return actions;
    }

    private static Event change(Contact to, int input) {
        return new Event(0, to == Contact.CLOSED ? Event.Type.CLOSE : Event.Type.OPEN, input);
    }
}
