package org.hiddenclerk.core.live;

import java.util.Locale;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.rules.RuleRunner;

/** What is said in a house, told to people. */
final class SaidWords {
    private static final int FULL = 100;

    private final LivePlan plan;

    SaidWords(LivePlan plan) {
        this.plan = plan;
    }

    String nameOf(HouseId id) {
        return plan.nameOf(id);
    }

    String of(Message said) {
        if (said instanceof Message.Level level) {
            return nameOf(level.output()) + " " + state(level);
        } else if (said instanceof Message.Gestured gestured) {
            return nameOf(gestured.control()) + " " + gestured.gesture().words();
        } else if (said instanceof Message.Sensed sensed) {
            return nameOf(sensed.sensor()) + " says " + sensed.value();
        }
        Message.Ordered ordered = (Message.Ordered) said;
        return nameOf(ordered.order().output()) + ": " + of(ordered.order()) + ", by " + ordered.by();
    }

    private static String state(Message.Level level) {
        if (level.motion() != Motion.STOP) {
            return "goes " + level.motion().name().toLowerCase(Locale.ROOT);
        }
        return level.percent() == 0 ? "is off" : level.percent() == FULL ? "is on" : "is at " + level.percent() + " %";
    }

    String of(RuleRunner.Order order) {
        if (order instanceof RuleRunner.Order.Move move) {
            return move.motion().name().toLowerCase(Locale.ROOT);
        } else if (order instanceof RuleRunner.Order.Level level) {
            return level.percent() == 0 ? "off" : level.percent() == FULL ? "on" : level.percent() + " %";
        }
        return "the other way";
    }
}
