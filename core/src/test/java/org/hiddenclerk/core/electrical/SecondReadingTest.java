package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.Verdict;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What would hurt somebody and looks sound at a first reading: each was once proved. The rules are those of the wiring format. */
class SecondReadingTest {
    private static final ModuleSupply MAINS = new ModuleSupply.LineNeutral("L", "N", 100, OptionalDouble.empty(), 1);
    private static final ModuleSupply DC = new ModuleSupply.DirectCurrent("+", "-", 10, OptionalDouble.of(30), 1);
    private static final List<Channel> CONTACT = List.of(new Channel(
            "1",
            "L",
            "O1",
            List.of(new ContactRating(LoadKind.LED_LAMP, OptionalDouble.of(150), OptionalDouble.empty()))));

    @Nested
    class Earths {
        @Test
        void aLiveOnAnEarthTerminalIsFound() {
            assertThat(codes(onEarth("l")))
                    .containsExactlyInAnyOrder(FindingCode.LIVE_ON_EARTH_PIN, FindingCode.EARTH_MISSING);
        }

        @Test
        void aNeutralOnAnEarthTerminalIsNoEarth() {
            assertThat(codes(onEarth("n")))
                    .containsExactlyInAnyOrder(FindingCode.EARTH_AS_NEUTRAL, FindingCode.EARTH_MISSING);
        }

        @Test
        void anEarthThatASwitchTakesAwayIsMissing() {
            Wirings wirings = onEarth("x").mechanism("S1", Mechanism.ONE_WAY, "COM=x", "L1=e");

            assertThat(codes(wirings)).contains(FindingCode.EARTH_MISSING);
        }

        @Test
        void anEarthIsWhereItBelongs() {
            assertThat(codes(onEarth("e"))).isEmpty();
        }

        private Wirings onEarth(String node) {
            return Wirings.mains()
                    .supply("E1", Line.PE, "", "e")
                    .load("X1", LoadKind.LED_LAMP, 5, Map.of(), "L=l", "N=n", "PE=" + node);
        }
    }

    @Nested
    class Poles {
        @Test
        void polesOfDifferentVoltsAreShortedThroughEachOther() {
            WiringCheck.Result result = check(new Wirings()
                    .elv("P1", Line.ELV_PLUS, "A", 12, "p")
                    .elv("P2", Line.ELV_PLUS, "B", 24, "p")
                    .elv("M1", Line.ELV_MINUS, "A", 12, "m")
                    .load("X1", LoadKind.ELV_STRIP, 5, Map.of("volts", 12), "L=p", "N=m"));

            assertThat(codesOf(result)).contains(FindingCode.PHASES_JOINED);
            assertThat(result.truthTable().iterator().next().shorts()).isNotEmpty();
        }

        @Test
        void polesOfTwoCircuitsAreASecondFeed() {
            assertThat(codes(new Wirings()
                            .elv("P1", Line.ELV_PLUS, "A", 12, "p")
                            .elv("P2", Line.ELV_PLUS, "B", 12, "p")
                            .elv("M1", Line.ELV_MINUS, "A", 12, "m")
                            .load("X1", LoadKind.ELV_STRIP, 5, Map.of("volts", 12), "L=p", "N=m")))
                    .contains(FindingCode.SECOND_FEED);
        }

        @Test
        void aLoadOnDirectCurrentHasPolesToo() {
            assertThat(codes(new Wirings()
                            .elv("P1", Line.ELV_PLUS, "A", 12, "p")
                            .elv("M1", Line.ELV_MINUS, "A", 12, "m")
                            .load("X1", LoadKind.ELV_STRIP, 5, Map.of("volts", 12), "L=m", "N=p")))
                    .containsExactly(FindingCode.REVERSED_POLARITY);
        }

        @Test
        void anExtraLowVoltageLoadWithoutVoltsIsRefused() {
            assertThat(WiringRules.problemsOf(Wirings.mains()
                            .load("X1", LoadKind.ELV_STRIP, 5, Map.of(), "L=l", "N=n")
                            .build()))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/2/volts");
        }

