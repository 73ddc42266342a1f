package org.hiddenclerk.core.rules;

import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.schedule.Schedule;

/**
 * Finds faults of links and rules before the house does, by letting everything happen that can set something going: each trigger,
 * each hand on each control, each remote command, with everything off and with everything on before. What a guard asks of the
 * world is granted when it contradicts nothing that is known in that course of events.
 *
 * <p>Cost: the courses are as many as triggers, controls and outputs together; each costs what happens in it.
 */
public final class RuleAnalysis {
    private final RuledHouse house;
    private final RuleIndex index;
    private final Delays delays;
    private final Map<String, RuleFinding> findings = new LinkedHashMap<>();
    private final Map<Rule, Set<Trigger>> firedBy = new HashMap<>();

    private RuleAnalysis(RuledHouse house, Delays delays) {
        this.house = house;
        this.delays = delays;
        index = new RuleIndex(house);
    }

    /** Everything found, worst first. */
    public static List<RuleFinding> of(RuledHouse house, Delays delays) {
        RuleAnalysis analysis = new RuleAnalysis(house, delays);
        analysis.explore();
        analysis.dead();
        List<RuleFinding> all = new ArrayList<>(analysis.findings.values());
        all.addAll(StandingFaults.of(house));
        all.sort((a, b) -> Finding.ORDER.compare(a.finding(), b.finding()));
        return List.copyOf(all);
    }

    private void explore() {
        for (boolean allOn : new boolean[] {false, true}) {
            house.rules().stream().filter(Rule::enabled).forEach(rule -> rule.triggers()
                    .forEach(trigger -> trigger(rule, trigger, allOn)));
            house.controls().values().forEach(control -> control.gestures().forEach(gesture -> {
                Simulation course = new Simulation(index, delays, allOn);
                course.stand(control.id(), allOn);
                course.use(control.id(), gesture);
                judge(course, control.name() + " " + gesture.words());
            }));
            house.outputs().keySet().stream()
                    .filter(output -> !index.changesOf(output).isEmpty())
                    .forEach(output -> {
                        Simulation course = new Simulation(index, delays, allOn);
                        course.remote(output, !allOn);
                        judge(course, house.nameOf(output) + (allOn ? " is put off" : " is put on") + " by remote");
                    });
        }
        moments().forEach(together -> {
            for (boolean allOn : new boolean[] {false, true}) {
                Simulation course = new Simulation(index, delays, allOn);
                course.assume(together.get(0).trigger(), List.of());
                course.happen(together);
                judge(course, Words.of(house, together.get(0).trigger()));
            }
        });
    }

    /** Sets the stage for a rule, and lets its trigger happen. */
    private void trigger(Rule rule, Trigger trigger, boolean allOn) {
        Simulation course = new Simulation(index, delays, allOn);
        rule.guards().stream()
                .filter(Guard.OutputIs.class::isInstance)
                .map(Guard.OutputIs.class::cast)
                .forEach(is -> course.set(is.output(), is.on()));
        if (!course.assume(trigger, rule.guards())) {
            return;
        }
        if (trigger instanceof Trigger.Changes changes) {
            boolean toOn = changes.to() == Trigger.To.ANY ? !allOn : changes.to() == Trigger.To.ON;
            course.set(changes.output(), !toOn);
            Optional<Device.Control> hand = house.controls().values().stream()
                    .filter(control ->
                            control.output().filter(changes.output()::equals).isPresent()
                                    && control.behaviour().switchesByItself())
                    .findFirst();
            Optional<Link> link = house.links().stream()
                    .filter(l -> l.output().equals(changes.output()))
                    .findFirst();
            if (hand.isPresent()) {
                course.stand(hand.get().id(), !toOn);
                course.use(hand.get().id(), gesture(hand.get()));
                judge(course, hand.get().name() + " " + gesture(hand.get()).words());
            } else if (link.isPresent() && changes.byHandOnly()) {
                Device.Control control = house.controls().get(link.get().control());
                course.use(control.id(), gesture(control));
                judge(course, control.name() + " " + gesture(control).words());
            } else {
                course.remote(changes.output(), toOn);
                judge(course, house.nameOf(changes.output()) + (toOn ? " is put on" : " is put off") + " by remote");
            }
        } else if (trigger instanceof Trigger.Used used) {
            if (house.controls().get(used.control()).gestures().contains(used.gesture())) {
                course.use(used.control(), used.gesture());
                judge(
                        course,
                        house.nameOf(used.control()) + " " + used.gesture().words());
            }
        } else if (!(trigger instanceof Trigger.Sensed sensed)
                || house.sensors().get(sensed.sensor()).senses()
                        == sensed.reading().senses()) {
            course.happen(trigger);
            judge(course, Words.of(house, trigger));
        }
    }

