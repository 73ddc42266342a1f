package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.solving.Sets;

/**
 * The reading to make next: the one that leaves fewest possibilities in the worst case, then on average; dead before live,
 * and no new box before another.
 */
final class TestChoice {
    private final Board board;
    private final Collection<List<BoardWiring>> entries;
    private final List<SeenCore> cores;
    /** Boxes that some wiring takes to belong together. */
    private final Sets circuitOf;

    private final Set<Integer> touched = new HashSet<>();

    TestChoice(Boards boards, List<Reading.Answered> readings, Collection<List<BoardWiring>> entries) {
        this.board = boards.first();
        this.entries = entries;
        this.cores = boards.cores().stream().filter(core -> !core.isEarth()).toList();
        this.circuitOf = new Sets(board.boxes().size());
        entries.forEach(entry -> entry.forEach(whole -> whole.joinBoxes(circuitOf)));
        if (boards.ways().size() > 1) {
            joinGangs();
        }
        readings.forEach(answered -> touched.addAll(boxesOf(answered.reading())));
    }

    /** Where it is open which gang a core belongs to, all gangs of its wall box count as one. */
    private void joinGangs() {
        for (int gang = 0; gang < board.boxes().size(); gang++) {
            for (int other = 0; other < gang; other++) {
                if (board.boxes().get(gang).wallBox().isPresent()
                        && board.boxes()
                                .get(gang)
                                .wallBox()
                                .equals(board.boxes().get(other).wallBox())) {
                    circuitOf.join(gang, other);
                }
            }
        }
    }

    Optional<Traced.NextTest> best() {
        Comparator<Traced.NextTest> order = Comparator.comparingInt(
                        (Traced.NextTest test) -> Math.max(test.leavesIfTrue(), test.leavesIfFalse()))
                .thenComparingInt(test -> test.leavesIfTrue() + test.leavesIfFalse())
                .thenComparing(test -> !test.reading().isDead())
                .thenComparingLong(test -> newBoxes(test.reading()))
                .thenComparing(test -> test.reading() instanceof Reading.Returns);
        Optional<Traced.NextTest> best = Optional.empty();
        for (List<Reading> kind : List.of(dead(), live(), returning())) {
            for (Reading reading : kind) {
                Traced.NextTest test = test(reading);
                boolean tells = excludes(test.leavesIfTrue()) || excludes(test.leavesIfFalse());
                if (tells && (best.isEmpty() || order.compare(test, best.get()) < 0)) {
                    best = Optional.of(test);
                }
            }
            if (best.filter(this::isAsGoodAsCanBe).isPresent()) {
                return best;
            }
        }
        return best;
    }

    /** Whether an answer that can be given excludes something. */
    private boolean excludes(int leaves) {
        return leaves > 0 && leaves < entries.size();
    }

    private long newBoxes(Reading reading) {
        return boxesOf(reading).stream().filter(box -> !touched.contains(box)).count();
    }

    /** Halves what remains, nothing on both sides, and dead or in no new box: no later kind of reading can come before it. */
    private boolean isAsGoodAsCanBe(Traced.NextTest test) {
        return (test.reading().isDead() || newBoxes(test.reading()) == 0)
                && Math.max(test.leavesIfTrue(), test.leavesIfFalse()) == (entries.size() + 1) / 2
                && test.leavesIfTrue() + test.leavesIfFalse() == entries.size();
    }

    private Traced.NextTest test(Reading reading) {
        int ifTrue = 0;
        int ifFalse = 0;
        for (List<BoardWiring> entry : entries) {
            boolean maybeTrue = false;
            boolean maybeFalse = false;
            for (int i = 0; i < entry.size() && !(maybeTrue && maybeFalse); i++) {
                Hypothesis.Answer answer = entry.get(i).foretells(reading);
                maybeTrue |= answer.allows(true);
                maybeFalse |= answer.allows(false);
            }
            ifTrue += maybeTrue ? 1 : 0;
            ifFalse += maybeFalse ? 1 : 0;
        }
        return new Traced.NextTest(reading, ifTrue, ifFalse, why(reading, ifTrue, ifFalse));
    }

    private String why(Reading reading, int ifTrue, int ifFalse) {
        int worst = Math.max(ifTrue, ifFalse);
        return "Of " + entries.size() + " possibilities it leaves " + (worst == 1 ? "one" : "at most " + worst) + "; "
                + (reading.isDead() ? "it is made dead." : "no other reading leaves fewer.");
    }

    private List<Reading> dead() {
        List<Reading> dead = new ArrayList<>();
        for (int i = 0; i < cores.size(); i++) {
            for (int j = i + 1; j < cores.size(); j++) {
                if (circuitOf.find(boxOf(cores.get(i).id()))
                        == circuitOf.find(boxOf(cores.get(j).id()))) {
                    dead.add(new Reading.Continuous(
                            cores.get(i).id(), cores.get(j).id()));
                }
            }
        }
        return dead;
    }

    private List<Reading> live() {
        List<Reading> live = new ArrayList<>();
        for (int box = 0; box < board.boxes().size(); box++) {
            for (Map<String, Integer> with : positions(box)) {
                coresIn(box).forEach(core -> live.add(new Reading.Live(core.id(), with)));
                if (!board.boxes().get(box).isLampPlace()) {
                    live.add(new Reading.Lamp(board.boxes().get(box).id(), with));
                }
            }
        }
        return live;
    }

    private List<Reading> returning() {
        List<Reading> returning = new ArrayList<>();
        for (int box = 0; box < board.boxes().size(); box++) {
            for (Map<String, Integer> with : positions(box)) {
                coresIn(box).forEach(core -> returning.add(new Reading.Returns(core.id(), with)));
            }
        }
        return returning;
    }

    private List<SeenCore> coresIn(int box) {
        return cores.stream().filter(core -> boxOf(core.id()) == box).toList();
    }

    /** Positions of the switches that may be of the same circuit as a box; all others stay at 0, where they change nothing. */
    private List<Map<String, Integer>> positions(int of) {
        List<String> switches = board.operable().stream()
                .filter(box -> circuitOf.find(box) == circuitOf.find(of))
                .map(box -> board.boxes().get(box).id())
                .toList();
        List<Map<String, Integer>> positions = new ArrayList<>();
        for (int state = 0; state < 1 << switches.size(); state++) {
            Map<String, Integer> with = new LinkedHashMap<>();
            board.operable().forEach(box -> with.put(board.boxes().get(box).id(), 0));
            for (int i = 0; i < switches.size(); i++) {
                with.put(switches.get(i), state >> i & 1);
            }
            positions.add(with);
        }
        return positions;
    }

    private Set<Integer> boxesOf(Reading reading) {
        Set<Integer> boxes = new HashSet<>();
        if (reading instanceof Reading.Live live) {
            boxes.add(boxOf(live.core()));
        } else if (reading instanceof Reading.Returns returns) {
            boxes.add(boxOf(returns.core()));
        } else if (reading instanceof Reading.Continuous pair) {
            boxes.add(boxOf(pair.first()));
            boxes.add(boxOf(pair.second()));
        }
        return boxes;
    }

    private int boxOf(String core) {
        return board.boxOf(board.numberOf(core).orElseThrow());
    }
}
