package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;

/**
 * One course of events on a virtual clock: somebody does something, and devices, links and rules react until nothing is left to
 * do, or until it goes round in circles. Levels are in percent, 0 is off.
 */
final class Simulation {
    /** Firings after which a course is taken to have no end. */
    private static final int MOST_FIRINGS = 120;

    private static final int FULL = 100;
    private static final int RUN_ON_MS = 300_000;

    private final RuledHouse house;
    private final RuleIndex index;
    private final Delays delays;
    private final int[] levels;
    private final Map<OutputId, Integer> stepOf = new HashMap<>();
    private final Map<OutputId, Integer> runOnOf = new HashMap<>();
    private final Map<ControlId, Boolean> contacts = new HashMap<>();
    private final PriorityQueue<Pending> queue = new PriorityQueue<>();
    private final List<Change> changes = new ArrayList<>();
    private final List<Commanded> commands = new ArrayList<>();
    private final List<Firing> firings = new ArrayList<>();
    private Environment environment = Environment.unknown();
    private Optional<List<Firing>> circle = Optional.empty();
    private long now;
    private int pendings;

    Simulation(RuleIndex index, Delays delays, boolean allOn) {
        this.index = index;
        this.house = index.house();
        this.delays = delays;
        levels = new int[index.outputs()];
        Arrays.fill(levels, allOn ? FULL : 0);
    }

    /** Where a change comes from. */
    enum Origin {
        HAND,
        REMOTE,
        RULE
    }

    /** @param firing of the rule that made it; only for RULE */
    record Cause(Origin origin, Optional<Firing> firing) {
        static final Cause HAND = new Cause(Origin.HAND, Optional.empty());
        static final Cause REMOTE = new Cause(Origin.REMOTE, Optional.empty());

        Optional<Rule> rule() {
            return firing.map(Firing::rule);
        }
    }

    /** An output changed. */
    record Change(long atMs, OutputId output, int from, int to, Cause cause) {
        boolean isOn() {
            return to > 0;
        }
    }

    /** An output was told what to be, whether that changed it or not. */
    record Commanded(long atMs, OutputId output, boolean on, Cause cause) {}

    /** A rule began to act. */
    record Firing(long atMs, Rule rule, Trigger trigger, Cause because, int[] levels) {
        boolean isLike(Firing other) {
            return rule == other.rule && trigger.equals(other.trigger) && Arrays.equals(levels, other.levels);
        }
    }

    /** What is still to come; what a run-on ends counts which one it was. */
    private record Pending(long atMs, int order, OutputChange turning, Cause cause, int runOn)
            implements Comparable<Pending> {
        @Override
        public int compareTo(Pending other) {
            return atMs != other.atMs ? Long.compare(atMs, other.atMs) : Integer.compare(order, other.order);
        }
    }

    List<Change> changes() {
        return changes;
    }

    List<Commanded> commands() {
        return commands;
    }

    List<Firing> firings() {
        return firings;
    }

    /** The firings that go round; empty when the course came to an end. */
    Optional<List<Firing>> circle() {
        return circle;
    }

    int level(OutputId output) {
        return levels[index.of(output)];
    }

    /** Sets the stage before anything happens. */
    void set(OutputId output, boolean on) {
        levels[index.of(output)] = on ? FULL : 0;
    }

    /** Puts a rocker up or down before anything happens. */
    void stand(ControlId control, boolean up) {
        contacts.put(control, up);
    }

    /** Sets the stage; false when guards contradict each other. */
    boolean assume(Trigger trigger, List<Guard> guards) {
        environment = environment.in(trigger);
        Optional<Environment> with = environment.with(guards);
        with.ifPresent(world -> environment = world);
        return with.isPresent();
    }

    /** A hand works a control: its own output, its links, and what listens to it. */
    void use(ControlId id, Device.Gesture gesture) {
        Device.Control control = house.controls().get(id);
        boolean before = contacts.getOrDefault(id, false);
        boolean active = control.kind() != Device.Kind.ROCKER || !before;
        contacts.put(id, control.kind() == Device.Kind.ROCKER && active);
        control.output().ifPresent(own -> ownOutput(control, own, active, gesture));
        boolean leads = gesture != Device.Gesture.LONG && gesture != Device.Gesture.DOUBLE;
        for (Link link : leads ? index.linksOf(id) : List.<Link>of()) {
            boolean led = control.output().map(own -> level(own) > 0).orElse(active);
            later(
                    delays.of(
                            link.way(),
                            house.owner(id).protocol(),
                            house.owner(link.output()).protocol()),
                    link.output(),
                    link.effect() == Link.Effect.TOGGLE
                            ? new OutputChange.Change.Toggle()
                            : new OutputChange.Change.To(led ? FULL : 0),
                    Cause.HAND);
        }
        index.usedBy(id).forEach(listener -> {
            if (((Trigger.Used) listener.trigger()).gesture() == gesture) {
                fire(listener, Cause.HAND);
            }
        });
        run();
    }

    private void ownOutput(Device.Control control, OutputId own, boolean active, Device.Gesture gesture) {
        if (control.kind() == Device.Kind.ROCKER) {
            react(control, own, control.behaviour().onChange(active));
        } else if (gesture != Device.Gesture.LONG) {
            react(control, own, control.behaviour().onChange(true));
            react(control, own, control.behaviour().onChange(false));
        }
    }

