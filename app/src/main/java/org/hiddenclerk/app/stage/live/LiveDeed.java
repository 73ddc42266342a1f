package org.hiddenclerk.app.stage.live;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalTime;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.Conditions;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Parts;
import org.hiddenclerk.core.rules.RuleRunner;

/**
 * Something that is done in a house that runs.
 *
 * @param at      switch, button, output, sensor or part that it is done to
 * @param doing   of a hand
 * @param percent that an output is ordered to
 * @param value   that a sensor says
 * @param is      whether a part is down, it is dark, somebody is home, or the hub asks instead of being told; left
 *                out where it is dark, the sun decides
 * @param slow    times as long as usual that messages take
 * @param time    that the clock is put on to
 */
record LiveDeed(
        @NotNull Kind kind,
        @MayBeAbsent @Size(max = 160) String at,
        @MayBeAbsent Hand.Doing doing,
        @MayBeAbsent @Min(0) @Max(100) Integer percent,
        @MayBeAbsent @Min(-100_000) @Max(1_000_000) Integer value,
        @MayBeAbsent Boolean is,
        @MayBeAbsent @Min(1) @Max(100) Integer slow,
        @MayBeAbsent LocalTime time) {
    enum Kind {
        HAND,
        ORDER,
        SENSE,
        PART,
        SLOW,
        POLLING,
        DARK,
        HOME,
        CLOCK
    }

    /** @throws ProblemException with the pointer of what is missing or unknown */
    void check(LivePlan plan) {
        switch (kind) {
            case HAND -> {
                needs(doing, "/doing");
                known(
                        "/at",
                        is(
                                SwitchId::new,
                                hand -> plan.house().controls().containsKey(hand.control())
                                        || plan.runs().stream()
                                                .anyMatch(run -> run.switches().containsValue(hand))),
                        "a switch or button of the house");
            }
            case ORDER -> {
                needs(percent, "/percent");
                known("/at", is(OutputId::new, plan.house().outputs()::containsKey), "an output of the house");
            }
            case SENSE -> {
                needs(value, "/value");
                known("/at", is(SensorId::new, plan.house().sensors()::containsKey), "a sensor of the house");
            }
            case PART -> {
                needs(is, "/is");
                known("/at", at != null && Parts.find(plan.house(), at).isPresent(), "a part of the house");
            }
            case SLOW -> needs(slow, "/slow");
            case POLLING, HOME -> needs(is, "/is");
            case CLOCK -> needs(time, "/time");
            case DARK -> {}
        }
    }

    private <T> boolean is(Function<String, T> kind, Predicate<T> isKnown) {
        return at != null && isKnown.test(kind.apply(at));
    }

    private static void needs(@org.jspecify.annotations.Nullable Object value, String pointer) {
        if (value == null) {
            throw ProblemException.content(
                    "This cannot be done in the house",
                    new FieldProblem(pointer, "nothing", "a value for this kind of deed"));
        }
    }

    private void known(String pointer, boolean isKnown, String expected) {
        if (!isKnown) {
            throw ProblemException.content(
                    "This cannot be done in the house", new FieldProblem(pointer, String.valueOf(at), expected));
        }
    }

    /** It must have been checked. */
    void doIn(LiveHouse house) {
        Conditions now = house.conditions();
        switch (kind) {
            case HAND -> house.hand(new Hand(new SwitchId(at), doing));
            case ORDER -> house.remote(new RuleRunner.Order.Level(new OutputId(at), percent));
            case SENSE -> house.sense(new SensorId(at), value);
            case PART -> Parts.find(house.plan().house(), at).ifPresent(part -> house.conditions(now.with(part, is)));
            case SLOW -> house.conditions(new Conditions(now.down(), slow, now.polling()));
            case POLLING -> house.conditions(new Conditions(now.down(), now.slow(), is));
            case DARK -> house.dark(Optional.ofNullable(is));
            case HOME -> house.household(is);
            case CLOCK -> house.clock(time);
        }
    }
}
