package org.hiddenclerk.core.rules;

import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.PriorityQueue;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.Occurrences;

/**
 * Runs rules in a house: is told what happens, and answers with orders. It knows of outputs only what it has heard. Times are
 * milliseconds on the clock of the house.
 */
public final class RuleRunner {
    private static final int FULL = 100;

    private final RuledHouse house;
    private final RuleIndex index;
    private final int thinksMs;
    private final Random random = new Random(0);
    private final Map<OutputId, Integer> levels = new HashMap<>();
    private final Map<OutputId, Integer> stepOf = new HashMap<>();
    private final Map<OutputId, Integer> runOnOf = new HashMap<>();
    private final PriorityQueue<Pending> queue = new PriorityQueue<>();
    private final List<Fired> fired = new ArrayList<>();
    private int pendings;

    /**
     * A runner of some rules of a house.
     *
     * @param mine     rules that run here; links are whoever's who made it
     * @param thinksMs until it has decided
     */
    public RuleRunner(RuledHouse house, Predicate<Rule> mine, int thinksMs) {
        this.house = house;
        this.thinksMs = thinksMs;
        index = new RuleIndex(
                house.withRules(house.rules().stream().filter(mine).toList()));
    }

    /** What is to be done to an output. */
    public sealed interface Order {
        OutputId output();

        record Level(OutputId output, int percent) implements Order {}

        record Toggle(OutputId output) implements Order {}

        record Move(OutputId output, Motion motion) implements Order {}
    }

    /** An order, and the rule or link that gave it. */
    public record Ordered(Order order, String by) {}

    /** A rule began to act. */
    public record Fired(long atMs, Rule rule) {}

    private record Pending(long atMs, int number, OutputChange turning, String by, int runOn)
            implements Comparable<Pending> {
        @Override
        public int compareTo(Pending other) {
            return atMs != other.atMs ? Long.compare(atMs, other.atMs) : Integer.compare(number, other.number);
        }
    }

    /** Level that it takes an output to have; empty before it has heard of it. */
    public Optional<Integer> known(OutputId output) {
        return Optional.ofNullable(levels.get(output));
    }

    /** Learns what an output is, without anything having happened. */
    public void learn(OutputId output, int percent) {
        levels.put(output, percent);
    }

    /** An output is heard to have changed. What is heard for the first time, and what is heard again, sets nothing going. */
    public void changed(long now, OutputId output, int to, boolean byHand, Supplier<World> world) {
        Integer from = levels.put(output, to);
        if (from == null || from == to) {
            return;
        }
        for (RuleIndex.Listener listener : index.changesOf(output)) {
            Trigger.Changes trigger = (Trigger.Changes) listener.trigger();
            boolean matches =
                    switch (trigger.to()) {
                        case ON -> from == 0;
                        case OFF -> to == 0;
                        case ANY -> true;
                    };
            if (matches && (!trigger.byHandOnly() || byHand)) {
                fire(now, listener.rule(), world);
            }
        }
    }

    public void used(long now, ControlId control, Device.Gesture gesture, Supplier<World> world) {
        index.usedBy(control).stream()
                .filter(listener -> ((Trigger.Used) listener.trigger()).gesture() == gesture)
                .forEach(listener -> fire(now, listener.rule(), world));
    }

    /**
     * A sensor says something else than before.
     *
     * @param before empty when it says something for the first time
     */
    public void sensed(long now, SensorId sensor, Optional<Integer> before, int value, Supplier<World> world) {
        index.listenersToSensor(sensor).forEach(listener -> {
            Trigger.Sensed sensed = (Trigger.Sensed) listener.trigger();
            if (sensed.reading() != Trigger.Reading.STILL
                    && sensed.reading().holdsAt(value, 0, sensed.figure())
                    && before.filter(old -> sensed.reading().holdsAt(old, 0, sensed.figure()))
                            .isEmpty()) {
                fire(now, listener.rule(), world);
            }
        });
    }

    public void household(long now, boolean comes, Supplier<World> world) {
        index.listenersTo(new Trigger.Household(comes)).forEach(listener -> fire(now, listener.rule(), world));
    }

    /** After how many minutes without movement something is to happen, by the figures of triggers. */
    public Set<Integer> stillnesses(SensorId sensor) {
        return index.listenersToSensor(sensor).stream()
                .map(listener -> (Trigger.Sensed) listener.trigger())
                .filter(trigger -> trigger.reading() == Trigger.Reading.STILL)
                .map(Trigger.Sensed::figure)
                .collect(Collectors.toSet());
    }

