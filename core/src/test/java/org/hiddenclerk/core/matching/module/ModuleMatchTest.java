package org.hiddenclerk.core.matching.module;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class ModuleMatchTest {
    private static final ModuleModel ONE_CHANNEL = Modules.withNeutral(1, 2, Modules.usualRatings());
    private static final ModuleModel TWO_CHANNELS = Modules.withNeutral(2, 2, Modules.usualRatings());

    @Nested
    class Loads {
        /** A fact of the trade, common practice, no source. */
        @Test
        void ledBankOverItsContactIsTooMuchByAHundredAndThirtyEightWatts() {
            Candidate candidate = judge(oneGang("12x2 LED 12"), ONE_CHANNEL);

            Finding finding = only(candidate, FindingCode.CONTACT_OVERLOAD);
            assertThat(finding.reason())
                    .isEqualTo("288\u2009W of LED lamp on a contact for 150\u2009W: over by 138\u2009W.");
            assertThat(finding.remedies())
                    .extracting(Remedy::kind)
                    .containsExactly(Remedy.Kind.SPLIT_LOAD, Remedy.Kind.OTHER_MODULE);
            assertThat(candidate.verdict()).isEqualTo(Verdict.STOP);
        }

        /** A fact of the trade, common practice, no source: two banks of 13 W on 150 W channels are fine. */
        @Test
        void twoBanksOfThirteenWattsFitWithRoomToSpare() {
            Candidate candidate =
                    new ModuleMatch(Boxes.house(), twoGangs("LED 13", "LED 13")).judge(List.of(1, 2), TWO_CHANNELS);

            assertThat(candidate.verdict()).isEqualTo(Verdict.OK);
            assertThat(candidate.margins())
                    .filteredOn(m -> m.unit().equals("W"))
                    .extracting(Margin::found)
                    .usingElementComparator(BigDecimal::compareTo)
                    .containsExactly(new BigDecimal(13), new BigDecimal(13));
        }

        @Test
        void aLoadCloseToItsRatingIsWorthKnowing() {
            Candidate candidate = judge(oneGang("LED 121"), ONE_CHANNEL);

            assertThat(candidate.verdict()).isEqualTo(Verdict.OK);
            assertThat(only(candidate, FindingCode.NEAR_LIMIT).reason())
                    .isEqualTo("121\u2009W of 150\u2009W for LED lamp, channel 1: little room is left.");
        }

        /** 10 A carries 2 300 W at 230 V and 1 200 W at 120 V: an amp rating scales with the volts. */
        @Test
        void aRatingInAmpsScalesWithTheVoltage() {
            assertThat(codes(judge(oneGang("heater 2300"), ONE_CHANNEL))).doesNotContain(FindingCode.CONTACT_OVERLOAD);
            assertThat(codes(judge(oneGang("heater 2301"), ONE_CHANNEL))).contains(FindingCode.CONTACT_OVERLOAD);
            assertThat(codes(new ModuleMatch(Boxes.house(RegionProfile.US_120), oneGang("heater 1201"))
                            .judge(List.of(1), ONE_CHANNEL)))
                    .contains(FindingCode.CONTACT_OVERLOAD);
        }

        @Test
        void aKindWithoutARatingIsUnknownAndNeverGuessedForLed() {
            ModuleModel resistiveOnly = Modules.withNeutral(1, 2, ContactRating.amps(LoadKind.RESISTIVE, 10));

            Finding led = only(judge(oneGang("LED 7"), resistiveOnly), FindingCode.RATING_UNKNOWN);
            Finding fan = only(judge(oneGang("fan 40"), resistiveOnly), FindingCode.RATING_UNKNOWN);

            assertThat(led.reason()).doesNotContain("estimate");
            assertThat(fan.reason()).contains("An estimate by common practice: 690\u2009W");
            assertThat(fan.remedies()).extracting(Remedy::kind).containsExactly(Remedy.Kind.FIND_OUT);
        }

        /** NEC 210.20(A), from memory: three hours or more take at most 80 % of a rating. */
        @Test
        void continuousUseIsHeldToEightyPercentWhereTheRegionSaysSo() {
            Box box = Boxes.box()
                    .gang(Mechanism.ONE_WAY, "4", "LED 121", true)
                    .feed("4", common(1))
                    .lamp(1, throwOf(1), "4")
                    .build();

            assertThat(codes(new ModuleMatch(Boxes.house(RegionProfile.US_120), box).judge(List.of(1), ONE_CHANNEL)))
                    .contains(FindingCode.CONTINUOUS_OVERLOAD);
            assertThat(codes(new ModuleMatch(Boxes.house(), box).judge(List.of(1), ONE_CHANNEL)))
                    .doesNotContain(FindingCode.CONTINUOUS_OVERLOAD);
        }

        @Property(tries = 60)
        void aLargerRatingNeverWorsensAVerdict(
                @ForAll @IntRange(min = 1, max = 400) int watts, @ForAll @IntRange(min = 1, max = 400) int rating) {
            Verdict smaller = judge(oneGang("LED " + watts), rated(rating)).verdict();
            Verdict larger = judge(oneGang("LED " + watts), rated(rating + 1)).verdict();

            assertThat(larger).isGreaterThanOrEqualTo(smaller);
        }

        private ModuleModel rated(int watts) {
            return Modules.withNeutral(1, 2, ContactRating.watts(LoadKind.LED_LAMP, watts));
        }
    }

    @Nested
    class Places {
        @Test
        void withoutANeutralAWithNeutralModuleIsHeldAndTheWaysOutAreNamed() {
            Box box = Boxes.box()
                    .gang("4", "LED 30")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();

            Finding finding = only(judge(box, ONE_CHANNEL), FindingCode.NEUTRAL_ABSENT);

            assertThat(finding.reason()).contains("circuit 4", "earth");
            assertThat(finding.remedies())
                    .extracting(Remedy::kind)
                    .containsExactly(Remedy.Kind.OTHER_MODULE, Remedy.Kind.WORK_AT_LAMP);
        }

        /** Below 20 W a two-wire module needs a bypass; common practice, no source. */
        @Test
        void aTwoWireModuleBelowItsMinimumComesWithTheBypassItNeeds() {
            Box box = Boxes.box()
                    .gang("4", "LED 9")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();
            ModuleModel twoWire = Modules.twoWire(20, Modules.usualRatings());

            Candidate withBypass = judge(box, twoWire);
            Candidate without = new ModuleMatch(Boxes.house(), box)
                    .judge(new Assignment(twoWire, List.of(1), Map.of(1, InputBehaviour.EVERY_FLIP), Optional.empty()));

            assertThat(withBypass.verdict()).isEqualTo(Verdict.OK);
            assertThat(only(withBypass, FindingCode.BYPASS_NEEDED).reason()).contains("9\u2009W", "20\u2009W");
            assertThat(without.verdict()).isEqualTo(Verdict.HOLD);
            assertThat(only(without, FindingCode.BELOW_MINIMUM_LOAD).remedies())
                    .extracting(Remedy::kind)
                    .containsExactly(Remedy.Kind.ADD_BYPASS);
        }

        @Test
        void gangsOfTwoCircuitsCannotShareAModule() {
            Box box = Boxes.box()
                    .gang("4", "LED 7")
                    .gang("6", "LED 7")
                    .feed("4", common(1))
                    .lamp(1, throwOf(1), "4")
                    .feed("6", common(2))
                    .lamp(2, throwOf(2), "6")
                    .build();

            Candidate shared = new ModuleMatch(Boxes.house(), box).judge(List.of(1, 2), TWO_CHANNELS);

            assertThat(shared.verdict()).isEqualTo(Verdict.STOP);
            assertThat(only(shared, FindingCode.SEPARATE_FEEDS).reason()).contains("4 and 6");
        }

        @Test
        void allReasonsAreGivenNotOnlyTheFirst() {
            Box box = Boxes.box()
                    .depth(40)
                    .gang("4", "LED 200")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();

            assertThat(codes(judge(box, ONE_CHANNEL)))
                    .contains(FindingCode.CONTACT_OVERLOAD, FindingCode.NEUTRAL_ABSENT, FindingCode.BOX_TOO_SHALLOW);
        }
    }

    @Nested
    class Room {
        /** Depth stack, check values DS-1 to DS-7: used = mechanism + module + wiring; fits if it is at most the depth. */
        @Test
        void depthStacksAgreeWithTheCheckValues() {
            assertSoftly(softly -> {
                int[][] rows = {
                    {46, 22, 16, 5, 3},
                    {61, 32, 18, 8, 3},
                    {25, 14, 16, 0, -5},
                    {35, 13, 16, 5, 1},
                    {47, 24, 20, 5, -2},
                    {40, 24, 11, 5, 0},
                    {16, 11, 8, 0, -3}
                };
                for (int i = 0; i < rows.length; i++) {
                    int[] row = rows[i];
                    Millimetres used =
                            RoomInBox.depthUsed(Millimetres.of(row[1]), Millimetres.of(row[2]), Millimetres.of(row[3]));
                    Margin margin = new Margin("depth", used.asDecimal(), BigDecimal.valueOf(row[0]), "mm");
                    softly.assertThat(margin.excess().negate())
                            .as("DS-" + (i + 1))
                            .isEqualByComparingTo("" + row[4]);
                    softly.assertThat(margin.isOver()).as("DS-" + (i + 1)).isEqualTo(row[4] < 0);
                }
            });
        }

        @Test
        void aShallowBoxIsHeldWithTheMillimetresThatAreMissing() {
            Finding finding = only(judge(oneGang("LED 7", 40), ONE_CHANNEL), FindingCode.BOX_TOO_SHALLOW);

            assertThat(finding.reason())
                    .isEqualTo("40\u2009mm deep; mechanism 22\u2009mm, module 16\u2009mm and wires "
                            + "5\u2009mm need 43\u2009mm: 3\u2009mm too little.");
            assertThat(finding.remedies().get(0).text()).startsWith("a spacer of 3\u2009mm");
        }
    }

    @Nested
    class Plans {
        @Test
        void aPlanIsIssuedOnlyWhenItIsDrawnAndOk() {
            Box sound = oneGang("LED 7");
            Box shallow = oneGang("LED 7", 40);

            assertThat(plan(sound, List.of(assigned(ONE_CHANNEL, 1))).mayBeIssued())
                    .isTrue();
            assertThat(plan(sound, List.of()).mayBeIssued()).isFalse();
            assertThat(plan(shallow, List.of(assigned(ONE_CHANNEL, 1))).mayBeIssued())
                    .isFalse();
        }

        @Test
        void aBorrowedNeutralFoundInTheSurveyStopsEveryPlan() {
            Box box = Boxes.box()
                    .gang("4", "LED 30")
                    .feedWithoutNeutral("4", common(1))
                    .lamp(1, throwOf(1), "6")
                    .feed("6", new org.hiddenclerk.core.job.End.Capped())
                    .build();

            assertThat(WiringPlan.surveyed(Boxes.house(), box).findings())
                    .extracting(Finding::code)
                    .contains(FindingCode.BORROWED_NEUTRAL);
            PlanJudgement judgement = plan(box, List.of(assigned(Modules.twoWire(20, Modules.usualRatings()), 1)));
            assertThat(judgement.verdict()).isEqualTo(Verdict.STOP);
            assertThat(judgement.mayBeIssued()).isFalse();
        }

        @Test
        void anOverloadIsShownInTheStatesInWhichItFlows() {
            PlanJudgement judgement = plan(oneGang("LED 288"), List.of(assigned(ONE_CHANNEL, 1)));

            Finding finding = judgement.findings().get(0);
            assertThat(finding.code()).isEqualTo(FindingCode.CONTACT_OVERLOAD);
            assertThat(finding.reason()).endsWith("over by 138\u2009W.");
            assertThat(finding.states()).isNotEmpty().allSatisfy(state -> assertThat(state.channels())
                    .containsEntry("K1/1", 1));
        }

        private PlanJudgement plan(Box box, List<Assignment> modules) {
            return PlanJudgement.of(Boxes.house(), box, modules);
        }

        private Assignment assigned(ModuleModel model, int gang) {
            return new Assignment(model, List.of(gang), Map.of(gang, InputBehaviour.EVERY_FLIP), Optional.empty());
        }
    }

    private static Box oneGang(String load) {
        return oneGang(load, 61);
    }

    private static Box oneGang(String load, int depthMm) {
        return Boxes.box()
                .depth(depthMm)
                .gang("4", load)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    private static Box twoGangs(String first, String second) {
        return Boxes.box()
                .gang("4", first)
                .gang("4", second)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
    }

    private static Candidate judge(Box box, ModuleModel model) {
        return new ModuleMatch(Boxes.house(), box).judge(List.of(1), model);
    }

    private static List<FindingCode> codes(Candidate candidate) {
        return candidate.findings().stream().map(Finding::code).toList();
    }

    private static Finding only(Candidate candidate, FindingCode code) {
        return candidate.findings().stream()
                .filter(f -> f.code() == code)
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " is not among " + candidate.findings()));
    }
}
