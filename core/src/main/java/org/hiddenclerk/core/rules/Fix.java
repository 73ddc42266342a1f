package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A change of the house that mends something.
 *
 * @param subjects the outputs or rules that are changed
 */
public record Fix(Kind kind, List<String> subjects) {
    public Fix {
        subjects = List.copyOf(subjects);
    }

    Fix(Kind kind, String subject) {
        this(kind, List.of(subject));
    }

    /** What can be done at a press. */
    public enum Kind {
        DECLARE_AS_LIGHT("mark and add"),
        BY_HAND_ONLY("react to hands only"),
        RUN_ON_HUB("move it to the hub"),
        MAKE_DIRECT("make it a direct link"),
        SWITCH_OFF("switch this rule off");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The house with it done. */
    public RuledHouse applyTo(RuledHouse house) {
        return switch (kind) {
            case DECLARE_AS_LIGHT ->
                house.withDevices(house.devices().stream()
                        .map(device -> device.outputs().stream()
                                .filter(o -> subjects.contains(o.id().text()))
                                .findFirst()
                                .map(output -> device.withOutput(output.declaredAs(Device.Drives.LIGHT)))
                                .orElse(device))
                        .toList());
            case BY_HAND_ONLY ->
                changed(
                        house,
                        rule -> rule.withTriggers(
                                rule.triggers().stream().map(Fix::byHandOnly).toList()));
            case RUN_ON_HUB -> changed(house, rule -> rule.runningOn(Rule.RunsOn.HUB));
            case SWITCH_OFF -> changed(house, rule -> rule.enabled(false));
            case MAKE_DIRECT ->
                house.rules().stream()
                        .filter(rule -> subjects.contains(rule.id()))
                        .findFirst()
                        .flatMap(rule -> asLink(house, rule))
                        .map(link -> house.withRules(house.rules().stream()
                                        .filter(rule -> !subjects.contains(rule.id()))
                                        .toList())
                                .withLinks(Stream.concat(house.links().stream(), Stream.of(link))
                                        .toList()))
                        .orElse(house);
        };
    }

    private static Trigger byHandOnly(Trigger trigger) {
        return trigger instanceof Trigger.Changes changes
                ? new Trigger.Changes(changes.output(), changes.to(), true)
                : trigger;
    }

    private RuledHouse changed(RuledHouse house, java.util.function.UnaryOperator<Rule> change) {
        return house.withRules(house.rules().stream()
                .map(rule -> subjects.contains(rule.id()) ? change.apply(rule) : rule)
                .toList());
    }

    /** A rule that a link could do: one use of a control, no guard, one output changed at once, and a way that both devices know. */
    static Optional<Link> asLink(RuledHouse house, Rule rule) {
        if (rule.triggers().size() != 1
                || !rule.guards().isEmpty()
                || rule.deeds().size() != 1
                || rule.deeds().get(0).afterSeconds() > 0
                || !(rule.triggers().get(0) instanceof Trigger.Used used)
                || used.gesture() == Device.Gesture.LONG
                || used.gesture() == Device.Gesture.DOUBLE
                || !(rule.deeds().get(0).action() instanceof Action.Turn turn)
                || turn.command() != Action.Command.TOGGLE) {
            return Optional.empty();
        }
        Device from = house.owner(used.control());
        Device to = house.owner(turn.output());
        List<Link.Way> ways = new ArrayList<>(from.direct());
        ways.retainAll(to.direct());
        if (from == to || from.protocol() != to.protocol() || ways.isEmpty()) {
            return Optional.empty();
        }
        boolean several = to.outputs().size() > 1;
        return Optional.of(new Link(
                rule.id(),
                used.control(),
                turn.output(),
                Set.copyOf(ways).contains(Link.Way.DIRECT_BINDING) ? Link.Way.DIRECT_BINDING : Link.Way.LOCAL_GROUP,
                Link.Effect.TOGGLE,
                several));
    }
}
