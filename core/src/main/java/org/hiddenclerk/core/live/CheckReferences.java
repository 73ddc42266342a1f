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
            references.look(check.givens().get(i), "/givens/" + i);
        }
        for (int i = 0; i < check.whens().size(); i++) {
            references.look(check.whens().get(i), "/whens/" + i);
        }
        for (int i = 0; i < check.thens().size(); i++) {
            references.look(check.thens().get(i), "/thens/" + i);
        }
        if (check.thens().isEmpty()) {
            references.problems.add(new Problem("/thens", "nothing", "something that must be so"));
        }
        return references.problems;
    }

    private void look(Check.Given given, String at) {
        if (given instanceof Check.Given.OutputIs is) {
            output(is.output(), at);
        } else if (given instanceof Check.Given.SensorSays says) {
            sensor(says.sensor(), says.reading(), says.figure(), at);
        } else if (given instanceof Check.Given.Down down) {
            part(down.part(), at);
        }
    }

    private void look(Check.When when, String at) {
        if (when instanceof Check.When.Worked worked) {
            Set<SwitchId> hands = new HashSet<>();
            plan.house().controls().keySet().forEach(control -> hands.addAll(plan.handsOf(control)));
            plan.runs().forEach(run -> hands.addAll(run.switches().values()));
            known(hands.contains(worked.at()), at + "/at", worked.at().text(), "a switch or button of the house");
        } else if (when instanceof Check.When.Ordered ordered) {
            output(ordered.output(), at);
        } else if (when instanceof Check.When.Senses senses) {
            sensor(senses.sensor(), senses.reading(), senses.figure(), at);
        } else if (when instanceof Check.When.Fails fails) {
            part(fails.part(), at);
        } else if (when instanceof Check.When.ComesBack back) {
            part(back.part(), at);
        } else if (when instanceof Check.When.Passes passes) {
            span(passes.seconds(), MOST_SECONDS, at + "/seconds", "s");
        }
    }

    private void look(Check.Then then, String at) {
        if (then instanceof Check.Then.Becomes becomes) {
            output(becomes.output(), at);
            span(becomes.withinMs(), MOST_MS, at + "/withinMs", "ms");
        } else if (then instanceof Check.Then.Stays stays) {
            output(stays.output(), at);
            span(stays.seconds(), MOST_SECONDS, at + "/seconds", "s");
        } else if (then instanceof Check.Then.HubKnows knows) {
            output(knows.output(), at);
            span(knows.withinMs(), MOST_MS, at + "/withinMs", "ms");
        }
    }

    private void output(OutputId output, String at) {
        known(plan.house().outputs().containsKey(output), at + "/output", output.text(), "an output of the house");
    }

    private void part(String part, String at) {
        known(Parts.find(plan.house(), part).isPresent(), at + "/part", part, "a part of the house");
    }

    private void sensor(SensorId sensor, Trigger.Reading reading, int figure, String at) {
        known(plan.house().sensors().containsKey(sensor), at + "/sensor", sensor.text(), "a sensor of the house");
        if (plan.house().sensors().containsKey(sensor)) {
            known(plan.house().sensors().get(sensor).senses() == reading.senses(), at + "/reading", reading.words(), "something that this sensor senses");
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
