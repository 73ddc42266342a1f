package org.hiddenclerk.core.matching.module;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.SoftAssertions.assertSoftly;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.LoadArithmetic;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a maker states or leaves out, inrush, warmth, wishes and contactors, beside the ratings that {@link ModuleMatchTest} tests. */
class VerdictRulesTest {
    private static final ModuleModel ONE_CHANNEL = Modules.withNeutral(1, 2, Modules.generous());

    /** Facts of the trade, common practice, no source: 4.1 A is 900 W at 220 V and 450 W at 110 V; 16 A at 220 V is 3 520 W. */
    @Test
    void ampsAreTwiceTheWattsAtTwiceTheVolts() {
        assertSoftly(softly -> {
            softly.assertThat(amps(900, 220)).isEqualByComparingTo("4.091");
            softly.assertThat(amps(450, 110)).isEqualByComparingTo("4.091");
            softly.assertThat(amps(3520, 220)).isEqualByComparingTo("16");
            softly.assertThat(amps(3500, 220)).as("what is quoted").isEqualByComparingTo("15.910");
            softly.assertThat(amps(800, 120)).as("8 A at 120 V with margin").isLessThan(new BigDecimal("8"));
        });
    }

    private static BigDecimal amps(int watts, int volts) {
        return LoadArithmetic.current(Watts.of(watts), Volts.of(volts), BigDecimal.ONE, 1)
                .asDecimal();
    }

    /** Section 3 of the check values, common practice, no source: 80/15, 120/35, 20/25. */
    @Test
    void driversPerContactAreWholeDrivers() {
        assertThat(Inrush.driversPerContact(Amps.of(80), Amps.of(15))).isEqualTo(5);
        assertThat(Inrush.driversPerContact(Amps.of(120), Amps.of(35))).isEqualTo(3);
        assertThat(Inrush.driversPerContact(Amps.of(20), Amps.of(25))).isZero();
    }

    @Test
    void aTypedPeakIsHeldAgainstThePeakOfTheContact() {
        Candidate six = judge("6x LED driver 15 peak 15", peak(80));
        Candidate five = judge("5x LED driver 15 peak 15", peak(80));

        assertThat(only(six, FindingCode.INRUSH_TOO_HIGH).reason())
                .isEqualTo("A first current of at least 90\u2009A is expected; "
                        + "the contact stands 80\u2009A. It takes 5 of 15\u2009A each.");
        assertThat(codes(five)).doesNotContain(FindingCode.INRUSH_TOO_HIGH);
        assertThat(codes(judge("LED driver 15", ONE_CHANNEL)))
                .as("nothing stated")
                .contains(FindingCode.INRUSH_UNKNOWN);
    }

    /** A motor draws 5 to 8 times its current at first; common practice, no source. 230 W at 0.8 is 1.25 A. */
    @Test
    void aMotorIsHeldByItsUsualInrush() {
        assertThat(codes(judge("fan 230", peak(6)))).contains(FindingCode.INRUSH_TOO_HIGH);
        assertThat(only(judge("fan 230", peak(8)), FindingCode.INRUSH_UNKNOWN).reason())
                .contains("7 to 10\u2009A");
        assertThat(codes(judge("fan 230", peak(10))))
                .doesNotContain(FindingCode.INRUSH_UNKNOWN, FindingCode.INRUSH_TOO_HIGH);
    }

