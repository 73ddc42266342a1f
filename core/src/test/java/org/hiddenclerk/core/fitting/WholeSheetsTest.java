package org.hiddenclerk.core.fitting;

import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrixPlans;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Run sheets word for word, as somebody at the box reads them. */
class WholeSheetsTest {
    @ParameterizedTest
    @ValueSource(
            strings = {"metal box with another supply", "switch loop without earth", "pair by radio", "free channel"})
    void areAsTheyWereRead(String name) {
        WordForWord.isAsRead("fitting", name, words(sheet(name)));
    }

    private static List<Step> sheet(String name) {
        HouseContext house = Boxes.house();
        return switch (name) {
            case "metal box with another supply" -> {
                HouseContext other = withAnotherSupply();
                yield RunSheetPlan.of(other, plan(other, metal(), Modules.withNeutral(1, 2, Modules.usualRatings())));
            }
            case "switch loop without earth" ->
                RunSheetPlan.of(house, plan(house, loop(), Modules.twoWire(40, Modules.usualRatings())));
            case "pair by radio" -> RunSheetPlan.of(house, pair());
            case "free channel" ->
                RunSheetPlan.of(house, SchemeMatrixPlans.special().get(RegionProfile.EU_230 + " free channel"));
            default -> throw new AssertionError(name);
        };
    }

    private static HouseContext withAnotherSupply() {
        CircuitId id = new CircuitId("4");
        return new HouseContext(RegionProfile.EU_230, Map.of(id, new Circuit(id, "4", Amps.of(10), Line.L1, true)));
    }

    private static Box metal() {
        Box box = Boxes.box()
                .gang("4", "2 LED 7")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
        return new Box(
                box.label(),
                new BoxGeometry(Millimetres.of(60), Millimetres.of(60), Millimetres.of(60), true),
                box.gangs(),
                box.loads(),
                box.cables(),
                box.jumpers());
    }

    private static Box loop() {
        return Boxes.box()
                .gang("4", "LED 30")
                .loop(1, "4", common(1), throwOf(1))
                .build();
    }

    private static WiringPlan pair() {
        Map<String, WiringPlan> pairs = new LinkedHashMap<>(SchemeMatrixPlans.of(RegionProfile.EU_230));
        return pairs.entrySet().stream()
                .filter(e -> e.getKey().endsWith("SPLIT_PAIR")
                        && e.getValue().planned().isPresent())
                .findFirst()
                .orElseThrow()
                .getValue();
    }

    private static WiringPlan plan(HouseContext house, Box box, ModuleModel model) {
        Optional<Watts> bypass = box.cores().size() == 2 ? Optional.of(Watts.of(20)) : Optional.empty();
        return WiringPlan.of(
                house, box, List.of(new Assignment(model, List.of(1), Map.of(1, InputBehaviour.EVERY_FLIP), bypass)));
    }

    private static String words(List<Step> steps) {
        StringBuilder words = new StringBuilder();
        for (Step step : steps) {
            words.append(step.phase())
                    .append(" · ")
                    .append(step.id())
                    .append(" · ")
                    .append(step.title());
            Stream.of(
                            step.gate() ? "gate" : "",
                            step.leavable() ? "may be left out" : "",
                            step.effect() == Step.Effect.NONE
                                    ? ""
                                    : step.effect().name(),
                            step.box().isEmpty() ? "" : "at " + step.box())
                    .filter(fact -> !fact.isEmpty())
                    .forEach(fact -> words.append(" [").append(fact).append(']'));
            words.append('\n');
            if (!step.detail().isEmpty()) {
                words.append("    ").append(step.detail()).append('\n');
            }
            step.confirms().forEach(c -> words.append("  - " + c.id() + ": " + c.text() + where(c.box()) + "\n"));
            step.readings()
                    .forEach(r -> words.append("  = " + r.id() + ": " + r.text() + ", " + r.least() + " to " + r.most()
                            + " " + r.unit() + where(r.box()) + "\n"));
        }
        return words.toString();
    }

    private static String where(String box) {
        return box.isEmpty() ? "" : " [at " + box + "]";
    }
}
