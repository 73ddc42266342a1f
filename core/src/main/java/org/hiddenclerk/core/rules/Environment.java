package org.hiddenclerk.core.rules;

import java.time.LocalTime;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.schedule.Schedule;

/** What is known of the world around the rules in one course of events: only what guards and triggers ask of it. */
final class Environment {
    private static final int DAY_MINUTES = 1440;

    private final BitSet minutes;
    private final Map<String, Boolean> facts;
    private final Map<SensorId, int[]> figures;

    private Environment(BitSet minutes, Map<String, Boolean> facts, Map<SensorId, int[]> figures) {
        this.minutes = minutes;
        this.facts = facts;
        this.figures = figures;
    }

    static Environment unknown() {
        BitSet all = new BitSet(DAY_MINUTES);
        all.set(0, DAY_MINUTES);
        return new Environment(all, new HashMap<>(), new HashMap<>());
    }

    private Environment copy() {
        Map<SensorId, int[]> copied = new HashMap<>();
        figures.forEach((sensor, range) -> copied.put(sensor, range.clone()));
        return new Environment((BitSet) minutes.clone(), new HashMap<>(facts), copied);
    }

    /** The world in which these hold too; empty when it contradicts what is known. Outputs are not of its concern. */
    Optional<Environment> with(List<Guard> guards) {
        Environment next = copy();
        for (Guard guard : guards) {
            if (!guard.narrows(next)) {
                return Optional.empty();
            }
        }
        return Optional.of(next);
    }

    /** The world in which a trigger happens. */
    Environment in(Trigger trigger) {
        Environment next = copy();
        trigger.happensIn(next);
        return next;
    }

    /** A sensor says this now, whatever it said before. */
    void sensed(Trigger.Sensed sensed) {
        forget(sensed.sensor());
        says(new Guard.SensorSays(sensed.sensor(), sensed.reading(), sensed.figure()));
    }

    /** Somebody has come, or the last one has left. */
    void household(boolean comes) {
        facts.put("home", comes);
    }

    private void forget(SensorId sensor) {
        facts.remove(sensor.text());
        figures.remove(sensor);
    }

    void due(Schedule schedule) {
        if (schedule instanceof Schedule.Daily daily) {
            only(daily.at());
        } else if (schedule instanceof Schedule.Recurring recurring) {
            only(recurring.first().toLocalTime());
        } else if (schedule instanceof Schedule.BySun sun && sun.offsetMinutes() != 0) {
            facts.put("dark", sun.event() == Schedule.SunEvent.SUNSET == sun.offsetMinutes() > 0);
        }
    }

    private void only(LocalTime at) {
        minutes.clear();
        minutes.set(at.toSecondOfDay() / 60);
    }

    boolean between(Guard.TimeBetween between) {
        minutes.and(span(between));
        return !minutes.isEmpty();
    }

    boolean dark(boolean dark) {
        return is("dark", dark);
    }

    boolean home(boolean home) {
        return is("home", home);
    }

    /** A span of no length is none. */
    private static BitSet span(Guard.TimeBetween between) {
        BitSet span = new BitSet(DAY_MINUTES);
        int from = between.from().toSecondOfDay() / 60;
        int to = between.to().toSecondOfDay() / 60;
        if (from <= to) {
            span.set(from, to);
        } else {
            span.set(from, DAY_MINUTES);
            span.set(0, to);
        }
        return span;
    }

    private boolean is(String fact, boolean value) {
        return facts.merge(fact, value, (known, now) -> known) == value;
    }

    boolean says(Guard.SensorSays says) {
        boolean first = says.reading().ordinal() % 2 == 0;
        if (says.reading().senses() == Device.Senses.DOOR || says.reading().senses() == Device.Senses.MOTION) {
            return is(says.sensor().text(), first);
        }
        int[] range =
                figures.computeIfAbsent(says.sensor(), sensor -> new int[] {Integer.MIN_VALUE, Integer.MAX_VALUE});
        if (first) {
            range[0] = Math.max(range[0], says.figure());
        } else {
            range[1] = Math.min(range[1], says.figure());
        }
        // Above the one and below the other: there must be something between.
        return (long) range[1] - range[0] > 1;
    }
}
