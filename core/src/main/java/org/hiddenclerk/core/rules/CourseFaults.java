package org.hiddenclerk.core.rules;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** What one course of events that came to an end shows. */
final class CourseFaults {
    /** Opposite commands within this time contradict each other; common practice, no source. */
    static final long WINDOW_MS = 2_000;

    private static final Set<Device.Drives> MOMENTARY = Set.of(Device.Drives.GATE, Device.Drives.BLIND);

    private final RuledHouse house;
    private final Simulation course;
    private final String stimulus;
    private final Map<String, RuleFinding> found = new LinkedHashMap<>();

    private CourseFaults(RuledHouse house, Simulation course, String stimulus) {
        this.house = house;
        this.course = course;
        this.stimulus = stimulus;
    }

    /** By a key that is the same for the same fault in another course. */
    static Map<String, RuleFinding> of(RuledHouse house, Simulation course, String stimulus) {
        if (course.firings().isEmpty()) {
            return Map.of();
        }
        CourseFaults faults = new CourseFaults(house, course, stimulus);
        faults.conflicts();
        faults.fights();
        faults.mistaken();
        return faults.found;
    }

    private void conflicts() {
        List<Simulation.Commanded> byRules = course.commands().stream()
                .filter(command -> command.cause().origin() == Simulation.Origin.RULE)
                .toList();
        for (int i = 0; i < byRules.size(); i++) {
            Simulation.Commanded first = byRules.get(i);
            Rule one = first.cause().rule().orElseThrow();
            for (int j = i + 1; j < byRules.size() && byRules.get(j).atMs() - first.atMs() <= WINDOW_MS; j++) {
                Simulation.Commanded second = byRules.get(j);
                Rule other = second.cause().rule().orElseThrow();
                if (second.output().equals(first.output()) && second.on() != first.on() && one != other) {
                    found.putIfAbsent(
                            "conflict " + new TreeSet<>(List.of(one.id(), other.id()))
                                    + first.output().text(),
                            RuleFindings.conflict(
                                    house.nameOf(first.output()),
                                    one,
                                    other,
                                    SimulationReport.of(house, stimulus, course, second.atMs())));
                }
            }
        }
    }

    /** A hand changed something, and a rule takes it back at once. */
    private void fights() {
        course.changes().stream()
                .filter(change -> change.cause().origin() == Simulation.Origin.HAND
                        && !MOMENTARY.contains(
                                house.outputs().get(change.output()).drives()))
                .forEach(change -> course.changes().stream()
                        .filter(later -> later.output().equals(change.output())
                                && later.isOn() != change.isOn()
                                && later.cause().origin() == Simulation.Origin.RULE
                                && later.atMs() >= change.atMs()
                                && later.atMs() - change.atMs() <= WINDOW_MS
                                && isAtOnce(later))
                        .findFirst()
                        .ifPresent(later -> {
                            Rule rule = later.cause().rule().orElseThrow();
                            found.putIfAbsent(
                                    "fight " + rule.id() + change.output().text(),
                                    RuleFindings.fight(
                                            house.nameOf(change.output()),
                                            rule,
                                            SimulationReport.of(house, stimulus, course, later.atMs())));
                        }));
    }

    /** A pulse is meant to end, and so is what comes after a delay. */
    private static boolean isAtOnce(Simulation.Change change) {
        return change.cause().rule().orElseThrow().deeds().stream()
                .anyMatch(deed -> deed.afterSeconds() == 0
                        && !(deed.action() instanceof Action.Pulse)
                        && (deed.action().outputs().contains(change.output())
                                || deed.action() instanceof Action.AllOff));
    }

    /** A rule that takes what another rule did for a hand on the switch: it changes over, or undoes what that one did. */
    private void mistaken() {
        for (Simulation.Firing firing : course.firings()) {
            Optional<Simulation.Firing> other = firing.because().firing();
            if (other.isEmpty()
                    || other.get().rule() == firing.rule()
                    || !(firing.trigger() instanceof Trigger.Changes changes)
                    || changes.byHandOnly()) {
                continue;
            }
            boolean changesOver = firing.rule().deeds().stream()
                    .anyMatch(deed ->
                            deed.action() instanceof Action.Turn turn && turn.command() == Action.Command.TOGGLE);
            if (changesOver) {
                found.putIfAbsent(
                        "mistaken " + firing.rule().id(),
                        RuleFindings.mistaken(
                                firing.rule(),
                                other.get().rule(),
                                SimulationReport.of(house, stimulus, course, firing.atMs() + WINDOW_MS)));
            }
        }
    }
}
