package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.operation.Currents;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Each code on the smallest wiring that shows it, and on the same wiring put right. */
class FindingCodesTest {
    private static final ModuleSupply MAINS = new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1);
    private static final List<Channel> ONE_CHANNEL =
            List.of(new Channel("1", "L", "O1", List.of(ContactRating.watts(LoadKind.LED_LAMP, 150))));

    @Nested
    class SuppliesThatMeet {
        @Test
        void liveAndNeutral() {
            assertOnly(Wirings.mains().conductor("W1", "l", "n"), FindingCode.SHORT_LIVE_NEUTRAL, "F1+N1");
        }

        @Test
        void liveAndEarth() {
            assertOnly(
                    Wirings.mains().supply("E1", Line.PE, "", "e").conductor("W1", "l", "e"),
                    FindingCode.SHORT_LIVE_EARTH,
                    "E1+F1");
        }

        @Test
        void twoPhases() {
            assertOnly(
                    Wirings.mains().supply("F2", Line.L2, "C1", "l2").conductor("W1", "l", "l2"),
                    FindingCode.PHASES_JOINED,
                    "F1+F2");
        }

        @Test
        void onePhaseOfTwoCircuitsIsASecondFeedAndNoShort() {
            WiringCheck.Result result = check(Wirings.mains()
                    .supply("F2", Line.L1, "C2", "l2")
                    .conductor("W1", "l", "l2")
                    .lamp("X1", 5, "l", "n"));

            assertThat(codes(result)).contains(FindingCode.SECOND_FEED);
            assertThat(result.truthTable().iterator().next().shorts()).isEmpty();
        }

        @Test
        void neutralsOfTwoCircuits() {
            assertOnly(
                    Wirings.mains().supply("N2", Line.N, "C2", "n2").conductor("W1", "n", "n2"),
                    FindingCode.BORROWED_NEUTRAL,
                    "N1+N2");
        }

        @Test
        void neutralAndEarth() {
            assertOnly(
                    Wirings.mains().supply("E1", Line.PE, "", "e").conductor("W1", "n", "e"),
                    FindingCode.EARTH_AS_NEUTRAL,
                    "E1+N1");
        }
    }

    @Nested
    class Neutrals {
        @Test
        void aLampOnEarthInsteadOfNeutral() {
            assertThat(codes(
                            check(Wirings.mains().supply("E1", Line.PE, "", "e").lamp("X1", 5, "l", "e"))))
                    .containsExactly(FindingCode.EARTH_AS_NEUTRAL);
        }

        @Test
        void aCurrentThatReturnsByAnotherCircuit() {
            assertOnly(
                    Wirings.mains().supply("N2", Line.N, "C2", "n2").lamp("X1", 5, "l", "n2"),
                    FindingCode.BORROWED_NEUTRAL,
                    "X1");
        }

        @Test
        void aNeutralThatIsSwitchedLeavesTheLampOnTheLive() {
            WiringCheck.Result result = check(Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=n", "L1=m")
                    .lamp("X1", 5, "l", "m"));

            assertThat(codes(result)).containsExactly(FindingCode.NEUTRAL_SWITCHED);
            assertThat(result.findings().get(0).states().get(0).switches()).containsEntry("S1", 0);
        }

        @Test
        void aDoublePoleSwitchThatOpensBothIsFine() {
            assertThat(codes(check(Wirings.mains()
                            .mechanism("S1", Mechanism.DOUBLE_POLE, "L-IN=l", "L-OUT=a", "N-IN=n", "N-OUT=b")
                            .lamp("X1", 5, "a", "b"))))
                    .isEmpty();
        }

        @Test
        void exchangedPolesOfALamp() {
            assertOnly(Wirings.mains().lamp("X1", 5, "n", "l"), FindingCode.REVERSED_POLARITY, "X1");
        }
    }

    @Nested
    class Ends {
        @Test
        void aLiveEndIsBare() {
            assertOnly(
                    Wirings.mains().lamp("X1", 5, "l", "n").conductor("W1", "l", "nowhere"),
                    FindingCode.LIVE_END_OPEN,
                    "W1.b");
        }

        @Test
        void aNeutralEndIsNot() {
            assertThat(codes(check(Wirings.mains().lamp("X1", 5, "l", "n").conductor("W1", "n", "nowhere"))))
                    .isEmpty();
        }

        @Test
        void anEndThatIsLiveOnlyThroughALampIsBareToo() {
            assertThat(codes(check(Wirings.mains().lamp("X1", 5, "l", "m").conductor("W1", "m", "nowhere"))))
                    .contains(FindingCode.LIVE_END_OPEN, FindingCode.LOAD_NEVER_ON);
        }
    }

    @Nested
    class Lamps {
        @Test
        void aLampWithoutASwitchIsAlwaysOn() {
            assertThat(codes(check(Wirings.mains().lamp("X1", 5, "l", "n").intent("X1", false))))
                    .containsExactly(FindingCode.LOAD_ALWAYS_ON);
        }

        @Test
        void aSwitchThatLeadsNowhereDoesNothing() {
            assertOnly(
                    Wirings.mains()
                            .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=x")
                            .lamp("X1", 5, "l", "n"),
                    FindingCode.SWITCH_WITHOUT_EFFECT,
                    "S1");
        }

        @Test
        void anEarthThatIsDemandedAndMissing() {
            Part.Load heater = new Part.Load(
                    new PartId("X1"),
                    LoadKind.HEATER,
                    1000,
                    1,
                    OptionalDouble.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    true,
                    java.util.Map.of("L", new NodeId("l"), "N", new NodeId("n")));
            Wiring mains = Wirings.mains().build();
            List<Part> parts = new java.util.ArrayList<>(mains.parts());
            parts.add(heater);

            assertThat(codes(WiringCheck.of(new Wiring(mains.supply(), parts, List.of()))))
                    .containsExactly(FindingCode.EARTH_MISSING);
        }
    }

    @Nested
    class Modules {
        @Test
        void aModuleBehindASwitchIsCutByIt() {
            WiringCheck.Result result = check(Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=m")
                    .module("K1", MAINS, ONE_CHANNEL, List.of(), "L=m", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n")
                    .intent("X1", true));

            assertThat(codes(result)).containsExactly(FindingCode.MODULE_CUT_BY_SWITCH);
            assertThat(result.findings().get(0).severity()).isEqualTo(Severity.NOTE);
        }

        @Test
        void aModuleWithoutNeutralGetsNoSupply() {
            assertThat(codes(check(Wirings.mains()
                            .module("K1", MAINS, ONE_CHANNEL, List.of(), "L=l", "O1=o")
                            .lamp("X1", 5, "o", "n"))))
                    .contains(FindingCode.MODULE_UNPOWERED);
        }

        @Test
        void anInputOnTheNeutralSideNeverChanges() {
            assertThat(codes(check(withInputOnNeutral()))).contains(FindingCode.INPUT_STUCK);
        }

        @Test
        void anInputOnALiveOfAnotherCircuitIsASecondFeed() {
            Wirings wirings = Wirings.mains()
                    .supply("F2", Line.L1, "C2", "l2")
                    .supply("N2", Line.N, "C2", "n2")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l2", "L1=s");
            assertThat(codes(check(module(wirings, "L=l", "N=n", "O1=o", "S1=s").lamp("X1", 5, "o", "n"))))
                    .contains(FindingCode.SECOND_FEED);
        }

        @Test
        void anInputOnAnotherPhaseGetsTooManyVolts() {
            Wirings wirings = Wirings.mains()
                    .supply("F2", Line.L2, "C1", "l2")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l2", "L1=s");
            assertThat(codes(check(module(wirings, "L=l", "N=n", "O1=o", "S1=s").lamp("X1", 5, "o", "n"))))
                    .contains(FindingCode.OVER_VOLTAGE);
        }

        @Test
        void aRatingThatIsNotStatedIsUnknownAndNotZero() {
            List<Channel> unrated = List.of(new Channel("1", "L", "O1", List.of()));
            WiringCheck.Result result = check(Wirings.mains()
                    .module("K1", MAINS, unrated, List.of(), "L=l", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n"));

            assertThat(codes(result)).containsExactly(FindingCode.RATING_UNKNOWN);
            assertThat(result.findings().get(0).subject().key()).isEqualTo("K1/1+X1");
        }

        @Test
        void aTwoWireModuleUnderItsMinimum() {
            ModuleSupply twoWire = new ModuleSupply.TwoWire("L", "O1", 90, OptionalDouble.of(265), 4, 20);
            WiringCheck.Result result = check(Wirings.mains()
                    .module("K1", twoWire, ONE_CHANNEL, List.of(), "L=l", "O1=o")
                    .lamp("X1", 19, "o", "n"));

            assertThat(codes(result)).containsExactly(FindingCode.BELOW_MINIMUM_LOAD, FindingCode.GHOST_GLOW);
            assertThat(result.findings().get(0).reason())
                    .isEqualTo("K1 carries 19.0\u2009W; it needs at least 20.0\u2009W.");
        }

        /** 230 V over 230 / 4 mA = 57 500 Ω and 230² / 19 W = 2 784 Ω leaves 10.6 V, 4.6 %; with 20 W beside it 5.3 V. */
        @Test
        void aTrickleThroughAnLedLampMayGlowAndABypassTakesItAway() {
            ModuleSupply twoWire = new ModuleSupply.TwoWire("L", "O1", 90, OptionalDouble.of(265), 4, 10);
            Wirings bare = Wirings.mains()
                    .module("K1", twoWire, ONE_CHANNEL, List.of(), "L=l", "O1=o")
                    .lamp("X1", 19, "o", "n");

            assertOnly(bare, FindingCode.GHOST_GLOW, "X1");
            assertThat(check(bare).findings().get(0).reason()).startsWith("X1 is off with 10.6\u2009V across it");
            assertThat(codes(check(bare.bypass("B1", 20, "o", "n")))).isEmpty();
        }

        @Test
        void aModuleThatCountsBreaksNeedsAFlipThatMakesOne() {
            List<Input> blink = List.of(new Input(
                    "1",
                    List.of(),
                    Optional.empty(),
                    Input.Potential.MAINS,
                    InputBehaviour.SUPPLY_BLINK,
                    Optional.of("1"),
                    Optional.empty()));
            Wirings cut = Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=f")
                    .module("K1", MAINS, ONE_CHANNEL, blink, "L=f", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n");
            Wirings linked = Wirings.mains()
                    .mechanism("S1", Mechanism.TWO_WAY, "COM=l", "L1=f", "L2=f")
                    .module("K1", MAINS, ONE_CHANNEL, blink, "L=f", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n");

            assertThat(codes(check(cut))).contains(FindingCode.BLINK_NOT_SEEN);
            assertThat(codes(check(linked))).isEmpty();
        }

        @Test
        void aDimmerBeforeOrBehindAModuleIsFound() {
            Wirings before = module(
                            Wirings.mains().mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=d"), "L=d", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n");
            Wirings behind = module(
                            Wirings.mains().mechanism("S1", Mechanism.DIMMER, "COM=o", "L1=d"), "L=l", "N=n", "O1=o")
                    .lamp("X1", 5, "d", "n");
            Wirings apart = module(
                            Wirings.mains().mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=d"), "L=l", "N=n", "O1=o")
                    .lamp("X1", 5, "o", "n")
                    .lamp("X2", 5, "d", "n");

            assertThat(codes(check(before))).contains(FindingCode.DIMMER_IN_SERIES);
            assertThat(codes(check(behind))).contains(FindingCode.RELAY_INTO_DIMMER);
            assertThat(codes(check(apart))).isEmpty();
        }

        private Wirings withInputOnNeutral() {
            return module(
                            Wirings.mains().mechanism("S1", Mechanism.ONE_WAY, "COM=n", "L1=s"),
                            "L=l",
                            "N=n",
                            "O1=o",
                            "S1=s")
                    .lamp("X1", 5, "o", "n");
        }

        private Wirings module(Wirings wirings, String... pins) {
            return wirings.module(
                    "K1",
                    MAINS,
                    ONE_CHANNEL,
                    List.of(Input.single("1", "S1", "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "1")),
                    pins);
        }
    }

    @Nested
    class Circuits {
        /** I = P / (V pf): 2 300 W at 230 V is 10 A, all of a 10 A device. */
        @Test
        void loadsTogetherMustNotPassTheProtectiveDevice() {
            assertThat(codes(check(Wirings.mains().lamp("X1", 1035, "l", "n").lamp("X2", 1035, "l", "n"))))
                    .isEmpty();
            WiringCheck.Result over =
                    check(Wirings.mains().lamp("X1", 1035, "l", "n").lamp("X2", 1040, "l", "n"));

            assertThat(codes(over)).containsExactly(FindingCode.CIRCUIT_OVERLOAD);
            assertThat(over.findings().get(0).reason())
                    .isEqualTo("Circuit C1 delivers 10.02\u2009A on L1; its protective device is rated 10.00\u2009A.");
        }

        /** 1.5 mm² carries 17.5 A by IEC 60364-5-52, table B.52.2, method B1 (from memory): at 230 V and 0.9 that is 3 622 W. */
        @Test
        void aConductorCarriesWhatItsSizeAllows() {
            Wirings within = strong().conductor("W1", "l", "x").lamp("X1", 3_600, "x", "n");
            Wirings over = strong().conductor("W1", "l", "x").lamp("X1", 3_640, "x", "n");

            assertThat(codes(check(within))).isEmpty();
            assertOnly(over, FindingCode.CONDUCTOR_OVERLOAD, "W1");
            assertThat(check(over).findings().get(0).reason())
                    .isEqualTo("The black core of c carries 17.6\u2009A; 1.50\u2009mm² carries 17.5\u2009A.");
        }

        /** Kirchhoff's first law: what branches off at a joint is not in the conductor behind it. */
        @Test
        void aConductorCarriesOnlyWhatLiesBehindIt() {
            Wirings wirings = strong().conductor("W1", "l", "j")
                    .conductor("W2", "j", "x")
                    .lamp("X1", 2_000, "j", "n")
                    .lamp("X2", 1_000, "x", "n");

            var amps = Currents.of(wirings.build()).values().iterator().next();

            assertThat(amps.get("W1")).isCloseTo(3_000 / 230.0 / 0.9, within(0.001));
            assertThat(amps.get("W2")).isCloseTo(1_000 / 230.0 / 0.9, within(0.001));
        }

        @Test
        void ofTwoConductorsBesideEachOtherEachCountsAsIfItWereAlone() {
            Wirings ring =
                    strong().conductor("W1", "l", "x").conductor("W2", "l", "x").lamp("X1", 5_000, "x", "n");

            assertThat(check(ring).findings())
                    .extracting(f -> f.subject().key() + " " + f.severity())
                    .containsExactly("W1 HOLD", "W2 HOLD");
            assertThat(Currents.of(ring.build()).values().iterator().next()).isEmpty();
        }

        private Wirings strong() {
            return new Wirings().supply("N1", Line.N, "C1", "n").supply("F1", Line.L1, "C1", "l", 40);
        }

        @Test
        void aCappedCoreIsLeftOverAndAnEarthNeverIs() {
            Wirings wirings = Wirings.mains()
                    .supply("E1", Line.PE, "", "e")
                    .lamp("X1", 5, "l", "n")
                    .conductor("W1", "n", "spare")
                    .cap("P1", "spare")
                    .conductor("W2", "e", "end")
                    .cap("P2", "end");

            assertOnly(wirings, FindingCode.UNUSED_CONDUCTOR, "W1");
        }
    }

    @Nested
    class Order {
        @Test
        void findingsComeGravestFirstAndAlikeInEveryRun() {
            Wirings wirings = Wirings.mains()
                    .mechanism("S2", Mechanism.ONE_WAY, "COM=l", "L1=x")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=y")
                    .conductor("W2", "l", "bare")
                    .conductor("W1", "l", "bare too")
                    .lamp("X1", 5, "l", "n");

            List<Finding> findings = check(wirings).findings();

            assertThat(findings).extracting(f -> f.subject().key()).containsExactly("W1.b", "W2.b", "S1", "S2");
            assertThat(check(wirings).findings()).isEqualTo(findings);
        }

        @Test
        void renamedNodesAndReorderedPartsChangeNoVerdict() {
            Wiring sound = Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=s")
                    .lamp("X1", 5, "s", "n")
                    .intent("X1", false, "S1")
                    .build();
            List<Part> reversed = new java.util.ArrayList<>(sound.parts());
            java.util.Collections.reverse(reversed);

            assertThat(WiringCheck.of(new Wiring(sound.supply(), reversed, sound.intents()))
                            .findings())
                    .isEqualTo(WiringCheck.of(sound).findings());
        }
    }

    private static void assertOnly(Wirings wirings, FindingCode code, String subject) {
        List<Finding> findings = check(wirings).findings();
        assertThat(findings).as(findings.toString()).singleElement().satisfies(finding -> {
            assertThat(finding.code()).isEqualTo(code);
            assertThat(finding.subject().key()).isEqualTo(subject);
            assertThat(finding.reason()).isNotBlank();
            assertThat(finding.remedies()).isNotEmpty();
        });
    }

    private static WiringCheck.Result check(Wirings wirings) {
        return WiringCheck.of(wirings.build());
    }

    private static Set<FindingCode> codes(WiringCheck.Result result) {
        Set<FindingCode> codes = new TreeSet<>();
        result.findings().forEach(finding -> codes.add(finding.code()));
        return codes;
    }
}