        @Test
        void aDirectCurrentModuleStatesItsHighestVolts() {
            ModuleSupply open = new ModuleSupply.DirectCurrent("+", "-", 10, OptionalDouble.empty(), 1);
            assertThat(WiringRules.problemsOf(Wirings.mains()
                            .module("K1", open, List.of(), List.of(), "+=p", "-=m")
                            .build()))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/2/module/supply/maxVolts");
        }
    }

    @Nested
    class Motors {
        @Test
        void aMotorHasADirectionAndEachOnce() {
            Wirings twice = Wirings.mains().winding("X1", "M", "UP", "l", "n").winding("X2", "M", "UP", "l", "n");
            Wirings without = Wirings.mains().winding("X1", "M", null, "l", "n");

            assertThat(WiringRules.problemsOf(twice.build()))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/3/direction");
            assertThat(WiringRules.problemsOf(without.build()))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/2/direction");
            assertThat(WiringRules.problemsOf(
                            Wirings.mains().winding("X1", "M", "UP", "l", "n").build()))
                    .isEmpty();
        }

        @Test
        void bothDirectionsMeetOverTwoCircuitsToo() {
            Wirings wirings = Wirings.mains()
                    .supply("F2", Line.L1, "C2", "l2")
                    .supply("N2", Line.N, "C2", "n2")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=u")
                    .mechanism("S2", Mechanism.ONE_WAY, "COM=l2", "L1=d")
                    .winding("X1", "M", "UP", "u", "n")
                    .winding("X2", "M", "DOWN", "d", "n2");

            WiringCheck.Result result = check(wirings);

            assertThat(codesOf(result)).containsExactly(FindingCode.BOTH_DIRECTIONS_ON);
            assertThat(result.findings().get(0).states()).first().satisfies(state -> assertThat(state.switches())
                    .containsExactlyInAnyOrderEntriesOf(Map.of("S1", 1, "S2", 1)));
        }
    }

    @Nested
    class Currents {
        @Test
        void aCircuitIsSummedOverAllItsSuppliesAndRegions() {
            Wirings wirings = new Wirings()
                    .supply("F1", Line.L1, "C1", "l", 10)
                    .supply("N1", Line.N, "C1", "n")
                    .supply("F2", Line.L1, "C1", "l2", 16)
                    .supply("N2", Line.N, "C1", "n2")
                    .lamp("X1", 1_100, "l", "n")
                    .lamp("X2", 1_100, "l2", "n2");

            assertThat(check(wirings).findings()).singleElement().satisfies(f -> {
                assertThat(f.code()).isEqualTo(FindingCode.CIRCUIT_OVERLOAD);
                assertThat(f.sentence().found().orElseThrow().toString()).isEqualTo("10.63\u2009A");
                assertThat(f.sentence().allowed().orElseThrow().toString()).isEqualTo("10.00\u2009A");
            });
        }

        @Test
        void twoPolesDoNotAdd() {
            Wirings wirings = new Wirings()
                    .supply("F1", Line.L1, "C1", "l", 10)
                    .supply("F2", Line.L2, "C1", "m", 10)
                    .load("X1", LoadKind.HEATER, 3_900, Map.of("volts", 400), "L=l", "N=m");

            assertThat(codes(wirings)).isEmpty();
        }

        @Test
        void mainsWiringIsNeverThinnerThanHalfASquareMillimetre() {
            assertThat(codes(Wirings.mains().conductor("W1", "l", "x", 0.34).lamp("X1", 5, "x", "n")))
                    .containsExactly(FindingCode.CONDUCTOR_OVERLOAD);
            assertThat(codes(Wirings.mains().conductor("W1", "x", "n", 0.34).lamp("X1", 5, "l", "x")))
                    .containsExactly(FindingCode.CONDUCTOR_OVERLOAD);
            assertThat(codes(new Wirings()
                            .elv("P1", Line.ELV_PLUS, "A", 12, "p")
                            .elv("M1", Line.ELV_MINUS, "A", 12, "m")
                            .conductor("W1", "p", "x", 0.34)
                            .load("X1", LoadKind.ELV_STRIP, 5, Map.of("volts", 12), "L=x", "N=m")))
                    .isEmpty();
        }

