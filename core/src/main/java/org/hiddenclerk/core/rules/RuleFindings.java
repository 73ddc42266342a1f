package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.stream.Collectors;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;

/** The words of what is found of rules; every rule is common practice, no source, what happens is computed. */
final class RuleFindings {
    private RuleFindings() {}

    static RuleFinding circle(List<Rule> rules, List<RuleFinding.StoryStep> story) {
        boolean toggles = rules.size() == 2
                && rules.stream().allMatch(rule -> rule.deeds().stream()
                        .anyMatch(deed ->
                                deed.action() instanceof Action.Turn turn && turn.command() == Action.Command.TOGGLE));
        String names = rules.stream().map(rule -> "\"" + rule.name() + "\"").collect(Collectors.joining(", "));
        return finding(
                toggles ? FindingCode.TOGGLES_AT_BOTH_ENDS : FindingCode.RULES_CHASE,
                subject(rules),
                toggles
                        ? Sentence.of("{0} change each other over: what the one does sets the other going.", names)
                        : Sentence.of(
                                rules.size() == 1
                                        ? "{0} sets itself going again, without end."
                                        : "{0} set each other going, without end.",
                                names),
                story,
                rules,
                Remedy.Kind.CHANGE_RULE,
                "let them react to hands only, or make it one link",
                circleFixes(rules));
    }

    /** Rules that listen to what others do can be told not to; those that do not need another one to end it. */
    private static List<Fix> circleFixes(List<Rule> rules) {
        List<String> deaf = rules.stream()
                .filter(rule ->
                        rule.triggers().stream().anyMatch(t -> t instanceof Trigger.Changes c && !c.byHandOnly()))
                .map(Rule::id)
                .toList();
        return deaf.isEmpty()
                ? List.of(new Fix(Fix.Kind.SWITCH_OFF, rules.get(0).id()))
                : List.of(new Fix(Fix.Kind.BY_HAND_ONLY, deaf));
    }

    static RuleFinding conflict(String output, Rule one, Rule other, List<RuleFinding.StoryStep> story) {
        return finding(
                FindingCode.COMMANDS_CONFLICT,
                new Subject.Output(output),
                Sentence.of(
                        "\"{0}\" and \"{1}\" tell {2} opposite things within {3} s: which one stays is chance.",
                        one.name(), other.name(), output, CourseFaults.WINDOW_MS / 1000),
                story,
                List.of(one, other),
                Remedy.Kind.CHANGE_RULE,
                "let one of them leave it out, or act at another moment",
                List.of(new Fix(Fix.Kind.SWITCH_OFF, other.id())));
    }

    static RuleFinding fight(String output, Rule rule, List<RuleFinding.StoryStep> story) {
        return finding(
                FindingCode.RULE_FIGHTS_SWITCH,
                new Subject.Output(output),
                Sentence.of("A hand changes {0}, and \"{1}\" takes it back at once.", output, rule.name()),
                story,
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                "leave out what a hand did, or wait for minutes",
                List.of(new Fix(Fix.Kind.SWITCH_OFF, rule.id())));
    }

    static RuleFinding mistaken(Rule rule, Rule other, List<RuleFinding.StoryStep> story) {
        return finding(
                FindingCode.TAKEN_FOR_A_HAND,
                subject(List.of(rule)),
                Sentence.of(
                        "\"{0}\" takes what \"{1}\" does for a hand on the switch, and changes over.",
                        rule.name(), other.name()),
                story,
                List.of(rule, other),
                Remedy.Kind.CHANGE_RULE,
                "react to hands only",
                List.of(new Fix(Fix.Kind.BY_HAND_ONLY, rule.id())));
    }

    static RuleFinding dead(Rule rule, String trigger, String why) {
        return finding(
                FindingCode.TRIGGER_NEVER,
                subject(List.of(rule)),
                Sentence.of("\"{0}\" never acts by this: {1}; {2}.", rule.name(), trigger, why),
                List.of(),
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                "choose another trigger, or take the guard out",
                List.of(new Fix(Fix.Kind.SWITCH_OFF, rule.id())));
    }

    static RuleFinding missing(Rule rule, List<Device.Output> outputs) {
        String names = outputs.stream().map(Device.Output::name).collect(Collectors.joining(", "));
        String taken = outputs.size() == 1
                ? "to the hub it is a " + outputs.get(0).declared().label() + " and no light"
                : "to the hub they are "
                        + outputs.stream()
                                .map(output -> output.declared().label() + "s")
                                .distinct()
                                .collect(Collectors.joining(", "))
                        + " and no lights";
        return finding(
                FindingCode.MISSING_FROM_ALL_OFF,
                subject(List.of(rule)),
                Sentence.of("\"{0}\" leaves {1} on: {2}.", rule.name(), names, taken),
                List.of(),
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                outputs.size() == 1 ? "mark it as a light" : "mark them as lights",
                List.of(new Fix(
                        Fix.Kind.DECLARE_AS_LIGHT,
                        outputs.stream().map(output -> output.id().text()).toList())));
    }

    static RuleFinding needsInternet(Rule rule, int devices) {
        return finding(
                FindingCode.NEEDS_INTERNET,
                subject(List.of(rule)),
                Sentence.of(
                        "\"{0}\" runs in a cloud: without the internet nothing of it works. All of its {1} devices are in the house.",
                        rule.name(), devices),
                List.of(),
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                "the hub can do it within the house",
                List.of(new Fix(Fix.Kind.RUN_ON_HUB, rule.id())));
    }

    static RuleFinding needsHub(Rule rule, Link link) {
        return finding(
                FindingCode.NEEDS_HUB,
                subject(List.of(rule)),
                Sentence.of(
                        "\"{0}\" needs the hub, and the two devices can do it {1}.",
                        rule.name(), link.way().words() + (link.throughGroup() ? ", through a group" : "")),
                List.of(),
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                "make it a direct link",
                List.of(new Fix(Fix.Kind.MAKE_DIRECT, rule.id())));
    }

    static RuleFinding wear(Rule rule) {
        return finding(
                FindingCode.WEARS_MEMORY,
                subject(List.of(rule)),
                Sentence.of(
                        "\"{0}\" rewrites a stored setting each time: the memory that it is kept in wears.",
                        rule.name()),
                List.of(),
                List.of(rule),
                Remedy.Kind.CHANGE_RULE,
                "keep what changes in the hub, and switch instead of setting",
                List.of(new Fix(Fix.Kind.SWITCH_OFF, rule.id())));
    }

    private static Subject subject(List<Rule> rules) {
        return new Subject.Rules(rules.stream().map(Rule::id).toList());
    }

    private static RuleFinding finding(
            FindingCode code,
            Subject subject,
            Sentence reason,
            List<RuleFinding.StoryStep> story,
            List<Rule> rules,
            Remedy.Kind kind,
            String remedy,
            List<Fix> fixes) {
        return new RuleFinding(
                Finding.of(code, subject, reason, Source.PLAYED, new Remedy(kind, remedy)),
                story,
                rules.stream().map(Rule::id).toList(),
                fixes);
    }
}
