package org.hiddenclerk.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class SurveyTest {
    private static final CircuitId FOUR = new CircuitId("4");
    private static final CircuitId SIX = new CircuitId("6");
    private static final Set<CircuitId> CIRCUITS = Set.of(FOUR, SIX);

    @Nested
    class Rules {
        @Test
        void aSoundSurveyHasNoProblems() {
            assertThat(SurveyRules.problemsOf(
                            Boxes.box()
                                    .gang("4", "LED 7")
                                    .feed("4", common(1))
                                    .lamp(1, throwOf(1), "4")
                                    .build(),
                            CIRCUITS))
                    .isEmpty();
        }

        @Test
        void problemsNameTheirPlaceInTheDocument() {
            Box box = Boxes.box()
                    .gang("9", "LED 7")
                    .feed("4", common(3))
                    .lamp(1, new End.AtMechanism(1, "L2"), "4")
                    .jumper(common(1), common(1))
                    .build();

            assertThat(SurveyRules.problemsOf(box, CIRCUITS))
                    .extracting(SurveyProblem::pointer)
                    .containsExactly(
                            "/gangs/0/circuit", "/cables/0/cores/0/end", "/cables/1/cores/0/end", "/jumpers/0/to");
        }

        @Test
        void aCableToALoadThatIsNotThereIsFound() {
            Box box = Boxes.box().gang("4", "LED 7").lamp(2, throwOf(1), "4").build();

            assertThat(SurveyRules.problemsOf(box, CIRCUITS)).singleElement().satisfies(problem -> {
                assertThat(problem.pointer()).isEqualTo("/cables/0/load");
                assertThat(problem.expected()).isEqualTo("a load of this box");
            });
        }
    }

    @Nested
    class Circuits {
        @Test
        void allCircuitsWithAConductorInTheBoxCount() {
            Box box = Boxes.box()
                    .gang("4", "LED 7")
                    .feed("4", common(1))
                    .lamp(1, throwOf(1), "4")
                    .feed("6", new End.Capped())
                    .build();

            assertThat(box.circuits()).containsExactly(FOUR, SIX);
        }

        @Test
        void aLampCableBelongsToTheCircuitOfItsSwitch() {
            Box box = Boxes.box().gang("6", "LED 7").lamp(1, throwOf(1), "6").build();

            assertThat(box.circuitOf(box.cores().get(0))).contains(SIX);
        }
    }

    @Nested
    class Templates {
        @ParameterizedTest
        @EnumSource(RegionProfile.class)
        void aBoxDraftedCableByCableIsSound(RegionProfile region) {
            Box box = Boxes.box()
                    .gang("4", "LED 7")
                    .gang("4", "LED 9")
                    .gang("6", "LED 5")
                    .build();
            box = with(box, new CableTemplate(region, box).feed(FOUR));
            box = with(box, new CableTemplate(region, box).feed(SIX));
            for (int load = 1; load <= 3; load++) {
                box = with(box, new CableTemplate(region, box).toLoad(load));
            }

            assertThat(SurveyRules.problemsOf(box, CIRCUITS)).isEmpty();
            WiringPlan found = WiringPlan.surveyed(Boxes.house(region), box);
            assertThat(found.verdict()).as(found.findings().toString()).isEqualTo(Verdict.OK);
        }

        @Test
        void aLoopBringsLiveAndSwitchedLiveWithASleeveAndNoNeutral() {
            Box box = Boxes.box().gang("4", "LED 7").build();

            Cable loop = new CableTemplate(RegionProfile.EU_230, box).loop(1).cable();

            assertThat(loop.cores())
                    .extracting(Core::role)
                    .containsExactly(Role.PERMANENT_LIVE, Role.SWITCHED_LIVE, Role.EARTH);
            assertThat(loop.cores().get(1).colour()).isEqualTo(CoreColour.BLUE);
            assertThat(loop.cores().get(1).sleeve()).contains(CoreColour.BROWN);
        }

        /** Colours of the region: IEC 60445 and NEC 200.6, 250.119, from memory. */
        @Test
        void coloursFollowTheRegion() {
            Box box = Boxes.box().gang("4", "LED 7").build();

            assertThat(new CableTemplate(RegionProfile.US_120, box)
                            .feed(FOUR)
                            .cable()
                            .cores())
                    .extracting(Core::colour)
                    .containsExactly(CoreColour.BLACK, CoreColour.WHITE, CoreColour.BARE);
            assertThat(new CableTemplate(RegionProfile.UK_230, box)
                            .feed(FOUR)
                            .cable()
                            .cores())
                    .extracting(Core::colour)
                    .containsExactly(CoreColour.BROWN, CoreColour.BLUE, CoreColour.GREEN_YELLOW);
        }

        private Box with(Box box, CableTemplate.Draft draft) {
            List<Cable> cables = new ArrayList<>(box.cables());
            cables.add(draft.cable());
            List<Jumper> jumpers = new ArrayList<>(box.jumpers());
            jumpers.addAll(draft.jumpers());
            return new Box(box.label(), box.kind(), box.geometry(), box.gangs(), box.loads(), cables, jumpers);
        }
    }

    /** Limits of the supply: EN 60038, ESQCR 2002 and ANSI C84.1, from memory. */
    @Test
    void regionsKnowTheirVoltsAndWhereTheyComeFrom() {
        assertThat(RegionProfile.EU_230.lowestVolts()).hasToString("207\u2009V");
        assertThat(RegionProfile.EU_230.highestVolts()).hasToString("253\u2009V");
        assertThat(RegionProfile.US_120.lowestVolts()).hasToString("114\u2009V");
        assertThat(RegionProfile.US_120.highestVolts()).hasToString("126\u2009V");
        assertThat(RegionProfile.US_120.continuousPercent()).hasValue(80);
        assertThat(RegionProfile.EU_230.continuousPercent()).isEmpty();
        assertThat(RegionProfile.UK_230.voltageSource().text()).contains("ESQCR 2002");
    }
}