        /** A ring of 2.5 mm² (24 A) on 32 A: sound until one side is loose, then one leg carries 28 A. */
        @Test
        void aRingHoldsBecauseOneSideMayBeLoose() {
            Wirings ring = new Wirings()
                    .supply("F1", Line.L1, "C1", "l", 32)
                    .supply("N1", Line.N, "C1", "n")
                    .conductor("W1", "l", "a", 2.5)
                    .conductor("W2", "a", "b", 2.5)
                    .conductor("W3", "b", "l", 2.5)
                    .lamp("X1", 2_900, "a", "n")
                    .lamp("X2", 2_900, "b", "n");

            WiringCheck.Result result = check(ring);

            assertThat(result.verdict()).isEqualTo(Verdict.HOLD);
            assertThat(result.findings()).extracting(f -> f.subject().key()).containsExactly("W1", "W3");
            assertThat(result.findings()).extracting(Finding::severity).containsOnly(Severity.HOLD);
        }

        @Test
        void twoSupplyPartsAreOneBus() {
            Wirings wirings = new Wirings()
                    .supply("F1", Line.L1, "C1", "l", 40)
                    .supply("F2", Line.L1, "C1", "l2", 40)
                    .supply("N1", Line.N, "C1", "n", 40)
                    .conductor("W1", "l", "x", 1.5)
                    .conductor("W2", "l2", "x", 1.5)
                    .lamp("X1", 4_200, "x", "n");

            assertThat(check(wirings).findings())
                    .extracting(f -> f.code() + " " + f.severity())
                    .containsExactly("CONDUCTOR_OVERLOAD HOLD", "CONDUCTOR_OVERLOAD HOLD");
        }
    }

    @Nested
    class Inputs {
        @Test
        void nothingOfASupplyBelongsOnAPairInput() {
            assertThat(codes(pair("l", Optional.empty()))).contains(FindingCode.SUPPLY_ON_INPUT);
            assertThat(codes(pair("n", Optional.empty()))).contains(FindingCode.SUPPLY_ON_INPUT);
            assertThat(codes(pair("free", Optional.empty()))).doesNotContain(FindingCode.SUPPLY_ON_INPUT);
        }

        @Test
        void whereTheMakerSaysSoItDoes() {
            assertThat(codes(pair("l", Optional.of("L")))).doesNotContain(FindingCode.SUPPLY_ON_INPUT);
            assertThat(codes(pair("n", Optional.of("L")))).contains(FindingCode.SUPPLY_ON_INPUT);
        }

        @Test
        void aCommonPinIsASupplyPinOfTheModule() {
            assertThat(WiringRules.problemsOf(pair("l", Optional.of("O1")).build()))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/2/module/inputs/0/commonWith");
        }

        private Wirings pair(String node, Optional<String> common) {
            Input input = new Input(
                    "1",
                    List.of("S1", "S2"),
                    Optional.empty(),
                    Input.Potential.MAINS,
                    InputBehaviour.EVERY_FLIP,
                    Optional.of("1"),
                    Optional.empty(),
                    common);
            return Wirings.mains()
                    .module("K1", MAINS, CONTACT, List.of(input), "L=l", "N=n", "O1=o", "S1=" + node, "S2=s2")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=" + node, "L1=s2")
                    .lamp("X1", 5, "o", "n");
        }

        @Test
        void withoutStatedHighestVoltsAModuleStandsTheMainsAndNoMore() {
            Wirings wirings = Wirings.mains()
                    .supply("F2", Line.L2, "C1", "m")
                    .module("K1", MAINS, CONTACT, List.of(), "L=l", "N=m", "O1=o")
                    .lamp("X1", 5, "o", "n");

            assertThat(codes(wirings)).contains(FindingCode.OVER_VOLTAGE);
        }

        @Test
        void aContactOnAnotherCircuitIsWorthKnowing() {
            List<Channel> free =
                    List.of(new Channel("1", "A", "B", CONTACT.get(0).ratings()));
            WiringCheck.Result result = check(Wirings.mains()
                    .supply("F2", Line.L1, "C2", "l2")
                    .supply("N2", Line.N, "C2", "n2")
                    .module("K1", MAINS, free, List.of(), "L=l", "N=n", "A=l2", "B=o")
                    .lamp("X1", 5, "o", "n2"));

            assertThat(codesOf(result)).containsExactly(FindingCode.TWO_CIRCUITS);
            assertThat(result.verdict()).isEqualTo(Verdict.OK);
        }

