package org.hiddenclerk.core.wiring.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.MovedEnd;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What is derived from the wiring before and after: terminal table, steps, parts to bring, drawing. */
class PapersTest {
    private final Box twoGangs = Boxes.box()
            .gang("4", "2 LED 7")
            .gang("4", "LED 30")
            .feed("4", common(1))
            .lamp(1, throwOf(1), "4")
            .lamp(2, throwOf(2), "4")
            .jumper(common(1), common(2))
            .build();

    @Nested
    class Netlists {
        @Test
        void liveGoesOnTheModuleAndOnFromThere() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);

            assertThat(held(plan, "N2", "L")).containsExactly("brown of c1", "jumper to switch 1, COM");
            assertThat(held(plan, "switch 1", "COM")).containsExactly("jumper to N2, L", "jumper to switch 2, COM");
            assertThat(held(plan, "N2", "O2")).containsExactly("brown of c3");
            assertThat(held(plan, "switch 2", "L1")).containsExactly("jumper to N2, S2");
        }

        @Test
        void aTerminalForOneConductorGetsAConnectorInFront() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 1, Modules.usualRatings()), 1, 2);

            assertThat(held(plan, "N2", "L")).containsExactly("jumper to connector live 4");
            assertThat(held(plan, "connector live 4", ""))
                    .containsExactly("brown of c1", "jumper to N2, L", "jumper to switch 1, COM");
        }

        @Test
        void aGangThatStaysAPlainSwitchKeepsItsLiveAndItsLamp() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(1, 2, Modules.usualRatings()), 1);

            assertThat(held(plan, "switch 2", "COM")).containsExactly("jumper to switch 1, COM");
            assertThat(held(plan, "switch 2", "L1")).containsExactly("brown of c3");
            assertThat(plan.findings()).isEmpty();
        }

        @Test
        void connectorsThatHoldTheCoresAlreadyAreKept() {
            Box box = Boxes.box()
                    .gang("4", "LED 7")
                    .feed("4", new End.InConnector("live"))
                    .lamp(1, throwOf(1), "4")
                    .jumper(new End.InConnector("live"), common(1))
                    .build();
            WiringPlan plan = plan(box, Modules.withNeutral(1, 2, Modules.usualRatings()), 1);

            assertThat(plan.after().orElseThrow().jumpers())
                    .filteredOn(j -> j.key().equals("j1"))
                    .hasSize(1);
            assertThat(held(plan, "connector live", ""))
                    .containsExactlyInAnyOrder("brown of c1", "jumper to switch 1, COM", "jumper to N1, L");
        }

        @Test
        void anObstacleLeavesTheWiringAsFound() {
            Box box = Boxes.box()
                    .gang("4", "LED 7")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();
            WiringPlan plan = plan(box, Modules.withNeutral(1, 2, Modules.usualRatings()), 1);

            assertThat(plan.after()).isEmpty();
            assertThat(plan.findings()).hasSize(1);
        }

        @Test
        void aGangGivenTwiceIsOurMistake() {
            ModuleModel one = Modules.withNeutral(1, 2, Modules.usualRatings());
            org.assertj.core.api.Assertions.assertThatThrownBy(
                            () -> WiringPlan.of(Boxes.house(), twoGangs, List.of(assigned(one, 1), assigned(one, 1))))
                    .hasMessageContaining("Gang 1");
        }
    }

    @Nested
    class Steps {
        /** Jumpers first and live last, as far as terminals hold what is on them on the way. */
        @Test
        void theLiveGoesOnLast() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);

            List<Move> moves = Move.between(plan.before(), plan.after().orElseThrow());

            assertThat(moves)
                    .extracting(Move::kind)
                    .filteredOn(kind -> kind != Move.Kind.ADD_JUMPER)
                    .isSorted();
            assertThat(moves)
                    .extracting(Move::words)
                    .contains("Move brown of c1 (permanent live) from switch 1, COM to N2, L.");
        }

        /** On the way there and back no terminal ever holds more than it takes, and mains never meets extra-low voltage. */
        @Test
        void noTerminalHoldsTooMuchOnTheWay() {
            int[] looked = {0};
            java.util.stream.Stream.concat(
                            SchemeMatrix.plans(org.hiddenclerk.core.job.RegionProfile.EU_230).entrySet().stream(),
                            SpecialRuns.plans().entrySet().stream())
                    .forEach(e -> e.getValue().planned().ifPresent(planned -> planned.boxes()
                            .forEach((place, after) -> {
                                BoxWiring before = e.getValue().found().at(place);
                                watch(e.getKey() + " at " + place, before, after);
                                watch(e.getKey() + " back at " + place, after, before);
                                looked[0]++;
                            })));
            assertThat(looked[0]).isGreaterThan(100);
        }

        private void watch(String name, BoxWiring from, BoxWiring to) {
            MoveOrder order = new MoveOrder(from, to);
            Move.between(from, to, order);
            Map<End, Integer> holds = new HashMap<>(from.held());
            for (MoveOrder.Task task : order.performed()) {
                task.off().forEach(end -> holds.merge(end, -1, Integer::sum));
                task.on().forEach(end -> holds.merge(end, 1, Integer::sum));
                for (End end : task.on()) {
                    int takes = end instanceof End.AtModule pole
                            ? to.modules()
                                    .getOrDefault(pole.module(), from.modules().get(pole.module()))
                                    .terminal(pole.terminal())
                                    .takes()
                            : end instanceof End.AtMechanism ? Math.max(2, to.heldAt(end)) : Integer.MAX_VALUE;
                    assertThat(holds.get(end))
                            .as(name + ": " + task.move().words())
                            .isLessThanOrEqualTo(takes);
                }
            }
            to.held().forEach((end, count) -> {
                if (!(end instanceof End.Capped) && !(end instanceof End.Loose)) {
                    assertThat(holds.getOrDefault(end, 0))
                            .as(name + ": " + end.words())
                            .isEqualTo(count);
                }
            });
        }

        @Test
        void theWayBackPutsEveryCoreWhereItWas() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);

            assertThat(Move.between(plan.after().orElseThrow(), plan.before()))
                    .extracting(Move::words)
                    .contains(
                            "Move brown of c2 (switched live) from N2, O1 to switch 1, L1.",
                            "Take out the violet jumper from N2, S1 to switch 1, L1.");
        }
    }

    @Nested
    class Parts {
        @Test
        void bringTheModuleTheJumpersAndLargerConnectors() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);

            assertThat(PartsToAdd.of(plan))
                    .extracting(i -> i.count() + " " + i.what())
                    .containsExactly(
                            "1 N2, for tests",
                            "1 connector for 5 conductors",
                            "1 blue jumper",
                            "1 brown jumper",
                            "2 violet jumper");
        }

        @Test
        void bringTheBypassForTheLamp() {
            Box box = Boxes.box()
                    .gang("4", "LED 9")
                    .loop(1, "4", common(1), throwOf(1))
                    .build();
            WiringPlan plan = WiringPlan.of(
                    Boxes.house(),
                    box,
                    List.of(new Assignment(
                            Modules.twoWire(20, Modules.usualRatings()),
                            List.of(1),
                            Map.of(),
                            Optional.of(Watts.of(20)))));

            assertThat(PartsToAdd.of(plan)).contains(new PartsToAdd.Item(1, "bypass of 20\u2009W at load 1"));
        }
    }

    @Nested
    class EndsPutElsewhere {
        private final WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);

        @Test
        void aLampWireOnTheLiveIsToldAtOnce() {
            WiringPlan moved = plan.with(List.of(new MovedEnd("c2.1", false, new End.AtModule(1, "L"))), Boxes.house())
                    .orElseThrow();

            assertThat(moved.findings())
                    .filteredOn(f -> f.code() == FindingCode.LOAD_ALWAYS_ON)
                    .singleElement()
                    .satisfies(f -> assertThat(f.reason()).startsWith("load 1 is on in all "));
            assertThat(plan.verdict()).as("the plan itself is not touched").isEqualTo(Verdict.OK);
        }

        @Test
        void outputsExchangedAreTold() {
            WiringPlan moved = plan.with(
                            List.of(
                                    new MovedEnd("c2.1", false, new End.AtModule(1, "O2")),
                                    new MovedEnd("c3.1", false, new End.AtModule(1, "O1"))),
                            Boxes.house())
                    .orElseThrow();

            assertThat(moved.findings()).extracting(f -> f.code()).contains(FindingCode.SWITCH_WITHOUT_EFFECT);
        }

        @Test
        void theToolsFollowFromTheMoves() {
            List<String> tools =
                    Tools.of(plan, List.of(Papers.of(plan, plan.run().lead(), RegionProfile.EU_230)));

            assertThat(tools)
                    .contains("wire cutter and stripper", "lock and tag for each breaker")
                    .doesNotContain("step ladder");
        }

        @Test
        void movedBackItIsProvedAgain() {
            WiringPlan back = plan.with(
                            List.of(
                                    new MovedEnd("c2.1", false, new End.Capped()),
                                    new MovedEnd("c2.1", false, new End.AtModule(1, "O1"))),
                            Boxes.house())
                    .orElseThrow();

            assertThat(back.verdict()).isEqualTo(Verdict.OK);
        }

        @Test
        void whatIsNotThereCannotBeMoved() {
            assertThat(plan.with(List.of(new MovedEnd("c9.1", false, new End.Capped())), Boxes.house()))
                    .isEmpty();
            assertThat(plan.with(List.of(new MovedEnd("c2.1", false, new End.AtModule(3, "L"))), Boxes.house()))
                    .isEmpty();
        }

        @Test
        void everyPlaceIsNamedByItsKey() {
            MovedEnd.placesIn(plan.after().orElseThrow())
                    .forEach(end ->
                            assertThat(End.ofKey(end.key())).as(end.words()).isEqualTo(end));
        }
    }

    @Nested
    class Drawings {
        @Test
        void showEveryConductorEveryTerminalAndEveryLoad() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);
            BoxWiring after = plan.after().orElseThrow();
            BoxDrawing drawing = BoxDrawing.of(plan, true, Boxes.house());

            assertThat(drawing.wires())
                    .hasSize(twoGangs.cores().size() + after.jumpers().size());
            assertThat(drawing.loads()).extracting(BoxDrawing.LoadSymbol::label).containsExactly("load 1", "load 2");
            BoxDrawing.Device module = drawing.devices().stream()
                    .filter(d -> d.kind() == BoxDrawing.DeviceKind.MODULE)
                    .findFirst()
                    .orElseThrow();
            assertThat(module.ports())
                    .extracting(BoxDrawing.Port::name)
                    .containsExactly("L", "N", "O1", "S1", "O2", "S2");
            assertThat(module.partId()).isEqualTo("K1");
        }

        @Test
        void everyWireEndsAtThePortOfItsNode() {
            WiringPlan plan = plan(twoGangs, Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2);
            BoxDrawing drawing = BoxDrawing.of(plan, true, Boxes.house());

            for (BoxDrawing.Wire wire : drawing.wires()) {
                boolean jumper = plan.after().orElseThrow().jumpers().stream()
                        .map(Jumper::key)
                        .anyMatch(wire.key()::equals);
                BoxDrawing.Point end = jumper
                        ? wire.points().get(0)
                        : wire.points().get(wire.points().size() - 1);
                assertThat(drawing.devices()).as(wire.words()).anySatisfy(device -> assertThat(device.ports())
                        .anySatisfy(port -> {
                            assertThat(port.node()).isEqualTo(wire.node());
                            assertThat(port.y()).isEqualTo(end.y());
                            assertThat(Math.abs(port.x() - end.x()) * 2).isLessThanOrEqualTo(port.width());
                        }));
            }
        }
    }

    private static WiringPlan plan(Box box, ModuleModel model, Integer... gangs) {
        return WiringPlan.of(Boxes.house(), box, List.of(assigned(model, gangs)));
    }

    private static Assignment assigned(ModuleModel model, Integer... gangs) {
        return new Assignment(model, List.of(gangs), Map.of(), Optional.empty());
    }

    private static List<String> held(WiringPlan plan, String device, String terminal) {
        return TerminalTable.of(plan.after().orElseThrow()).stream()
                .filter(line -> line.device().equals(device) && line.terminal().equals(terminal))
                .findFirst()
                .orElseThrow(() -> new AssertionError("No line " + device + " " + terminal))
                .holds()
                .stream()
                .map(BoxWiring.Attached::words)
                .toList();
    }
}
