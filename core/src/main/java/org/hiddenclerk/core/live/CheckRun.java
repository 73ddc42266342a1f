package org.hiddenclerk.core.live;

import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.RuleFinding.StoryStep;
import org.hiddenclerk.core.rules.RuleRunner;
import org.hiddenclerk.core.rules.Trigger;

/** A check, tried in a house of its own on a clock of its own. */
public final class CheckRun {
    private static final long SETTLES_MS = 5_000;
    private static final int MOST_STEPS = 40;
    /** Happenings after which a house is taken to go round in circles. */
    private static final int MOST_HAPPENINGS = 5_000;

    static final int FULL = 100;
    private static final long MINUTE_MS = 60_000;

    private final LivePlan plan;
    private final Check check;
    private final LiveHouse house;
    private final List<Happening> happenings = new ArrayList<>();

    private CheckRun(LivePlan plan, Check check, Instant start) {
        this.plan = plan;
        this.check = check;
        house = new LiveHouse(plan, start, Carrier.NONE, happenings::add);
    }

    /**
     * How one expectation came out.
     *
     * @param afterMs when it became so, counted from the last thing that happened; empty when it never did
     */
    public record Met(String words, boolean met, Optional<Long> afterMs) {}

    /**
     * How a check came out.
     *
     * @param problem why it could not be tried, or that the house never came to rest
     * @param story   what happened, from the first thing that did
     */
    public record Result(boolean passed, Optional<String> problem, List<Met> thens, List<StoryStep> story) {
        public Result {
            thens = List.copyOf(thens);
            story = List.copyOf(story);
        }
    }

    /** @param start what the clock of the house shows at first */
    public static Result of(LivePlan plan, Check check, Instant start) {
        return new CheckRun(plan, check, start).run();
    }

    private Result run() {
        house.pass(SETTLES_MS);
        check.givens().stream().filter(given -> !given.comesLast()).forEach(given -> given.setIn(this));
        check.givens().stream().filter(Check.Given::comesLast).forEach(given -> given.setIn(this));
        pass(house.now() + SETTLES_MS);
        List<String> notSo = check.givens().stream()
                .filter(given -> !given.isStillSo(this))
                .map(given -> CheckWords.of(plan, given))
                .toList();
        if (!notSo.isEmpty()) {
            return new Result(
                    false,
                    Optional.of("The house does not stay so that " + String.join(" and ", notSo) + "."),
                    List.of(),
                    List.of());
        }
        happenings.clear();
        long begin = house.now();
        check.whens().forEach(when -> when.happenIn(this));
        long last = house.now();
        List<Met> thens = watch(last);
        Optional<String> problem = happenings.size() >= MOST_HAPPENINGS
                ? Optional.of("The house does not come to rest.")
                : Optional.empty();
        return new Result(
                problem.isEmpty() && thens.stream().allMatch(Met::met),
                problem,
                thens,
                happenings.stream()
                        .limit(MOST_STEPS)
                        .map(happening -> new StoryStep(happening.atMs() - begin, happening.words()))
                        .toList());
    }

    private void pass(long untilMs) {
        for (long next = house.due().orElse(Long.MAX_VALUE);
                next <= untilMs && happenings.size() < MOST_HAPPENINGS;
                next = house.due().orElse(Long.MAX_VALUE)) {
            house.pass(next);
        }
        if (happenings.size() < MOST_HAPPENINGS) {
            house.pass(untilMs);
        }
    }

    boolean isOn(OutputId output) {
        return house.outputs().get(output).percent() > 0;
    }

    void outputIs(OutputId output, boolean on) {
        if (isOn(output) != on) {
            order(new RuleRunner.Order.Level(output, on ? FULL : 0));
            pass(house.now() + SETTLES_MS);
        }
    }

    void order(RuleRunner.Order order) {
        house.remote(order);
    }

    void hand(Hand hand) {
        house.hand(hand);
    }

    void dark(boolean dark) {
        house.dark(Optional.of(dark));
    }

    void household(boolean home) {
        house.household(home);
    }

    void clock(LocalTime time) {
        house.clock(time);
    }

    void passSeconds(int seconds) {
        pass(house.now() + seconds * 1000L);
    }

    boolean hubKnows(OutputId output) {
        LiveHouse.OutputNow now = house.outputs().get(output);
        return now.hubKnows().filter(known -> known == now.percent()).isPresent();
    }

    void sense(SensorId sensor, Trigger.Reading reading, int figure) {
        house.sense(sensor, reading.valueAt(figure));
        if (reading == Trigger.Reading.STILL) {
            pass(house.now() + figure * MINUTE_MS);
        }
    }

    void fail(String key, boolean down) {
        Parts.find(plan.house(), key)
                .ifPresent(part -> house.conditions(house.conditions().with(part, down)));
    }

    private List<Met> watch(long from) {
        Map<Check.Then, Long> first = new HashMap<>();
        Map<Check.Then, Boolean> always = new HashMap<>();
        long until = from
                + check.thens().stream().mapToLong(Check.Then::spanMs).max().orElse(0);
        look(from, first, always);
        for (long next = house.due().orElse(Long.MAX_VALUE);
                next <= until && happenings.size() < MOST_HAPPENINGS;
                next = house.due().orElse(Long.MAX_VALUE)) {
            house.pass(next);
            look(from, first, always);
        }
        return check.thens().stream()
                .map(then -> {
                    boolean met = then.holdsAlways() ? always.get(then) : first.containsKey(then);
                    return new Met(CheckWords.of(plan, then), met, Optional.ofNullable(first.get(then)));
                })
                .toList();
    }

    private void look(long from, Map<Check.Then, Long> first, Map<Check.Then, Boolean> always) {
        for (Check.Then then : check.thens()) {
            if (house.now() - from <= then.spanMs()) {
                boolean is = then.isSo(this);
                always.merge(then, is, Boolean::logicalAnd);
                if (is) {
                    first.putIfAbsent(then, house.now() - from);
                } else if (then.countsToTheEnd()) {
                    first.remove(then);
                }
            }
        }
    }
}
