package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.RegionProfile;

/** The next test beside every reading that there is: none is better by the words of the order. */
class NextTestTest {
    /** More wirings than this take long to go through reading by reading. */
    private static final int MOST_WIRINGS = 400;

    /** @param newBoxes boxes that no reading was made in yet */
    private record Weighed(int worst, int sum, boolean live, long newBoxes, boolean returns) {
        private static final Comparator<Weighed> ORDER = Comparator.comparingInt(Weighed::worst)
                .thenComparingInt(Weighed::sum)
                .thenComparing(Weighed::live)
                .thenComparingLong(Weighed::newBoxes)
                .thenComparing(Weighed::returns);
    }

    /** From anywhere on the way: some readings that tell something and some that do not were made, in whatever boxes. */
    @Property(tries = 120)
    void noReadingIsBetter(@ForAll Random random) {
        HiddenCircuit hidden = HiddenCircuit.any(random, 1);
        Board board = hidden.board();
        if (Tracing.wirings(board, RegionProfile.EU_230).size() > MOST_WIRINGS) {
            return;
        }
        List<Reading> every = YardstickTest.everyReading(board);
        List<Reading.Answered> readings = new ArrayList<>();
        for (int made = random.nextInt(4); made > 0; made--) {
            Reading reading = every.get(random.nextInt(every.size()));
            readings.add(new Reading.Answered(reading, hidden.answer(reading)));
        }
        Traced traced = Tracing.of(board, RegionProfile.EU_230, readings);
        Optional<Weighed> best = traced.done() ? Optional.empty() : best(board, readings);
        assertThat(traced.nextTest().map(next -> weighed(board, readings, next)))
                .as("after %s: %s", readings, traced.nextTest())
                .isEqualTo(best);
    }

    private static Weighed weighed(Board board, List<Reading.Answered> readings, Traced.NextTest next) {
        return weighed(board, readings, next.leavesIfTrue(), next.leavesIfFalse(), next.reading());
    }

    private static Optional<Weighed> best(Board board, List<Reading.Answered> readings) {
        Collection<List<BoardWiring>> entries = entries(board, readings);
        return YardstickTest.everyReading(board).stream()
                .filter(reading -> isMade(board, reading))
                .flatMap(reading -> {
                    int yes = allowing(entries, reading, true);
                    int no = allowing(entries, reading, false);
                    boolean tells = (yes > 0 && yes < entries.size()) || (no > 0 && no < entries.size());
                    return tells
                            ? Optional.of(weighed(board, readings, yes, no, reading)).stream()
                            : Optional.<Weighed>empty().stream();
                })
                .min(Weighed.ORDER);
    }

    /** Earths are known by their colour, and at a lamp place one looks at the lamp of a switch. */
    private static boolean isMade(Board board, Reading reading) {
        if (reading instanceof Reading.Lamp lamp) {
            return board.boxes().stream().anyMatch(box -> box.id().equals(lamp.box()) && !box.isLampPlace());
        }
        return cores(reading).stream().noneMatch(core -> core(board, core).isEarth());
    }

    private static Weighed weighed(Board board, List<Reading.Answered> readings, int yes, int no, Reading reading) {
        Set<Integer> touched = new HashSet<>();
        readings.forEach(answered -> touched.addAll(boxes(board, answered.reading())));
        return new Weighed(
                Math.max(yes, no),
                yes + no,
                !(reading instanceof Reading.Continuous),
                boxes(board, reading).stream()
                        .filter(box -> !touched.contains(box))
                        .count(),
                reading instanceof Reading.Returns);
    }

    /** Wirings that nothing contradicts, those together that name the same conductors alike. */
    private static Collection<List<BoardWiring>> entries(Board board, List<Reading.Answered> readings) {
        Map<String, List<BoardWiring>> entries = new LinkedHashMap<>();
        for (BoardWiring wiring : Tracing.wirings(board, RegionProfile.EU_230)) {
            if (readings.stream().allMatch(a -> wiring.foretells(a.reading()).allows(a.value()))) {
                StringBuilder key = new StringBuilder(wiring.topology());
                board.cores().forEach(core -> key.append(' ').append(wiring.roleOf(core.id())));
                entries.computeIfAbsent(key.toString(), k -> new ArrayList<>()).add(wiring);
            }
        }
        return entries.values();
    }

    private static int allowing(Collection<List<BoardWiring>> entries, Reading reading, boolean answer) {
        return (int) entries.stream()
                .filter(entry ->
                        entry.stream().anyMatch(w -> w.foretells(reading).allows(answer)))
                .count();
    }

    private static Set<Integer> boxes(Board board, Reading reading) {
        Set<Integer> boxes = new HashSet<>();
        cores(reading)
                .forEach(core -> boxes.add(board.boxOf(board.numberOf(core).orElseThrow())));
        return boxes;
    }

    private static List<String> cores(Reading reading) {
        if (reading instanceof Reading.Continuous pair) {
            return List.of(pair.first(), pair.second());
        }
        if (reading instanceof Reading.Live live) {
            return List.of(live.core());
        }
        return reading instanceof Reading.Returns returns ? List.of(returns.core()) : List.of();
    }

    private static SeenCore core(Board board, String id) {
        return board.cores().get(board.numberOf(id).orElseThrow());
    }

    @Example
    void saysWhyItIsTheOneToMake() {
        List<SeenCore> cores = List.of(
                new SeenCore("A#1", "c1", "brown", Termination.read("COM")),
                new SeenCore("A#2", "c1", "black", Termination.read("L1")));
        Board board = new Board(List.of(new OpenedBox("A", Optional.of(Mechanism.ONE_WAY), false, cores)));
        Traced traced = Tracing.of(board, RegionProfile.EU_230, List.of());
        assertThat(traced.possible()).hasSize(2);
        assertThat(traced.nextTest()).hasValueSatisfying(next -> assertThat(next.why())
                .isEqualTo("Of 2 possibilities it leaves one; no other reading leaves fewer."));
    }
}
