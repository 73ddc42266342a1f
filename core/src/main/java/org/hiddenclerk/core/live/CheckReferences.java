package org.hiddenclerk.core.live;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.RuledHouse.Problem;
import org.hiddenclerk.core.rules.Trigger;

/** Whether everything that a check names is in the house, and its figures can be. */
public final class CheckReferences {
    private static final int MOST_MS = 600_000;
    private static final int MOST_SECONDS = 86_400;

    private final LivePlan plan;
    private final List<Problem> problems = new ArrayList<>();

    private CheckReferences(LivePlan plan) {
        this.plan = plan;
    }

    /** Pointers are within the check. */
    public static List<Problem> problems(LivePlan plan, Check check) {
        CheckReferences references = new CheckReferences(plan);
        for (int i = 0; i < check.givens().size(); i++) {
            check.givens().get(i).look(references, "/givens/" + i);
        }
        for (int i = 0; i < check.whens().size(); i++) {
            check.whens().get(i).look(references, "/whens/" + i);
        }
        for (int i = 0; i < check.thens().size(); i++) {
            check.thens().get(i).look(references, "/thens/" + i);
        }
        if (check.thens().isEmpty()) {
            references.problems.add(new Problem("/thens", "nothing", "something that must be so"));
        }
        return references.problems;
    }

    void worked(SwitchId worked, String at) {
        Set<SwitchId> hands = new HashSet<>();
        plan.house().controls().keySet().forEach(control -> hands.addAll(plan.handsOf(control)));
        plan.runs().forEach(run -> hands.addAll(run.switches().values()));
        known(hands.contains(worked), at + "/at", worked.text(), "a switch or button of the house");
    }

    void seconds(int seconds, String at) {
        span(seconds, MOST_SECONDS, at + "/seconds", "s");
    }

    void milliseconds(int withinMs, String at) {
        span(withinMs, MOST_MS, at + "/withinMs", "ms");
    }

    void output(OutputId output, String at) {
        known(plan.house().outputs().containsKey(output), at + "/output", output.text(), "an output of the house");
    }

    void part(String part, String at) {
        known(Parts.find(plan.house(), part).isPresent(), at + "/part", part, "a part of the house");
    }

    void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
        known(plan.house().sensors().containsKey(sensor), at + "/sensor", sensor.text(), "a sensor of the house");
        if (plan.house().sensors().containsKey(sensor)) {
            known(
                    plan.house().sensors().get(sensor).senses() == reading.senses(),
                    at + "/reading",
                    reading.words(),
                    "something that this sensor senses");
        }
        if (reading == Trigger.Reading.STILL) {
            span(figure, MOST_SECONDS / 60, at + "/figure", "min");
        }
    }

    private void span(int value, int most, String at, String unit) {
        known(value >= 1 && value <= most, at, value + " " + unit, "1 to " + most + " " + unit);
    }

    private void known(boolean isKnown, String at, String found, String expected) {
        if (!isKnown) {
            problems.add(new Problem(at, found, expected));
        }
    }
}
