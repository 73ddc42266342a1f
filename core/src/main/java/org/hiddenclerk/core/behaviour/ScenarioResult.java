package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.List;

/**
 * An occasion as it goes with a behaviour.
 *
 * @param hands          times that somebody worked the switch
 * @param wasted         of these, without bringing what was wanted
 * @param contradictions moments at which a switch that has an up stood up with the lamp off, or down with it on
 * @param failed         wishes that no working of the switch fulfilled
 * @param leftOn         whether the lamp burns with nobody there
 * @param events         what happened, on a clock that begins at 0
 * @param outputs        what the module did
 * @param untilMs        the end
 */
public record ScenarioResult(
        Scenario occasion,
        int hands,
        int wasted,
        int contradictions,
        int failed,
        boolean leftOn,
        List<Event> events,
        List<Output> outputs,
        long untilMs) {
    private static final long LOOK_MS = 1_000;
    private static final long PRESS_MS = 200;
    private static final long BLINK_MS = 60;
    /** Somebody gives up after so many tries. */
    private static final int PATIENCE = 4;

    public ScenarioResult {
        events = List.copyOf(events);
        outputs = List.copyOf(outputs);
    }

    static ScenarioResult of(Scenario occasion, Wall wall, Machine machine) {
        return new Player(wall, machine).play(occasion);
    }

    /** What it costs, in words. */
    public String words(Wall wall) {
        List<String> words = new ArrayList<>();
        words.add(
                hands == 0
                        ? "nothing to do"
                        : hands + " " + wall.kind().deed()
                                + (hands == 1 ? "" : wall.kind().deed().endsWith("s") ? "es" : "s"));
        if (wasted > 0) {
            words.add(wasted + " without effect");
        }
        if (contradictions > 0) {
            words.add("switch and lamp disagree " + (contradictions == 1 ? "once" : contradictions + " times"));
        }
        if (failed > 0) {
            words.add("the switch cannot do it " + (failed == 1 ? "once" : failed + " times"));
        }
        if (leftOn) {
            words.add("the lamp stays on with nobody there");
        }
        return String.join(", ", words);
    }

    /** Somebody who lives through an occasion. */
    private static final class Player {
        private final Wall wall;
        private final Machine machine;
        private final List<Event> events = new ArrayList<>();
        private final List<Output> outputs = new ArrayList<>();
        private State state;
        private long now;
        private int hands;
        private int wasted;
        private int contradictions;
        private int failed;
        private boolean leftOn;

        Player(Wall wall, Machine machine) {
            this.wall = wall;
            this.machine = machine;
            state = machine.start(List.of(machine.parameters().rest()), false, Motion.STOP);
        }

        ScenarioResult play(Scenario occasion) {
            occasion.steps().forEach(this::live);
            return new ScenarioResult(occasion, hands, wasted, contradictions, failed, leftOn, events, outputs, now);
        }

        private void live(Scenario.Step step) {
            if (step instanceof Scenario.Want want) {
                want(want.on());
            } else if (step instanceof Scenario.Remote remote) {
                happen(remote.on() ? Event.Type.REMOTE_ON : Event.Type.REMOTE_OFF);
            } else if (step instanceof Scenario.Cut cut) {
                happen(Event.Type.SUPPLY_LOST);
                now += cut.ms();
                happen(Event.Type.SUPPLY_BACK);
            } else if (step instanceof Scenario.Fiddle fiddle) {
                for (int i = 0; i < fiddle.times(); i++) {
                    boolean before = state.relay();
                    work();
                    wasted += state.relay() == before ? 1 : 0;
                }
            } else if (step instanceof Scenario.Pass pass) {
                now += pass.ms();
                advance();
            } else {
                leftOn = state.relay();
            }
            boolean up = machine.parameters().isActive(state.contacts().get(0));
            contradictions += wall.hasUp() && up != state.relay() ? 1 : 0;
        }

        private void want(boolean on) {
            for (int tries = 0; state.relay() != on; tries++) {
                if (tries == PATIENCE) {
                    failed++;
                    return;
                }
                work();
                wasted += state.relay() == on ? 0 : 1;
            }
        }

        private void work() {
            hands++;
            Contact stands = state.contacts().get(0);
            switch (wall.kind()) {
                case ROCKER -> happen(change(stands.other()));
                case PUSH, UP_DOWN -> {
                    events.add(new Event(now, change(stands.other())));
                    now += PRESS_MS;
                    happen(change(stands));
                }
                case SUPPLY -> {
                    events.add(new Event(now, Event.Type.SUPPLY_LOST));
                    now += BLINK_MS;
                    happen(Event.Type.SUPPLY_BACK);
                }
            }
        }

        private static Event.Type change(Contact to) {
            return to == Contact.CLOSED ? Event.Type.CLOSE : Event.Type.OPEN;
        }

        private void happen(Event.Type deed) {
            events.add(new Event(now, deed));
            now += LOOK_MS;
            advance();
        }

        /** Runs everything anew: occasions are short. */
        private void advance() {
            Machine.Step step =
                    machine.run(machine.start(List.of(machine.parameters().rest()), false, Motion.STOP), events, now);
            state = step.state();
            outputs.clear();
            outputs.addAll(step.outputs());
        }
    }
}
