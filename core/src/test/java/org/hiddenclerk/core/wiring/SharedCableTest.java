package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.PUSH_MAKE;
import static org.hiddenclerk.core.job.BoxKind.LUMINAIRE;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CableTemplate;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyProblem;
import org.hiddenclerk.core.job.SurveyRules;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A cable that was surveyed as leading to several loads is planned as if the place where they hang had been surveyed as a box. */
class SharedCableTest {
    private static final ModuleModel TWO = Modules.withNeutral(2, 2, Modules.generous());
    private static final List<Leads.Branch> SECOND = List.of(new Leads.Branch(2, 2));

    private static Circuits twoGangs(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .jumper("A", "1.COM", "2.COM");
    }

    private static Circuits fitting(Circuits circuits, UnaryOperator<Circuits> feed) {
        return feed.apply(circuits.box("X", LUMINAIRE).load("X", "2 LED 9", 0).load("X", "3 LED 9", 0))
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .jumper("X", "j.earth", "x1.PE")
                .jumper("X", "j.earth", "x2.PE");
    }

    /** The same double switch with its fitting surveyed, and by its cable alone. */
    private static List<ConnectedBoxes> doubleSwitch(RegionProfile region) {
        ConnectedBoxes surveyed = fitting(twoGangs(region), circuits -> circuits.feed("A", "4", "1.COM", "j.n")
                        .cable(
                                "A",
                                "X",
                                wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                                wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                                wire(NEUTRAL, "j.n", "j.n"),
                                wire(EARTH, "j.earth", "j.earth")))
                .from("A");
        ConnectedBoxes listed = twoGangs(region)
                .load("A", "2 LED 9", 1)
                .load("A", "3 LED 9", 2)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        new Leads.ToLoad(1, SECOND),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
        return List.of(surveyed, listed);
    }

    /** The same where the feed is at the fitting. */
    private static List<ConnectedBoxes> doubleLoop(RegionProfile region) {
        ConnectedBoxes surveyed = fitting(twoGangs(region), circuits -> circuits.feed("X", "4", "j.l", "j.n")
                        .cable(
                                "A",
                                "X",
                                wire(PERMANENT_LIVE, "1.COM", "j.l"),
                                wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                                wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                                wire(EARTH, "j.earth", "j.earth")))
                .from("A");
        ConnectedBoxes listed = twoGangs(region)
                .load("A", "2 LED 9", 1)
                .load("A", "3 LED 9", 2)
                .cable(
                        "A",
                        new Leads.ToLoadWithFeed(1, new CircuitId("4"), List.of(new Leads.Branch(3, 2))),
                        wire(PERMANENT_LIVE, "1.COM"),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(EARTH, "j.earth"))
                .from("A");
        return List.of(surveyed, listed);
    }

    private static WiringPlan plan(RegionProfile region, ConnectedBoxes run, Assignment assignment) {
        return WiringPlan.of(Boxes.house(region), run, List.of(assignment));
    }