    public void still(long now, SensorId sensor, int minutes, Supplier<World> world) {
        index.listenersTo(new Trigger.Sensed(sensor, Trigger.Reading.STILL, minutes))
                .forEach(listener -> fire(now, listener.rule(), world));
    }

    /** When a time that rules wait for comes next, at or after an instant. */
    public Optional<ZonedDateTime> nextTime(Instant from, Location where) {
        return index.others().keySet().stream()
                .filter(Trigger.Due.class::isInstance)
                .flatMap(trigger -> Occurrences.next(((Trigger.Due) trigger).schedule(), where, from, 1).stream())
                .min(java.util.Comparator.comparing(ZonedDateTime::toInstant));
    }

    /** A time comes: whatever waits for it begins to act. */
    public void timeComes(long now, Instant at, Location where, Supplier<World> world) {
        index.others().forEach((trigger, listeners) -> {
            if (trigger instanceof Trigger.Due due
                    && Occurrences.next(due.schedule(), where, at, 1).stream()
                            .anyMatch(next -> next.toInstant().equals(at))) {
                listeners.forEach(listener -> fire(now, listener.rule(), world));
            }
        });
    }

    private void fire(long now, Rule rule, Supplier<World> world) {
        boolean holds = rule.guards().stream()
                .allMatch(guard -> guard.holds(world, output -> levels.getOrDefault(output, 0), now));
        if (!holds) {
            return;
        }
        fired.add(new Fired(now, rule));
        for (Rule.Deed deed : rule.deeds()) {
            long begins = now + thinksMs + deed.afterSeconds() * 1000L;
            if (deed.action() instanceof Action.Pretend pretend) {
                random.setSeed(pretend.seed() + now);
            }
            for (OutputChange turning :
                    deed.action().turnings(house, (least, most) -> least + random.nextInt(most - least + 1))) {
                int generation = turning.change() instanceof OutputChange.Change.RunOnEnds
                        ? runOnOf.merge(turning.output(), 1, Integer::sum)
                        : 0;
                queue.add(new Pending(
                        begins + turning.afterMs(), pendings++, turning, "\"" + rule.name() + "\"", generation));
            }
        }
    }

    /**
     * A link acts.
     *
     * @param active what the control says, where it leads no output of its own
     */
    public void linked(long now, Link link, boolean active) {
        boolean led = house.controls()
                .get(link.control())
                .output()
                .map(own -> levels.getOrDefault(own, 0) > 0)
                .orElse(active);
        OutputChange.Change change = link.effect() == Link.Effect.TOGGLE
                ? new OutputChange.Change.Toggle()
                : new OutputChange.Change.To(led ? FULL : 0);
        queue.add(new Pending(
                now + thinksMs,
                pendings++,
                new OutputChange(0, link.output(), change),
                "a link " + link.way().words(),
                0));
    }

    public OptionalLong due() {
        return queue.isEmpty()
                ? OptionalLong.empty()
                : OptionalLong.of(queue.peek().atMs());
    }

    /** Orders that are due. */
    public List<Ordered> orders(long now) {
        List<Ordered> orders = new ArrayList<>();
        while (!queue.isEmpty() && queue.peek().atMs() <= now) {
            Pending next = queue.poll();
            OutputId output = next.turning().output();
            if (next.runOn() == 0 || next.runOn() == runOnOf.getOrDefault(output, 0)) {
                orders.add(new Ordered(order(next.turning()), next.by()));
            }
        }
        return orders;
    }

    /** What it does not know it lets the device decide, where a device can. */
    private Order order(OutputChange turning) {
        OutputId output = turning.output();
        if (turning.change() instanceof OutputChange.Change.Moves moves) {
            return new Order.Move(output, moves.motion());
        } else if (turning.change() instanceof OutputChange.Change.Toggle
                && known(output).isEmpty()) {
            return new Order.Toggle(output);
        }
        return new Order.Level(
                output,
                turning.from(each -> levels.getOrDefault(each, 0), each -> stepOf.merge(each, 1, Integer::sum)));
    }

    /** Rules that began to act since this was last asked. */
    public List<Fired> fired() {
        List<Fired> since = List.copyOf(fired);
        fired.clear();
        return since;
    }

    /** Forgets everything, as after a start. */
    public void startAnew() {
        levels.clear();
        queue.clear();
        stepOf.clear();
        runOnOf.clear();
    }
}
