package org.hiddenclerk.core.behaviour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.Event.Type;
import org.hiddenclerk.core.behaviour.Household.RemoteUse;
import org.hiddenclerk.core.behaviour.Household.Want;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What every behaviour does, told as hands and commands at milliseconds, at its limits and one millisecond beside them. */
class BehaviourStoriesTest {
    /** 30 ms of debounce, 500 ms make a press long, a run-on of 2 s, blinks from 20 ms, 400 ms of hold-up, 500 ms between directions. */
    private static final Parameters USUAL =
            new Parameters(30, Contact.OPEN, false, 500, 2_000, false, 20, 400, 500, PowerOn.OFF);

    private static List<Event> events(String story) {
        return Arrays.stream(story.split(","))
                .map(String::trim)
                .filter(each -> !each.isEmpty())
                .map(each -> each.split(" "))
                .map(words -> new Event(
                        Long.parseLong(words[0]),
                        Type.valueOf(words[1].toUpperCase(Locale.ROOT)),
                        words.length > 2 ? Integer.parseInt(words[2]) : 1))
                .toList();
    }

    private static String told(List<Output> outputs) {
        return outputs.stream().map(BehaviourStoriesTest::told).collect(Collectors.joining(", "));
    }

    private static String told(Output output) {
        String what;
        if (output instanceof Output.Relay relay) {
            what = (relay.on() ? "on " : "off ") + relay.cause();
        } else if (output instanceof Output.Moves moves) {
            what = moves.motion() + " " + moves.cause();
        } else {
            what = "tells " + ((Output.Told) output).report();
        }
        return output.atMs() + " " + what.toLowerCase(Locale.ROOT);
    }

