package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.operation.Operations;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class WiringCheckTest {
    private static final ModuleSupply WITH_NEUTRAL =
            new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1);

    @Nested
    class Voltages {
        /** Two equal resistances in series share the volts: Ohm's law. */
        @Test
        void twoEqualLampsInSeriesAreDimAtHalfTheVolts() {
            WiringCheck.Result result = WiringCheck.of(Wirings.mains()
                    .lamp("X1", 40, "l", "m")
                    .lamp("X2", 40, "m", "n")
                    .build());

            TruthTable.LoadReading reading =
                    result.truthTable().iterator().next().loads().get("X1");
            assertThat(reading.volts()).isCloseTo(115, within(0.05));
            assertThat(reading.state()).isEqualTo(LoadState.DIM);
            assertThat(codes(result)).contains(FindingCode.LOADS_IN_SERIES);
        }

        /** V1 = V R1 / (R1 + R2), and R = V squared over P, so the larger lamp takes the smaller share. */
        @Property(tries = 100)
        void lampsInSeriesDivideTheVoltsByTheirResistances(
                @ForAll @DoubleRange(min = 1, max = 500) double first,
                @ForAll @DoubleRange(min = 1, max = 500) double second) {
            WiringCheck.Result result = WiringCheck.of(Wirings.mains()
                    .lamp("X1", first, "l", "m")
                    .lamp("X2", second, "m", "n")
                    .build());

            double volts =
                    result.truthTable().iterator().next().loads().get("X1").volts();
            assertThat(volts).isCloseTo(230 * second / (first + second), within(0.06));
        }

        /** Line to line is sqrt 3 times line to neutral. */
        @Test
        void aLampBetweenTwoPhasesGetsThreeHundredAndNinetyEightVolts() {
            WiringCheck.Result result = WiringCheck.of(Wirings.mains()
                    .supply("F2", Line.L2, "C1", "l2")
                    .lamp("X1", 40, "l", "l2")
                    .build());

            assertThat(result.truthTable().iterator().next().loads().get("X1").volts())
                    .isEqualTo(398.4);
            assertThat(codes(result)).contains(FindingCode.OVER_VOLTAGE);
        }
    }

    @Nested
    class Shorts {
        @Test
        void aShortGivesTheSuppliesAndNoVoltages() {
            WiringCheck.Result result = WiringCheck.of(Wirings.mains()
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=n")
                    .lamp("X1", 5, "l", "n")
                    .build());

            List<TruthTable.Row> rows = new java.util.ArrayList<>();
            result.truthTable().forEach(rows::add);
            assertThat(rows.get(1).shorts()).containsExactly(List.of("F1", "N1"));
            assertThat(rows.get(1).loads()).isEmpty();
            Finding finding = result.findings().get(0);
            assertThat(finding.code()).isEqualTo(FindingCode.SHORT_LIVE_NEUTRAL);
            assertThat(finding.states()).hasSize(1);
            assertThat(finding.states().get(0).switches()).containsEntry("S1", 1);
            assertThat(finding.remedies()).isNotEmpty();
        }
    }

    @Nested
    class Intents {
        @Test
        void aCounterExampleTellsTheShortestStory() {
            WiringCheck.Result result = WiringCheck.of(behindSwitch(InputBehaviour.REPORT_ONLY, 13));

            assertThat(result.verdict()).isEqualTo(Verdict.HOLD);
            assertThat(result.findings())
                    .filteredOn(f -> f.code() == FindingCode.SWITCH_WITHOUT_EFFECT)
                    .singleElement()
                    .satisfies(f -> assertThat(f.reason()).isEqualTo("From the start, S1 does nothing to X1."));
        }

        @Test
        void everyFlipAndARemoteCommandChangeTheLamp() {
            assertThat(WiringCheck.of(behindSwitch(InputBehaviour.EVERY_FLIP, 13))
                            .findings())
                    .isEmpty();
        }

        @Test
        void operatingFollowsTheSameStepsAsTheProof() {
            var operations = Operations.of(behindSwitch(InputBehaviour.EVERY_FLIP, 13));

            var start = new Operations.Positions(Map.of("S1", 0, "K1/1", 0));
            var flipped = operations.get(start).get("S1");
            assertThat(flipped.byElement()).containsEntry("K1/1", 1);
            assertThat(operations.get(flipped).get("K1/1").byElement()).containsEntry("K1/1", 0);
        }
    }

    @Nested
    class Contacts {
        /** A fact of the trade, common practice, no source: 288 W of LED on a 150 W contact is over by 138 W. */
        @Test
        void twoHundredAndEightyEightWattsAreTooMuchForAHundredAndFifty() {
            Finding finding = WiringCheck.of(behindSwitch(InputBehaviour.EVERY_FLIP, 288))
                    .findings()
                    .get(0);

            assertThat(finding.code()).isEqualTo(FindingCode.CONTACT_OVERLOAD);
            assertThat(finding.subject().key()).isEqualTo("K1/1");
            assertThat(finding.reason()).contains("288\u2009W", "192\u2009%");
        }

        @Test
        void exactlyTheRatingPasses() {
            WiringCheck.Result result = WiringCheck.of(behindSwitch(InputBehaviour.EVERY_FLIP, 150));

            assertThat(result.verdict()).isEqualTo(Verdict.OK);
            assertThat(codes(result)).containsExactly(FindingCode.NEAR_LIMIT);
        }
    }

    @Nested
    class Rules {
        @Test
        void problemsNameThePlaceAndWhatIsExpected() {
            Wiring wiring = Wirings.mains()
                    .lamp("X1", 5, "l", "n")
                    .lamp("X1", 5, "l", "n")
                    .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L9=x")
                    .intent("X9", false, "S9")
                    .build();

            assertThat(WiringRules.problemsOf(wiring))
                    .extracting(WiringProblem::pointer)
                    .containsExactly("/parts/3/id", "/parts/4/pins/L9", "/intent/0/load", "/intent/0/controls/0");
        }

        @Test
        void twentyOneSwitchesInOneRegionAreRefused() {
            Wirings wirings = Wirings.mains().lamp("X1", 5, "m0", "n");
            for (int i = 0; i < 21; i++) {
                wirings.mechanism("S" + i, Mechanism.ONE_WAY, "COM=l", "L1=m0");
            }
            assertThat(WiringRules.problemsOf(wirings.build())).singleElement().satisfies(p -> assertThat(p.found())
                    .startsWith("21 switches and channels"));
        }
    }

    private static Wiring behindSwitch(InputBehaviour behaviour, double watts) {
        return Wirings.mains()
                .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=s")
                .lamp("X1", watts, "o", "n")
                .module(
                        "K1",
                        WITH_NEUTRAL,
                        List.of(new Channel("1", "L", "O1", List.of(ContactRating.watts(LoadKind.LED_LAMP, 150)))),
                        List.of(Input.single("1", "S1", "L", Input.Potential.MAINS, behaviour, "1")),
                        "L=l",
                        "N=n",
                        "O1=o",
                        "S1=s")
                .intent("X1", true, "S1")
                .build();
    }

    private static List<FindingCode> codes(WiringCheck.Result result) {
        return result.findings().stream().map(Finding::code).toList();
    }
}