    private static Assignment with(SchemeCode scheme, ModuleModel model, Optional<ModuleModel> other) {
        return new Assignment(scheme, model, List.of(1, 2), List.of(), Map.of(), Optional.empty(), other);
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void everySchemeSaysTheSameOfBothSurveys(RegionProfile region) {
        List<Assignment> ways = Stream.concat(
                        Stream.of(SchemeCode.values())
                                .filter(scheme -> scheme != SchemeCode.BLIND_PAIR)
                                .map(scheme -> with(scheme, TWO, Optional.empty())),
                        Stream.of(
                                with(SchemeCode.SPLIT_PAIR, TWO, Optional.of(Modules.sender(2))),
                                with(
                                        SchemeCode.BEHIND_SWITCH_NO_N,
                                        Modules.twoWire(2, 5, Modules.generous()),
                                        Optional.empty())))
                .toList();
        for (List<ConnectedBoxes> both : List.of(doubleSwitch(region), doubleLoop(region))) {
            for (Assignment way : ways) {
                WiringPlan surveyed = plan(region, both.get(0), way);
                WiringPlan listed = plan(region, both.get(1), way);

                assertThat(listed.verdict())
                        .as("%s: %s, and as a box: %s", way.scheme(), listed.findings(), surveyed.findings())
                        .isEqualTo(surveyed.verdict());
                assertThat(codes(listed)).as("%s", way.scheme()).isEqualTo(codes(surveyed));
            }
        }
        assertThat(plan(region, doubleSwitch(region).get(1), with(SchemeCode.BEHIND_SWITCH_N, TWO, Optional.empty()))
                        .verdict())
                .isEqualTo(Verdict.OK);
        assertThat(plan(
                                region,
                                doubleLoop(region).get(1),
                                with(SchemeCode.SPLIT_PAIR, TWO, Optional.of(Modules.sender(2))))
                        .verdict())
                .isEqualTo(Verdict.OK);
    }

    private static Set<FindingCode> codes(WiringPlan plan) {
        return plan.findings().stream().map(Finding::code).collect(Collectors.toSet());
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void bothDirectionsOfABlind(RegionProfile region) {
        ConnectedBoxes run = new Circuits(region)
                .box("A", WALL)
                .gang("A", PUSH_MAKE, "4")
                .gang("A", PUSH_MAKE, "4")
                .load("A", "blind 140", 1, Optional.of(new Drive("loft", Drive.Direction.UP)))
                .load("A", "blind 140", 2, Optional.of(new Drive("loft", Drive.Direction.DOWN)))
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .cable(
                        "A",
                        new Leads.ToLoad(1, SECOND),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");

        WiringPlan plan = plan(
                region,
                run,
                new Assignment(
                        SchemeCode.BLIND_PAIR,
                        Modules.blind(),
                        List.of(1, 2),
                        List.of(),
                        Map.of(1, InputBehaviour.UP_DOWN, 2, InputBehaviour.UP_DOWN),
                        Optional.empty(),
                        Optional.empty()));

        assertThat(plan.verdict()).as("%s", plan.findings()).isEqualTo(Verdict.OK);
        assertThat(run.places())
                .extracting(ConnectedBoxes.Place::label)
                .as("one place for both")
                .hasSize(2);
    }

    /** Two circuits over one neutral are found out, however the loads were surveyed. */
    @Test
    void oneNeutralForTwoCircuitsIsABorrowedOne() {
        ConnectedBoxes run = new Circuits(RegionProfile.EU_230)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "6")
                .load("A", "LED 9", 1)
                .load("A", "LED 9", 2)
                .feed("A", "4", "1.COM", "j.n")
                .feed("A", "6", "2.COM", "j.n6")
                .cable(
                        "A",
                        new Leads.ToLoad(1, SECOND),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(NEUTRAL, "j.n"))
                .from("A");

        assertThat(WiringPlan.surveyed(Boxes.house(RegionProfile.EU_230), run).findings())
                .extracting(Finding::code)
                .contains(FindingCode.BORROWED_NEUTRAL);
    }

    private static Box withCable(Cable cable) {
        Box two = new Circuits(RegionProfile.EU_230)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .load("A", "LED 9", 2)
                .feed("A", "4", "1.COM", "j.n")
                .from("A")
                .lead()
                .box();
        return new Box(
                two.label(),
                two.kind(),
                two.geometry(),
                two.gangs(),
                two.loads(),
                Stream.concat(two.cables().stream(), Stream.of(cable)).toList(),
                two.jumpers());
    }

    @Test
    void aCoreOfAnotherLoadIsItsSwitchedLiveAndTheLoadIsThere() {
        List<Core> cores = List.of(
                new Core(1, CoreColour.BROWN, Optional.empty(), SWITCHED_LIVE, new End.AtMechanism(1, "L1")),
                new Core(2, CoreColour.BLUE, Optional.empty(), Role.NEUTRAL, new End.Capped()));
        Box wrong = withCable(new Cable(
                "z",
                new Leads.ToLoad(1, List.of(new Leads.Branch(1, 9), new Leads.Branch(2, 2))),
                new BigDecimal("1.5"),
                cores));

        assertThat(SurveyRules.problemsOf(
                        wrong, Boxes.house(RegionProfile.EU_230).circuits().keySet()))
                .extracting(SurveyProblem::pointer, SurveyProblem::expected)
                .containsExactly(
                        tuple("/cables/1/cores/0/load", "a load of this box that hangs elsewhere"),
                        tuple("/cables/1/cores/1/load", "a switched live; other cores serve every load of the cable"));
    }

    @Test
    void aDraftHasASwitchedLiveForEach() {
        Box box = withCable(new Cable("z", new Leads.FromSupply(new CircuitId("4")), new BigDecimal("1.5"), List.of()));
        CableTemplate template = new CableTemplate(RegionProfile.EU_230, box);

        Cable shared = template.shared(template.toLoad(1), List.of(2)).cable();

        assertThat(shared.leads()).isEqualTo(new Leads.ToLoad(1, List.of(new Leads.Branch(4, 2))));
        assertThat(shared.cores()).extracting(Core::role).containsExactly(SWITCHED_LIVE, NEUTRAL, EARTH, SWITCHED_LIVE);
        assertThat(shared.cores())
                .extracting(core -> core.end().key())
                .startsWith("g1.L1")
                .endsWith("g2.L1");
        assertThat(shared.cores()).extracting(Core::colour).doesNotHaveDuplicates();
    }
}
