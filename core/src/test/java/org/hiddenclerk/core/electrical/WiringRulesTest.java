package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Input.Potential;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** A wiring that makes no sense is refused with the place and what should stand there; one that does is not. */
class WiringRulesTest {
    private static final ModuleSupply MAINS = new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1);
    private static final Channel RELAY = new Channel("1", "L", "O", List.of());

    private static Input contact(List<String> pins, String activeWith, InputBehaviour behaviour, String channel) {
        return new Input(
                "S1",
                pins,
                Optional.ofNullable(activeWith),
                Potential.MAINS,
                behaviour,
                Optional.ofNullable(channel),
                Optional.empty());
    }

    private static Input common(List<String> pins, String with) {
        return new Input(
                "S1",
                pins,
                Optional.of("L"),
                Potential.MAINS,
                InputBehaviour.EVERY_FLIP,
                Optional.of("1"),
                Optional.empty(),
                Optional.of(with));
    }

    private static Input aimedAt(String target, String channel) {
        return new Input(
                "S1",
                List.of("S"),
                Optional.of("L"),
                Potential.MAINS,
                InputBehaviour.EVERY_FLIP,
                Optional.ofNullable(channel),
                Optional.of(new PartId(target)));
    }

    private static Wirings module(Input... inputs) {
        return Wirings.mains().module("K1", MAINS, List.of(RELAY), List.of(inputs), "L=l", "N=n", "O=o");
    }

    static Stream<Arguments> nonsense() {
        Input good = contact(List.of("S"), "L", InputBehaviour.EVERY_FLIP, "1");
        return Stream.of(
                Arguments.of("/parts/2/id", Wirings.mains().supply("N1", Line.N, "C1", "n")),
                Arguments.of("/parts/2/pins/X", Wirings.mains().mechanism("SW", Mechanism.ONE_WAY, "COM=l", "X=o")),
                Arguments.of("/parts/2/pins/a~1b~0", Wirings.mains().mechanism("SW", Mechanism.ONE_WAY, "a/b~=l")),
                Arguments.of("/parts/0/volts", new Wirings().supply("E", Line.ELV_PLUS, "E1", "p")),
                Arguments.of("/parts/0/circuit", new Wirings().supply("F", Line.L1, " ", "l")),
                Arguments.of(
                        "/parts/2/volts", Wirings.mains().load("X1", LoadKind.ELV_STRIP, 10, Map.of(), "L=l", "N=n")),
                Arguments.of("/parts/2/direction", Wirings.mains().winding("W1", "M1", null, "l", "n")),
                Arguments.of(
                        "/parts/3/direction",
                        Wirings.mains().winding("W1", "M1", "UP", "l", "n").winding("W2", "M1", "UP", "l", "n")),
                Arguments.of(
                        "/parts/2/module/supply/maxVolts",
                        Wirings.mains()
                                .module(
                                        "K1",
                                        new ModuleSupply.DirectCurrent("P", "M", 9, OptionalDouble.empty(), 1),
                                        List.of(),
                                        List.of(),
                                        "P=p",
                                        "M=m")),
                Arguments.of(
                        "/parts/2/module/channels/1/id",
                        Wirings.mains().module("K1", MAINS, List.of(RELAY, RELAY), List.of(), "L=l", "N=n")),
                Arguments.of("/parts/2/module/inputs/1/id", module(good, good)),
                Arguments.of(
                        "/parts/2/module/inputs/0/behaviour",
                        module(contact(List.of("S"), "L", InputBehaviour.SUPPLY_BLINK, "1"))),
                Arguments.of(
                        "/parts/2/module/inputs/0", module(contact(List.of(), null, InputBehaviour.EVERY_FLIP, "1"))),
                Arguments.of(
                        "/parts/2/module/inputs/0/activeWith",
                        module(contact(List.of("S"), null, InputBehaviour.EVERY_FLIP, "1"))),
                Arguments.of("/parts/2/module/inputs/0/commonWith", module(common(List.of("S"), "L"))),
                Arguments.of("/parts/2/module/inputs/0/commonWith", module(common(List.of("A", "B"), "O"))),
                Arguments.of("/parts/2/module/inputs/0/target", module(aimedAt("N1", "1"))),
                Arguments.of("/parts/2/module/inputs/0/target", module(aimedAt("K9", "1"))),
                Arguments.of("/parts/2/module/inputs/0/channel", module(aimedAt("K1", "2"))),
                Arguments.of(
                        "/parts/2/module/inputs/0/channel",
                        module(contact(List.of("S"), "L", InputBehaviour.EVERY_FLIP, "2"))),
                Arguments.of("/intent/0/load", Wirings.mains().intent("N1", false)),
                Arguments.of("/intent/0/controls/0", lamp().intent("X1", false, "X1")),
                Arguments.of("/parts/2/pins", Wirings.mains().cap("E1", "l").conductor("W", "l", "n")));
    }

    private static Wirings lamp() {
        return Wirings.mains().lamp("X1", 9, "l", "n");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("nonsense")
    void isRefusedWithItsPlace(String pointer, Wirings wirings) {
        Wiring wiring = pointer.equals("/parts/2/pins") ? withoutPins(wirings.build(), 2) : wirings.build();
        assertThat(WiringRules.problemsOf(wiring)).hasSize(1).allSatisfy(problem -> {
            assertThat(problem.pointer()).isEqualTo(pointer);
            assertThat(problem.found()).isNotBlank();
            assertThat(problem.expected()).isNotBlank();
        });
    }

    private static Wiring withoutPins(Wiring wiring, int part) {
        List<Part> parts = new ArrayList<>(wiring.parts());
        parts.set(part, new Part.Cap(parts.get(part).id(), Map.of()));
        return new Wiring(wiring.supply(), parts, wiring.intents());
    }

    @Test
    void whatMakesSenseIsTaken() {
        Input good = contact(List.of("S"), "L", InputBehaviour.EVERY_FLIP, "1");
        assertThat(WiringRules.problemsOf(module(good).build())).isEmpty();
        assertThat(WiringRules.problemsOf(module(contact(List.of(), null, InputBehaviour.SUPPLY_BLINK, "1"))
                        .build()))
                .isEmpty();
        assertThat(WiringRules.problemsOf(module(common(List.of("A", "B"), "N")).build()))
                .isEmpty();
        assertThat(WiringRules.problemsOf(module(aimedAt("K1", "1")).build())).isEmpty();
        assertThat(WiringRules.problemsOf(lamp().mechanism("SW", Mechanism.ONE_WAY, "COM=l", "L1=o")
                        .intent("X1", true, "SW")
                        .build()))
                .isEmpty();
        assertThat(WiringRules.problemsOf(Wirings.mains()
                        .winding("W1", "M1", "UP", "l", "n")
                        .winding("W2", "M1", "DOWN", "l", "n")
                        .winding("W3", "M2", "UP", "l", "n")
                        .build()))
                .isEmpty();
    }

    @Test
    void aSplitPhaseHasNoThirdLine() {
        List<Part> parts = new Wirings().supply("F", Line.L3, "C1", "l").build().parts();
        assertThat(WiringRules.problemsOf(
                        new Wiring(new SupplySystem(120, 60, SupplySystem.Arrangement.SPLIT_PHASE), parts, List.of())))
                .extracting(WiringProblem::pointer)
                .containsExactly("/parts/0/line");
        assertThat(WiringRules.problemsOf(
                        new Wiring(new SupplySystem(230, 50, SupplySystem.Arrangement.THREE_PHASE), parts, List.of())))
                .isEmpty();
    }

    /** A switch is refused where there are more in one region than can be tried out, and not at the number that can. */
    @Test
    void soManySwitchesInOneRegionAndNoMore() {
        assertThat(WiringRules.problemsOf(inARow(Wiring.MAX_ELEMENTS))).isEmpty();
        assertThat(WiringRules.problemsOf(inARow(Wiring.MAX_ELEMENTS + 1)))
                .extracting(WiringProblem::found)
                .singleElement()
                .asString()
                .startsWith("21 switches and channels in one connected region");
    }

    private static Wiring inARow(int switches) {
        Wirings wirings = Wirings.mains();
        for (int i = 0; i < switches; i++) {
            wirings.mechanism("S" + i, Mechanism.ONE_WAY, "COM=" + (i == 0 ? "l" : "w" + i), "L1=w" + (i + 1));
        }
        return wirings.build();
    }

    @Test
    void soManyPartsAndNoMore() {
        assertThat(WiringRules.problemsOf(ofCaps(Wiring.MAX_PARTS))).isEmpty();
        assertThat(WiringRules.problemsOf(ofCaps(Wiring.MAX_PARTS + 1)))
                .extracting(WiringProblem::found)
                .containsExactly("5001 parts");
    }

    private static Wiring ofCaps(int caps) {
        Wirings wirings = new Wirings();
        for (int i = 0; i < caps; i++) {
            wirings.cap("E" + i, "n" + i);
        }
        return wirings.build();
    }
}
