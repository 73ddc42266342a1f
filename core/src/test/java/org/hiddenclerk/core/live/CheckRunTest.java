package org.hiddenclerk.core.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.handover.HandoverTest;
import org.hiddenclerk.core.handover.HandoverTests;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.Check.Given;
import org.hiddenclerk.core.live.Check.Then;
import org.hiddenclerk.core.live.Check.When;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Trigger;
import org.junit.jupiter.api.Test;

/** Checks are tried on a clock of their own, told as sentences, and refused when they name what is not there. */
class CheckRunTest {
    private static Device lamp(int i) {
        return new Device(
                new DeviceId("d" + i),
                "Module " + i,
                "Hall",
                Protocol.ZIGBEE,
                Optional.of("C1"),
                Set.of(),
                List.of(new Device.Output(
                        new OutputId("lamp" + i), "lamp " + i, Device.Drives.LIGHT, Device.Drives.LIGHT, false)),
                List.of(new Device.Control(
                        new ControlId("switch" + i),
                        "switch " + i,
                        Device.Kind.ROCKER,
                        InputBehaviour.EVERY_FLIP,
                        Optional.of(new OutputId("lamp" + i)))),
                List.of());
    }

    private static LivePlan plan(List<Link> links, Rule... rules) {
        return new LivePlan(
                new RuledHouse(List.of(lamp(1), lamp(2)), links, List.of(rules)),
                List.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Delays.USUAL,
                Optional.empty());
    }

    private static LivePlan linked() {
        return plan(List.of(new Link(
                "l", new ControlId("switch1"), new OutputId("lamp2"), Link.Way.HUB, Link.Effect.FOLLOW, false)));
    }

    private static CheckRun.Result run(LivePlan plan, List<Given> givens, List<When> whens, Then... thens) {
        return CheckRun.of(plan, new Check("c", "check", givens, whens, List.of(thens)), Instant.EPOCH);
    }

    @Test
    void anExpectationIsMetInTimeOrNot() {
        When flipped = new When.Worked(new SwitchId("switch1"), Hand.Doing.FLIP);
        CheckRun.Result result = run(
                linked(),
                List.of(),
                List.of(flipped),
                new Then.Becomes(new OutputId("lamp2"), true, 500),
                new Then.Becomes(new OutputId("lamp2"), true, 150),
                new Then.Stays(new OutputId("lamp2"), false, 1),
                new Then.HubKnows(new OutputId("lamp2"), 500));
        assertThat(result.thens())
                .extracting(CheckRun.Met::met)
                .as("200 ms: debounce, mesh, hub, mesh")
                .containsExactly(true, false, false, true);
        assertThat(result.thens().get(0).afterMs()).contains(200L);
        assertThat(result.passed()).isFalse();
        assertThat(result.story().get(0).words()).isEqualTo("switch 1 is flipped");
        assertThat(run(
                                linked(),
                                List.of(new Given.Down("HUB")),
                                List.of(flipped),
                                new Then.Stays(new OutputId("lamp2"), false, 5))
                        .passed())
                .isTrue();
        assertThat(run(
                                linked(),
                                List.of(new Given.OutputIs(new OutputId("lamp2"), true), new Given.Down("HUB")),
                                List.of(new When.ComesBack("HUB"), flipped),
                                new Then.Becomes(new OutputId("lamp2"), true, 1))
                        .passed())
                .as("what is given is set before a part is down")
                .isTrue();
    }

    /** A contact that stays closed would hold the gate, or be taken for a second press. */
    @Test
    void aGateIsPulsedAndStillAfterAPowerCut() {
        Device gate = new Device(
                new DeviceId("g"),
                "Gate module",
                "Yard",
                Protocol.ZIGBEE,
                Optional.of("C1"),
                Set.of(),
                List.of(new Device.Output(
                        new OutputId("gate"), "gate", Device.Drives.GATE, Device.Drives.OTHER, false)),
                List.of(),
                List.of());
        LivePlan plan = new LivePlan(
                new RuledHouse(List.of(gate), List.of(), List.of()),
                List.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Delays.USUAL,
                Optional.empty());

        assertThat(run(
                                plan,
                                List.of(),
                                List.of(new When.Ordered(new OutputId("gate"), true)),
                                new Then.Becomes(new OutputId("gate"), true, 500))
                        .passed())
                .isTrue();
        assertThat(run(
                                plan,
                                List.of(),
                                List.of(new When.Ordered(new OutputId("gate"), true), new When.Passes(2)),
                                new Then.Becomes(new OutputId("gate"), false, 500))
                        .passed())
                .isTrue();
        assertThat(HandoverRehearsal.run(plan, Instant.EPOCH))
                .hasSize(2)
                .allSatisfy((test, result) ->
                        assertThat(result.passed()).as(test.check().toString()).isTrue());
        assertThat(HandoverTests.of(plan, Map.of()))
                .extracting(HandoverTest::expected)
                .contains("Its contact closes for about a second and opens by itself.", "gate does not move.");
    }