    private static ModuleModel peak(int amps) {
        return Modules.with(
                ONE_CHANNEL,
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.of(amps),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        List.of(),
                        Set.of()));
    }

    /** A feature may exist in one line of firmware only; common practice, no source. */
    @Test
    void aSchemeThatTheFirmwareCannotDoIsHeld() {
        assertThat(firmware()).as("nothing stated").isEmpty();
        assertThat(firmware(new DataSheet.FirmwareLine("main", "2.0.0", Set.of("blink of the supply"))))
                .isEmpty();
        Finding lacks = firmware(
                        new DataSheet.FirmwareLine("main", "2.0.0", Set.of()),
                        new DataSheet.FirmwareLine("early", "1.4.0", Set.of("blink of the supply")))
                .get(0);
        assertThat(lacks.severity()).isEqualTo(Severity.HOLD);
        assertThat(lacks.remedies().get(0).text()).isEqualTo("install early 1.4.0, which has it");
        assertThat(Suitability.of(Modules.blinking(), SchemeCode.BEHIND_SWITCH_N, RegionProfile.EU_230))
                .as("another scheme")
                .isEmpty();
    }

    /** What is installed counts, once the module is in its network. */
    @Test
    void aModuleThatIsInIsHeldToWhatItRuns() {
        Assignment blink = new Assignment(
                SchemeCode.AT_LAMP_BLINK,
                Modules.blinking(),
                List.of(1),
                List.of(),
                java.util.Map.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        InstalledFirmware old =
                new InstalledFirmware("1.0.0", Set.of(), java.util.Map.of("blink of the supply", "1.1.0"));
        assertThat(InstalledFirmware.findings(List.of(blink), java.util.Map.of("NB", old)))
                .singleElement()
                .satisfies(lacks -> {
                    assertThat(lacks.severity()).isEqualTo(Severity.HOLD);
                    assertThat(lacks.remedies().get(0).text()).isEqualTo("bring it to 1.1.0, which has it");
                });
        assertThat(InstalledFirmware.findings(
                        List.of(blink),
                        java.util.Map.of(
                                "NB",
                                new InstalledFirmware("1.1.0", Set.of("blink of the supply"), java.util.Map.of()))))
                .isEmpty();
        assertThat(InstalledFirmware.findings(List.of(blink), java.util.Map.of()))
                .as("nothing known")
                .isEmpty();
    }

    private static List<Finding> firmware(DataSheet.FirmwareLine... lines) {
        ModuleModel model = Modules.with(
                Modules.blinking(),
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(lines),
                        Optional.empty(),
                        List.of(),
                        Set.of()));
        return Suitability.of(model, SchemeCode.AT_LAMP_BLINK, RegionProfile.EU_230).stream()
                .filter(f -> f.code() == FindingCode.FIRMWARE_LACKS)
                .toList();
    }

    @Test
    void whatIsNotStatedIsUnknownAndHeld() {
        ModuleModel silent = Modules.with(
                ONE_CHANNEL,
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        List.of(),
                        Set.of(DataSheet.Unstated.SUPPLY_RANGE)));

        Candidate candidate = judge("LED 7", silent);

        assertThat(candidate.verdict()).isEqualTo(Verdict.HOLD);
        assertThat(only(candidate, FindingCode.FIGURE_UNKNOWN).remedies().get(0).text())
                .isEqualTo("find this out from the maker");
    }

    @Test
    void anEstimateCanBeChangedButNeverMadeForLed() {
        ModuleModel resistiveOnly = Modules.withNeutral(1, 2, ContactRating.amps(LoadKind.RESISTIVE, 10));
        Terms careful = new Terms(new Estimates(Map.of(LoadKind.MOTOR, new BigDecimal("0.1"))), List.of());

        assertThat(only(judge("fan 240", resistiveOnly, careful), FindingCode.RATING_UNKNOWN)
                        .reason())
                .endsWith(
                        "240\u2009W are here. An estimate by common practice: 230\u2009W, and what is here is over it.");
        assertThatThrownBy(() -> new Estimates(Map.of(LoadKind.LED_LAMP, BigDecimal.ONE)))
                .hasMessageContaining("must not be guessed");
    }

    @Test
    void aPersonMayAcceptAHoldButNeverAStop() {
        ModuleModel resistiveOnly = Modules.withNeutral(1, 2, ContactRating.amps(LoadKind.RESISTIVE, 10));
        Box box = box("fan 240");
        PlanJudgement held = PlanJudgement.of(
                Boxes.house(), box, List.of(judge("fan 240", resistiveOnly).assignment()));

        assertThat(held.mayBeIssued()).isFalse();
        assertThat(held.accepting(f -> f.code() == FindingCode.RATING_UNKNOWN).mayBeIssued())
                .isTrue();
        PlanJudgement stopped = PlanJudgement.of(
                Boxes.house(),
                box("LED 288"),
                List.of(judge("LED 288", ONE_CHANNEL).assignment()));
        assertThat(stopped.accepting(f -> true).mayBeIssued()).isFalse();
    }

    /** By hand: 0.6 W / (8 · 0.08 · 0.08 + 5 · (0.06 · 0.06 + 4 · 0.06 · 0.046)) = 4.8 K. */
    @Test
    void warmthIsTheSteadyState() {
        BoxGeometry room = new BoxGeometry(Millimetres.of(60), Millimetres.of(60), Millimetres.of(46), false);

        assertThat(BoxHeat.inside(25, room, 0.6)).isCloseTo(29.8, org.assertj.core.api.Assertions.within(0.1));
        assertThat(BoxHeat.inside(25, room, 0)).isEqualTo(25);
    }

    @Test
    void tooWarmIsHeldAndUnknownMattersOnlyWhereItIsWarm() {
        Box canopy =
                new Box("F-1", BoxKind.CANOPY, box("LED 7").geometry(), List.of(), List.of(), List.of(), List.of());
        ModuleModel cool = Modules.with(
                ONE_CHANNEL,
                new DataSheet(
                        Optional.of(new DataSheet.Temperatures(-10, 40)),
                        OptionalInt.empty(),
                        Optional.empty(),
                        OptionalDouble.of(0.6),
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        List.of(),
                        Set.of()));

        assertThat(BoxHeat.judge(canopy, cool, 0.6).findings())
                .extracting(Finding::code)
                .containsExactly(FindingCode.TOO_WARM);
        assertThat(BoxHeat.judge(canopy, ONE_CHANNEL, 0.6).findings())
                .extracting(Finding::code)
                .containsExactly(FindingCode.FIGURE_UNKNOWN);
        assertThat(BoxHeat.judge(box("LED 7"), ONE_CHANNEL, 0.6).findings()).isEmpty();
    }

    /** Each alone leaves the box cool enough; both together do not: by hand 25 + 1.4 W / 0.142 W/K = 34.8, and 44.7 with two. */
    @Test
    void twoModulesInOneBoxWarmEachOther() {
        DataSheet sheet = new DataSheet(
                Optional.of(new DataSheet.Temperatures(0, 40)),
                OptionalInt.empty(),
                Optional.empty(),
                OptionalDouble.of(1.4),
                false,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                Set.of());
        ModuleModel slim = Modules.as(
                Modules.with(ONE_CHANNEL, sheet),
                "SLIM",
                1000,
                new org.hiddenclerk.core.catalogue.Body(Millimetres.of(30), Millimetres.of(28), Millimetres.of(10)));
        Box box = new Box(
                "B-1",
                new BoxGeometry(Millimetres.of(60), Millimetres.of(60), Millimetres.of(61), false),
                twoGangs().gangs(),
                twoGangs().loads(),
                twoGangs().cables(),
                twoGangs().jumpers());
        ModuleMatch match = new ModuleMatch(Boxes.house(), box);
        Candidate first = match.judge(List.of(1), slim);
        Candidate second = match.judge(List.of(2), slim);

        assertThat(codes(first)).doesNotContain(FindingCode.TOO_WARM);
        assertThat(PlanJudgement.of(Boxes.house(), box, List.of(first.assignment(), second.assignment()))
                        .findings())
                .extracting(Finding::code)
                .contains(FindingCode.TOO_WARM);
    }

    private static Box twoGangs() {
        return Boxes.box()
                .gang("4", "LED 9")
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .jumper(common(1), common(2))
                .lamp(2, throwOf(2), "4")
                .build();
    }

    @Test
    void aWishIsSaidAndAMustIsHeld() {
        Terms terms = new Terms(
                Estimates.USUAL,
                List.of(
                        new Wish(Wish.Kind.METERING, false, ""),
                        new Wish(Wish.Kind.PROTOCOL, true, "Z-Wave"),
                        new Wish(Wish.Kind.WITHOUT_INTERNET, true, ""),
                        new Wish(Wish.Kind.UNNOTICED, true, "")));

        Candidate candidate = judge("LED 7", ONE_CHANNEL, terms);

        assertThat(codes(candidate)).contains(FindingCode.WISH_NOT_MET, FindingCode.WISH_REFUSED);
        assertThat(candidate.findings())
                .filteredOn(f -> f.code() == FindingCode.WISH_REFUSED)
                .extracting(f -> f.subject().key())
                .containsExactly("model N1+wish it talks Z-Wave");
    }

    /** A kiln of 7 kW at 230 V draws 30.4 A; the largest contact here carries 25 A. */
    @Test
    void aLoadAboveEveryModuleGoesOnAContactor() {
        Box kiln = box("heater 7000");
        List<ModuleModel> models = List.of(ONE_CHANNEL, Modules.heavy());

        Finding advice = advice(kiln, models).get(0);
        assertThat(advice.reason()).contains("30.5\u2009A", "AC-1 or AC-7a");
        assertThat(advice(box("heater 5000"), models)).isEmpty();
        assertThat(advice(box("gate 5000"), models))
                .as("nobody states anything: find out first")
                .isEmpty();
    }

    /** Categories of IEC 60947-4-1, IEC 60947-5-1 and IEC 61095; of LED no category stands for the maker's figure. */
    @ParameterizedTest
    @CsvSource({
        "fluorescent 9000, AC-5a",
        "halogen 9000, AC-5b",
        "incandescent 9000, AC-5b",
        "fan 9000, AC-3 or AC-7b",
        "heater 9000, AC-1 or AC-7a",
        "100x coil 100, AC-15",
        "300x coil 50, AC-14",
        "wire-wound transformer 9000, AC-6a",
        "LED 9000, by the maker's own figure"
    })
    void aContactorIsNamedByTheCategoryOfItsLoad(String load, String category) {
        ModuleModel small = Modules.withNeutral(
                1,
                2,
                Arrays.stream(LoadKind.values())
                        .map(kind -> ContactRating.watts(kind, 100))
                        .toArray(ContactRating[]::new));

        assertThat(advice(box(load), List.of(small))).singleElement().satisfies(advice -> assertThat(advice.reason())
                .contains(category));
    }

    private static List<Finding> advice(Box box, List<ModuleModel> models) {
        return new ModuleMatch(Boxes.house(), box).contactorAdvice(List.of(1), List.of(), models);
    }

    private static Box box(String load) {
        return Boxes.box()
                .gang("4", load)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    private static Candidate judge(String load, ModuleModel model) {
        return judge(load, model, Terms.USUAL);
    }

    private static Candidate judge(String load, ModuleModel model, Terms terms) {
        return new ModuleMatch(new Planner(Boxes.house(), ConnectedBoxes.of(box(load), RegionProfile.EU_230)), terms)
                .judge(
                        org.hiddenclerk.core.wiring.scheme.SchemeCode.BEHIND_SWITCH_N,
                        List.of(1),
                        List.of(),
                        model,
                        Optional.empty());
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