    private static Machine.Step play(InputBehaviour behaviour, Parameters parameters, String story) {
        Machine machine = new Machine(behaviour, parameters);
        return machine.run(
                machine.start(Collections.nCopies(machine.inputs(), Contact.OPEN), false, Motion.STOP),
                events(story),
                100_000);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            emptyValue = "",
            textBlock =
                    """
            # A change counts once it has stayed for the debounce, and not one that is taken back before.
            PRESS_CHANGES  | 0 close                                             | 30 on hand
            PRESS_CHANGES  | 0 close, 29 open                                    | ''
            PRESS_CHANGES  | 0 close, 30 open, 100 close                         | 30 on hand, 130 off hand
            PRESS_CHANGES  | 0 close, 10 close                                   | 30 on hand
            PRESS_CHANGES  | 0 remote_on, 5 remote_on, 10 remote_toggle          | 0 on remote, 10 off remote
            PRESS_CHANGES  | 0 remote_toggle, 9 remote_off, 10 remote_off        | 0 on remote, 9 off remote
            POSITION_RULES | 0 close, 100 remote_off, 200 open, 300 close        | 30 on hand, 100 off remote, 330 on hand
            EVERY_FLIP     | 0 close, 100 open                                   | 30 on hand, 130 off hand
            REPORT_ONLY    | 0 close, 100 open, 200 remote_on                    | 30 tells active, 130 tells inactive, 200 on remote
            # A press is long from the hold time on, counted from where it counts.
            SHORT_LONG     | 0 close, 499 open                                   | 529 tells short, 529 on hand
            SHORT_LONG     | 0 close, 500 open                                   | 530 tells long
            SHORT_LONG     | 0 close, 900 open, 2000 close, 2100 open            | 530 tells long, 2130 tells short, 2130 on hand
            SHORT_LONG     | 0 close, 100 supply_lost, 900 supply_back, 950 open | ''
            # A run-on begins anew with every start, by hand or by remote, and ends by itself.
            RUN_ON         | 0 close, 100 open                                   | 30 on hand, 2030 off timer
            RUN_ON         | 0 close, 500 open, 1000 close                       | 30 on hand, 3030 off timer
            RUN_ON         | 0 remote_on, 1999 remote_on                         | 0 on remote, 3999 off timer
            RUN_ON         | 0 remote_on, 500 remote_off                         | 0 on remote, 500 off remote
            RUN_ON         | 0 remote_on, 500 remote_off, 900 close              | 0 on remote, 500 off remote, 930 on hand, 2930 off timer
            # A blink is one flip from the shortest that counts to the longest that the module outlives.
            SUPPLY_BLINK   | 0 supply_lost, 19 supply_back                       | ''
            SUPPLY_BLINK   | 0 supply_lost, 20 supply_back                       | 20 on hand
            SUPPLY_BLINK   | 1000 supply_lost, 1019 supply_back                  | ''
            SUPPLY_BLINK   | 0 supply_lost, 399 supply_back                      | 399 on hand
            SUPPLY_BLINK   | 0 remote_on, 100 supply_lost, 501 supply_back       | 0 on remote, 500 off supply
            SUPPLY_BLINK   | 1000 supply_lost, 1100 supply_back, 2000 supply_lost, 2100 supply_back | 1100 on hand, 2100 off hand
            SUPPLY_BLINK   | 0 close                                             | ''
            PRESS_CHANGES  | 0 remote_on, 100 supply_lost, 200 supply_back       | 0 on remote
            PRESS_CHANGES  | 0 remote_on, 100 supply_lost, 150 supply_lost, 600 remote_on | 0 on remote, 500 off supply
            PRESS_CHANGES  | 0 supply_lost, 390 close                            | ''
            # The other direction begins after a stop and the pause, the same one at once, and a new command replaces the one that waits.
            UP_DOWN        | 0 close 1                                           | 30 up hand
            UP_DOWN        | 0 close 1, 1000 open 1, 1200 close 2                | 30 up hand, 1030 stop hand, 1530 down hand
            UP_DOWN        | 0 close 1, 1000 open 1, 1200 close 1                | 30 up hand, 1030 stop hand, 1230 up hand
            UP_DOWN        | 0 close 1, 1000 close 2                             | 30 up hand, 1030 stop hand
            UP_DOWN        | 0 remote_up, 1000 remote_down                       | 0 up remote, 1000 stop remote, 1500 down remote
            UP_DOWN        | 0 remote_down, 1000 remote_up, 1200 remote_stop     | 0 down remote, 1000 stop remote
            UP_DOWN        | 0 remote_down, 1000 remote_up, 1200 remote_down     | 0 down remote, 1000 stop remote, 1200 down remote
            UP_DOWN        | 0 remote_up, 100 remote_stop, 600 remote_down       | 0 up remote, 100 stop remote, 600 down remote
            UP_DOWN        | 0 remote_up, 100 remote_stop, 599 remote_down       | 0 up remote, 100 stop remote, 600 down remote
            UP_DOWN        | 0 remote_up, 50 remote_up, 100 supply_lost          | 0 up remote, 500 stop supply
            """)
    void doesWhatItSaysToTheMillisecond(InputBehaviour behaviour, String story, String expected) {
        assertThat(told(play(behaviour, USUAL, story).outputs())).isEqualTo(expected);
    }

