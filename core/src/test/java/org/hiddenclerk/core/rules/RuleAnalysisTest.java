package org.hiddenclerk.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.rules.Houses.changes;
import static org.hiddenclerk.core.rules.Houses.goesOn;
import static org.hiddenclerk.core.rules.Houses.off;
import static org.hiddenclerk.core.rules.Houses.on;
import static org.hiddenclerk.core.rules.Houses.rule;
import static org.hiddenclerk.core.rules.Houses.toggle;

import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Device.Gesture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Stories, fixes, recipes and sentences of rules. */
class RuleAnalysisTest {
    private static List<RuleFinding> analysis(RuledHouse house) {
        return RuleAnalysis.of(house, Delays.USUAL);
    }

    private static RuleFinding only(RuledHouse house) {
        List<RuleFinding> findings = analysis(house);
        assertThat(findings).hasSize(1);
        return findings.get(0);
    }

    private static RuledHouse fixed(RuledHouse house) {
        return only(house).fixes().get(0).applyTo(house);
    }

    @Test
    void theStoryTellsWhatStartsItAndThatItHasNoEnd() {
        RuleFinding finding = only(Houses.house(
                4,
                List.of(
                        rule("loft", changes("lamp1"), toggle("lamp2")),
                        rule("landing", changes("lamp2"), toggle("lamp1")))));
        assertThat(finding.finding().code()).isEqualTo(FindingCode.TOGGLES_AT_BOTH_ENDS);
        assertThat(finding.rules()).containsExactlyInAnyOrder("loft", "landing");
        assertThat(finding.story().get(0).words())
                .matches("(switch [12] is flipped|lamp [12] is put o(n|ff) by remote)");
        assertThat(finding.story().get(finding.story().size() - 1).words()).isEqualTo("and so on, without end");
        assertThat(finding.story()).extracting(RuleFinding.StoryStep::atMs).isSorted();
    }

    @Test
    void aChaseEndsWhenOneReactsToHandsOnly() {
        assertThat(analysis(fixed(Houses.house(
                        4,
                        List.of(
                                rule("loft", changes("lamp1"), toggle("lamp2")),
                                rule("landing", changes("lamp2"), toggle("lamp1")))))))
                .isEmpty();
    }

    @Test
    void aRelayThatDrivesALightIsNoneToTheHubUntilItIsToldSo() {
        List<Device> devices = new java.util.ArrayList<>(Houses.devices(2));
        devices.add(Houses.relay("shed", Device.Drives.LIGHT)
                .withOutput(new Device.Output(
                        new OutputId("shed"), "shed light", Device.Drives.LIGHT, Device.Drives.SOCKET, false)));
        Rule allOff = rule("all off", new Trigger.Household(false), new Action.AllOff(Set.of()));
        RuledHouse house = new RuledHouse(devices, List.of(), List.of(allOff));
        assertThat(only(house).finding().reason())
                .isEqualTo("\"all off\" leaves shed light on: to the hub it is a socket and no light.");
        assertThat(analysis(fixed(house))).isEmpty();
        assertThat(analysis(house.withRules(List.of(rule(
                        "all off", new Trigger.Household(false), new Action.AllOff(Set.of(new OutputId("shed"))))))))
                .as("left out on purpose")
                .isEmpty();
    }

    @Test
    void aRuleThatALinkCouldDoBecomesOne() {
        Rule byHub = rule("stair", new Trigger.Used(new ControlId("switch1"), Gesture.FLIP), toggle("lamp2"));
        RuledHouse house = Houses.house(4, List.of(byHub));
        assertThat(only(house).finding().code()).isEqualTo(FindingCode.NEEDS_HUB);
        RuledHouse direct = fixed(house);
        assertThat(direct.rules()).isEmpty();
        assertThat(direct.links())
                .containsExactly(new Link(
                        "stair",
                        new ControlId("switch1"),
                        new OutputId("lamp2"),
                        Link.Way.DIRECT_BINDING,
                        Link.Effect.TOGGLE,
                        false));
        assertThat(Words.of(direct, direct.links().get(0))).isEqualTo("switch 1 changes lamp 2 by direct binding.");
    }

    @Test
    void whatContradictsItselfInTheWorldNeverActs() {
        Rule sunny = Houses.guarded(
                rule("sunny night", new Trigger.Used(new ControlId("button"), Gesture.SHORT), on("lamp1")),
                new Guard.Dark(true),
                new Guard.Dark(false));
        assertThat(only(Houses.house(2, List.of(sunny))).finding().code()).isEqualTo(FindingCode.TRIGGER_NEVER);
        Rule hand = rule("by hand", new Trigger.Changes(new OutputId("fan"), Trigger.To.ON, true), on("lamp1"));
        assertThat(only(Houses.house(2, List.of(hand))).finding().reason()).contains("no hand changes fan");
        Rule held = rule("held", new Trigger.Used(new ControlId("switch1"), Gesture.LONG), on("lamp1"));
        assertThat(only(Houses.house(2, List.of(held))).finding().reason())
                .contains("switch 1 cannot tell that it is held");
    }

