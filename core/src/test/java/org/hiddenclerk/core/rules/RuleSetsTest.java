package org.hiddenclerk.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.rules.Houses.after;
import static org.hiddenclerk.core.rules.Houses.changes;
import static org.hiddenclerk.core.rules.Houses.goesOff;
import static org.hiddenclerk.core.rules.Houses.goesOn;
import static org.hiddenclerk.core.rules.Houses.guarded;
import static org.hiddenclerk.core.rules.Houses.off;
import static org.hiddenclerk.core.rules.Houses.on;
import static org.hiddenclerk.core.rules.Houses.rule;
import static org.hiddenclerk.core.rules.Houses.toggle;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device.Gesture;
import org.hiddenclerk.core.rules.Trigger.Reading;
import org.hiddenclerk.core.schedule.Schedule;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Forty rule sets made by seed: twenty sound ones, twenty with one fault planted among sound rules. All are found, and no other. */
class RuleSetsTest {
    private static final int LAMPS = 12;
    private static final int SETS = 20;

    /** A set of rules with what is to be found of it. */
    record RuleSet(String name, RuledHouse house, Set<FindingCode> faults) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<RuleSet> sets() {
        return IntStream.range(0, SETS)
                .boxed()
                .flatMap(seed -> Stream.of(
                        new RuleSet("sound " + seed, Houses.house(LAMPS, sound(seed)), Set.of()), planted(seed)));
    }