    @ParameterizedTest(name = "{0} {1} {2}: {3}")
    @CsvSource(
            delimiter = '|',
            emptyValue = "",
            textBlock =
                    """
            # behaviour, back with, inverted: lit, supply away for longer than the hold-up, and what stands at the wall by then
            PRESS_CHANGES  | OFF    | false | 0 remote_on, 100 supply_lost, 900 supply_back            | 0 on remote, 500 off supply
            PRESS_CHANGES  | ON     | false | 100 supply_lost, 900 supply_back                         | 900 on supply
            PRESS_CHANGES  | LAST   | false | 0 remote_on, 100 supply_lost, 900 supply_back            | 0 on remote, 500 off supply, 900 on supply
            PRESS_CHANGES  | LAST   | false | 100 supply_lost, 900 supply_back                         | ''
            EVERY_FLIP     | SWITCH | false | 100 supply_lost, 700 close, 900 supply_back              | 900 on supply
            EVERY_FLIP     | SWITCH | true  | 100 supply_lost, 700 close, 900 supply_back, 1000 open   | 900 on supply, 1030 off hand
            POSITION_RULES | SWITCH | true  | 100 supply_lost, 700 close, 900 supply_back, 1000 open   | 1030 on hand
            POSITION_RULES | SWITCH | true  | 0 close, 100 open, 200 supply_lost, 900 supply_back      | 130 on hand, 600 off supply, 900 on supply
            POSITION_RULES | OFF    | true  | 0 close, 100 open, 200 close                             | 130 on hand, 230 off hand
            RUN_ON         | ON     | false | 100 supply_lost, 900 supply_back                         | 900 on supply, 2900 off timer
            RUN_ON         | OFF    | false | 0 close, 100 supply_lost, 900 supply_back                | 30 on hand, 500 off supply
            UP_DOWN        | SWITCH | false | 100 supply_lost, 700 close 2, 900 supply_back            | 900 down supply
            UP_DOWN        | OFF    | false | 100 supply_lost, 700 close 2, 900 supply_back            | ''
            UP_DOWN        | LAST   | false | 0 remote_up, 100 supply_lost, 900 supply_back            | 0 up remote, 500 stop supply
            """)
    void comesBackWithTheSupplyAsItIsSet(
            InputBehaviour behaviour, PowerOn powerOn, boolean inverted, String story, String expected) {
        Parameters parameters = new Parameters(30, Contact.OPEN, inverted, 500, 2_000, false, 20, 400, 500, powerOn);
        assertThat(told(play(behaviour, parameters, story).outputs())).isEqualTo(expected);
    }

    @Test
    void aPressEndsARunOnWhereItIsSetToAndARunOnThatBeganBeforeEndsToo() {
        Parameters stops = new Parameters(0, Contact.OPEN, false, 500, 2_000, true, 20, 400, 500, PowerOn.OFF);
        assertThat(told(play(InputBehaviour.RUN_ON, stops, "0 close, 500 open, 900 close, 1000 open, 1100 close")
                        .outputs()))
                .isEqualTo("0 on hand, 900 off hand, 1100 on hand, 3100 off timer");
        Machine machine = new Machine(InputBehaviour.RUN_ON, stops);
        assertThat(told(machine.run(machine.start(List.of(Contact.OPEN), true, Motion.STOP), List.of(), 9_000)
                        .outputs()))
                .isEqualTo("2000 off timer");
        assertThat(machine.due(machine.start(List.of(Contact.OPEN), false, Motion.STOP)))
                .isEmpty();
        assertThatThrownBy(() -> machine.start(List.of(), false, Motion.STOP)).hasMessageContaining("must be as many");
    }

    /** Something else may switch the output: a run-on has ended then, and a press goes on. */
    @Test
    void anOutputThatIsSwitchedFromOutsideKeepsWhatItsHandDoes() {
        Machine runOn = new Machine(InputBehaviour.RUN_ON, USUAL);
        State running = runOn.run(runOn.start(List.of(Contact.OPEN), true, Motion.STOP), List.of(), 10)
                .state();
        assertThat(told(runOn.run(running.withRelay(true), List.of(), 9_000).outputs()))
                .isEmpty();

        Machine press = new Machine(InputBehaviour.SHORT_LONG, USUAL);
        State held = press.run(
                        press.start(List.of(Contact.OPEN), false, Motion.STOP), List.of(new Event(0, Type.CLOSE)), 100)
                .state();
        assertThat(told(press.run(held.withRelay(true), List.of(), 9_000).outputs()))
                .isEqualTo("530 tells long");
    }

    @ParameterizedTest
    @CsvSource({
        "-1,1,1,0,0,1,debounceMs",
        "0,0,1,0,0,1,holdMs",
        "0,1,0,0,0,1,runOnMs",
        "0,1,1,-1,0,1,minimumBlinkMs",
        "0,1,1,0,-1,1,holdUpMs",
        "0,1,1,0,0,0,reversePauseMs",
        "0,1,1,21,20,1,minimumBlinkMs"
    })
    void aParameterThatCannotBeIsNamed(
            long debounce, long hold, long runOn, long blink, long holdUp, long pause, String named) {
        assertThat(Parameters.problems(debounce, hold, runOn, blink, holdUp, pause))
                .extracting(Parameters.Problem::parameter)
                .containsExactly(named);
        assertThatThrownBy(() -> new Parameters(
                        debounce, Contact.OPEN, false, hold, runOn, false, blink, holdUp, pause, PowerOn.OFF))
                .hasMessageContaining(named);
        assertThat(Parameters.problems(0, 1, 1, 20, 20, 1))
                .as("everything at its limit")
                .isEmpty();
    }

