package org.hiddenclerk.core.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.junit.jupiter.api.Test;

/** A guide says what a person will see, and what to do when something is out. */
class HouseholdGuideTest {
    private static Device device(String id, Device.Kind kind, InputBehaviour behaviour) {
        return new Device(
                new DeviceId(id),
                id,
                "Loft",
                Protocol.ZIGBEE,
                Optional.of("4"),
                Set.of(),
                List.of(new Device.Output(
                        new OutputId(id + "/1"), "the " + id, Device.Drives.LIGHT, Device.Drives.LIGHT, false)),
                List.of(new Device.Control(
                        new ControlId(id + "/in1"),
                        id + " switch",
                        kind,
                        behaviour,
                        Optional.of(new OutputId(id + "/1")))),
                List.of());
    }

    private static HouseholdGuide.Page page() {
        RuledHouse house = new RuledHouse(
                List.of(
                        device("lamp", Device.Kind.ROCKER, InputBehaviour.EVERY_FLIP),
                        device("fan", Device.Kind.PUSH, InputBehaviour.RUN_ON)),
                List.of(new Link(
                        "l",
                        new ControlId("lamp/in1"),
                        new OutputId("fan/1"),
                        Link.Way.HUB,
                        Link.Effect.TOGGLE,
                        false)),
                List.of());
        LivePlan plan = new LivePlan(
                house,
                List.of(),
                Map.of(new ControlId("fan/in1"), Parameters.USUAL.withPowerOn(PowerOn.LAST)),
                Map.of(
                        new ControlId("lamp/in1"),
                        List.of(new SwitchId("S1"), new SwitchId("S2")),
                        new ControlId("fan/in1"),
                        List.of(new SwitchId("S3"))),
                Map.of(
                        new SwitchId("S1"),
                        "the switch by the door",
                        new SwitchId("S2"),
                        "the switch by the bed",
                        new SwitchId("S3"),
                        "the fan button"),
                Delays.USUAL,
                Optional.empty());
        return HouseholdGuide.of(
                        plan,
                        Map.of(
                                "Loft",
                                List.of(
                                        new HouseholdGuide.WallSwitch(new SwitchId("S1"), "By the door"),
                                        new HouseholdGuide.WallSwitch(new SwitchId("S3"), "Fan"),
                                        new HouseholdGuide.WallSwitch(new SwitchId("S9"), "Cupboard"))),
                        Map.of("Loft", List.of(new OutputId("lamp/1"), new OutputId("fan/1"))))
                .get("Loft");
    }

    @Test
    void eachSwitchIsSaidByWhatItDoes() {
        assertThat(page().switches().get(0).does())
                .containsExactly(
                        "Each flip changes the lamp, whichever way the switch stands. It is worked from "
                                + "2 places: the switch by the door and the switch by the bed.",
                        "Each flip also changes the fan.");
        assertThat(page().switches().get(1).does())
                .containsExactly("A press switches the fan on; it goes off by itself after 5 minutes.");
        assertThat(page().switches().get(2).does())
                .containsExactly("It works as it always did: nothing was built in behind it.");
    }

    @Test
    void whatIsLostWithoutTheHubNamesWhatToUseInstead() {
        assertThat(page().withoutHub())
                .containsExactly(
                        "By the door does not reach the fan while the hub is off; use the fan button instead.");
        assertThat(page().withoutNet()).isEmpty();
        assertThat(page().afterCut()).containsExactly("The lamp stays off.", "The fan is what it was before.");
    }

    @Test
    void settingsNameOnlyWhatTheBehaviourUses() {
        assertThat(SettingWords.of(InputBehaviour.RUN_ON, Parameters.USUAL))
                .containsExactly(
                        "Runs, then stops", "counts after 30 ms", "runs on for 5 minutes", "after a power cut: off");
        assertThat(SettingWords.of(InputBehaviour.REPORT_ONLY, Parameters.USUAL))
                .containsExactly("Reports only", "counts after 30 ms");
    }

    /** Ids may begin alike: input 1 and input 10. */
    @Test
    void aRuleIsToldAtItsOwnSwitchAndItsOwnLampOnly() {
        Rule byHand = rule("a", new Trigger.Used(new ControlId("lamp/in10"), Device.Gesture.FLIP), "fan/1");
        Rule atNight = rule("b", new Trigger.Household(false), "lamp/10");
        RuledHouse house = new RuledHouse(
                List.of(
                        device("lamp", Device.Kind.ROCKER, InputBehaviour.EVERY_FLIP),
                        device("fan", Device.Kind.PUSH, InputBehaviour.RUN_ON),
                        new Device(
                                new DeviceId("far"),
                                "far",
                                "Cellar",
                                Protocol.ZIGBEE,
                                Optional.of("4"),
                                Set.of(),
                                List.of(new Device.Output(
                                        new OutputId("lamp/10"),
                                        "the far lamp",
                                        Device.Drives.LIGHT,
                                        Device.Drives.LIGHT,
                                        false)),
                                List.of(new Device.Control(
                                        new ControlId("lamp/in10"),
                                        "far switch",
                                        Device.Kind.ROCKER,
                                        InputBehaviour.REPORT_ONLY,
                                        Optional.empty())),
                                List.of())),
                List.of(),
                List.of(byHand, atNight));
        LivePlan plan = new LivePlan(
                house,
                List.of(),
                Map.of(),
                Map.of(
                        new ControlId("lamp/in1"),
                        List.of(new SwitchId("S1")),
                        new ControlId("lamp/in10"),
                        List.of(new SwitchId("S10"))),
                Map.of(),
                Delays.USUAL,
                Optional.empty());
        HouseholdGuide.Page loft = HouseholdGuide.of(
                        plan,
                        Map.of("Loft", List.of(new HouseholdGuide.WallSwitch(new SwitchId("S1"), "Door"))),
                        Map.of("Loft", List.of(new OutputId("lamp/1"))))
                .get("Loft");
        assertThat(loft.switches().get(0).does()).hasSize(1);
        assertThat(loft.byItself()).isEmpty();
        HouseholdGuide.Page cellar = HouseholdGuide.of(
                        plan,
                        Map.of("Cellar", List.of(new HouseholdGuide.WallSwitch(new SwitchId("S10"), "Far"))),
                        Map.of("Cellar", List.of(new OutputId("lamp/10"))))
                .get("Cellar");
        assertThat(cellar.switches().get(0).does()).singleElement().asString().contains("the fan");
        assertThat(cellar.byItself()).singleElement().asString().contains("the far lamp");
    }

    private static Rule rule(String id, Trigger trigger, String output) {
        return new Rule(
                id,
                id,
                Rule.RunsOn.HUB,
                List.of(trigger),
                List.of(),
                List.of(new Rule.Deed(new Action.Turn(new OutputId(output), Action.Command.OFF), 0)),
                true);
    }
}
