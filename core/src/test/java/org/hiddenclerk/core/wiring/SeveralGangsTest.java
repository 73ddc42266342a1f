package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.TWO_WAY;
import static org.hiddenclerk.core.job.BoxKind.LUMINAIRE;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.job.Role.TRAVELLER;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Several gangs of one box on one module: senders with several inputs, double two-ways, another module behind the other switches. */
class SeveralGangsTest {

    private static WiringPlan plan(
            RegionProfile region,
            ConnectedBoxes run,
            SchemeCode scheme,
            ModuleModel model,
            ModuleModel other,
            int gangs) {
        return WiringPlan.of(
                Boxes.house(region),
                run,
                List.of(new Assignment(
                        scheme,
                        model,
                        IntStream.rangeClosed(1, gangs).boxed().toList(),
                        List.of(),
                        Map.of(),
                        Optional.empty(),
                        Optional.of(other))));
    }

    private static void requireProved(WiringPlan plan) {
        assertThat(plan.planned()).as("%s", plan.findings()).isPresent();
        assertThat(plan.verdict()).as("%s", plan.findings()).isEqualTo(Verdict.OK);
    }

    private static List<String> fitted(WiringPlan plan) {
        return plan.planned().orElseThrow().fitted().stream()
                .map(fitted -> fitted.model().code() + " at " + fitted.place().label())
                .toList();
    }

    /** What every input commands, as "module/input of module" pairs. */
    private static List<String> commands(WiringPlan plan) {
        return plan.planned().orElseThrow().fitted().stream()
                .flatMap(fitted -> fitted.inputs().stream()
                        .map(input -> RunWiring.moduleOf(fitted.number()).value() + "/" + input.id() + " commands "
                                + input.target().map(target -> target.value()).orElse("itself") + "/"
                                + input.channel().orElse("-")))
                .toList();
    }

    /** Switches of one box without a neutral; each lamp hangs on a cable of its own, with a neutral that comes from elsewhere. */
    private static ConnectedBoxes box(RegionProfile region, int gangs) {
        Circuits circuits = new Circuits(region).box("A", WALL);
        for (int gang = 1; gang <= gangs; gang++) {
            circuits.gang("A", ONE_WAY, "4").load("A", "LED 9", gang).jumper("A", "j.l", gang + ".COM");
        }
        circuits.cable(
                "A", new Leads.FromSupply(new CircuitId("4")), wire(PERMANENT_LIVE, "j.l"), wire(EARTH, "j.earth"));
        for (int gang = 1; gang <= gangs; gang++) {
            circuits.cable("A", new Leads.ToLoad(gang), wire(SWITCHED_LIVE, gang + ".L1"), wire(EARTH, "j.earth"));
        }
        return circuits.from("A");
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void oneSenderServesAsManyGangsAsItHasInputs(int gangs) {
        for (RegionProfile region : RegionProfile.values()) {
            WiringPlan plan = plan(
                    region,
                    box(region, gangs),
                    SchemeCode.SPLIT_PAIR,
                    Modules.receiver(),
                    Modules.sender(gangs),
                    gangs);

            requireProved(plan);
            assertThat(plan.planned().orElseThrow().fitted())
                    .hasSize(gangs + 1)
                    .filteredOn(fitted -> fitted.model().isSender())
                    .hasSize(1);
            assertThat(commands(plan)).hasSize(gangs).allMatch(command -> command.startsWith("K" + (gangs + 1) + "/"));
            assertThat(plan.placesOfWork()).as("the switch box and each lamp").hasSize(gangs + 1);
            assertThat(plan.proof().truthTable().readBy(RunWiring.moduleOf(gangs + 1), "1"))
                    .as("each input its own switch")
                    .hasSize(1);
        }
    }

    @Test
    void aSenderWithTooFewInputsIsRefusedByName() {
        WiringPlan plan = WiringPlan.of(
                Boxes.house(),
                box(RegionProfile.EU_230, 2),
                List.of(new Assignment(
                        SchemeCode.SPLIT_PAIR,
                        Modules.withNeutral(2, 2, Modules.generous()),
                        List.of(1, 2),
                        List.of(),
                        Map.of(),
                        Optional.empty(),
                        Optional.of(Modules.sender()))));

        assertThat(plan.planned()).isEmpty();
        assertThat(plan.findings()).extracting(f -> f.code()).contains(FindingCode.FEATURE_MISSING);
        assertThat(plan.verdict()).isNotEqualTo(Verdict.OK);
    }

    @Test
    void gangsOfTwoCircuitsNeverShareASender() {
        ConnectedBoxes run = new Circuits(RegionProfile.EU_230)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "6")
                .load("A", "LED 9", 1)
                .load("A", "LED 9", 2)
                .feed("A", "4", "1.COM", "j.n4")
                .feed("A", "6", "2.COM", "j.n6")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(NEUTRAL, "j.n4"),
                        wire(EARTH, "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(2),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(NEUTRAL, "j.n6"),
                        wire(EARTH, "j.earth"))
                .from("A");

        assertThat(plan(RegionProfile.EU_230, run, SchemeCode.SPLIT_PAIR, Modules.receiver(), Modules.sender(2), 2)
                        .findings())
                .extracting(f -> f.code())
                .contains(FindingCode.SEPARATE_FEEDS);
    }