    @Test
    void aGivenThatDoesNotStaySaysSo() {
        Rule off = new Rule(
                "r",
                "keeps it off",
                Rule.RunsOn.HUB,
                List.of(new Trigger.Changes(new OutputId("lamp2"), Trigger.To.ON, false)),
                List.of(),
                List.of(new Rule.Deed(new Action.Turn(new OutputId("lamp2"), Action.Command.OFF), 1)),
                true);
        CheckRun.Result result = run(
                plan(List.of(), off),
                List.of(new Given.OutputIs(new OutputId("lamp2"), true)),
                List.of(),
                new Then.Becomes(new OutputId("lamp1"), false, 10));
        assertThat(result.passed()).isFalse();
        assertThat(result.problem()).contains("The house does not stay so that lamp 2 is on.");
    }

    @Test
    void rulesThatChaseEachOtherEndTheTrial() {
        Rule one = new Rule(
                "a",
                "a",
                Rule.RunsOn.HUB,
                List.of(new Trigger.Changes(new OutputId("lamp1"), Trigger.To.ANY, false)),
                List.of(),
                List.of(new Rule.Deed(new Action.Turn(new OutputId("lamp2"), Action.Command.TOGGLE), 0)),
                true);
        Rule other = new Rule(
                "b",
                "b",
                Rule.RunsOn.HUB,
                List.of(new Trigger.Changes(new OutputId("lamp2"), Trigger.To.ANY, false)),
                List.of(),
                List.of(new Rule.Deed(new Action.Turn(new OutputId("lamp1"), Action.Command.TOGGLE), 0)),
                true);
        CheckRun.Result result = run(
                plan(List.of(), one, other),
                List.of(),
                List.of(new When.Worked(new SwitchId("switch1"), Hand.Doing.FLIP)),
                new Then.Stays(new OutputId("lamp1"), true, 86_400));
        assertThat(result.problem()).contains("The house does not come to rest.");
        assertThat(result.passed()).isFalse();
    }

    @Test
    void aCheckReadsAsASentence() {
        Check check = new Check(
                "c",
                "check",
                List.of(new Given.Dark(true), new Given.Down("MODULE:d2")),
                List.of(
                        new When.Worked(new SwitchId("switch1"), Hand.Doing.FLIP),
                        new When.Passes(5),
                        new When.Ordered(new OutputId("lamp1"), false)),
                List.of(
                        new Then.Becomes(new OutputId("lamp1"), false, 500),
                        new Then.Stays(new OutputId("lamp2"), false, 10)));
        assertThat(SentencePart.plain(CheckWords.of(linked(), check)))
                .isEqualTo(
                        "Given it is dark and Module 2 is down, when switch 1 is flipped, then 5 s pass, then lamp 1 is switched off "
                                + "by remote, then lamp 1 is off within 500 ms and lamp 2 stays off for 10 s.");
    }

    @Test
    void whatIsNotThereIsNamedWithItsPlace() {
        Check check = new Check(
                "c",
                "check",
                List.of(new Given.Down("MOON")),
                List.of(new When.Worked(new SwitchId("nowhere"), Hand.Doing.FLIP)),
                List.of(new Then.Becomes(new OutputId("lamp9"), true, 0)));
        assertThat(CheckReferences.problems(linked(), check))
                .extracting(RuledHouse.Problem::pointer)
                .containsExactly("/givens/0/part", "/whens/0/at", "/thens/0/output", "/thens/0/withinMs");
        assertThat(CheckReferences.problems(linked(), new Check("c", "check", List.of(), List.of(), List.of())))
                .extracting(RuledHouse.Problem::pointer)
                .containsExactly("/thens");
    }

    @Test
    void everyPartOfASentenceCanBeAddedWhereTheHouseHasWhatItTakes() {
        Check check = CheckPart.draft(linked(), "c").orElseThrow();
        assertThat(CheckReferences.problems(linked(), check)).isEmpty();
        for (CheckPart part : CheckPart.values()) {
            Optional<Check> more = part.addTo(check, linked());
            boolean needsASensor = part == CheckPart.GIVEN_SENSOR || part == CheckPart.WHEN_SENSOR;
            assertThat(more.isPresent()).as(part.words()).isEqualTo(!needsASensor);
            more.ifPresent(added -> assertThat(CheckReferences.problems(linked(), added))
                    .as(part.words())
                    .isEmpty());
        }
    }

    @Test
    void theHandoverOfALinkedLampNeedsItsHub() {
        Map<HandoverRehearsal.Rehearsed, CheckRun.Result> results = HandoverRehearsal.run(linked(), Instant.EPOCH);
        assertThat(results.entrySet().stream()
                        .filter(result -> !result.getValue().passed())
                        .map(result ->
                                result.getKey().output() + " " + result.getKey().kind()))
                .containsExactly("lamp2 HUB_OFF");
    }
}