        @Test
        void aSenderWithoutPowerIsFound() {
            assertThat(codes(Wirings.mains().sender("D1", "COM=n", "L1=x").lamp("X1", 5, "l", "x")))
                    .contains(FindingCode.MODULE_UNPOWERED);
        }
    }

    @Nested
    class Dimming {
        @Test
        void aDimmerBeforeAMotor() {
            assertThat(codes(Wirings.mains()
                            .mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=d")
                            .load("X1", LoadKind.MOTOR, 40, Map.of(), "L=d", "N=n")))
                    .containsExactly(FindingCode.DIMMER_IN_SERIES);
        }

        @Test
        void aDimmerBeforeAnInput() {
            Wirings wirings = Wirings.mains()
                    .mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=s")
                    .module(
                            "K1",
                            MAINS,
                            CONTACT,
                            List.of(Input.single(
                                    "1", "S1", "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "1")),
                            "L=l",
                            "N=n",
                            "O1=o",
                            "S1=s")
                    .lamp("X1", 5, "o", "n");

            assertThat(codes(wirings)).containsExactly(FindingCode.DIMMER_IN_SERIES);
        }

        @Test
        void aDimmerBeforeADimmer() {
            assertThat(codes(Wirings.mains()
                            .mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=a")
                            .mechanism("S2", Mechanism.DIMMER, "COM=a", "L1=b")
                            .lamp("X1", 5, "b", "n")))
                    .containsExactly(FindingCode.DIMMER_IN_SERIES);
        }

        @Test
        void aDimmerBeforeALampIsWhatItIsFor() {
            assertThat(codes(Wirings.mains()
                            .mechanism("S1", Mechanism.DIMMER, "COM=l", "L1=d")
                            .lamp("X1", 5, "d", "n")))
                    .isEmpty();
        }
    }

    /** Any supplies on a few nodes with switches between them: what is joined and differs is never without a word that stops. */
    @Test
    void noShortStandsWithoutAFinding() {
        Random random = new Random(20_261_130);
        int shorts = 0;
        for (int i = 0; i < 2_000; i++) {
            Wirings wirings = new Wirings();
            for (int s = 0; s < 5; s++) {
                Line line = Line.values()[random.nextInt(Line.values().length)];
                wirings.elv(
                        "P" + s,
                        line,
                        line == Line.PE ? "" : "C" + random.nextInt(2),
                        random.nextBoolean() ? 12 : 24,
                        "n" + random.nextInt(5));
            }
            for (int s = 0; s < 3; s++) {
                wirings.mechanism(
                        "S" + s,
                        Mechanism.TWO_WAY,
                        "COM=n" + random.nextInt(5),
                        "L1=n" + random.nextInt(5),
                        "L2=n" + random.nextInt(5));
            }
            WiringCheck.Result result = WiringCheck.of(wirings.build());
            for (TruthTable.Row row : result.truthTable()) {
                for (List<String> met : row.shorts()) {
                    shorts++;
                    assertThat(result.findings())
                            .as(met + " in " + wirings.build())
                            .anyMatch(f -> f.severity() == Severity.STOP
                                    && f.subject() instanceof Subject.Together both
                                    && met.containsAll(both.members().stream()
                                            .map(Subject::key)
                                            .toList()));
                }
            }
        }
        assertThat(shorts).isGreaterThan(1_000);
    }

    private static WiringCheck.Result check(Wirings wirings) {
        Wiring wiring = wirings.build();
        assertThat(WiringRules.problemsOf(wiring)).isEmpty();
        WiringCheck.Result result = WiringCheck.of(wiring);
        Set<FindingCode> covered = new java.util.TreeSet<>(codesOf(result));
        covered.retainAll(SlowJudge.COVERED);
        assertThat(SlowJudge.codesOf(wiring))
                .as("the slow judge of " + result.findings())
                .isEqualTo(covered);
        return result;
    }

    private static Set<FindingCode> codes(Wirings wirings) {
        return codesOf(check(wirings));
    }

    private static Set<FindingCode> codesOf(WiringCheck.Result result) {
        return FindingCode.of(result.findings());
    }
}
