package org.hiddenclerk.core.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Device.Drives;
import org.hiddenclerk.core.rules.Device.Senses;
import org.hiddenclerk.core.rules.Guard;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleRunner.Order;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.rules.Trigger.Reading;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.Schedule;
import org.junit.jupiter.api.Test;

/** Rules act in a house that runs: by hands, sensors, the clock, people; after delays; and under faults. */
class RunningRulesTest {
    private static final Location VIENNA = new Location(48.2, 16.37, ZoneId.of("Europe/Vienna"));
    /** 10:00 in Vienna on a day in winter. */
    private static final Instant MORNING = Instant.parse("2026-01-15T09:00:00Z");

    private static final long MINUTE = 60_000;

    private final List<Happening> happenings = new ArrayList<>();

    private static Device device(String id, Drives drives, InputBehaviour behaviour, boolean dims) {
        return new Device(
                new DeviceId("d-" + id),
                "Module " + id,
                "Hall",
                Protocol.ZIGBEE,
                Optional.of("C1"),
                Set.of(),
                List.of(new Device.Output(new OutputId(id), id, drives, drives, dims)),
                List.of(new Device.Control(
                        new ControlId("switch-" + id),
                        "switch " + id,
                        behaviour == InputBehaviour.SHORT_LONG ? Device.Kind.PUSH : Device.Kind.ROCKER,
                        behaviour,
                        Optional.of(new OutputId(id)))),
                List.of());
    }

    private static Device sensor(String id, Senses senses) {
        return new Device(
                new DeviceId("d-" + id),
                id,
                "Hall",
                Protocol.ZIGBEE,
                Optional.empty(),
                Set.of(),
                List.of(),
                List.of(),
                List.of(new Device.Sensor(new SensorId(id), id, senses)));
    }

    private static Rule rule(String id, Trigger trigger, List<Guard> guards, Action... actions) {
        return new Rule(
                id,
                id,
                Rule.RunsOn.HUB,
                List.of(trigger),
                guards,
                java.util.Arrays.stream(actions)
                        .map(action -> new Rule.Deed(action, 0))
                        .toList(),
                true);
    }

    private static RuledHouse house(Rule... rules) {
        return new RuledHouse(
                List.of(
                        device("lamp", Drives.LIGHT, InputBehaviour.EVERY_FLIP, true),
                        device("fan", Drives.FAN, InputBehaviour.EVERY_FLIP, false),
                        device("push", Drives.LIGHT, InputBehaviour.SHORT_LONG, false),
                        device("blind", Drives.BLIND, InputBehaviour.UP_DOWN, false),
                        sensor("door", Senses.DOOR),
                        sensor("motion", Senses.MOTION),
                        sensor("hygrometer", Senses.HUMIDITY)),
                List.of(),
                List.of(rules));
    }

    private LiveHouse live(Rule... rules) {
        LiveHouse live = new LiveHouse(
                new LivePlan(house(rules), List.of(), Map.of(), Map.of(), Map.of(), Delays.USUAL, Optional.of(VIENNA)),
                MORNING,
                Carrier.NONE,
                happenings::add);
        live.pass(1_000);
        return live;
    }

    private static int percent(LiveHouse live, String output) {
        return live.outputs().get(new OutputId(output)).percent();
    }

    private static void in(LiveHouse live, long ms) {
        live.pass(live.now() + ms);
    }

    @Test
    void aDoorLightsTheHallAtNightOnlyAndTheLightGoesOffByItself() {
        LiveHouse live = live(rule(
                "passage",
                new Trigger.Sensed(new SensorId("door"), Reading.OPENS, 0),
                List.of(new Guard.Dark(true)),
                new Action.RunOn(new OutputId("lamp"), 180)));
        live.sense(new SensorId("door"), 1);
        in(live, 1_000);
        assertThat(percent(live, "lamp")).as("it is day").isZero();
        live.sense(new SensorId("door"), 0);
        live.dark(Optional.of(true));
        in(live, 1_000);
        live.sense(new SensorId("door"), 1);
        in(live, 1_000);
        assertThat(percent(live, "lamp")).isEqualTo(100);
        live.sense(new SensorId("door"), 0);
        in(live, 100_000);
        live.sense(new SensorId("door"), 1);
        in(live, 100_000);
        assertThat(percent(live, "lamp")).as("a new start began anew").isEqualTo(100);
        in(live, 100_000);
        assertThat(percent(live, "lamp")).isZero();
    }

    @Test
    void stillnessCountsFromTheLastMovement() {
        LiveHouse live = live(rule(
                "nobody",
                new Trigger.Sensed(new SensorId("motion"), Reading.STILL, 5),
                List.of(),
                new Action.Turn(new OutputId("lamp"), Action.Command.OFF)));
        live.remote(new Order.Level(new OutputId("lamp"), 100));
        live.sense(new SensorId("motion"), 1);
        live.sense(new SensorId("motion"), 0);
        in(live, 4 * MINUTE);
        live.sense(new SensorId("motion"), 1);
        in(live, 2 * MINUTE);
        live.sense(new SensorId("motion"), 0);
        in(live, 4 * MINUTE);
        assertThat(percent(live, "lamp")).isEqualTo(100);
        in(live, 2 * MINUTE);
        assertThat(percent(live, "lamp")).isZero();
    }

