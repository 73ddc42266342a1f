package org.hiddenclerk.core.day;

import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.day.DayTask.Work;

/**
 * Works put together so that each circuit is opened as few times as possible: what hangs together by circuits is done in one
 * opening, unless one of the circuits may not be off so long, or the day is not long enough. Then a library's solver finds the parts.
 */
final class Openings {
    /** Work that the solver may do, in its own measure, which does not depend on the machine. */
    private static final double EFFORT = 2;

    private static final int MORE_THAN_PARTS = 1000;

    private final DayTask task;
    private final List<Work> works;
    private final List<String> circuits;
    private final int hands;

    private Openings(DayTask task, List<Work> works) {
        this.task = task;
        this.works = works;
        circuits = List.copyOf(circuitsOf(works));
        hands = (int) task.crew().stream().filter(DayTask.Person::mayWire).count();
    }

    /**
     * Works of one opening.
     *
     * @param most minutes that it may take
     */
    record Group(Set<String> circuits, List<Work> works, int most, int isolation) {}

    static List<Group> of(DayTask task, List<Work> works, List<String> notes, List<String> left) {
        List<Group> groups = new ArrayList<>();
        for (List<Work> together : connected(works)) {
            List<Work> possible = new ArrayList<>();
            for (Work work : together) {
                tooLong(task, work)
                        .ifPresentOrElse(
                                most -> {
                                    left.add(work.id());
                                    notes.add(work.words() + " takes " + needed(task, work) + " min with isolating; "
                                            + (most < window(task, work.circuits())
                                                    ? "its circuit may be off " + most
                                                    : "a day has " + most)
                                            + " min.");
                                },
                                () -> possible.add(work));
            }
            for (List<Work> part : new Openings(task, possible).parts()) {
                Set<String> own = circuitsOf(part);
                groups.add(new Group(own, part, limit(task, own), isolation(task, own)));
            }
        }
        return groups;
    }

    /**
     * No plan opens a circuit fewer times than this, in however many days: what is wired on it fills so many of the longest openings.
     *
     * @return by circuit that works need; those with work that takes too long for any opening are left out of the count
     */
    static Map<String, Integer> fewest(DayTask task) {
        int hands = (int) task.crew().stream().filter(DayTask.Person::mayWire).count();
        Map<String, Integer> fewest = new TreeMap<>();
        circuitsOf(task.works()).forEach(circuit -> {
            int longest = Math.min(task.circuits().get(circuit).mostMinutesOff(), window(task, Set.of(circuit)))
                    - isolation(task, Set.of(circuit))
                    - task.norms().closing();
            List<Integer> minutes = task.works().stream()
                    .filter(work -> work.circuits().contains(circuit)
                            && tooLong(task, work).isEmpty())
                    .map(Work::wiring)
                    .toList();
            if (!minutes.isEmpty()) {
                int filled = (int) Math.ceil(minutes.stream().mapToInt(m -> m).sum() / (double) longest);
                int alone = (int) minutes.stream().filter(m -> 2 * m > longest).count();
                fewest.put(circuit, Math.max(1, (Math.max(filled, alone) + hands - 1) / hands));
            }
        });
        return fewest;
    }

    /** What a work may take at most; empty when it takes no more. */
    private static OptionalInt tooLong(DayTask task, Work work) {
        int most = Math.min(limit(task, work.circuits()), window(task, work.circuits()));
        return needed(task, work) > most ? OptionalInt.of(most) : OptionalInt.empty();
    }

    private static int needed(DayTask task, Work work) {
        return isolation(task, work.circuits()) + work.wiring() + task.norms().closing();
    }

    private static int limit(DayTask task, Set<String> circuits) {
        return circuits.stream()
                .mapToInt(c -> task.circuits().get(c).mostMinutesOff())
                .min()
                .orElse(Integer.MAX_VALUE);
    }

    /** As long as circuits can be off in a day: lamps by daylight only. */
    private static int window(DayTask task, Set<String> circuits) {
        boolean lights = circuits.stream().anyMatch(c -> task.circuits().get(c).lights());
        return lights
                ? Math.min(task.to(), task.daylightTo()) - Math.max(task.from(), task.daylightFrom())
                : task.to() - task.from();
    }

    private static int isolation(DayTask task, Set<String> circuits) {
        return task.norms().isolation()
                + (int) circuits.stream()
                                .filter(c -> task.circuits().get(c).alternativeSupplies())
                                .count()
                        * task.norms().supply();
    }

    private static Set<String> circuitsOf(List<Work> works) {
        Set<String> circuits = new TreeSet<>();
        works.forEach(work -> circuits.addAll(work.circuits()));
        return circuits;
    }

    private static List<List<Work>> connected(List<Work> works) {
        List<List<Work>> groups = new ArrayList<>();
        for (Work work : works) {
            List<Work> joined = new ArrayList<>(List.of(work));
            groups.removeIf(group -> {
                boolean shares = circuitsOf(group).stream().anyMatch(work.circuits()::contains);
                if (shares) {
                    joined.addAll(0, group);
                }
                return shares;
            });
            groups.add(joined);
        }
        return groups;
    }

    private List<List<Work>> parts() {
        if (works.isEmpty()) {
            return List.of();
        }
        List<List<Work>> simple = firstFit();
        // One opening of each circuit can't be bettered.
        return simple.size() == 1 ? simple : solved(simple).orElse(simple);
    }

