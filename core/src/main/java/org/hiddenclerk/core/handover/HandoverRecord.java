package org.hiddenclerk.core.handover;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedId;

/** The tests of a house with what was found at them: the last entry of a test holds for as long as what it rested on is the same. */
public record HandoverRecord(List<Line> lines, List<Defect> defects) {
    public HandoverRecord {
        lines = List.copyOf(lines);
        defects = List.copyOf(defects);
    }

    /** How a test stands. */
    public enum Standing {
        OPEN,
        PASSED,
        FAILED,
        AGAIN
    }

    /**
     * One test and how it stands.
     *
     * @param last    the entry that counts
     * @param changed what is no longer what it was when the test was made
     */
    public record Line(HandoverTest test, Standing standing, Optional<Entry> last, Set<Matter> changed) {}

    /**
     * Something that was not as planned.
     *
     * @param mended the first entry after it that was as planned; its cause says what it had been
     */
    public record Defect(HandoverTest test, Entry found, Optional<Entry> mended) {}

    /** So many tests of each standing. */
    public record Count(int open, int passed, int failed, int again) {
        public int all() {
            return open + passed + failed + again;
        }

        public boolean isComplete() {
            return all() > 0 && passed == all();
        }

        /** How far the hand over of what they test is. */
        public Stage.Progress progress() {
            return again > 0
                    ? Stage.Progress.REOPENED
                    : isComplete() ? Stage.Progress.DONE : open == all() ? Stage.Progress.OPEN : Stage.Progress.BEGUN;
        }

        /** Those that stand in the way of final papers, in words; empty where none does. */
        Optional<String> stillToDo() {
            List<String> parts = new ArrayList<>();
            if (failed > 0) {
                parts.add(failed + " failed");
            }
            if (again > 0) {
                parts.add(again + " to be made again");
            }
            if (open > 0) {
                parts.add(open + " not made");
            }
            return parts.isEmpty()
                    ? Optional.empty()
                    : Optional.of("of " + all() + " tests " + String.join(", ", parts));
        }
    }

    /**
     * Puts entries to their tests. Entries of tests that the plan no longer asks for are left out.
     *
     * @param basis prints of what the tests of a module's output rest on now
     */
    public static HandoverRecord of(
            List<HandoverTest> tests, List<Entry> entries, Function<HandoverTest, Map<Matter, String>> basis) {
        Map<String, List<Entry>> byTest = entries.stream()
                .sorted(Comparator.comparing(Entry::at))
                .collect(Collectors.groupingBy(Entry::test, LinkedHashMap::new, Collectors.toList()));
        List<Line> lines = new ArrayList<>();
        List<Defect> defects = new ArrayList<>();
        for (HandoverTest test : tests) {
            List<Entry> own = byTest.getOrDefault(test.id(), List.of());
            Optional<Entry> last = own.isEmpty() ? Optional.empty() : Optional.of(own.get(own.size() - 1));
            Set<Matter> changed =
                    last.map(entry -> changed(test, entry, basis.apply(test))).orElse(Set.of());
            lines.add(new Line(
                    test, last.map(entry -> standing(test, entry, changed)).orElse(Standing.OPEN), last, changed));
            defects.addAll(defects(test, own));
        }
        defects.sort(
                Comparator.comparing((Defect defect) -> defect.found().at()).reversed());
        return new HandoverRecord(lines, defects);
    }

    private static Standing standing(HandoverTest test, Entry entry, Set<Matter> changed) {
        if (!changed.isEmpty()) {
            return Standing.AGAIN;
        }
        return passed(test, entry) ? Standing.PASSED : Standing.FAILED;
    }

    /** A figure is judged by its scale, whatever was ticked beside it. */
    public static boolean passed(HandoverTest test, Entry entry) {
        return test.scale().isPresent() && entry.figure().isPresent()
                ? test.scale().get().judge(entry.figure().get()).passed()
                : entry.asPlanned();
    }

    private static Set<Matter> changed(HandoverTest test, Entry entry, Map<Matter, String> now) {
        Set<Matter> changed = EnumSet.noneOf(Matter.class);
        test.kind().restsOn().stream()
                .filter(matter -> !entry.basis().getOrDefault(matter, "").equals(now.getOrDefault(matter, "")))
                .forEach(changed::add);
        return changed;
    }

    private static List<Defect> defects(HandoverTest test, List<Entry> own) {
        List<Defect> defects = new ArrayList<>();
        for (int i = 0; i < own.size(); i++) {
            if (!passed(test, own.get(i)) && (i == 0 || passed(test, own.get(i - 1)))) {
                defects.add(new Defect(
                        test,
                        own.get(i),
                        own.subList(i + 1, own.size()).stream()
                                .filter(later -> passed(test, later))
                                .findFirst()));
            }
        }
        return defects;
    }

    public Count count() {
        return count(lines);
    }

    /** Lines by the box that the tested module sits in, those of what is not of the plans left out. */
    public Map<String, List<Line>> byBox(PlannedHouse house) {
        Map<String, List<Line>> byBox = new LinkedHashMap<>();
        lines.forEach(
                line -> boxOf(house, line.test()).ifPresent(box -> byBox.computeIfAbsent(box, b -> new ArrayList<>())
                        .add(line)));
        return byBox;
    }

    /** The box that a tested module sits in; empty for what is not of the plans. */
    public static Optional<String> boxOf(PlannedHouse house, HandoverTest test) {
        return PlannedId.moduleOf(test.device()).flatMap(module -> house.boxOf(test.device()));
    }

    public static Count count(List<Line> lines) {
        Map<Standing, Long> by = lines.stream().collect(Collectors.groupingBy(Line::standing, Collectors.counting()));
        return new Count(
                by.getOrDefault(Standing.OPEN, 0L).intValue(),
                by.getOrDefault(Standing.PASSED, 0L).intValue(),
                by.getOrDefault(Standing.FAILED, 0L).intValue(),
                by.getOrDefault(Standing.AGAIN, 0L).intValue());
    }
}
