package org.hiddenclerk.core.job.sketch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.SurveyRules;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CircuitSketchTest {
    private static final CircuitId CIRCUIT = new CircuitId("4");

    /** Every shape in every era, with and without neutral and switches between where that may be. */
    static Stream<CircuitSketch> sketches() {
        List<CircuitSketch> all = new ArrayList<>();
        for (CircuitShape shape : CircuitShape.values()) {
            for (ColourEra era : ColourEra.values()) {
                for (int between = 0; between <= shape.mostBetween(); between++) {
                    all.add(sketch(shape, era, true, between, shape.leastLoads()));
                    if (shape.has(CircuitShape.Trait.NEUTRAL_MAY_LACK)) {
                        all.add(sketch(shape, era, false, between, shape.leastLoads()));
                    }
                }
                if (shape.mostLoads() > shape.leastLoads()) {
                    all.add(sketch(shape, era, true, 0, shape.mostLoads()));
                }
            }
        }
        return all.stream();
    }

    private static CircuitSketch sketch(CircuitShape shape, ColourEra era, boolean neutral, int between, int loads) {
        List<SketchedLoad> sketched = new ArrayList<>();
        for (int i = 1; i <= loads; i++) {
            String typed =
                    switch (shape) {
                        case BLIND -> "blind 120";
                        case SOCKET_OUTLET -> "socket 1000";
                        default -> "LED 9";
                    };
            sketched.add(new SketchedLoad("load " + i, typed, ((LoadText.Understood) LoadText.read(typed)).banks()));
        }
        return new CircuitSketch(shape, CIRCUIT, era, neutral, between, sketched);
    }

    private static Map<String, Box> built(CircuitSketch sketch) {
        Map<String, CircuitSketch.Target> targets = new LinkedHashMap<>();
        sketch.places()
                .forEach(place -> targets.put(
                        place.key(),
                        new CircuitSketch.Target(place.key(), place.empty(place.key()), "switch " + place.key())));
        return sketch.into(targets);
    }

    private static ConnectedBoxes run(CircuitSketch sketch, Map<String, Box> boxes) {
        return ConnectedBoxes.of(
                boxes, boxes.keySet().iterator().next(), sketch.era().region());
    }

    private static HouseContext house(CircuitSketch sketch) {
        return Boxes.house(sketch.era().region());
    }

    @ParameterizedTest
    @MethodSource("sketches")
    void isASoundCircuitThatEverySwitchActsOn(CircuitSketch sketch) {
        Map<String, Box> boxes = built(sketch);
        boxes.values().forEach(box -> assertThat(SurveyRules.problemsOf(box, Set.of(CIRCUIT)))
                .as(box.label())
                .isEmpty());
        ConnectedBoxes run = run(sketch, boxes);
        assertThat(run.danglingCables()).isEmpty();
        assertThat(run.boxes()).hasSameSizeAs(sketch.places());

        WiringPlan found = WiringPlan.surveyed(house(sketch), run);
        assertThat(found.findings())
                .filteredOn(finding -> finding.severity() != Severity.NOTE)
                .filteredOn(finding -> !nobodyLooked(finding) && finding.code() != FindingCode.BOTH_DIRECTIONS_ON)
                .isEmpty();
        List<PartId> switches = parts(found, Part.Switch.class);
        List<PartId> loads = parts(found, Part.Load.class);
        assertThat(loads).isNotEmpty();
        if (sketch.loads().size() == 1 && sketch.shape() != CircuitShape.BLIND) {
            assertThat(found.proof().truthTable().controlsOf(loads.get(0)))
                    .containsExactlyInAnyOrderElementsOf(switches);
        }
    }

    private static boolean nobodyLooked(Finding finding) {
        return finding.reason().contains("nobody has looked");
    }

    private static List<PartId> parts(WiringPlan plan, Class<? extends Part> kind) {
        return plan.wiring().parts().stream()
                .filter(kind::isInstance)
                .map(Part::id)
                .toList();
    }

    @ParameterizedTest
    @MethodSource("sketches")
    void everyCableHoldsUntilSomebodyLooked(CircuitSketch sketch) {
        Map<String, Box> boxes = built(sketch);
        ConnectedBoxes run = run(sketch, boxes);
        boxes.values().forEach(box -> assertThat(box.cables()).allMatch(Cable::assumed));
        assertThat(WiringPlan.surveyed(house(sketch), run).findings())
                .filteredOn(CircuitSketchTest::nobodyLooked)
                .hasSize(boxes.values().stream()
                        .mapToInt(box -> box.cables().size())
                        .sum())
                .extracting(Finding::severity)
                .allMatch(severity -> severity == Severity.HOLD);
    }

    /** What stood in the box before is as it was, and what is added has names of its own. */
    @Test
    void goesIntoABoxThatIsSurveyedAlready() {
        CircuitSketch sketch = sketch(CircuitShape.ONE_WAY_FEED_AT_SWITCH, ColourEra.EU_NOW, true, 0, 2);
        Box first = built(sketch).get("A");
        Box both = sketch.into(Map.of("A", new CircuitSketch.Target("A", first, "another")))
                .get("A");

        assertThat(both.gangs())
                .hasSize(4)
                .startsWith(first.gangs().get(0), first.gangs().get(1));
        assertThat(both.cables()).hasSize(6).containsAll(first.cables());
        assertThat(both.jumpers()).hasSize(2).containsAll(first.jumpers());
        assertThat(SurveyRules.problemsOf(both, Set.of(CIRCUIT))).isEmpty();
        assertThat(both.cables()).extracting(Cable::name).doesNotHaveDuplicates();
    }

    @Test
    void anOutlineTellsHowItRuns() {
        assertThat(ShapeOutline.of(CircuitShape.TWO_WAY_FEED_BETWEEN))
                .isEqualTo(new ShapeOutline(
                        List.of(new ShapeOutline.Link("A", "J"), new ShapeOutline.Link("J", "B")),
                        List.of("J"),
                        List.of("B")));
        assertThat(ShapeOutline.of(CircuitShape.ONE_WAY_SWITCH_LOOP).fedAt()).isEmpty();
    }

    @Test
    void whatNoShapeHasIsRefused() {
        assertThatThrownBy(() -> sketch(CircuitShape.BLIND, ColourEra.EU_NOW, false, 0, 1))
                .hasMessageContaining("neutral");
        assertThatThrownBy(() -> sketch(CircuitShape.THREE_STRAPPER, ColourEra.EU_NOW, true, 1, 1))
                .hasMessageContaining("switches between");
        assertThatThrownBy(() -> sketch(CircuitShape.FAN_WITH_LIGHT, ColourEra.EU_NOW, true, 0, 1))
                .hasMessageContaining("loads");
    }
}
