package org.hiddenclerk.core.matching.module;

import static org.hiddenclerk.core.electrical.part.Mechanism.DOUBLE_POLE;
import static org.hiddenclerk.core.electrical.part.Mechanism.PUSH_MAKE;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Modules as they rank for a box, word for word: verdict, price, every reason and every margin. */
class WholeMatchesTest {
    private static final List<ModuleModel> MODELS = List.of(
            Modules.withNeutral(1, 2, Modules.usualRatings()),
            Modules.withNeutral(2, 1, Modules.generous()),
            Modules.withElvInputs(2, Modules.usualRatings()),
            Modules.twoWire(40, Modules.usualRatings()),
            Modules.twoWire(0),
            Modules.blinking(),
            Modules.heavy(),
            Modules.blind(),
            Modules.fanAndLight(),
            Modules.voltFree(),
            Modules.direct(10, 28));
    private static final Terms TERMS = new Terms(
            Estimates.USUAL,
            List.of(
                    new Wish(Wish.Kind.PROTOCOL, true, "Zigbee"),
                    new Wish(Wish.Kind.METERING, false, ""),
                    new Wish(Wish.Kind.KEEP_PLATES, false, ""),
                    new Wish(Wish.Kind.WITHOUT_INTERNET, false, "")));

    static Stream<String> boxNames() {
        return boxes().keySet().stream();
    }

    @ParameterizedTest
    @MethodSource("boxNames")
    void areAsTheyWereRead(String box) {
        WordForWord.isAsRead("matching", box, words(boxes().get(box)));
    }

    private static Map<String, Planner> boxes() {
        Map<String, Planner> boxes = new LinkedHashMap<>();
        boxes.put("bank of lamps", alone(RegionProfile.EU_230, oneGang(Mechanism.ONE_WAY, "12x2 LED 12", 61)));
        boxes.put("shallow box", alone(RegionProfile.EU_230, oneGang(PUSH_MAKE, "LED 121", 40)));
        boxes.put("in the United States", alone(RegionProfile.US_120, oneGang(Mechanism.ONE_WAY, "halogen 60", 61)));
        boxes.put(
                "two circuits",
                alone(
                        RegionProfile.EU_230,
                        Boxes.box()
                                .gang("4", "fan 40")
                                .gang("6", "2 fluorescent 36")
                                .feed("4", common(1))
                                .lamp(1, throwOf(1), "4")
                                .feed("6", common(2))
                                .lamp(2, throwOf(2), "6")
                                .build()));
        boxes.put(
                "without neutral",
                alone(
                        RegionProfile.EU_230,
                        Boxes.box()
                                .gang("4", "LED 30")
                                .loop(1, "4", common(1), throwOf(1))
                                .build()));
        boxes.put("heater", special(SpecialRuns.heater(RegionProfile.EU_230, DOUBLE_POLE)));
        boxes.put("canopy", special(SpecialRuns.canopy(RegionProfile.EU_230, true)));
        boxes.put("gate", special(SpecialRuns.gate(RegionProfile.EU_230)));
        boxes.put("strip", special(SpecialRuns.strip(RegionProfile.EU_230)));
        return boxes;
    }

    private static Planner alone(RegionProfile region, Box box) {
        return new Planner(Boxes.house(region), ConnectedBoxes.of(box, region));
    }

    private static Planner special(ConnectedBoxes run) {
        return new Planner(SpecialRuns.house(RegionProfile.EU_230), run);
    }

    private static Box oneGang(Mechanism mechanism, String load, int depthMm) {
        return Boxes.box()
                .depth(depthMm)
                .gang(mechanism, "4", load)
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    private static String words(Planner planner) {
        ModuleMatch match = new ModuleMatch(planner, TERMS);
        List<Integer> gangs = IntStream.rangeClosed(
                        1, planner.run().lead().box().gangs().size())
                .boxed()
                .toList();
        List<String> lines = new ArrayList<>();
        for (Candidate candidate : match.rank(gangs, MODELS)) {
            lines.add("== " + candidate.assignment().model().code() + " " + candidate.scheme() + " "
                    + candidate.verdict() + " "
                    + (candidate.priceCents().isPresent()
                            ? candidate.priceCents().getAsInt()
                            : "price unknown")
                    + candidate
                            .assignment()
                            .bypass()
                            .map(watts -> ", bypass " + watts)
                            .orElse(""));
            candidate.findings().forEach(finding -> lines.add("! " + WordForWord.of(finding)));
            candidate
                    .margins()
                    .forEach(margin -> lines.add("  " + margin.what() + ": "
                            + margin.found().stripTrailingZeros().toPlainString() + " of "
                            + margin.allowed().stripTrailingZeros().toPlainString() + " " + margin.unit() + " "
                            + margin.level()));
            candidate.placement().ifPresent(placement -> lines.add("  lies " + placement));
        }
        match.contactorAdvice(gangs, List.of(), MODELS)
                .forEach(finding -> lines.add("advice " + WordForWord.of(finding)));
        return String.join("\n", lines) + "\n";
    }
}