    private static Device.Gesture gesture(Device.Control control) {
        return control.gestures().stream()
                .filter(g -> g != Device.Gesture.LONG && g != Device.Gesture.DOUBLE)
                .findFirst()
                .orElse(Device.Gesture.SHORT);
    }

    /** Rules that are due at one moment though their schedules are not the same. */
    private List<List<RuleIndex.Listener>> moments() {
        Map<String, List<RuleIndex.Listener>> byMoment = new LinkedHashMap<>();
        house.rules().stream().filter(Rule::enabled).forEach(rule -> rule.triggers()
                .forEach(trigger -> {
                    if (trigger instanceof Trigger.Due due) {
                        moment(due.schedule())
                                .ifPresent(moment -> byMoment.computeIfAbsent(moment, m -> new ArrayList<>())
                                        .add(new RuleIndex.Listener(rule, trigger)));
                    }
                }));
        List<List<RuleIndex.Listener>> together = new ArrayList<>();
        byMoment.values().stream().filter(listeners -> listeners.size() > 1).forEach(listeners -> {
            for (int i = 0; i < listeners.size(); i++) {
                for (int j = i + 1; j < listeners.size(); j++) {
                    if (!Collections.disjoint(days(listeners.get(i)), days(listeners.get(j)))) {
                        together.add(List.of(listeners.get(i), listeners.get(j)));
                    }
                }
            }
        });
        return together;
    }

    private static Optional<String> moment(Schedule schedule) {
        if (schedule instanceof Schedule.Daily daily) {
            return Optional.of(daily.at().toString());
        }
        return schedule instanceof Schedule.BySun sun
                ? Optional.of(sun.event() + " " + sun.offsetMinutes())
                : Optional.empty();
    }

    private static Set<DayOfWeek> days(RuleIndex.Listener listener) {
        Schedule schedule = ((Trigger.Due) listener.trigger()).schedule();
        return schedule instanceof Schedule.Daily daily
                ? daily.days()
                : schedule instanceof Schedule.BySun sun ? sun.days() : EnumSet.allOf(DayOfWeek.class);
    }

    private void judge(Simulation course, String stimulus) {
        course.firings().forEach(firing -> firedBy.computeIfAbsent(firing.rule(), r -> new HashSet<>())
                .add(firing.trigger()));
        if (course.circle().isPresent()) {
            Set<Rule> round = course.circle().get().stream()
                    .map(Simulation.Firing::rule)
                    .collect(Collectors.toCollection(() -> new java.util.LinkedHashSet<>()));
            Set<String> ids = round.stream().map(Rule::id).collect(Collectors.toCollection(TreeSet::new));
            long end = course.firings().get(course.firings().size() - 1).atMs();
            add(
                    "circle " + ids,
                    () -> RuleFindings.circle(List.copyOf(round), SimulationReport.of(house, stimulus, course, end)));
            return;
        }
        CourseFaults.of(house, course, stimulus).forEach((key, finding) -> add(key, () -> finding));
    }

    /** The shortest story stays. */
    private void add(String key, java.util.function.Supplier<RuleFinding> finding) {
        RuleFinding next = finding.get();
        findings.merge(
                key, next, (old, other) -> other.story().size() < old.story().size() ? other : old);
    }

    private void dead() {
        for (Rule rule : house.rules()) {
            if (rule.enabled()) {
                rule.triggers().stream()
                        .filter(trigger -> !firedBy.getOrDefault(rule, Set.of()).contains(trigger))
                        .forEach(trigger -> findings.put(
                                "dead " + rule.id() + trigger,
                                RuleFindings.dead(rule, Words.of(house, trigger), whyDead(rule, trigger))));
            }
        }
    }

    private String whyDead(Rule rule, Trigger trigger) {
        if (trigger instanceof Trigger.Used used
                && !house.controls().get(used.control()).gestures().contains(used.gesture())) {
            return house.nameOf(used.control()) + " cannot tell that it "
                    + used.gesture().words();
        }
        if (trigger instanceof Trigger.Sensed sensed
                && house.sensors().get(sensed.sensor()).senses()
                        != sensed.reading().senses()) {
            return house.nameOf(sensed.sensor()) + " senses "
                    + house.sensors().get(sensed.sensor()).senses().name().toLowerCase(java.util.Locale.ROOT);
        }
        if (trigger instanceof Trigger.Changes changes && changes.byHandOnly()) {
            return "no hand changes " + house.nameOf(changes.output());
        }
        return "what must hold for it never does when that happens";
    }
}