    @Test
    void aFigureActsWhenItIsPassedAndNotWhileItStays() {
        LiveHouse live = live(rule(
                "damp",
                new Trigger.Sensed(new SensorId("hygrometer"), Reading.DAMPER, 70),
                List.of(),
                new Action.Turn(new OutputId("fan"), Action.Command.TOGGLE)));
        live.sense(new SensorId("hygrometer"), 65);
        in(live, 1_000);
        live.sense(new SensorId("hygrometer"), 71);
        in(live, 1_000);
        assertThat(percent(live, "fan")).isEqualTo(100);
        live.sense(new SensorId("hygrometer"), 75);
        in(live, 1_000);
        assertThat(percent(live, "fan")).as("it was above already").isEqualTo(100);
        live.sense(new SensorId("hygrometer"), 60);
        in(live, 1_000);
        live.sense(new SensorId("hygrometer"), 80);
        in(live, 1_000);
        assertThat(percent(live, "fan")).isZero();
    }

    @Test
    void theClockAndTheSunSetRulesGoing() {
        Rule evening = rule(
                "evening",
                new Trigger.Due(new Schedule.Daily(LocalTime.of(22, 30), EnumSet.allOf(DayOfWeek.class))),
                List.of(),
                new Action.SetLevel(new OutputId("lamp"), 20));
        Rule dusk = rule(
                "dusk",
                new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 0, EnumSet.allOf(DayOfWeek.class))),
                List.of(),
                new Action.Turn(new OutputId("fan"), Action.Command.ON));
        LiveHouse live = live(evening, dusk);
        in(live, 5 * 60 * MINUTE);
        assertThat(live.isDark()).as("15:00").isFalse();
        assertThat(percent(live, "fan")).isZero();
        in(live, 2 * 60 * MINUTE);
        assertThat(live.isDark()).as("17:00, the sun sets at 16:29").isTrue();
        assertThat(percent(live, "fan")).isEqualTo(100);
        live.clock(LocalTime.of(22, 29, 59));
        in(live, 500);
        assertThat(percent(live, "lamp")).isZero();
        in(live, 2_000);
        assertThat(percent(live, "lamp")).as("dimmed, not switched on").isEqualTo(20);
        live.clock(LocalTime.of(22, 30));
        in(live, 2_000);
        assertThat(live.clock().toLocalDate()).as("the next day").isEqualTo("2026-01-16");
    }

    @Test
    void peopleComeAndGo() {
        LiveHouse live = live(rule("leaving", new Trigger.Household(false), List.of(), new Action.AllOff(Set.of())));
        live.remote(new Order.Level(new OutputId("lamp"), 100));
        live.remote(new Order.Level(new OutputId("fan"), 100));
        in(live, 1_000);
        live.household(true);
        in(live, 1_000);
        assertThat(percent(live, "lamp")).as("somebody was home already").isEqualTo(100);
        live.household(false);
        in(live, 1_000);
        assertThat(percent(live, "lamp")).isZero();
        assertThat(percent(live, "fan")).as("no light").isEqualTo(100);
    }

    @Test
    void aPushIsShortOrLongAndABlindWaitsBeforeItGoesBack() {
        LiveHouse live = live(rule(
                "long",
                new Trigger.Used(new ControlId("switch-push"), Device.Gesture.LONG),
                List.of(),
                new Action.AllOff(Set.of())));
        live.hand(new Hand(new SwitchId("switch-push"), Hand.Doing.PRESS));
        in(live, 1_000);
        assertThat(percent(live, "push")).isEqualTo(100);
        live.hand(new Hand(new SwitchId("switch-push"), Hand.Doing.HOLD));
        in(live, 2_000);
        assertThat(percent(live, "push")).as("all off by a long press").isZero();
        live.remote(new Order.Move(new OutputId("blind"), Motion.UP));
        in(live, 500);
        assertThat(live.outputs().get(new OutputId("blind")).motion()).isEqualTo(Motion.UP);
        live.remote(new Order.Move(new OutputId("blind"), Motion.DOWN));
        in(live, 200);
        assertThat(live.outputs().get(new OutputId("blind")).motion())
                .as("the pause")
                .isEqualTo(Motion.STOP);
        in(live, 1_000);
        assertThat(live.outputs().get(new OutputId("blind")).motion()).isEqualTo(Motion.DOWN);
    }

    @Test
    void aHubThatAsksHearsLateAndNothingOfGestures() {
        LiveHouse live = live(
                rule(
                        "follow",
                        new Trigger.Changes(new OutputId("lamp"), Trigger.To.ON, false),
                        List.of(),
                        new Action.Turn(new OutputId("fan"), Action.Command.ON)),
                rule(
                        "gesture",
                        new Trigger.Used(new ControlId("switch-lamp"), Device.Gesture.FLIP),
                        List.of(),
                        new Action.Turn(new OutputId("push"), Action.Command.ON)));
        live.conditions(new Conditions(Set.of(), 1, true));
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 5_000);
        assertThat(percent(live, "fan")).isZero();
        in(live, Conditions.POLL_MS);
        assertThat(percent(live, "fan")).isEqualTo(100);
        assertThat(percent(live, "push"))
                .as("a gesture is over when the hub asks")
                .isZero();
        assertThat(happenings)
                .anySatisfy(happening -> assertThat(happening.words()).contains("lost, the hub asks for states only"));
    }

    @Test
    void whatFellWithItsCircuitComesBackAsItIsSetAndTheHubLearnsIt() {
        RuledHouse house = house();
        Parameters last = Parameters.USUAL.withPowerOn(PowerOn.LAST);
        LiveHouse live = new LiveHouse(
                new LivePlan(
                        house,
                        List.of(),
                        Map.of(new ControlId("switch-lamp"), last),
                        Map.of(),
                        Map.of(),
                        Delays.USUAL,
                        Optional.empty()),
                MORNING,
                Carrier.NONE,
                happenings::add);
        live.pass(1_000);
        live.remote(new Order.Level(new OutputId("lamp"), 60));
        live.remote(new Order.Level(new OutputId("fan"), 100));
        in(live, 1_000);
        live.conditions(Conditions.WHOLE.with(Part.mains("C1"), true));
        in(live, 5_000);
        assertThat(live.powered())
                .doesNotContain(new DeviceId("d-lamp"), new DeviceId("d-fan"))
                .contains(new DeviceId("d-door"));
        assertThat(live.acting()).doesNotContain(new DeviceId("d-lamp"));
        live.remote(new Order.Level(new OutputId("fan"), 100));
        in(live, 1_000);
        live.conditions(Conditions.WHOLE);
        in(live, 2_000);
        assertThat(percent(live, "lamp")).as("as it was").isEqualTo(60);
        assertThat(percent(live, "fan"))
                .as("usual: off, and the order was lost")
                .isZero();
        assertThat(live.agrees()).isTrue();
    }

    @Test
    void aRuleInACloudNeedsTheInternetAndDoesNotMakeUpForIt() {
        Rule far = rule(
                        "far",
                        new Trigger.Changes(new OutputId("lamp"), Trigger.To.ON, false),
                        List.of(),
                        new Action.Turn(new OutputId("fan"), Action.Command.ON))
                .runningOn(Rule.RunsOn.CLOUD);
        LiveHouse live = live(far);
        live.conditions(Conditions.WHOLE.with(Part.INTERNET, true));
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 2_000);
        live.conditions(Conditions.WHOLE);
        in(live, 5_000);
        assertThat(percent(live, "fan")).isZero();
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 2_000);
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 500);
        assertThat(percent(live, "fan")).as("800 ms to the cloud and back").isZero();
        in(live, 1_000);
        assertThat(percent(live, "fan")).isEqualTo(100);
    }

    @Test
    void aHubThatStartedAnewIsToldWhatSensorsSayAndTakesItForNoEvent() {
        LiveHouse live = live(
                rule(
                        "door",
                        new Trigger.Sensed(new SensorId("door"), Reading.OPENS, 0),
                        List.of(),
                        new Action.Turn(new OutputId("fan"), Action.Command.ON)),
                rule(
                        "while open",
                        new Trigger.Changes(new OutputId("lamp"), Trigger.To.ON, false),
                        List.of(new Guard.SensorSays(new SensorId("door"), Reading.OPENS, 0)),
                        new Action.Turn(new OutputId("push"), Action.Command.ON)));
        live.sense(new SensorId("door"), 1);
        in(live, 1_000);
        live.remote(new Order.Level(new OutputId("fan"), 0));
        live.conditions(Conditions.WHOLE.with(Part.HUB, true));
        in(live, 5_000);
        live.conditions(Conditions.WHOLE);
        in(live, 2_000);
        assertThat(percent(live, "fan")).as("the door was open all the time").isZero();
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 2_000);
        assertThat(percent(live, "push")).as("and the hub knows it").isEqualTo(100);
        live.sense(new SensorId("door"), 0);
        in(live, 1_000);
        live.sense(new SensorId("door"), 1);
        in(live, 1_000);
        assertThat(percent(live, "fan")).isEqualTo(100);
    }

    @Test
    void slowMessagesTakeAsManyTimesAsLong() {
        LiveHouse live = live(rule(
                "follow",
                new Trigger.Changes(new OutputId("lamp"), Trigger.To.ON, false),
                List.of(),
                new Action.Turn(new OutputId("fan"), Action.Command.ON)));
        live.conditions(new Conditions(Set.of(), 10, false));
        long begin = live.now();
        live.hand(new Hand(new SwitchId("switch-lamp"), Hand.Doing.FLIP));
        in(live, 1_200);
        assertThat(percent(live, "fan")).isZero();
        in(live, 200);
        assertThat(percent(live, "fan")).as("30 + 600 + 50 + 600 ms").isEqualTo(100);
        assertThat(happenings.stream()
                        .filter(happening -> happening.kind() == Happening.Kind.MESSAGE && happening.atMs() > begin)
                        .mapToLong(Happening::delayMs))
                .contains(600L);
    }
}