    @Test
    void theSameWithOnePartChangedKeepsTheRest() {
        assertThat(USUAL.withPowerOn(PowerOn.LAST).powerOn()).isEqualTo(PowerOn.LAST);
        assertThat(USUAL.withPowerOn(PowerOn.LAST).withPowerOn(PowerOn.OFF)).isEqualTo(USUAL);
        assertThat(USUAL.withRunOn(7).runOnMs()).isEqualTo(7);
        assertThat(USUAL.withRunOn(7).withRunOn(2_000)).isEqualTo(USUAL);
    }

    @ParameterizedTest
    @EnumSource
    void onlyABlindIsToldUpAndDown(InputBehaviour behaviour) {
        Set<Type> motion = EnumSet.of(Type.REMOTE_UP, Type.REMOTE_DOWN, Type.REMOTE_STOP);
        Set<Type> light = EnumSet.of(Type.REMOTE_ON, Type.REMOTE_OFF, Type.REMOTE_TOGGLE);
        for (Type type : Type.values()) {
            assertThat(type.suits(behaviour))
                    .as("%s to %s", type, behaviour)
                    .isEqualTo(behaviour == InputBehaviour.UP_DOWN ? !light.contains(type) : !motion.contains(type));
        }
    }

    /** Behaviours that say what they are by a word of their own. */
    @Test
    void everyBehaviourSaysWhatItIs() {
        assertThat(withTrait(behaviour -> !behaviour.switchesByItself())).containsExactly(InputBehaviour.REPORT_ONLY);
        assertThat(withTrait(InputBehaviour::tellsPresses)).containsExactly(InputBehaviour.SHORT_LONG);
        assertThat(withTrait(InputBehaviour::endsByItself)).containsExactly(InputBehaviour.RUN_ON);
        assertThat(withTrait(behaviour -> !behaviour.hasContact())).containsExactly(InputBehaviour.SUPPLY_BLINK);
        assertThat(withTrait(behaviour -> behaviour.handsWord().equals("flip")))
                .containsExactly(InputBehaviour.EVERY_FLIP, InputBehaviour.SUPPLY_BLINK);
        assertThat(Stream.of(InputBehaviour.values()).map(InputBehaviour::label))
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
        assertThat(Stream.of(
                                Stream.of(PowerOn.values()).map(PowerOn::label),
                                Stream.of(Want.values()).map(Want::label),
                                Stream.of(RemoteUse.values()).map(RemoteUse::label),
                                Stream.of(Scenario.values()).map(Scenario::label))
                        .flatMap(each -> each))
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
        assertThat(Motion.UP.opposite()).isEqualTo(Motion.DOWN);
        assertThat(Motion.DOWN.opposite()).isEqualTo(Motion.UP);
        assertThat(Motion.STOP.opposite()).isEqualTo(Motion.STOP);
    }

    private static List<InputBehaviour> withTrait(Predicate<InputBehaviour> trait) {
        return Stream.of(InputBehaviour.values()).filter(trait).toList();
    }

