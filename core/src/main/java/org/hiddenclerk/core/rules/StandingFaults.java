package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.identity.OutputId;

/** What links and rules show without anything happening. */
final class StandingFaults {
    private StandingFaults() {}

    static List<RuleFinding> of(RuledHouse house) {
        List<RuleFinding> found = new ArrayList<>();
        house.rules().stream().filter(Rule::enabled).forEach(rule -> {
            missing(house, rule, found);
            place(house, rule, found);
            wear(house, rule, found);
        });
        return found;
    }

    /** A relay that drives a light and that the hub does not know for one stays on when all goes off. */
    private static void missing(RuledHouse house, Rule rule, List<RuleFinding> found) {
        Set<OutputId> excepted = rule.deeds().stream()
                .map(Rule.Deed::action)
                .filter(Action.AllOff.class::isInstance)
                .flatMap(action -> ((Action.AllOff) action).except().stream())
                .collect(Collectors.toSet());
        if (rule.deeds().stream().anyMatch(deed -> deed.action() instanceof Action.AllOff)) {
            List<Device.Output> missing = house.outputs().values().stream()
                    .filter(output -> output.drives() == Device.Drives.LIGHT
                            && output.declared() != Device.Drives.LIGHT
                            && !excepted.contains(output.id())
                            && rule.deeds().stream().noneMatch(deed -> isOff(deed.action(), output.id())))
                    .toList();
            if (!missing.isEmpty()) {
                found.add(RuleFindings.missing(rule, missing));
            }
        }
    }

    private static boolean isOff(Action action, OutputId output) {
        return action instanceof Action.Turn turn
                && turn.output().equals(output)
                && turn.command() == Action.Command.OFF;
    }

    private static void place(RuledHouse house, Rule rule, List<RuleFinding> found) {
        if (rule.on() == Rule.RunsOn.CLOUD) {
            found.add(RuleFindings.needsInternet(rule, devices(house, rule)));
        } else if (rule.on() == Rule.RunsOn.HUB) {
            Fix.asLink(house, rule).ifPresent(link -> found.add(RuleFindings.needsHub(rule, link)));
        }
    }

    private static int devices(RuledHouse house, Rule rule) {
        Set<Device> devices = new LinkedHashSet<>();
        rule.deeds().forEach(deed -> deed.action().outputs().forEach(output -> devices.add(house.owner(output))));
        return devices.size();
    }

    /** Stored settings are written to a memory that wears; what happens whenever somebody moves happens too often. */
    private static void wear(RuledHouse house, Rule rule, List<RuleFinding> found) {
        boolean writes = rule.deeds().stream().anyMatch(deed -> deed.action() instanceof Action.WriteSetting);
        boolean often = rule.triggers().stream()
                .anyMatch(trigger -> !(trigger instanceof Trigger.Due) && !(trigger instanceof Trigger.Household));
        if (writes && often) {
            found.add(RuleFindings.wear(rule));
        }
    }
}
