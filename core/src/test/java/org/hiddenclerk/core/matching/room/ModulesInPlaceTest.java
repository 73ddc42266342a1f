package org.hiddenclerk.core.matching.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyRules;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.Reliance;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.PickedBeside;
import org.hiddenclerk.core.matching.module.SchemeChooser;
import org.hiddenclerk.core.matching.module.TakingMore;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.AsBuilt;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is in a box already, or was picked for another gang of it, takes its room like anything else. */
class ModulesInPlaceTest {
    private static final Body BODY = new Body(Millimetres.of(40), Millimetres.of(38), Millimetres.of(17));
    private static final ModuleModel MODULE =
            Modules.as(Modules.withNeutral(1, 2, Modules.generous()), "M", 1000, BODY);
    private static final SurveyedModule SAME = new SurveyedModule(
            "OLD",
            Optional.of(new SurveyedModule.Size(BODY.length(), BODY.width(), BODY.thickness())),
            Optional.of(Watts.of(1)),
            0);

    private static Box box(int depthMm, SurveyedModule... modules) {
        Box empty = Boxes.box()
                .depth(depthMm)
                .gang("4", "2 LED 7")
                .gang("4", "LED 30")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
        return new Box(
                empty.label(),
                empty.kind(),
                empty.geometry(),
                empty.gangs(),
                empty.loads(),
                empty.cables(),
                empty.jumpers(),
                List.of(modules));
    }

    private static List<FindingCode> codes(List<Finding> findings) {
        return findings.stream().map(Finding::code).toList();
    }

    /** One in place and one added are two: the same room, whichever came first. */
    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void oneInPlaceAndOneAddedTakeTheRoomOfTwo(RegionProfile region) {
        for (int depth = 35; depth <= 75; depth += 2) {
            RoomInBox.Judgement beside = RoomInBox.of(box(depth, SAME), List.of(MODULE), region, List.of(3, 3));
            RoomInBox.Judgement both = RoomInBox.of(box(depth), List.of(MODULE, MODULE), region, List.of(3, 3));

            assertThat(beside.margins()).as("%d mm", depth).isEqualTo(both.margins());
            assertThat(codes(beside.findings())).as("%d mm", depth).isEqualTo(codes(both.findings()));
            assertThat(codes(RoomInBox.of(box(depth, SAME), List.of(), region, List.of())
                            .findings()))
                    .as("in place alone, at %d mm", depth)
                    .isEqualTo(codes(RoomInBox.of(box(depth), List.of(MODULE), region, List.of())
                            .findings()));
        }
    }

    @Test
    void itWarmsTheBox() {
        assertThat(BoxHeat.judge(box(61, SAME), MODULE, 3).margins())
                .isEqualTo(BoxHeat.judge(box(61), MODULE, 4).margins());
        SurveyedModule unstated = new SurveyedModule("OLD", SAME.size(), Optional.empty(), 0);
        assertThat(ModulesInPlace.watts(box(61, unstated)))
                .as("what modules draw that state nothing")
                .isEqualTo(1);
    }

    @Test
    void whatNobodyMeasuredIsAsked() {
        RoomInBox.Judgement judged = RoomInBox.of(
                box(61, new SurveyedModule("OLD", Optional.empty(), Optional.empty(), 0)),
                List.of(MODULE),
                RegionProfile.EU_230,
                List.of());

        assertThat(codes(judged.findings())).contains(FindingCode.FIGURE_UNKNOWN);
        assertThat(judged.placement()).isEmpty();
    }

    /** Nobody surveyed what its terminals hold: no plan of this box is proved. */
    @Test
    void aPlanBesideItHolds() {
        List<Assignment> picked = List.of(new Assignment(MODULE, List.of(1), Map.of(), Optional.empty()));

        assertThat(PlanJudgement.of(Boxes.house(), box(75), picked).verdict()).isEqualTo(Verdict.OK);
        PlanJudgement beside = PlanJudgement.of(Boxes.house(), box(75, SAME), picked);
        assertThat(beside.verdict()).isEqualTo(Verdict.HOLD);
        assertThat(codes(beside.findings())).contains(FindingCode.MODULE_IN_PLACE);
    }

