package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.PUSH_MAKE;
import static org.hiddenclerk.core.job.BoxKind.LUMINAIRE;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Several loads or gangs on one cable, and lamps that hang on another lamp's box. */
class SharedCoresTest {
    private static final ModuleModel ONE = Modules.withNeutral(1, 2, Modules.generous());
    private static final ModuleModel TWO = Modules.withNeutral(2, 2, Modules.generous());

    /** A double switch, and two loads of one fitting on one cable of five cores. */
    private static Circuits doubleSwitch(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .load("X", "2 LED 9", 0)
                .load("X", "3 LED 9", 0)
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .cable(
                        "A",
                        "X",
                        wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                        wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                        wire(NEUTRAL, "j.n", "j.n"),
                        wire(EARTH, "j.earth", "j.earth"));
    }

    /** The same where the feed is at the fitting: four cores bring a live down and two back. */
    private static Circuits doubleLoop(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .load("X", "2 LED 9", 0)
                .load("X", "3 LED 9", 0)
                .feed("X", "4", "j.l", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .cable(
                        "A",
                        "X",
                        wire(PERMANENT_LIVE, "1.COM", "j.l"),
                        wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                        wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                        wire(EARTH, "j.earth", "j.earth"));
    }

    /** One switch for two lamps, the second hangs on the box of the first. */
    private static Circuits lampOnLamp(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .box("Y", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .load("X", "LED 9", 0)
                .load("Y", "LED 9", 0)
                .feed("X", "4", "j.l", "j.n")
                .cable(
                        "A",
                        "X",
                        wire(PERMANENT_LIVE, "1.COM", "j.l"),
                        wire(SWITCHED_LIVE, "1.L1", "j.sl"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "X",
                        "Y",
                        wire(SWITCHED_LIVE, "j.sl", "x1.L"),
                        wire(NEUTRAL, "j.n", "x1.N"),
                        wire(EARTH, "j.earth", "x1.PE"))
                .jumper("X", "j.sl", "x1.L")
                .jumper("X", "j.n", "x1.N");
    }

    private static WiringPlan plan(RegionProfile region, Circuits circuits, Assignment assignment) {
        return WiringPlan.of(Boxes.house(region), circuits.from("A"), List.of(assignment));
    }

    private static Assignment with(
            SchemeCode scheme, ModuleModel model, Optional<ModuleModel> other, Integer... gangs) {
        return new Assignment(scheme, model, List.of(gangs), List.of(), Map.of(), Optional.empty(), other);
    }

    private static void requireProved(String name, WiringPlan plan, String... at) {
        assertThat(plan.planned()).as("%s %s", name, plan.findings()).isPresent();
        assertThat(plan.verdict()).as("%s %s", name, plan.findings()).isEqualTo(Verdict.OK);
        assertThat(plan.planned().orElseThrow().fitted())
                .as(name)
                .extracting(fitted -> fitted.place().label())
                .containsExactly(at);
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void aDoubleSwitchOnOneCable(RegionProfile region) {
        requireProved(
                "feed at the switch, behind it",
                plan(region, doubleSwitch(region), with(SchemeCode.BEHIND_SWITCH_N, TWO, Optional.empty(), 1, 2)),
                "A");
        requireProved(
                "feed at the switch, one of the two only",
                plan(region, doubleSwitch(region), with(SchemeCode.BEHIND_SWITCH_N, ONE, Optional.empty(), 2)),
                "A");
        requireProved(
                "feed at the fitting, module there",
                plan(region, doubleLoop(region), with(SchemeCode.AT_LAMP_SPARE, TWO, Optional.empty(), 1, 2)),
                "X");
        requireProved(
                "feed at the fitting, relay and sender",
                plan(
                        region,
                        doubleLoop(region),
                        with(SchemeCode.SPLIT_PAIR, TWO, Optional.of(Modules.sender(2)), 1, 2)),
                "X",
                "A");
        requireProved(
                "feed at the fitting, two-wire",
                plan(
                        region,
                        doubleLoop(region),
                        new Assignment(
                                SchemeCode.BEHIND_SWITCH_NO_N,
                                Modules.twoWire(2, 5, Modules.generous()),
                                List.of(1, 2),
                                List.of(),
                                Map.of(),
                                Optional.empty(),
                                Optional.empty())),
                "A");
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void aLampThatHangsOnAnotherLampsBox(RegionProfile region) {
        for (Assignment assignment : List.of(
                with(SchemeCode.AT_LAMP_SPARE, ONE, Optional.empty(), 1),
                with(SchemeCode.AT_LAMP_BLINK, Modules.blinking(), Optional.empty(), 1),
                with(SchemeCode.SWITCH_UPSTREAM, ONE, Optional.empty(), 1))) {
            WiringPlan plan = plan(region, lampOnLamp(region), assignment);

            requireProved(assignment.scheme().name(), plan, "X");
            assertThat(plan.planned().orElseThrow().intents())
                    .as("both lamps are switched")
                    .hasSize(2);
        }
        WiringPlan pair = plan(
                region,
                lampOnLamp(region),
                with(SchemeCode.SPLIT_PAIR, Modules.receiver(), Optional.of(Modules.sender()), 1));
        requireProved("SPLIT_PAIR", pair, "X", "A");
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void bothDirectionsOfABlindOnOneCable(RegionProfile region) {
        Circuits circuits = new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .gang("A", PUSH_MAKE, "4")
                .gang("A", PUSH_MAKE, "4")
                .load("X", "blind 140", 0, Optional.of(new Drive("loft", Drive.Direction.UP)))
                .load("X", "blind 140", 0, Optional.of(new Drive("loft", Drive.Direction.DOWN)))
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .cable(
                        "A",
                        "X",
                        wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                        wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                        wire(NEUTRAL, "j.n", "j.n"),
                        wire(EARTH, "j.earth", "j.earth"));
        WiringPlan plan = plan(
                region,
                circuits,
                new Assignment(
                        SchemeCode.BLIND_PAIR,
                        Modules.blind(),
                        List.of(1, 2),
                        List.of(),
                        Map.of(1, InputBehaviour.UP_DOWN, 2, InputBehaviour.UP_DOWN),
                        Optional.empty(),
                        Optional.empty()));

        requireProved("blind", plan, "A");
    }

    /** A module for the lamp beside a blind once was held back: the blind's buttons, pressed and let go, were said to do nothing. */
    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void aLampBesideABlindThatStaysAsItIs(RegionProfile region) {
        Circuits circuits = new Circuits(region)
                .box("A", WALL)
                .gang("A", PUSH_MAKE, "4")
                .gang("A", PUSH_MAKE, "4")
                .gang("A", ONE_WAY, "4")
                .load("A", "blind 140", 1, Optional.of(new Drive("loft", Drive.Direction.UP)))
                .load("A", "blind 140", 2, Optional.of(new Drive("loft", Drive.Direction.DOWN)))
                .load("A", "LED 9", 3)
                .feed("A", "4", "j.l", "j.n")
                .jumper("A", "j.l", "1.COM")
                .jumper("A", "j.l", "2.COM")
                .jumper("A", "j.l", "3.COM")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .cable("A", new Leads.ToLoad(2), wire(SWITCHED_LIVE, "2.L1"), wire(NEUTRAL, "j.n"))
                .cable(
                        "A",
                        new Leads.ToLoad(3),
                        wire(SWITCHED_LIVE, "3.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"));

        requireProved("lamp", plan(region, circuits, with(SchemeCode.BEHIND_SWITCH_N, ONE, Optional.empty(), 3)), "A");
        assertThat(WiringPlan.surveyed(Boxes.house(region), circuits.from("A")).findings())
                .extracting(f -> f.code())
                .doesNotContain(FindingCode.SWITCH_WITHOUT_EFFECT);
    }
}