    /** Walls that a behaviour is refused at: nothing else stands in its way. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            emptyValue = "",
            textBlock =
                    """
            PRESS_CHANGES  | SUPPLY UP_DOWN STAIR
            POSITION_RULES | PUSH SUPPLY UP_DOWN STAIR
            EVERY_FLIP     | PUSH SUPPLY UP_DOWN
            RUN_ON         | SUPPLY UP_DOWN STAIR
            REPORT_ONLY    | SUPPLY UP_DOWN
            SHORT_LONG     | ROCKER SUPPLY UP_DOWN STAIR
            UP_DOWN        | ROCKER PUSH SUPPLY STAIR
            SUPPLY_BLINK   | ROCKER PUSH UP_DOWN STAIR
            """)
    void aWallThatDoesNotSuitItIsRefused(InputBehaviour behaviour, String walls) {
        Map<String, Wall> all = Map.of(
                "ROCKER", new Wall(Wall.Kind.ROCKER, 1),
                "STAIR", new Wall(Wall.Kind.ROCKER, 2),
                "PUSH", new Wall(Wall.Kind.PUSH, 1),
                "SUPPLY", new Wall(Wall.Kind.SUPPLY, 1),
                "UP_DOWN", new Wall(Wall.Kind.UP_DOWN, 1));
        assertThat(all.keySet())
                .filteredOn(wall -> Adviser.refusal(behaviour, all.get(wall), EnumSet.allOf(InputBehaviour.class))
                        .isPresent())
                .containsExactlyInAnyOrder(walls.split(" "));
    }

    /** Hand actions after a remote command: with position ruling the switch may have to go to where it stands and back. */
    @ParameterizedTest
    @CsvSource({
        "PRESS_CHANGES,OPEN,false,1",
        "PRESS_CHANGES,CLOSED,false,2",
        "POSITION_RULES,OPEN,false,2",
        "POSITION_RULES,CLOSED,true,2",
        "POSITION_RULES,OPEN,true,1",
        "EVERY_FLIP,OPEN,false,1",
        "EVERY_FLIP,CLOSED,true,1",
        "SHORT_LONG,OPEN,false,1",
        "SUPPLY_BLINK,OPEN,false,1",
        "RUN_ON,OPEN,true,1"
    })
    void aHandChangesWhatARemoteCommandChangedAfterSoManyActions(
            InputBehaviour behaviour, Contact contact, boolean relay, int actions) {
        Machine machine = new Machine(behaviour, USUAL);
        assertThat(Cost.of(machine, machine.start(List.of(contact), relay, Motion.STOP)))
                .isEqualTo(new Cost(OptionalInt.of(actions), OptionalInt.of(0)));
    }

    @Test
    void whatNoHandCanChangeHasNoCost() {
        Machine reports = new Machine(InputBehaviour.REPORT_ONLY, USUAL);
        State start = reports.start(List.of(Contact.OPEN), false, Motion.STOP);
        assertThat(Cost.of(reports, start)).isEqualTo(new Cost(OptionalInt.empty(), OptionalInt.of(0)));
        State dark = reports.run(start, events("0 supply_lost"), 9_000).state();
        assertThat(Cost.of(reports, dark)).isEqualTo(new Cost(OptionalInt.empty(), OptionalInt.empty()));
        Machine blind = new Machine(InputBehaviour.UP_DOWN, USUAL);
        State stopped = blind.start(List.of(Contact.OPEN, Contact.OPEN), false, Motion.STOP);
        assertThat(Cost.of(blind, stopped).handAfterRemote()).hasValue(1);
    }

    /** The weights of the schools, as {@link Want} states them: wasted, disagreeing, left on, woken; ten for what cannot be done. */
    @ParameterizedTest
    @CsvSource({
        "UP_MEANS_ON,ALL_OFF,SOMETIMES,3,2,1,0,false,8",
        "UP_MEANS_ON,ALL_OFF,OFTEN,3,2,1,0,false,24",
        "UP_MEANS_ON,ALL_OFF,NEVER,3,2,1,0,false,0",
        "ANY_FLIP,BOTH_ENDS,NEVER,2,1,5,1,false,15",
        "CHILDREN,CHILD,NEVER,5,0,0,0,true,13",
        "CHILDREN,CHILD,NEVER,5,0,0,0,false,5",
        "CHILDREN,NIGHT_CUT,NEVER,5,0,0,0,true,5",
        "NIGHT,NIGHT_CUT,NEVER,1,0,0,0,true,9",
        "NIGHT,CHILD,NEVER,1,0,0,0,true,3",
        "NIGHT,POWER_CUT,NEVER,1,0,0,0,true,1"
    })
    void aSchoolPaysAsItsWeightsSay(
            Want want,
            Scenario scenario,
            RemoteUse remote,
            int hands,
            int wasted,
            int contradictions,
            int failed,
            boolean leftOn,
            int cost) {
        ScenarioResult played =
                new ScenarioResult(scenario, hands, wasted, contradictions, failed, leftOn, List.of(), List.of(), 0);
        assertThat(new Household(want, remote).cost(want, played)).isEqualTo(cost);
        assertThat(new Household(want, Optional.empty(), remote, Map.of(scenario, 3)).cost(want, played))
                .isEqualTo(3 * cost);
    }