    private void react(Device.Control control, OutputId own, InputBehaviour.Reaction reaction) {
        switch (reaction) {
            case NONE -> {}
            case TOGGLE, DIRECTION -> command(own, level(own) > 0 ? 0 : FULL, Cause.HAND);
            case SWITCH_ON -> {
                command(own, FULL, Cause.HAND);
                if (control.behaviour().endsByItself()) {
                    runOn(new OutputChange(RUN_ON_MS, own, new OutputChange.Change.RunOnEnds()), 0, Cause.HAND);
                }
            }
            case SWITCH_OFF -> command(own, 0, Cause.HAND);
        }
    }

    /** Somebody switches an output by remote. */
    void remote(OutputId output, boolean on) {
        command(output, on ? FULL : 0, Cause.REMOTE);
        run();
    }

    /** Something happens that is no change of an output: a sensor, a time, somebody coming or going. */
    void happen(Trigger trigger) {
        index.listenersTo(trigger).forEach(listener -> fire(listener, new Cause(Origin.REMOTE, Optional.empty())));
        run();
    }

    /** Lets one rule act by one of its triggers, beside whatever else listens to it. */
    void happen(List<RuleIndex.Listener> together) {
        together.forEach(listener -> fire(listener, new Cause(Origin.REMOTE, Optional.empty())));
        run();
    }

    private void run() {
        while (!queue.isEmpty() && circle.isEmpty()) {
            Pending next = queue.poll();
            now = next.atMs();
            OutputId output = next.turning().output();
            if (next.runOn() == 0 || runOnOf.getOrDefault(output, 0) == next.runOn()) {
                command(
                        output,
                        next.turning().from(this::level, each -> stepOf.merge(each, 1, Integer::sum)),
                        next.cause());
            }
        }
    }

    private void later(long ms, OutputId output, OutputChange.Change change, Cause cause) {
        queue.add(new Pending(now + ms, pendings++, new OutputChange(0, output, change), cause, 0));
    }

    private void runOn(OutputChange end, long ms, Cause cause) {
        int generation = runOnOf.merge(end.output(), 1, Integer::sum);
        queue.add(new Pending(now + ms + end.afterMs(), pendings++, end, cause, generation));
    }

    private void command(OutputId output, int to, Cause cause) {
        int from = level(output);
        commands.add(new Commanded(now, output, to > 0, cause));
        if (from == to) {
            return;
        }
        levels[index.of(output)] = to;
        Change change = new Change(now, output, from, to, cause);
        changes.add(change);
        index.changesOf(output).forEach(listener -> {
            Trigger.Changes trigger = (Trigger.Changes) listener.trigger();
            boolean matches =
                    switch (trigger.to()) {
                        case ON -> from == 0;
                        case OFF -> to == 0;
                        case ANY -> true;
                    };
            if (matches && (!trigger.byHandOnly() || cause.origin() == Origin.HAND)) {
                fire(listener, cause);
            }
        });
    }

    private void fire(RuleIndex.Listener listener, Cause because) {
        Rule rule = listener.rule();
        if (circle.isPresent()
                || !rule.guards().stream()
                        .allMatch(
                                guard -> !(guard instanceof Guard.OutputIs is) || level(is.output()) > 0 == is.on())) {
            return;
        }
        Optional<Environment> world = environment.with(rule.guards());
        if (world.isEmpty()) {
            return;
        }
        environment = world.get();
        Firing firing = new Firing(now, rule, listener.trigger(), because, levels.clone());
        firings.add(firing);
        circle = circleOf(firing);
        if (circle.isEmpty()) {
            Cause cause = new Cause(Origin.RULE, Optional.of(firing));
            rule.deeds()
                    .forEach(deed -> act(
                            deed,
                            cause,
                            rule.on(),
                            house.sourceOf(listener.trigger()).map(Device::protocol)));
        }
    }

    /** From an ancestor that was just like it, up to it. */
    private Optional<List<Firing>> circleOf(Firing firing) {
        List<Firing> chain = new ArrayList<>(List.of(firing));
        for (Optional<Firing> at = firing.because().firing();
                at.isPresent();
                at = at.get().because().firing()) {
            chain.add(0, at.get());
            if (at.get().isLike(firing)) {
                return Optional.of(chain);
            }
        }
        return firings.size() > MOST_FIRINGS && chain.size() > MOST_FIRINGS / 2 ? Optional.of(chain) : Optional.empty();
    }

    private void act(Rule.Deed deed, Cause cause, Rule.RunsOn on, Optional<Protocol> from) {
        for (OutputChange turning : deed.action().turnings(house, OutputChange.LEAST)) {
            long ms = delays.of(on, from, house.owner(turning.output()).protocol()) + deed.afterSeconds() * 1000L;
            if (turning.change() instanceof OutputChange.Change.RunOnEnds) {
                runOn(turning, ms, cause);
            } else {
                queue.add(new Pending(now + ms + turning.afterMs(), pendings++, turning, cause, 0));
            }
        }
    }
}
