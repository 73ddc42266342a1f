package org.hiddenclerk.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.Supplier;
import org.hiddenclerk.core.behaviour.Cause;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.RuleRunner;
import org.hiddenclerk.core.rules.World;
import org.hiddenclerk.core.schedule.Location;

/** Somewhere that rules run: the hub, a cloud, a device. It knows what it has heard, and its clock. */
final class RulePlace {
    private final RuleRunner runner;
    private final List<Link> links;
    private final Optional<Location> where;
    private final Map<SensorId, World.Sensing> sensors = new HashMap<>();
    private final PriorityQueue<Stillness> stillnesses =
            new PriorityQueue<>(java.util.Comparator.comparingLong(Stillness::atMs));
    private Optional<Long> nextTimeMs = Optional.empty();
    private boolean timeKnown;

    /** Nobody has moved for so many minutes, if nobody moves until then. */
    private record Stillness(long atMs, SensorId sensor, int minutes, long sinceMs) {}

    /** What the place may ask of the world. */
    interface Around {
        World world(Map<SensorId, World.Sensing> sensors);

        Instant instant(long nowMs);
    }

    RulePlace(RuleRunner runner, List<Link> links, Optional<Location> where) {
        this.runner = runner;
        this.links = List.copyOf(links);
        this.where = where;
    }

    RuleRunner runner() {
        return runner;
    }

    void hear(long now, Message said, Around around) {
        if (said instanceof Message.Level level) {
            runner.changed(now, level.output(), level.percent(), level.by() == Cause.HAND, world(around));
        } else if (said instanceof Message.Gestured gestured) {
            runner.used(now, gestured.control(), gestured.gesture(), world(around));
            links.stream()
                    .filter(link -> link.control().equals(gestured.control()) && gestured.leads())
                    .forEach(link -> runner.linked(now, link, gestured.active()));
        } else if (said instanceof Message.Sensed sensed) {
            World.Sensing before = sensors.put(sensed.sensor(), new World.Sensing(sensed.value(), now));
            if (!sensed.again() || before != null) {
                runner.sensed(
                        now,
                        sensed.sensor(),
                        Optional.ofNullable(before).map(World.Sensing::value),
                        sensed.value(),
                        world(around));
            }
            if (sensed.value() == 0) {
                runner.stillnesses(sensed.sensor())
                        .forEach(minutes ->
                                stillnesses.add(new Stillness(now + minutes * 60_000L, sensed.sensor(), minutes, now)));
            }
        }
    }

    /** Asked for only when a rule may act. */
    private Supplier<World> world(Around around) {
        return () -> around.world(sensors);
    }

    void household(long now, boolean comes, Around around) {
        runner.household(now, comes, world(around));
    }

    /** The clock was put elsewhere. */
    void clockMoved() {
        timeKnown = false;
    }

    /** When something is due; {@link Long#MAX_VALUE} when nothing is. */
    long due(long now, Around around) {
        if (!timeKnown) {
            nextTimeMs = where.flatMap(place -> runner.nextTime(around.instant(now), place))
                    .map(next -> now
                            + next.toInstant().toEpochMilli()
                            - around.instant(now).toEpochMilli());
            timeKnown = true;
        }
        long due = Math.min(runner.due().orElse(Long.MAX_VALUE), nextTimeMs.orElse(Long.MAX_VALUE));
        return stillnesses.isEmpty() ? due : Math.min(due, stillnesses.peek().atMs());
    }

    /** Lets happen what is due, and gives its orders. */
    List<RuleRunner.Ordered> pass(long now, Around around) {
        while (!stillnesses.isEmpty() && stillnesses.peek().atMs() <= now) {
            Stillness still = stillnesses.poll();
            World.Sensing sensing = sensors.get(still.sensor());
            if (sensing.value() == 0 && sensing.sinceMs() == still.sinceMs()) {
                runner.still(now, still.sensor(), still.minutes(), world(around));
            }
        }
        if (timeKnown && nextTimeMs.filter(at -> at <= now).isPresent()) {
            runner.timeComes(now, around.instant(nextTimeMs.get()), where.orElseThrow(), world(around));
            nextTimeMs = runner.nextTime(around.instant(nextTimeMs.get()).plusMillis(1), where.orElseThrow())
                    .map(next -> now
                            + next.toInstant().toEpochMilli()
                            - around.instant(now).toEpochMilli());
        }
        return new ArrayList<>(runner.orders(now));
    }

    void startAnew() {
        runner.startAnew();
        sensors.clear();
        stillnesses.clear();
    }
}
