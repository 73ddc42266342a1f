package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.WholePlans;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Plans word for word: what sits where, what a hand does there and back, what it brings, what to take care of. */
class WholePlansTest {
    private static final RegionProfile REGION = RegionProfile.EU_230;

    static Stream<String> names() {
        return WholePlans.names();
    }

    @ParameterizedTest
    @MethodSource("names")
    void areAsTheyWereRead(String name) {
        WordForWord.isAsRead("wiring/plans", name, words(WholePlans.of(name)));
    }

    /** Why a scheme does not go on a circuit, each reason once. */
    @Test
    void refusalsAreAsTheyWereRead() {
        TreeSet<String> refusals = new TreeSet<>();
        for (Map.Entry<String, WiringPlan> plan : SchemeMatrix.plans(REGION).entrySet()) {
            if (plan.getValue().planned().isEmpty()) {
                String scheme = plan.getKey().substring(plan.getKey().indexOf(" / ") + 3);
                plan.getValue().findings().forEach(finding -> refusals.add(scheme + " · " + WordForWord.of(finding)));
            }
        }
        WordForWord.isAsRead("wiring", "refusals", String.join("\n", refusals) + "\n");
    }

    private static String words(WholePlans.Whole whole) {
        WiringPlan plan = whole.plan();
        List<String> lines = new ArrayList<>(List.of(plan.verdict().toString()));
        plan.findings().forEach(finding -> lines.add("! " + WordForWord.of(finding)));
        List<Papers> papers = plan.placesOfWork().stream()
                .map(place -> Papers.of(plan, place, REGION))
                .toList();
        papers.forEach(paper -> lines.addAll(words(paper)));
        lines.add("== for all of it");
        PartsToAdd.of(plan).forEach(item -> lines.add(item.count() + " x " + item.what()));
        lines.add("connectors by size " + PartsToAdd.connectors(plan) + ", mechanisms " + PartsToAdd.mechanisms(plan));
        Papers.cutList(papers)
                .forEach(cut -> lines.add("cut " + cut.count() + " x " + cut.colour() + " " + cut.mm2() + " mm², "
                        + cut.lengthMm() + " mm"));
        Tools.of(plan, papers).forEach(tool -> lines.add("take " + tool));
        Caution.of(plan, whole.house()).forEach(caution -> lines.add("caution " + caution));
        return String.join("\n", lines) + "\n";
    }

    private static List<String> words(Papers paper) {
        List<String> lines = new ArrayList<>(List.of("== " + paper.place() + ", " + paper.kind(), "-- as found"));
        paper.found().forEach(line -> lines.add(words(line)));
        lines.add("-- as planned");
        paper.terminals().forEach(line -> lines.add(words(line)));
        paper.labels().forEach(l -> lines.add("label " + l.core() + ": " + l.wasOn() + " -> " + l.goesTo()));
        paper.moves().forEach(move -> lines.add(move.kind() + " " + move.conductor() + ": " + move.words()));
        lines.add("-- back");
        paper.restore().forEach(move -> lines.add(move.kind() + " " + move.conductor() + ": " + move.words()));
        paper.pieces()
                .forEach(p -> lines.add("piece " + p.key() + " " + p.colour() + " " + p.mm2() + " mm², " + p.lengthMm()
                        + " mm, " + p.from() + " to " + p.to()));
        paper.caps().forEach(cap -> lines.add("cap " + cap.core() + ", to " + cap.otherEnd() + ": " + cap.label()));
        paper.sleeves().forEach(s -> lines.add("sleeve " + s.core() + ": " + s.colour() + ", " + s.role()));
        return lines;
    }

    private static String words(TerminalTable.Line line) {
        return line.device() + " [" + line.terminal() + "] "
                + line.holds().stream().map(held -> held.words()).collect(Collectors.joining(" | "));
    }
}
