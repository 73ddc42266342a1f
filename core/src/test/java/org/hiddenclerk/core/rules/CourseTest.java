package org.hiddenclerk.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.rules.Houses.after;
import static org.hiddenclerk.core.rules.Houses.goesOn;
import static org.hiddenclerk.core.rules.Houses.off;
import static org.hiddenclerk.core.rules.Houses.on;
import static org.hiddenclerk.core.rules.Houses.rule;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device.Gesture;
import org.hiddenclerk.core.rules.Trigger.Reading;
import org.hiddenclerk.core.schedule.Schedule;
import org.junit.jupiter.api.Test;

/** What devices, links and rules do in one course of events. */
class CourseTest {
    private static Simulation course(boolean allOn, Rule... rules) {
        return new Simulation(new RuleIndex(Houses.house(6, Arrays.asList(rules))), Delays.USUAL, allOn);
    }

    /** From a device to its coordinator, the hub, and back: 60 + 50 + 60 ms. */
    private static final int OVER_HUB = 170;

    private static List<String> told(Simulation course) {
        return course.changes().stream()
                .map(change -> change.atMs() + " " + change.output() + " " + change.to())
                .toList();
    }

    @Test
    void aRockerActsAsItsBehaviourSays() {
        Simulation flips = course(false);
        flips.use(new ControlId("switch1"), Gesture.FLIP);
        flips.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(told(flips)).containsExactly("0 lamp1 100", "0 lamp1 0");
        Simulation position = course(false);
        position.remote(new OutputId("lamp0"), true);
        position.use(new ControlId("switch0"), Gesture.FLIP);
        assertThat(told(position)).as("up means on, and it is on already").containsExactly("0 lamp0 100");
    }

    @Test
    void aRuleOnTheHubTakesItsTimeAndItsDelay() {
        Simulation course = course(false, after(rule("r", goesOn("lamp1"), on("lamp2")), 30));
        course.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(told(course)).containsExactly("0 lamp1 100", 30_000 + OVER_HUB + " lamp2 100");
    }

    @Test
    void aRunOnThatIsStartedAgainBeginsAnew() {
        Rule short1 = rule(
                "first",
                new Trigger.Sensed(new SensorId("motion"), Reading.MOVES, 0),
                new Action.RunOn(new OutputId("fan"), 600));
        Rule again =
                after(rule("again", new Trigger.Sensed(new SensorId("motion"), Reading.MOVES, 0), on("lamp1")), 300);
        Rule restart = rule("restart", goesOn("lamp1"), new Action.RunOn(new OutputId("fan"), 600));
        Simulation course = course(false, short1, again, restart);
        course.happen(new Trigger.Sensed(new SensorId("motion"), Reading.MOVES, 0));
        int hub = OVER_HUB;
        assertThat(told(course))
                .containsExactly(hub + " fan 100", 300_000 + hub + " lamp1 100", 900_000 + 2 * hub + " fan 0");
    }

    @Test
    void levelsStepDimAndStayAboveTheirLeast() {
        Rule step = rule(
                "step",
                new Trigger.Used(new ControlId("button"), Gesture.SHORT),
                new Action.Step(new OutputId("fan"), List.of(0, 33, 66, 100)));
        Simulation fan = course(false, step);
        for (int i = 0; i < 5; i++) {
            fan.use(new ControlId("button"), Gesture.SHORT);
        }
        assertThat(fan.changes()).extracting(Simulation.Change::to).containsExactly(33, 66, 100, 0, 33);
        Simulation dim = course(
                true,
                rule(
                        "dim",
                        new Trigger.Used(new ControlId("button"), Gesture.SHORT),
                        new Action.DimToggle(new OutputId("lamp2"), 15, 85, 70)));
        dim.use(new ControlId("button"), Gesture.SHORT);
        dim.use(new ControlId("button"), Gesture.SHORT);
        assertThat(dim.changes()).extracting(Simulation.Change::to).containsExactly(15, 85);
        Simulation least = course(
                false,
                rule(
                        "low",
                        new Trigger.Used(new ControlId("button"), Gesture.SHORT),
                        new Action.SetLevel(new OutputId("lamp2"), 5)),
                rule(
                        "least",
                        new Trigger.Changes(new OutputId("lamp2"), Trigger.To.ANY, false),
                        new Action.AtLeast(new OutputId("lamp2"), 20)));
        least.use(new ControlId("button"), Gesture.SHORT);
        assertThat(least.level(new OutputId("lamp2"))).isEqualTo(20);
        assertThat(least.circle()).isEmpty();
    }

    @Test
    void pulsesAndMovesEndByThemselves() {
        Simulation course = course(
                false,
                rule(
                        "gate",
                        new Trigger.Used(new ControlId("button"), Gesture.SHORT),
                        new Action.Pulse(new OutputId("gate"), 500),
                        new Action.Move(new OutputId("blind"), Motion.UP, 20_000)));
        course.use(new ControlId("button"), Gesture.SHORT);
        assertThat(course.level(new OutputId("gate"))).isZero();
        assertThat(course.level(new OutputId("blind"))).isZero();
        assertThat(course.changes()).hasSize(4);
    }

