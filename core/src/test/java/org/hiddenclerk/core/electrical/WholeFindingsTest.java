package org.hiddenclerk.core.electrical;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.StringJoiner;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What is said of planned wirings and of those with one mistake, word for word, with what their switches and channels do.
 * Whether it is right, the cross checks tell; here nothing changes unseen.
 */
class WholeFindingsTest {
    private static final int AT_RANDOM = 10;
    private static final int DANGEROUS = 4;
    private static final int ROWS = 6;

    static Stream<Map.Entry<String, Wiring>> plans() {
        return Stream.of(RegionProfile.EU_230, RegionProfile.US_120)
                .flatMap(region -> Plans.ofUsualBoxes(region).entrySet().stream());
    }

    @ParameterizedTest
    @MethodSource("plans")
    void areSaidAsBefore(Map.Entry<String, Wiring> plan) {
        Random random = new Random(plan.getKey().hashCode());
        StringJoiner text = new StringJoiner("\n", "", "\n");
        text.add("As planned\n" + words(plan.getValue()));
        for (int i = 0; i < AT_RANDOM; i++) {
            Mutants.Mutant mistake = Mutants.of(plan.getValue(), random);
            text.add(mistake.words() + "\n" + words(mistake.wiring()));
        }
        List<Mutants.Mutant> dangerous = Mutants.dangerous(plan.getValue());
        int each = Math.max(1, dangerous.size() / DANGEROUS);
        for (int i = 0; i < dangerous.size(); i += each) {
            text.add(dangerous.get(i).words() + "\n" + words(dangerous.get(i).wiring()));
        }
        WordForWord.isAsRead("electrical/findings", plan.getKey(), text.toString());
    }

    private static String words(Wiring wiring) {
        WiringCheck.Result result = WiringCheck.of(wiring);
        TruthTable table = result.truthTable();
        StringJoiner text = new StringJoiner("\n  ", "  ", "");
        text.add(result.verdict() + ", " + table.size() + " states");
        result.findings().forEach(finding -> text.add(WordForWord.of(finding)));
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Load load) {
                text.add(load.id() + " by " + table.controlsOf(load.id()));
            }
            if (part instanceof Part.FittedModule module) {
                text.add(module.id() + " supplied through " + table.suppliedThrough(module.id())
                        + module.inputs().stream()
                                .map(input -> ", " + input.id() + " reads " + table.readBy(module.id(), input.id()))
                                .collect(Collectors.joining())
                        + module.channels().stream()
                                .map(channel ->
                                        ", " + channel.id() + " switches " + table.loadsOf(module.id(), channel.id()))
                                .collect(Collectors.joining()));
            }
        }
        int each = Math.max(1, table.size() / ROWS);
        int[] at = {0};
        StreamSupport.stream(table.spliterator(), false)
                .filter(row -> at[0]++ % each == 0)
                .forEach(row -> text.add(row.state().switches() + " "
                        + row.state().channels() + " " + row.loads() + " " + row.modules() + " " + row.shorts()));
        return text.toString();
    }
}