    /** A double switch on one cable of four cores: two loads in one fitting. */
    private static ConnectedBoxes doubleSwitch(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .load("X", "2 LED 9", 0)
                .load("X", "3 LED 9", 0)
                .feed("X", "4", "j.l", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .cable(
                        "A",
                        "X",
                        wire(PERMANENT_LIVE, "1.COM", "j.l"),
                        wire(SWITCHED_LIVE, "1.L1", "x1.L"),
                        wire(SWITCHED_LIVE, "2.L1", "x2.L"),
                        wire(EARTH, "j.earth", "j.earth"))
                .from("A");
    }

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void oneRelayWithTwoChannelsServesTwoLoadsOfOneFitting(RegionProfile region) {
        ModuleModel relay = Modules.withNeutral(2, 2, Modules.generous());
        WiringPlan plan = plan(region, doubleSwitch(region), SchemeCode.SPLIT_PAIR, relay, Modules.sender(2), 2);

        requireProved(plan);
        assertThat(fitted(plan)).containsExactly(relay.code() + " at X", "SE2 at A");
    }

    /** Two lamps, each with a change-over switch in two boxes; no neutral in the second. */
    private static ConnectedBoxes doubleTwoWay(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("A", "LED 9", 1)
                .load("A", "LED 30", 2)
                .feed("A", "4", "j.l", "j.n")
                .cable(
                        "A",
                        "B",
                        wire(PERMANENT_LIVE, "j.l", "j.l"),
                        wire(TRAVELLER, "1.L1", "1.L1"),
                        wire(TRAVELLER, "1.L2", "1.L2"),
                        wire(TRAVELLER, "2.L1", "2.L1"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable("A", "B", wire(TRAVELLER, "2.L2", "2.L2"), wire(EARTH, "j.earth", "j.earth"))
                .jumper("B", "j.l", "1.COM")
                .jumper("B", "j.l", "2.COM")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.COM"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(2),
                        wire(SWITCHED_LIVE, "2.COM"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    @Test
    void bothLampsOfADoubleTwoWayGoOnOneModuleInEachBox() {
        ConnectedBoxes run = doubleTwoWay(RegionProfile.EU_230);
        ModuleModel two = Modules.withNeutral(2, 2, Modules.generous());
        WiringPlan plan = plan(RegionProfile.EU_230, run, SchemeCode.MULTI_SECOND_UNLOADED, two, Modules.sender(2), 2);

        requireProved(plan);
        assertThat(fitted(plan)).containsExactly(two.code() + " at A", "SE2 at B");
        assertThat(commands(plan))
                .containsExactly(
                        "K1/1 commands itself/1", "K1/2 commands itself/2", "K2/1 commands K1/1", "K2/2 commands K1/2");
        WiringPlan unloaded = plan(RegionProfile.EU_230, run, SchemeCode.MULTI_SECOND_UNLOADED, two, two, 2);
        requireProved(unloaded);
        assertThat(fitted(unloaded)).containsExactly(two.code() + " at A", two.code() + " at B");
    }

    /** The first dims or carries; what only reads may be another, cheaper one, as long as both talk alike and act alike. */
    @Test
    void anotherModuleMayReadTheOtherSwitch() {
        ConnectedBoxes fromFeed =
                Topologies.all(RegionProfile.EU_230).get("two-way, feed at A, lamp from B, neutral through");
        Map<String, Box> boxes = fromFeed.boxes().stream()
                .collect(Collectors.toMap(ConnectedBoxes.Place::id, ConnectedBoxes.Place::box));
        ConnectedBoxes fromLamp = ConnectedBoxes.of(boxes, "B", RegionProfile.EU_230);
        ModuleModel loaded = Modules.withInputs(4);
        ModuleModel plain = Modules.withNeutral(1, 2, Modules.usualRatings());
        WiringPlan unloaded = plan(RegionProfile.EU_230, fromFeed, SchemeCode.MULTI_SECOND_UNLOADED, loaded, plain, 1);
        WiringPlan sender =
                plan(RegionProfile.EU_230, fromLamp, SchemeCode.MULTI_SECOND_UNLOADED, loaded, Modules.sender(), 1);

        requireProved(unloaded);
        assertThat(fitted(unloaded)).containsExactly(loaded.code() + " at A", plain.code() + " at B");
        requireProved(sender);
        assertThat(fitted(sender)).containsExactly(loaded.code() + " at B", "SE at A");
        for (WiringPlan plan : List.of(unloaded, sender)) {
            assertThat(commands(plan)).containsExactly("K1/1 commands itself/1", "K2/1 commands K1/1");
        }
        assertThat(plan(RegionProfile.EU_230, fromFeed, SchemeCode.MULTI_SECOND_UNLOADED, loaded, Modules.sender(), 1)
                        .findings())
                .as("there and back and out again is a core too many")
                .extracting(f -> f.code())
                .contains(FindingCode.TOO_FEW_CORES);
    }
}