    @Test
    void allOffLeavesOutWhatItIsToldTo() {
        Simulation course = course(
                true, rule("off", new Trigger.Household(false), new Action.AllOff(Set.of(new OutputId("lamp3")))));
        course.happen(new Trigger.Household(false));
        assertThat(course.level(new OutputId("lamp3"))).isEqualTo(100);
        assertThat(course.level(new OutputId("lamp1"))).isZero();
        assertThat(course.level(new OutputId("fan"))).as("no light").isEqualTo(100);
    }

    @Test
    void aLinkLeadsOrChangesItsLamp() {
        RuledHouse house = Houses.house(6, List.of())
                .withLinks(List.of(
                        new Link(
                                "a",
                                new ControlId("switch1"),
                                new OutputId("lamp2"),
                                Link.Way.DIRECT_BINDING,
                                Link.Effect.FOLLOW,
                                false),
                        new Link(
                                "b",
                                new ControlId("switch1"),
                                new OutputId("lamp4"),
                                Link.Way.LOCAL_GROUP,
                                Link.Effect.TOGGLE,
                                false)));
        Simulation course = new Simulation(new RuleIndex(house), Delays.USUAL, false);
        course.set(new OutputId("lamp4"), true);
        course.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(told(course))
                .containsExactly(
                        "0 lamp1 100", Delays.USUAL.group() + " lamp4 0", Delays.USUAL.binding() + " lamp2 100");
    }

    @Test
    void whatByHandOnlyMeans() {
        Rule byHand = rule("r", new Trigger.Changes(new OutputId("lamp1"), Trigger.To.ON, true), on("lamp2"));
        Simulation remote = course(false, byHand);
        remote.remote(new OutputId("lamp1"), true);
        assertThat(remote.level(new OutputId("lamp2"))).isZero();
        Simulation hand = course(false, byHand);
        hand.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(hand.level(new OutputId("lamp2"))).isEqualTo(100);
    }

    @Test
    void theWorldIsNeverTwoThingsAtOnce() {
        Environment world = Environment.unknown();
        Guard morning = new Guard.TimeBetween(LocalTime.of(6, 0), LocalTime.of(9, 0));
        Guard night = new Guard.TimeBetween(LocalTime.of(22, 0), LocalTime.of(6, 30));
        assertThat(world.with(List.of(morning, night))).as("over midnight").isPresent();
        assertThat(world.with(List.of(morning, new Guard.TimeBetween(LocalTime.of(9, 0), LocalTime.of(22, 0)))))
                .isEmpty();
        assertThat(world.with(List.of(
                        new Guard.SensorSays(new SensorId("t"), Reading.WARMER, 20),
                        new Guard.SensorSays(new SensorId("t"), Reading.COLDER, 25))))
                .isPresent();
        assertThat(world.with(List.of(
                        new Guard.SensorSays(new SensorId("t"), Reading.WARMER, 25),
                        new Guard.SensorSays(new SensorId("t"), Reading.COLDER, 20))))
                .isEmpty();
        assertThat(world.with(List.of(
                        new Guard.SensorSays(new SensorId("d"), Reading.OPENS, 0),
                        new Guard.SensorSays(new SensorId("d"), Reading.CLOSES, 0))))
                .isEmpty();
        assertThat(world.in(new Trigger.Due(new Schedule.Daily(LocalTime.of(7, 0), Set.of(DayOfWeek.MONDAY))))
                        .with(List.of(night)))
                .isEmpty();
        assertThat(world.in(new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 30, Set.of())))
                        .with(List.of(new Guard.Dark(false))))
                .isEmpty();
        assertThat(world.in(new Trigger.Household(true)).with(List.of(new Guard.SomebodyHome(false))))
                .isEmpty();
    }

    @Test
    void anEndIsAnEndAndACircleIsTold() {
        Simulation mirror = course(
                false,
                rule(
                        "a",
                        new Trigger.Changes(new OutputId("lamp1"), Trigger.To.ANY, false),
                        new Action.Follow(new OutputId("lamp2"), new OutputId("lamp1"))),
                rule(
                        "b",
                        new Trigger.Changes(new OutputId("lamp2"), Trigger.To.ANY, false),
                        new Action.Follow(new OutputId("lamp1"), new OutputId("lamp2"))));
        mirror.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(mirror.circle()).as("two mirrors agree").isEmpty();
        Simulation chase = course(
                false, rule("on", goesOn("lamp1"), off("lamp1")), rule("off", Houses.goesOff("lamp1"), on("lamp1")));
        chase.use(new ControlId("switch1"), Gesture.FLIP);
        assertThat(chase.circle().orElseThrow().stream()
                        .map(firing -> firing.rule().id()))
                .contains("on", "off");
    }
}
