package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** One instant of a machine: takes a state apart, lets happen what happens, and puts it together again. */
final class Tick {
    private final InputBehaviour behaviour;
    private final Parameters parameters;
    private final long now;
    private final List<Output> outputs = new ArrayList<>();

    private final List<Contact> contacts;
    private final List<Contact> counted;
    private final List<State.Counting> counting;
    private boolean relay;
    private Motion motion;
    private OptionalLong timerEnds;
    private boolean pressed;
    private State.Supply supply;
    private Optional<State.Waiting> waiting;
    private OptionalLong upEnded;
    private OptionalLong downEnded;

    Tick(Machine machine, State state, long now) {
        behaviour = machine.behaviour();
        parameters = machine.parameters();
        this.now = now;
        contacts = new ArrayList<>(state.contacts());
        counted = new ArrayList<>(state.counted());
        counting = new ArrayList<>(state.counting());
        relay = state.relay();
        motion = state.motion();
        timerEnds = state.timerEnds();
        pressed = state.pressed();
        supply = state.supply();
        waiting = state.waiting();
        upEnded = state.upEnded();
        downEnded = state.downEnded();
    }

    Machine.Step run(List<Event> events) {
        events.stream().filter(event -> event.deed().isSupply()).forEach(this::supply);
        if (!supply.fallen()
                && supply.lostAt().isPresent()
                && supply.lostAt().getAsLong() + parameters.holdUpMs() == now) {
            fall();
        }
        if (!supply.fallen()) {
            timers();
            count();
        }
        events.stream().filter(event -> event.deed().isContact()).forEach(this::move);
        if (!supply.fallen()) {
            events.stream().filter(event -> event.deed().isRemote()).forEach(event -> remote(event.deed()));
        }
        return new Machine.Step(
                new State(
                        contacts, counted, counting, relay, motion, timerEnds, pressed, supply, waiting, upEnded,
                        downEnded),
                outputs);
    }

    private void supply(Event event) {
        boolean lost = event.deed() == Event.Type.SUPPLY_LOST;
        if (lost && supply.isThere()) {
            supply = new State.Supply(OptionalLong.of(now), false, relay);
        } else if (!lost && supply.fallen()) {
            boolean before = supply.relayBefore();
            supply = State.Supply.THERE;
            comeBack(before);
        } else if (!lost && !supply.isThere()) {
            long missing = now - supply.lostAt().getAsLong();
            supply = State.Supply.THERE;
            behaviour.missed(this, missing);
        }
    }

    private void fall() {
        counting.clear();
        timerEnds = OptionalLong.empty();
        pressed = false;
        waiting = Optional.empty();
        turn(false, Cause.SUPPLY);
        go(Motion.STOP, Cause.SUPPLY);
        supply = new State.Supply(supply.lostAt(), true, supply.relayBefore());
    }

    private void comeBack(boolean before) {
        for (int i = 0; i < contacts.size(); i++) {
            counted.set(i, contacts.get(i));
        }
        behaviour.supplyBack(this, before);
    }

    Parameters parameters() {
        return parameters;
    }

    boolean isOn() {
        return relay;
    }

    /** Whether the contact stands as it does when it is active, whatever was counted. */
    boolean isClosedAsActive() {
        return parameters.isActive(contacts.get(0));
    }

    void tell(Output.Report report) {
        outputs.add(new Output.Told(now, report));
    }

    private void timers() {
        if (timerEnds.isPresent() && timerEnds.getAsLong() == now) {
            timerEnds = OptionalLong.empty();
            behaviour.timerEnded(this);
        }
        if (waiting.isPresent() && waiting.get().atMs() == now) {
            State.Waiting due = waiting.get();
            waiting = Optional.empty();
            go(due.motion(), due.cause());
        }
    }

    /** Changes that have stayed for long enough count, in the order they were made. */
    private void count() {
        List<State.Counting> due =
                counting.stream().filter(change -> change.atMs() == now).toList();
        counting.removeAll(due);
        due.forEach(this::count);
    }

