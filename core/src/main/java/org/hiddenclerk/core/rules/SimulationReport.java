package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hiddenclerk.core.rules.RuleFinding.StoryStep;

/** Tells a course of events in words. */
final class SimulationReport {
    private static final int MOST_STEPS = 12;

    private SimulationReport() {}

    /** @param untilMs what comes later is left out */
    static List<StoryStep> of(RuledHouse house, String stimulus, Simulation course, long untilMs) {
        List<StoryStep> steps = new ArrayList<>();
        course.changes().stream()
                .filter(change -> change.atMs() <= untilMs)
                .forEach(change -> steps.add(new StoryStep(
                        change.atMs(),
                        house.nameOf(change.output())
                                + (change.isOn() ? " goes on" : " goes off")
                                + by(change.cause()))));
        course.firings().stream()
                .filter(firing -> firing.atMs() <= untilMs
                        && course.changes().stream().noneMatch(change -> change.cause()
                                .firing()
                                .filter(f -> f == firing)
                                .isPresent()))
                .forEach(firing -> steps.add(
                        new StoryStep(firing.atMs(), "\"" + firing.rule().name() + "\" acts")));
        steps.sort(Comparator.comparingLong(StoryStep::atMs));
        List<StoryStep> told = new ArrayList<>(List.of(new StoryStep(0, stimulus)));
        told.addAll(steps.subList(0, Math.min(MOST_STEPS, steps.size())));
        if (course.circle().isPresent()) {
            told.add(new StoryStep(told.get(told.size() - 1).atMs(), "and so on, without end"));
        }
        return told;
    }

    private static String by(Simulation.Cause cause) {
        return switch (cause.origin()) {
            case HAND -> ", by hand";
            case REMOTE -> ", by remote";
            case RULE -> ", by \"" + cause.rule().orElseThrow().name() + "\"";
        };
    }
}