    /** Sound rules on the lamps 0 to 7; the others are left to faults. */
    private static List<Rule> sound(int seed) {
        Random random = new Random(seed);
        List<Integer> lamps = new ArrayList<>(IntStream.range(0, 8).boxed().toList());
        Collections.shuffle(lamps, random);
        String a = "lamp" + lamps.get(0);
        String b = "lamp" + lamps.get(1);
        String c = "lamp" + lamps.get(2);
        String d = "lamp" + lamps.get(3);
        List<Rule> all = new ArrayList<>(List.of(
                guarded(
                        rule("motion on", new Trigger.Sensed(new SensorId("motion"), Reading.MOVES, 0), on(a)),
                        new Guard.Dark(true)),
                rule("motion off", new Trigger.Sensed(new SensorId("motion"), Reading.STILL, 10), off(a)),
                rule("mirror", changes(b), new Action.Follow(new OutputId(c), new OutputId(b))),
                rule("fan runs on", goesOff(b), new Action.RunOn(new OutputId("fan"), 600)),
                rule(
                        "gate",
                        new Trigger.Used(new ControlId("button"), Gesture.SHORT),
                        new Action.Pulse(new OutputId("gate"), 500)),
                rule("too cold", new Trigger.Sensed(new SensorId("thermometer"), Reading.COLDER, 17), on("heater")),
                rule("warm enough", new Trigger.Sensed(new SensorId("thermometer"), Reading.WARMER, 20), off("heater")),
                rule("dusk", new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, -15, Set.of())), on(d)),
                rule("night", new Trigger.Due(new Schedule.Daily(LocalTime.of(23, 0), Set.of())), off(d)),
                rule("leaving", new Trigger.Household(false), new Action.AllOff(Set.of(new OutputId(d)))),
                rule(
                        "blinds down",
                        new Trigger.Due(new Schedule.BySun(Schedule.SunEvent.SUNSET, 20, Set.of())),
                        new Action.Move(new OutputId("blind"), org.hiddenclerk.core.behaviour.Motion.DOWN, 25_000)),
                after(rule("forgotten light", goesOn("lamp" + lamps.get(4)), off("lamp" + lamps.get(4))), 7_200)));
        Collections.shuffle(all, random);
        return all.subList(0, 6 + random.nextInt(all.size() - 6));
    }

    private static RuleSet planted(int seed) {
        String p = "lamp" + (8 + seed % 3);
        String q = "lamp" + (9 + seed % 3);
        List<Rule> fault = new ArrayList<>();
        FindingCode code;
        List<Device> devices = new ArrayList<>(Houses.devices(LAMPS));
        switch (seed % 11) {
            case 0 -> {
                // Each follows with the opposite: a chase without toggles.
                fault.addAll(List.of(
                        rule("chase 1", goesOn(p), on(q)),
                        rule("chase 2", goesOn(q), off(p)),
                        rule("chase 3", goesOff(p), off(q)),
                        rule("chase 4", goesOff(q), on(p))));
                code = FindingCode.RULES_CHASE;
            }
            case 1 -> {
                fault.addAll(List.of(rule("both 1", changes(p), toggle(q)), rule("both 2", changes(q), toggle(p))));
                code = FindingCode.TOGGLES_AT_BOTH_ENDS;
            }
            case 2 -> {
                // Ping-pong with minutes between.
                fault.addAll(List.of(
                        after(rule("off again", goesOn(p), off(p)), 300),
                        after(rule("on again", goesOff(p), on(p)), 120)));
                code = FindingCode.RULES_CHASE;
            }
            case 3 -> {
                fault.addAll(List.of(
                        rule("ten on", new Trigger.Due(new Schedule.Daily(LocalTime.of(22, 10), Set.of())), on(p)),
                        rule(
                                "ten off",
                                new Trigger.Due(
                                        new Schedule.Daily(LocalTime.of(22, 10), Set.of(java.time.DayOfWeek.FRIDAY))),
                                off(p))));
                code = FindingCode.COMMANDS_CONFLICT;
            }
            case 4 -> {
                fault.add(rule("always dark", goesOn(p), off(p)));
                code = FindingCode.RULE_FIGHTS_SWITCH;
            }
            case 5 -> {
                fault.add(guarded(rule("never", goesOff(p), on(q)), new Guard.OutputIs(new OutputId(p), true)));
                code = FindingCode.TRIGGER_NEVER;
            }
            case 6 -> {
                devices.add(Houses.relay("shed", Device.Drives.LIGHT)
                        .withOutput(new Device.Output(
                                new OutputId("shed"), "shed light", Device.Drives.LIGHT, Device.Drives.SOCKET, false)));
                fault.add(rule(
                        "all off",
                        new Trigger.Used(new ControlId("button2"), Gesture.LONG),
                        new Action.AllOff(Set.of())));
                code = FindingCode.MISSING_FROM_ALL_OFF;
            }
            case 7 -> {
                fault.add(rule("cloudy", new Trigger.Sensed(new SensorId("door"), Reading.OPENS, 0), on(p))
                        .runningOn(Rule.RunsOn.CLOUD));
                code = FindingCode.NEEDS_INTERNET;
            }
            case 8 -> {
                fault.addAll(List.of(
                        rule(
                                "all off",
                                new Trigger.Used(new ControlId("button2"), Gesture.LONG),
                                new Action.AllOff(Set.of(new OutputId(q)))),
                        rule("other one", changes(p), toggle(q))));
                code = FindingCode.TAKEN_FOR_A_HAND;
            }
            case 9 -> {
                fault.add(rule(
                        "by the hub",
                        new Trigger.Used(new ControlId(p.replace("lamp", "switch")), Gesture.FLIP),
                        toggle(q)));
                code = FindingCode.NEEDS_HUB;
            }
            default -> {
                fault.add(rule(
                        "writes",
                        new Trigger.Sensed(new SensorId("door"), Reading.OPENS, 0),
                        new Action.WriteSetting(new DeviceId("d-" + p), "power-on", "on")));
                code = FindingCode.WEARS_MEMORY;
            }
        }
        List<Rule> rules = new ArrayList<>(sound(seed + 100));
        // A light that is left on at dusk and one that the away rule leaves out are no part of the fault.
        rules.removeIf(rule -> rule.id().equals("leaving"));
        rules.addAll(fault);
        Collections.shuffle(rules, new Random(seed));
        return new RuleSet("planted " + seed + " " + code, new RuledHouse(devices, List.of(), rules), Set.of(code));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("sets")
    void exactlyWhatIsPlantedIsFound(RuleSet set) {
        assertThat(set.house().problems()).isEmpty();
        List<RuleFinding> findings = RuleAnalysis.of(set.house(), Delays.USUAL);
        assertThat(findings.stream().map(f -> f.finding().code()).collect(Collectors.toSet()))
                .as(findings.stream()
                        .map(f -> f.finding().reason() + " " + f.story())
                        .toList()
                        .toString())
                .isEqualTo(set.faults());
    }
}