    private void move(Event event) {
        int input = event.input() - 1;
        Contact to = event.deed() == Event.Type.CLOSE ? Contact.CLOSED : Contact.OPEN;
        if (contacts.get(input) == to) {
            return;
        }
        contacts.set(input, to);
        if (supply.fallen() || !behaviour.hasContact()) {
            return;
        }
        boolean takesBack = counting.removeIf(change -> change.input() == input);
        if (!takesBack) {
            State.Counting change = new State.Counting(input, to, now + parameters.debounceMs());
            if (parameters.debounceMs() == 0) {
                count(change);
            } else {
                counting.add(change);
            }
        }
    }

    private void count(State.Counting change) {
        counted.set(change.input(), change.to());
        behaviour.counted(this, parameters.isActive(change.to()));
    }

    /** A finger is on the button, or has left it. */
    void press(boolean active) {
        if (active) {
            pressed = true;
            timerEnds = OptionalLong.of(now + parameters.holdMs());
        } else if (pressed) {
            pressed = false;
            timerEnds = OptionalLong.empty();
            tell(Output.Report.SHORT);
            react(behaviour.onChange(false));
        }
    }

    void heldLong() {
        pressed = false;
        tell(Output.Report.LONG);
    }

    void react(InputBehaviour.Reaction reaction) {
        boolean inverted = behaviour.isLedByPosition() && parameters.inverted();
        switch (reaction) {
            case NONE -> {}
            case TOGGLE -> turn(!relay, Cause.HAND);
            case SWITCH_ON -> turn(!inverted, Cause.HAND);
            case SWITCH_OFF -> turn(inverted, Cause.HAND);
            case DIRECTION -> command(asked(), Cause.HAND);
        }
    }

    private void remote(Event.Type deed) {
        switch (deed) {
            case REMOTE_UP -> command(Motion.UP, Cause.REMOTE);
            case REMOTE_DOWN -> command(Motion.DOWN, Cause.REMOTE);
            case REMOTE_STOP -> command(Motion.STOP, Cause.REMOTE);
            case REMOTE_ON -> behaviour.ordered(this, true);
            case REMOTE_OFF -> behaviour.ordered(this, false);
            case REMOTE_TOGGLE -> behaviour.ordered(this, !relay);
            case CLOSE, OPEN, SUPPLY_LOST, SUPPLY_BACK ->
                throw new IllegalArgumentException(deed + " is no remote command.");
        }
    }

    /** It goes off after its time; a new start begins anew. */
    void runOn() {
        timerEnds = OptionalLong.of(now + parameters.runOnMs());
    }

    void stopRunOn(Cause cause) {
        timerEnds = OptionalLong.empty();
        turn(false, cause);
    }

    void turn(boolean on, Cause cause) {
        if (relay != on) {
            relay = on;
            outputs.add(new Output.Relay(now, on, cause));
        }
    }

    Motion asked() {
        return Motion.of(parameters.isActive(counted.get(0)), parameters.isActive(counted.get(1)));
    }

    void command(Motion to, Cause cause) {
        waiting = Optional.empty();
        if (to == motion) {
            return;
        }
        go(Motion.STOP, cause);
        if (to == Motion.STOP) {
            return;
        }
        OptionalLong ended = to == Motion.UP ? downEnded : upEnded;
        long from = ended.isPresent() ? ended.getAsLong() + parameters.reversePauseMs() : now;
        if (from > now) {
            waiting = Optional.of(new State.Waiting(to, from, cause));
        } else {
            go(to, cause);
        }
    }

    private void go(Motion to, Cause cause) {
        if (motion == to) {
            return;
        }
        if (motion == Motion.UP) {
            upEnded = OptionalLong.of(now);
        } else if (motion == Motion.DOWN) {
            downEnded = OptionalLong.of(now);
        }
        motion = to;
        outputs.add(new Output.Moves(now, to, cause));
    }
}