    @Test
    void aFreeChannelIsTold() {
        assertThat(TakingMore.free(box(61, SAME))).isEmpty();
        assertThat(TakingMore.free(box(61, new SurveyedModule("OLD", SAME.size(), SAME.draws(), 2))))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence().text()).contains("OLD").contains("2"));
    }

    /** A module whose conductors were followed, and which takes a second load. */
    private static Box followed(ModuleModel model, String second) {
        Box empty = Boxes.box()
                .depth(75)
                .gang("4", "2 LED 7")
                .gang("4", second)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
        Assignment first = new Assignment(model, List.of(1), Map.of(), Optional.empty());
        return AsBuilt.surveyed(
                WiringPlan.of(Boxes.house(), empty, List.of(first)).after().orElseThrow());
    }

    private static Candidate onFreeChannel(ModuleModel model, String second) {
        return new ModuleMatch(Boxes.house(), followed(model, second))
                .judge(SchemeCode.FREE_CHANNEL, List.of(2), List.of(), model, Optional.empty());
    }

    private static ModuleModel two(int price) {
        return Modules.as(Modules.withNeutral(2, 2, Modules.generous()), "M-2", price, BODY);
    }

    @Test
    void aFreeChannelCostsNothingAndTakesNoRoom() {
        Candidate candidate = onFreeChannel(two(1500), "LED 30");

        assertThat(candidate.verdict()).as("%s", candidate.findings()).isEqualTo(Verdict.OK);
        assertThat(candidate.priceCents()).hasValue(0);
        assertThat(candidate.margins()).noneMatch(margin -> margin.unit().equals("mm"));
        assertThat(TakingMore.free(followed(two(1500), "LED 30")))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence().text()).containsPattern("1.channel free"));
    }

    @Test
    void aFreeChannelIsOfferedFirstWhereThereIsOne() {
        List<ModuleModel> stock = List.of(MODULE, two(1500));
        SchemeChooser.Offer offer = new SchemeChooser(
                        new Planner(
                                Boxes.house(),
                                ConnectedBoxes.of(
                                        followed(two(1500), "LED 30"),
                                        Boxes.house().region())),
                        stock)
                .offers(List.of(2), List.of())
                .get(0);

        assertThat(offer.scheme()).isEqualTo(SchemeCode.FREE_CHANNEL);
        assertThat(offer.best().orElseThrow().assignment().model().code()).isEqualTo("M-2");
        assertThat(offer.toll().orElseThrow().modules()).isZero();
        assertThat(offer.toll().orElseThrow().minutes()).isPositive();
        assertThat(new SchemeChooser(
                                new Planner(
                                        Boxes.house(),
                                        ConnectedBoxes.of(box(75), Boxes.house().region())),
                                stock)
                        .offers(List.of(2), List.of()))
                .as("no module in the box, nothing to say of its channels")
                .noneMatch(each -> each.scheme() == SchemeCode.FREE_CHANNEL);
    }

    /** What hangs on it already counts against what all its channels may carry together: 230 V, watts by volts. */
    @Test
    void itsChannelsAreJudgedTogetherWithWhatHangsThereAlready() {
        ModuleModel limited = Modules.limited(two(1500), Amps.of(4));

        assertThat(codes(onFreeChannel(limited, "heater 900").findings()))
                .as("3.9 A beside 0.06 A")
                .doesNotContain(FindingCode.CONTACT_OVERLOAD);
        assertThat(codes(onFreeChannel(limited, "heater 919").findings()))
                .as("3.996 A alone, 4.06 A with what hangs there")
                .contains(FindingCode.CONTACT_OVERLOAD);
    }

    @Test
    void whatItIsTakenForIsSaidBesideTheStamp() {
        ConnectedBoxes run =
                ConnectedBoxes.of(followed(two(1500), "LED 30"), Boxes.house().region());

        assertThat(Reliance.of(Boxes.house(), run, List.of(), FieldEvidence.NONE))
                .contains("the module in B-1 is M-2, works, and is set as its maker sends it");
    }

    /** The stock book was changed since, or is that of another firm: the survey is read and drawn, and no plan is proved on it. */
    @Test
    void oneThatTheStockBookDoesNotKnowAnyMoreHolds() {
        Box box = followed(two(1500), "LED 30");
        Box later = forgotten(box, Optional.empty());
        Box renamed = forgotten(box, Optional.of(Modules.direct(10, 28)));
        List<Assignment> picked = List.of(new Assignment(MODULE, List.of(2), Map.of(), Optional.empty()));

        assertThat(PlanJudgement.of(Boxes.house(), box, picked).verdict()).isEqualTo(Verdict.OK);
        for (Box unknown : List.of(later, renamed)) {
            PlanJudgement judged = PlanJudgement.of(Boxes.house(), unknown, picked);
            assertThat(judged.verdict()).isNotEqualTo(Verdict.OK);
            assertThat(codes(judged.findings())).contains(FindingCode.MODULE_IN_PLACE);
            WiringPlan found = WiringPlan.surveyed(Boxes.house(), unknown);
            assertThat(BoxDrawing.of(found, false, Boxes.house()).devices())
                    .as("drawn with what is on it")
                    .anyMatch(device ->
                            device.label().equals("M-2") && device.detail().equals("not in the stock book"));
            assertThat(SurveyRules.problemsOf(unknown, Boxes.house().circuits().keySet()))
                    .as("kept as it is")
                    .isEmpty();
            assertThat(SurveyRules.unknownTerminalsOf(unknown))
                    .as("and told to whoever surveys it anew")
                    .isNotEmpty();
        }
        assertThat(SurveyRules.unknownTerminalsOf(box)).isEmpty();
    }

    private static Box forgotten(Box box, Optional<ModuleModel> model) {
        return new Box(
                box.label(),
                box.kind(),
                box.geometry(),
                box.gangs(),
                box.loads(),
                box.cables(),
                box.jumpers(),
                box.modules().stream()
                        .map(module -> new SurveyedModule(
                                module.number(), module.name(), module.size(), module.draws(), 0, model))
                        .toList());
    }

    /** The second gang once was offered the room that the first had taken. */
    @ParameterizedTest
    @ValueSource(ints = {45, 53, 61, 75})
    void whatIsPickedForOneGangIsNotOfferedToAnother(int depth) {
        HouseContext house = Boxes.house();
        ConnectedBoxes run = ConnectedBoxes.of(box(depth), house.region());
        Planner planner = new Planner(house, run);
        Assignment first = new Assignment(MODULE, List.of(1), Map.of(), Optional.empty());
        PickedBeside beside = PickedBeside.of(planner, Map.of(run.lead(), List.of(first)));

        Candidate second = new ModuleMatch(planner, Terms.USUAL, beside).judge(List.of(2), MODULE);
        Candidate inPlace = new ModuleMatch(
                        new Planner(house, ConnectedBoxes.of(box(depth, SAME), house.region())), Terms.USUAL)
                .judge(List.of(2), MODULE);

        assertThat(second.margins())
                .filteredOn(margin -> margin.unit().equals("mm"))
                .as("the room of both")
                .isEqualTo(inPlace.margins().stream()
                        .filter(margin -> margin.unit().equals("mm"))
                        .toList());
        assertThat(codes(second.findings()).contains(FindingCode.BOX_TOO_SHALLOW))
                .isEqualTo(codes(inPlace.findings()).contains(FindingCode.BOX_TOO_SHALLOW));
        assertThat(PickedBeside.of(planner, Map.of())).isEqualTo(PickedBeside.NOTHING);
    }
}
