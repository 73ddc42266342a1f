package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;

/** Who listens to what, so that a course of events costs what happens in it and not what the house is. */
final class RuleIndex {
    private final RuledHouse house;
    private final Map<OutputId, Integer> outputs = new HashMap<>();
    private final Map<OutputId, List<Listener>> changes = new HashMap<>();
    private final Map<ControlId, List<Listener>> used = new HashMap<>();
    private final Map<Trigger, List<Listener>> others = new HashMap<>();
    private final Map<SensorId, List<Listener>> sensed = new HashMap<>();
    private final Map<ControlId, List<Link>> links = new HashMap<>();

    RuleIndex(RuledHouse house) {
        this.house = house;
        house.outputs().keySet().forEach(output -> outputs.put(output, outputs.size()));
        house.links().forEach(link -> links.computeIfAbsent(link.control(), c -> new ArrayList<>())
                .add(link));
        house.rules().stream().filter(Rule::enabled).forEach(rule -> rule.triggers()
                .forEach(trigger -> {
                    Listener listener = new Listener(rule, trigger);
                    if (trigger instanceof Trigger.Changes change) {
                        changes.computeIfAbsent(change.output(), o -> new ArrayList<>())
                                .add(listener);
                    } else if (trigger instanceof Trigger.Used use) {
                        used.computeIfAbsent(use.control(), c -> new ArrayList<>())
                                .add(listener);
                    } else {
                        others.computeIfAbsent(trigger, t -> new ArrayList<>()).add(listener);
                        if (trigger instanceof Trigger.Sensed sense) {
                            sensed.computeIfAbsent(sense.sensor(), s -> new ArrayList<>())
                                    .add(listener);
                        }
                    }
                }));
    }

    /** A rule by one of its triggers. */
    record Listener(Rule rule, Trigger trigger) {}

    RuledHouse house() {
        return house;
    }

    int outputs() {
        return outputs.size();
    }

    int of(OutputId output) {
        return outputs.get(output);
    }

    List<Listener> changesOf(OutputId output) {
        return changes.getOrDefault(output, List.of());
    }

    List<Listener> usedBy(ControlId control) {
        return used.getOrDefault(control, List.of());
    }

    List<Listener> listenersTo(Trigger trigger) {
        return others.getOrDefault(trigger, List.of());
    }

    /** Listeners to what is no change of an output and no use of a control. */
    Map<Trigger, List<Listener>> others() {
        return others;
    }

    List<Listener> listenersToSensor(SensorId sensor) {
        return sensed.getOrDefault(sensor, List.of());
    }

    List<Link> linksOf(ControlId control) {
        return links.getOrDefault(control, List.of());
    }
}
