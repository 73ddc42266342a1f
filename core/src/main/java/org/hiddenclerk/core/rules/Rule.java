package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.identity.HouseId;

/**
 * Any of some triggers, all of some guards, and what is done then.
 *
 * @param on where it runs
 */
public record Rule(
        String id,
        String name,
        RunsOn on,
        List<Trigger> triggers,
        List<Guard> guards,
        List<Deed> deeds,
        boolean enabled) {
    public Rule {
        triggers = List.copyOf(triggers);
        guards = List.copyOf(guards);
        deeds = List.copyOf(deeds);
    }

    /** What it names of the house. */
    public Set<HouseId> ids() {
        return Stream.of(
                        triggers.stream().map(Trigger::ids),
                        guards.stream().map(Guard::ids),
                        deeds.stream().map(deed -> deed.action().ids()))
                .flatMap(ids -> ids)
                .flatMap(Set::stream)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Something done so many seconds after the rule has begun to act. */
    public record Deed(Action action, int afterSeconds) {}

    /** Where a rule runs. */
    public enum RunsOn {
        DEVICE("in the device"),
        DEVICE_TO_DEVICE("from device to device"),
        HUB("on the hub"),
        CLOUD("in a cloud");

        private final String words;

        RunsOn(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Rule runningOn(RunsOn other) {
        return new Rule(id, name, other, triggers, guards, deeds, enabled);
    }

    Rule withTriggers(List<Trigger> other) {
        return new Rule(id, name, on, other, guards, deeds, enabled);
    }

    public Rule enabled(boolean now) {
        return new Rule(id, name, on, triggers, guards, deeds, now);
    }
}
