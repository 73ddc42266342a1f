package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.LongStream;

/**
 * A behaviour with its parameters as a state machine: (state, events of one instant) to (state, outputs). It keeps no clock and no
 * state; whoever runs it asks {@link #due} for the next instant at which something happens by itself.
 *
 * <p>What a counted contact change does is {@link InputBehaviour#onChange}, the same that the proof of wirings steps by.
 */
public record Machine(InputBehaviour behaviour, Parameters parameters) {
    /** What an instant made of a state. */
    public record Step(State state, List<Output> outputs) {
        public Step {
            outputs = List.copyOf(outputs);
        }
    }

    /** Inputs that the behaviour reads. */
    public int inputs() {
        return behaviour.inputs();
    }

    /**
     * The state to begin with, at 0.
     *
     * @param contacts one for each input
     */
    public State start(List<Contact> contacts, boolean relay, Motion motion) {
        if (contacts.size() != inputs()) {
            throw new IllegalArgumentException(
                    "The contacts (" + contacts.size() + ") must be as many as the inputs, " + inputs() + ".");
        }
        State state = State.of(contacts, relay, motion);
        return behaviour.endsByItself() && relay
                ? new State(
                        state.contacts(),
                        state.counted(),
                        state.counting(),
                        true,
                        motion,
                        OptionalLong.of(parameters.runOnMs()),
                        false,
                        state.supply(),
                        state.waiting(),
                        state.upEnded(),
                        state.downEnded())
                : state;
    }

    /** The next instant at which something happens by itself. */
    public OptionalLong due(State state) {
        if (state.supply().fallen()) {
            return OptionalLong.empty();
        }
        LongStream.Builder instants = LongStream.builder();
        state.supply().lostAt().ifPresent(lost -> instants.add(lost + parameters.holdUpMs()));
        state.timerEnds().ifPresent(instants::add);
        state.counting().forEach(change -> instants.add(change.atMs()));
        state.waiting().ifPresent(waiting -> instants.add(waiting.atMs()));
        return instants.build().min();
    }

    /**
     * What one instant makes of a state: first the supply, then timers, then contacts, then remote commands.
     *
     * @param atMs   not before anything that was due
     * @param events of this instant, in the order given
     */
    public Step at(State state, long atMs, List<Event> events) {
        return new Tick(this, state, atMs).run(events);
    }

    /** Lets everything happen that is due at or before an instant, and the events up to it; they must be in order of time. */
    public Step run(State from, List<Event> events, long untilMs) {
        List<Output> outputs = new ArrayList<>();
        State state = from;
        int next = 0;
        while (true) {
            long event = next < events.size() ? events.get(next).atMs() : Long.MAX_VALUE;
            long at = Math.min(event, due(state).orElse(Long.MAX_VALUE));
            if (at > untilMs || at == Long.MAX_VALUE) {
                return new Step(state, outputs);
            }
            int first = next;
            while (next < events.size() && events.get(next).atMs() == at) {
                next++;
            }
            Step step = at(state, at, events.subList(first, next));
            outputs.addAll(step.outputs());
            state = step.state();
        }
    }
}
