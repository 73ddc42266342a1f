package org.hiddenclerk.core.matching.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.Reliance;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;

/** Two travellers in grey: which is which is known by a reading alone. */
class AlikeCoresTest {
    private static final ConnectedBoxes TOLD_APART =
            Topologies.all(RegionProfile.EU_230).get("two-way, feed at A, lamp from B, neutral through");

    private static ConnectedBoxes alike() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        TOLD_APART
                .places()
                .forEach(place -> boxes.put(
                        place.id(),
                        new Box(
                                place.box().label(),
                                place.box().kind(),
                                place.box().geometry(),
                                place.box().gangs(),
                                place.box().loads(),
                                place.box().cables().stream()
                                        .map(AlikeCoresTest::grey)
                                        .toList(),
                                place.box().jumpers())));
        return ConnectedBoxes.of(boxes, TOLD_APART.lead().id(), RegionProfile.EU_230);
    }

    private static Cable grey(Cable cable) {
        return new Cable(
                cable.name(),
                cable.leads(),
                cable.mm2(),
                cable.cores().stream()
                        .map(core -> core.role() == Role.TRAVELLER
                                ? new Core(core.number(), CoreColour.GREY, Optional.empty(), core.role(), core.end())
                                : core)
                        .toList());
    }

    private static PlanJudgement judge(ConnectedBoxes run) {
        Assignment module = new Assignment(
                SchemeCode.MULTI_ONE_MODULE,
                Modules.withInputs(4),
                List.of(1),
                List.of(),
                Map.of(),
                Optional.empty(),
                Optional.empty());
        return PlanJudgement.of(new Planner(Boxes.house(), run), List.of(module), Map.of(), Terms.USUAL);
    }

    private static List<FindingCode> ofCores(PlanJudgement judgement) {
        return judgement.findings().stream()
                .map(Finding::code)
                .filter(code -> code == FindingCode.TRAVELLERS_ALIKE || code == FindingCode.READINGS_CONTRADICT)
                .toList();
    }

    private static FieldEvidence continuity(boolean found, String one, String other) {
        Set<FieldEvidence.Ends> ends = Set.of(new FieldEvidence.Ends(one, other));
        return new FieldEvidence(List.of(), found ? ends : Set.of(), found ? Set.of() : ends);
    }

    @Test
    void coresOfTwoColoursAreToldApartByThem() {
        assertThat(judge(TOLD_APART).plan().planned()).isPresent();
        assertThat(ofCores(judge(TOLD_APART))).isEmpty();
    }

    @Test
    void coresThatLookAlikeHoldThePlanUntilTheyAreRead() {
        PlanJudgement unread = judge(alike());

        assertThat(ofCores(unread)).contains(FindingCode.TRAVELLERS_ALIKE);
        assertThat(unread.mayBeIssued()).isFalse();
        assertThat(ofCores(unread.withEvidence(continuity(true, first("A"), first("B")))))
                .isEmpty();
        assertThat(ofCores(unread.withEvidence(continuity(false, first("A"), second("B")))))
                .isEmpty();
    }

    @Test
    void aReadingThatCrossesThemStopsThePlan() {
        assertThat(ofCores(judge(alike()).withEvidence(continuity(true, first("A"), second("B")))))
                .containsExactly(FindingCode.READINGS_CONTRADICT);
        assertThat(ofCores(judge(alike()).withEvidence(continuity(false, second("A"), second("B")))))
                .containsExactly(FindingCode.READINGS_CONTRADICT);
    }

    /** A module goes in at the lamp: which of two grey cores there is the live, and which the neutral, nobody has seen. */
    @Test
    void coresToALampThatNobodySurveyedHoldAPlanThatOpensIt() {
        Box told = Boxes.box()
                .gang("4", "LED 7")
                .feed("4", Boxes.common(1))
                .lamp(1, Boxes.throwOf(1), "4")
                .build();
        Box alike = new Box(
                told.label(),
                told.kind(),
                told.geometry(),
                told.gangs(),
                told.loads(),
                told.cables().stream()
                        .map(cable -> cable.leads() instanceof Leads.ToLoad
                                ? new Cable(
                                        cable.name(),
                                        cable.leads(),
                                        cable.mm2(),
                                        cable.cores().stream()
                                                .map(core -> new Core(
                                                        core.number(),
                                                        CoreColour.GREY,
                                                        Optional.empty(),
                                                        core.role(),
                                                        core.end()))
                                                .toList())
                                : cable)
                        .toList(),
                told.jumpers());

        assertThat(ofCores(blinkAt(told))).isEmpty();
        assertThat(ofCores(blinkAt(alike))).isNotEmpty().containsOnly(FindingCode.TRAVELLERS_ALIKE);
    }

    private static PlanJudgement blinkAt(Box box) {
        Assignment module = new Assignment(
                SchemeCode.AT_LAMP_BLINK,
                Modules.blinking(),
                List.of(1),
                List.of(),
                Map.of(),
                Optional.empty(),
                Optional.empty());
        PlanJudgement judgement = PlanJudgement.of(Boxes.house(), box, List.of(module));
        assertThat(judgement.plan().planned()).isPresent();
        return judgement;
    }

    @Test
    void anythingElseThatReadingsContradictStopsThePlanToo() {
        Finding against = Finding.of(
                FindingCode.READINGS_CONTRADICT,
                new Subject.House(),
                Sentence.of("Readings of this run contradict each other."),
                Source.COMPUTED);

        assertThat(judge(TOLD_APART)
                        .withEvidence(new FieldEvidence(List.of(against), Set.of(), Set.of()))
                        .mayBeIssued())
                .isFalse();
    }

    @Test
    void aVerdictReliesOnColoursUntilSomethingWasRead() {
        Planner planner = new Planner(Boxes.house(), TOLD_APART);
        FieldEvidence read = continuity(true, first("A"), first("B"));

        assertThat(Reliance.of(planner.house(), planner.run(), List.of(), FieldEvidence.NONE))
                .anyMatch(words ->
                        words.startsWith("colours of ") && words.contains(" from A") && words.contains(" to B"))
                .noneMatch(words -> words.contains("stock book"));
        assertThat(Reliance.of(planner.house(), planner.run(), List.of(), read))
                .anyMatch(words -> words.startsWith("colours, and 1 reading, of "));
    }

    private static String first(String place) {
        return traveller(place, 0);
    }

    private static String second(String place) {
        return traveller(place, 1);
    }

    private static String traveller(String place, int index) {
        ConnectedBoxes.Place at = TOLD_APART.places().stream()
                .filter(p -> p.id().equals(place))
                .findFirst()
                .orElseThrow();
        return SurveyedBoard.coreId(
                at.id(),
                at.box().cores().stream()
                        .filter(c -> c.core().role() == Role.TRAVELLER)
                        .toList()
                        .get(index)
                        .key());
    }
}
