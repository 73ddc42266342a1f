package org.hiddenclerk.core.electrical.operation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.Wirings;
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
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What hands and remote commands can reach, and whether it is what the people want. */
class IntentProofTest {
    private static final ModuleSupply MAINS = new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1);
    private static final List<ContactRating> RATINGS = List.of(ContactRating.watts(LoadKind.LED_LAMP, 150));

    @Nested
    class Behaviours {
        @Test
        void aRockerThatIsReadAsAPushNeedsTwoFlips() {
            assertThat(codes(behindSwitch(Mechanism.ONE_WAY, InputBehaviour.PRESS_CHANGES)))
                    .contains(FindingCode.SWITCH_WITHOUT_EFFECT);
            assertThat(codes(behindSwitch(Mechanism.PUSH_MAKE, InputBehaviour.PRESS_CHANGES)))
                    .isEmpty();
        }

        @Test
        void aPushThatTogglesAtBothEdgesDoesNothing() {
            assertThat(codes(behindSwitch(Mechanism.PUSH_MAKE, InputBehaviour.EVERY_FLIP)))
                    .contains(FindingCode.SWITCH_WITHOUT_EFFECT);
        }

        @Test
        void aShortPressTogglesAtItsRelease() {
            assertThat(codes(behindSwitch(Mechanism.PUSH_MAKE, InputBehaviour.SHORT_LONG)))
                    .isEmpty();
        }

        @Test
        void aRunOnSwitchTurnsOnButTheHandCannotTurnOff() {
            Wiring wiring = behindSwitch(Mechanism.PUSH_MAKE, InputBehaviour.RUN_ON);

            assertThat(WiringCheck.of(wiring).findings())
                    .filteredOn(f -> f.code() == FindingCode.SWITCH_WITHOUT_EFFECT)
                    .singleElement()
                    .satisfies(f -> assertThat(f.reason()).isEqualTo("Press S1, then S1 does nothing to X1."));
        }

        @Test
        void positionRulesMayNeedTwoFlipsAfterARemoteCommand() {
            assertThat(codes(behindSwitch(Mechanism.ONE_WAY, InputBehaviour.POSITION_RULES)))
                    .isEmpty();
        }

        private Wiring behindSwitch(Mechanism mechanism, InputBehaviour behaviour) {
            return Wirings.mains()
                    .mechanism("S1", mechanism, "COM=l", "L1=s")
                    .module(
                            "K1",
                            MAINS,
                            List.of(new Channel("1", "L", "O1", RATINGS)),
                            List.of(Input.single("1", "S1", "L", Input.Potential.MAINS, behaviour, "1")),
                            "L=l",
                            "N=n",
                            "O1=o",
                            "S1=s")
                    .lamp("X1", 13, "o", "n")
                    .intent("X1", true, "S1")
                    .build();
        }
    }

    @Nested
    class Blinks {
        @Test
        void aFlipOfALinkedChangeOverIsSeenAsABlink() {
            assertThat(codes(atTheLamp("COM=l", "L1=x", "L2=x"))).isEmpty();
        }

        @Test
        void aChangeOverWithOneThrowCutsTheModule() {
            assertThat(codes(atTheLamp("COM=l", "L2=x")))
                    .contains(FindingCode.MODULE_CUT_BY_SWITCH, FindingCode.SWITCH_WITHOUT_EFFECT);
        }

        private Wiring atTheLamp(String... pins) {
            Input blink = new Input(
                    "1",
                    List.of(),
                    Optional.empty(),
                    Input.Potential.MAINS,
                    InputBehaviour.SUPPLY_BLINK,
                    Optional.of("1"),
                    Optional.empty());
            return Wirings.mains()
                    .mechanism("S1", Mechanism.TWO_WAY, pins)
                    .module(
                            "K1",
                            MAINS,
                            List.of(new Channel("1", "L", "O1", RATINGS)),
                            List.of(blink),
                            "L=x",
                            "N=n",
                            "O1=o")
                    .lamp("X1", 13, "o", "n")
                    .intent("X1", true, "S1")
                    .build();
        }
    }

    @Nested
    class Radio {
        private final Input commandsOther = new Input(
                "1",
                List.of("S1"),
                Optional.of("L"),
                Input.Potential.MAINS,
                InputBehaviour.EVERY_FLIP,
                Optional.of("1"),
                Optional.of(new PartId("K1")));

        @Test
        void aSwitchOfAnotherRegionChangesTheLampByRadio() {
            Wirings wirings = twoRegions(commandsOther);

            assertThat(codes(wirings.intent("X1", true, "S2").build())).isEmpty();
        }

        @Test
        void aSwitchThatCommandsNobodyIsFound() {
            Input reports = new Input(
                    "1",
                    List.of("S1"),
                    Optional.of("L"),
                    Input.Potential.MAINS,
                    InputBehaviour.REPORT_ONLY,
                    Optional.empty(),
                    Optional.empty());

            assertThat(codes(twoRegions(reports).intent("X1", true, "S2").build()))
                    .containsExactly(FindingCode.SWITCH_WITHOUT_EFFECT);
        }

        @Test
        void regionsLinkedByRadioAreTabledApart() {
            WiringCheck.Result result = WiringCheck.of(twoRegions(commandsOther).build());

            assertThat(result.truthTable().size()).isEqualTo(2 + 4);
        }

        private Wirings twoRegions(Input input) {
            return Wirings.mains()
                    .module("K1", MAINS, List.of(new Channel("1", "L", "O1", RATINGS)), List.of(), "L=l", "N=n", "O1=o")
                    .lamp("X1", 13, "o", "n")
                    .supply("F2", Line.L2, "C2", "l2")
                    .supply("N2", Line.N, "C2", "n2")
                    .mechanism("S2", Mechanism.ONE_WAY, "COM=l2", "L1=s2")
                    .module(
                            "K2",
                            MAINS,
                            List.of(new Channel("1", "L", "O1", RATINGS)),
                            List.of(input),
                            "L=l2",
                            "N=n2",
                            "S1=s2");
        }
    }

    @Nested
    class ExtraLowVoltage {
        @Test
        void mainsThatReachesAnInputThroughALampIsFound() {
            Wiring wiring = Wirings.mains()
                    .lamp("X1", 10, "l", "s")
                    .module(
                            "K1",
                            MAINS,
                            List.of(new Channel("1", "L", "O1", RATINGS)),
                            List.of(Input.pair("1", "S1", "S2", Input.Potential.ELV, InputBehaviour.EVERY_FLIP, "1")),
                            "L=l",
                            "N=n",
                            "S1=s")
                    .build();

            assertThat(WiringCheck.of(wiring).findings())
                    .extracting(Finding::code)
                    .contains(FindingCode.MAINS_ON_ELV);
        }

        @Test
        void anInputOfItsOwnIsNot() {
            Wiring wiring = Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=s", "L1=c")
                    .module(
                            "K1",
                            MAINS,
                            List.of(new Channel("1", "L", "O1", RATINGS)),
                            List.of(Input.pair("1", "S1", "S2", Input.Potential.ELV, InputBehaviour.EVERY_FLIP, "1")),
                            "L=l",
                            "N=n",
                            "O1=o",
                            "S1=s",
                            "S2=c")
                    .lamp("X1", 10, "o", "n")
                    .intent("X1", true, "S1")
                    .build();

            assertThat(WiringCheck.of(wiring).findings()).isEmpty();
        }
    }

    @Nested
    class Interlocks {
        @Test
        void channelsThatLockEachOtherOutAreNeverClosedTogether() {
            Wiring wiring = interlocked();

            for (TruthTable.Row row : WiringCheck.of(wiring).truthTable()) {
                assertThat(row.state().channels().values().stream()
                                .mapToInt(Integer::intValue)
                                .sum())
                        .isLessThan(2);
            }
            assertThat(Operations.of(wiring).get(state(1, 0)).get("K1/2")).isEqualTo(state(0, 1));
        }

        private Operations.Positions state(int first, int second) {
            return new Operations.Positions(java.util.Map.of("K1/1", first, "K1/2", second));
        }

        private Wiring interlocked() {
            Wiring mains = Wirings.mains()
                    .lamp("X1", 10, "o1", "n")
                    .lamp("X2", 10, "o2", "n")
                    .build();
            List<Part> parts = new java.util.ArrayList<>(mains.parts());
            java.util.Map<String, NodeId> pins = new java.util.LinkedHashMap<>();
            List.of("L=l", "N=n", "O1=o1", "O2=o2")
                    .forEach(pin -> pins.put(pin.split("=")[0], new NodeId(pin.split("=")[1])));
            parts.add(new Part.FittedModule(
                    new PartId("K1"),
                    MAINS,
                    List.of(new Channel("1", "L", "O1", RATINGS), new Channel("2", "L", "O2", RATINGS)),
                    List.of(),
                    true,
                    pins));
            return new Wiring(mains.supply(), parts, List.of());
        }
    }

    private static Set<FindingCode> codes(Wiring wiring) {
        Set<FindingCode> codes = new TreeSet<>();
        WiringCheck.of(wiring).findings().forEach(finding -> codes.add(finding.code()));
        return codes;
    }
}