    @Test
    void rulesOfDayAndNightDoNotChaseEachOther() {
        Rule day = Houses.guarded(rule("day", goesOn("lamp1"), on("lamp2")), new Guard.Dark(false));
        Rule night = Houses.guarded(rule("night", goesOn("lamp2"), off("lamp1")), new Guard.Dark(true));
        assertThat(analysis(Houses.house(4, List.of(day, night)))).isEmpty();
        assertThat(analysis(Houses.house(
                        4,
                        List.of(
                                rule("day", goesOn("lamp1"), on("lamp2")),
                                rule("night", goesOn("lamp2"), off("lamp1"))))))
                .isNotEmpty();
    }

    @ParameterizedTest
    @EnumSource(Recipe.class)
    void everyRecipeIsSoundInAHouseThatHasWhatItTakes(Recipe recipe) {
        RuledHouse house = Houses.house(6, List.of());
        List<Rule> rules = recipe.draft(house, "r").orElseThrow();
        RuledHouse with = house.withRules(rules);
        assertThat(with.problems()).isEmpty();
        assertThat(analysis(with))
                .as(() -> rules.stream()
                        .map(rule -> SentencePart.plain(Words.of(with, rule)))
                        .toList()
                        .toString())
                .isEmpty();
        assertThat(recipe.draft(new RuledHouse(List.of(), List.of(), List.of()), "r")
                        .isEmpty())
                .isEqualTo(recipe != Recipe.LEAVING);
    }

    @ParameterizedTest
    @EnumSource(Recipe.class)
    void everySentenceReadsAndItsSlotsPointIntoTheRule(Recipe recipe) {
        RuledHouse house = Houses.house(6, List.of());
        for (Rule rule : recipe.draft(house, "r").orElseThrow()) {
            List<SentencePart> pieces = Words.of(house, rule);
            assertThat(SentencePart.plain(pieces))
                    .startsWith("When ")
                    .endsWith(".")
                    .doesNotContain("  ")
                    .doesNotContain("null");
            assertThat(pieces.stream().flatMap(piece -> piece.slot().stream()))
                    .isNotEmpty()
                    .allSatisfy(slot -> assertThat(slot.pointer()).matches("/(triggers|guards|deeds)/\\d+/.+"));
        }
    }

    @Test
    void aSentenceSaysWhatTheRuleDoes() {
        RuledHouse house = Houses.house(4, List.of());
        assertThat(Recipe.FAN_RUN_ON.draft(house, "r").orElseThrow().stream()
                        .map(rule -> SentencePart.plain(Words.of(house, rule))))
                .containsExactly("When lamp 0 goes off by whatever it may be, then fan runs for 600 s.");
        assertThat(Recipe.SUN.draft(house, "r").orElseThrow().stream()
                        .map(rule -> SentencePart.plain(Words.of(house, rule))))
                .containsExactly(
                        "When it is 15 min before sunset every day, then lamp 0 goes on.",
                        "When it is 23:00 every day, then lamp 0 goes off.");
        assertThat(Recipe.DIM_TOGGLE.draft(house, "r").orElseThrow().stream()
                        .map(rule -> SentencePart.plain(Words.of(house, rule))))
                .containsExactly(
                        "When button is pressed shortly, then lamp 0 goes to 15 % if it is above 70 % and to 85 % otherwise.");
    }

    @Test
    void aSwitchIsNotLinkedToItsOwnLamp() {
        RuledHouse house = Houses.house(2, List.of())
                .withLinks(List.of(new Link(
                        "l",
                        new ControlId("switch1"),
                        new OutputId("lamp1"),
                        Link.Way.HUB,
                        Link.Effect.TOGGLE,
                        false)));
        assertThat(house.problems()).extracting(RuledHouse.Problem::pointer).containsExactly("/links/0/output");
    }

    @Test
    void whatIsNamedMustBeThere() {
        Rule lost = rule("lost", goesOn("nothing"), on("nobody"), new Action.SetLevel(new OutputId("lamp1"), 120));
        assertThat(Houses.house(2, List.of(lost)).problems())
                .extracting(RuledHouse.Problem::pointer)
                .containsExactly(
                        "/rules/0/triggers/0/output",
                        "/rules/0/deeds/0/action/output",
                        "/rules/0/deeds/1/action/percent");
    }

    @Test
    void figuresThatCannotBeAreRefusedWhereTheyStand() {
        OutputId lamp = new OutputId("lamp1");
        List<Action> wrong = List.of(
                new Action.SetLevel(lamp, 101),
                new Action.AtLeast(lamp, -1),
                new Action.Step(lamp, List.of(50)),
                new Action.Pulse(lamp, 49),
                new Action.Move(lamp, org.hiddenclerk.core.behaviour.Motion.UP, 99),
                new Action.RunOn(lamp, 0),
                new Action.Pretend(Set.of(lamp), 1, 5, 4));
        assertThat(wrong).allSatisfy(action -> assertThat(
                        Houses.house(2, List.of(rule("r", new Trigger.Household(true), action)))
                                .problems())
                .as(action.toString())
                .singleElement()
                .satisfies(problem -> assertThat(problem.pointer()).startsWith("/rules/0/deeds/0/action/")));
    }
}