    @Test
    void aResultIsToldInOneSentence() {
        Wall push = new Wall(Wall.Kind.PUSH, 1);
        Wall rocker = new Wall(Wall.Kind.ROCKER, 1);
        assertThat(new ScenarioResult(Scenario.CHILD, 0, 0, 0, 0, false, List.of(), List.of(), 0).words(push))
                .isEqualTo("nothing to do");
        assertThat(new ScenarioResult(Scenario.CHILD, 1, 1, 1, 1, true, List.of(), List.of(), 0).words(push))
                .isEqualTo("1 press, 1 without effect, switch and lamp disagree once, the switch cannot do it once,"
                        + " the lamp stays on with nobody there");
        assertThat(new ScenarioResult(Scenario.CHILD, 2, 0, 2, 2, false, List.of(), List.of(), 0).words(push))
                .isEqualTo("2 presses, switch and lamp disagree 2 times, the switch cannot do it 2 times");
        assertThat(new ScenarioResult(Scenario.CHILD, 2, 0, 0, 0, false, List.of(), List.of(), 0).words(rocker))
                .isEqualTo("2 flips");
    }

    /** What somebody lives through keeps its clock: a look after each deed, the supply away for as long as it is. */
    @Test
    void anOccasionRunsOnItsClock() {
        ScenarioResult cut = ScenarioResult.of(
                Scenario.POWER_CUT, new Wall(Wall.Kind.ROCKER, 1), new Machine(InputBehaviour.POSITION_RULES, USUAL));
        assertThat(cut.events())
                .containsExactly(
                        new Event(0, Type.CLOSE),
                        new Event(1_000, Type.SUPPLY_LOST),
                        new Event(62_000, Type.SUPPLY_BACK),
                        new Event(63_000, Type.OPEN),
                        new Event(64_000, Type.CLOSE));
        assertThat(told(cut.outputs())).isEqualTo("30 on hand, 1400 off supply, 64030 on hand");
        assertThat(cut.untilMs()).isEqualTo(65_000);
        ScenarioResult pressed = ScenarioResult.of(
                Scenario.CHILD, new Wall(Wall.Kind.PUSH, 1), new Machine(InputBehaviour.PRESS_CHANGES, USUAL));
        assertThat(pressed.events().subList(0, 4))
                .containsExactly(
                        new Event(0, Type.CLOSE),
                        new Event(200, Type.OPEN),
                        new Event(1_200, Type.CLOSE),
                        new Event(1_400, Type.OPEN));
        assertThat(pressed.hands()).isEqualTo(5);
        assertThat(pressed.untilMs()).isEqualTo(606_000);
        ScenarioResult blinks = ScenarioResult.of(
                Scenario.BOTH_ENDS, new Wall(Wall.Kind.SUPPLY, 2), new Machine(InputBehaviour.SUPPLY_BLINK, USUAL));
        assertThat(blinks.events().subList(0, 3))
                .containsExactly(
                        new Event(0, Type.SUPPLY_LOST),
                        new Event(60, Type.SUPPLY_BACK),
                        new Event(1_060, Type.SUPPLY_LOST));
        assertThat(Stream.of(Scenario.values()).filter(each -> !each.suits(new Wall(Wall.Kind.ROCKER, 1))))
                .containsExactly(Scenario.BOTH_ENDS, Scenario.BOTH_ENDS_REMOTE);
    }

    @Test
    void whereTheSwitchCutsTheSupplyTheModuleComesBackLit() {
        assertThat(Adviser.powerOnBehindASwitch().state()).isEqualTo(PowerOn.ON);
        assertThat(Adviser.powerOn(InputBehaviour.RUN_ON).state()).isEqualTo(PowerOn.OFF);
        assertThat(Adviser.powerOn(InputBehaviour.POSITION_RULES).state()).isEqualTo(PowerOn.SWITCH);
    }
}