    /** How long somebody's hands may be in boxes, if all circuits of the group are off. */
    private int longest() {
        Set<String> all = Set.copyOf(circuits);
        int setUp = works.stream().mapToInt(Work::setUp).sum() / task.crew().size();
        return Math.min(
                        limit(task, all),
                        Math.min(window(task, all), task.to() - task.from() - setUp - task.tryOutMinutes()))
                - isolation(task, all)
                - task.norms().closing();
    }

    /** Longest first, each where there is room: a beginning for the solver, and what is taken where it finds nothing better. */
    private List<List<Work>> firstFit() {
        List<int[]> loads = new ArrayList<>();
        List<List<Work>> parts = new ArrayList<>();
        for (Work work : works.stream()
                .sorted(Comparator.comparingInt((Work w) -> -w.wiring()).thenComparing(Work::id))
                .toList()) {
            boolean placed = false;
            for (int i = 0; i < parts.size() && !placed; i++) {
                int freest = freest(loads.get(i));
                if (loads.get(i)[freest] + work.wiring() <= longest()) {
                    loads.get(i)[freest] += work.wiring();
                    parts.get(i).add(work);
                    placed = true;
                }
            }
            if (!placed) {
                int[] hand = new int[hands];
                hand[0] = work.wiring();
                loads.add(hand);
                parts.add(new ArrayList<>(List.of(work)));
            }
        }
        return parts;
    }

    private static int freest(int[] load) {
        int freest = 0;
        for (int i = 1; i < load.length; i++) {
            freest = load[i] < load[freest] ? i : freest;
        }
        return freest;
    }

    /** The fewest openings of circuits, and of those the fewest openings. */
    private Optional<List<List<Work>>> solved(List<List<Work>> simple) {
        CpModel model = new CpModel();
        int most = Math.min(works.size(), simple.size() + circuits.size());
        Map<Work, List<List<BoolVar>>> in = new LinkedHashMap<>();
        works.forEach(work -> {
            List<List<BoolVar>> ofWork = new ArrayList<>();
            List<BoolVar> all = new ArrayList<>();
            for (int part = 0; part < most; part++) {
                List<BoolVar> ofPart = new ArrayList<>();
                for (int hand = 0; hand < hands; hand++) {
                    BoolVar does = model.newBoolVar("");
                    model.addHint(
                            does,
                            hand == 0
                                            && part < simple.size()
                                            && simple.get(part).contains(work)
                                    ? 1
                                    : 0);
                    ofPart.add(does);
                    all.add(does);
                }
                ofWork.add(ofPart);
            }
            model.addExactlyOne(all.toArray(Literal[]::new));
            in.put(work, ofWork);
        });
        LinearExprBuilder cost = LinearExpr.newBuilder();
        for (int part = 0; part < most; part++) {
            limited(model, in, part, cost);
        }
        model.minimize(cost);
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxDeterministicTime(EFFORT).setNumWorkers(1).setRandomSeed(1);
        CpSolverStatus status = solver.solve(model);
        if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
            return Optional.empty();
        }
        List<List<Work>> parts = new ArrayList<>();
        for (int part = 0; part < most; part++) {
            int at = part;
            List<Work> together = works.stream()
                    .filter(work -> in.get(work).get(at).stream().anyMatch(solver::booleanValue))
                    .toList();
            if (!together.isEmpty()) {
                parts.add(together);
            }
        }
        return Optional.of(parts);
    }

    private void limited(CpModel model, Map<Work, List<List<BoolVar>>> in, int part, LinearExprBuilder cost) {
        BoolVar used = model.newBoolVar("used");
        Map<String, BoolVar> off = new LinkedHashMap<>();
        circuits.forEach(circuit -> off.put(circuit, model.newBoolVar("off")));
        cost.addTerm(used, 1);
        off.values().forEach(each -> cost.addTerm(each, MORE_THAN_PARTS));
        in.forEach((work, parts) -> parts.get(part).forEach(does -> {
            model.addImplication(does, used);
            work.circuits().forEach(circuit -> model.addImplication(does, off.get(circuit)));
        }));
        IntVar hand = model.newIntVar(0, works.stream().mapToInt(Work::wiring).sum(), "longest hand");
        LinearExprBuilder setUp = LinearExpr.newBuilder();
        for (int h = 0; h < hands; h++) {
            LinearExprBuilder load = LinearExpr.newBuilder();
            int at = h;
            in.forEach((work, parts) -> load.addTerm(parts.get(part).get(at), work.wiring()));
            in.forEach((work, parts) -> setUp.addTerm(parts.get(part).get(at), work.setUp()));
            model.addLessOrEqual(load, hand);
        }
        LinearExprBuilder taken = LinearExpr.newBuilder()
                .add(hand)
                .add(task.norms().isolation() + task.norms().closing());
        off.forEach((circuit, isOff) -> taken.addTerm(
                isOff,
                task.circuits().get(circuit).alternativeSupplies()
                        ? task.norms().supply()
                        : 0));
        off.forEach((circuit, isOff) -> model.addLessOrEqual(
                        taken, Math.min(task.circuits().get(circuit).mostMinutesOff(), window(task, Set.of(circuit))))
                .onlyEnforceIf(isOff));
        int crew = task.crew().size();
        model.addLessOrEqual(
                        setUp.addTerm(hand, crew),
                        (long) crew
                                * (task.to()
                                        - task.from()
                                        - task.tryOutMinutes()
                                        - task.norms().isolation()
                                        - task.norms().closing()))
                .onlyEnforceIf(used);
    }
}
