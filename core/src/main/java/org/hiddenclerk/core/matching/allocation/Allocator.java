package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.Unit;

/**
 * Chooses for a whole house at once. The programme holds what can be said option by option; what only shows when several are
 * chosen together (room for two modules in one box, a proof of the box as a whole, a way to the coordinator) is looked at in the
 * solution and added as a row, until a solution passes. Each such row cuts off only what is impossible, so the last solution is
 * the best of all that pass.
 */
public final class Allocator {
    /** Rounds after which a house is given up on. */
    private static final int MOST_ROUNDS = 60;

    private final AllocationTask task;
    private final Watch watch;
    private final IntegerSolver solver = new ConstraintSolver();

    private Allocator(AllocationTask task, Watch watch) {
        this.task = task;
        this.watch = watch;
    }

    /** Told how far it is; asked whether to go on. */
    public interface Watch {
        Watch NOBODY = new Watch() {
            @Override
            public void reached(String words) {
                // Nobody listens.
            }

            @Override
            public boolean wantsToStop() {
                return false;
            }
        };

        void reached(String words);

        boolean wantsToStop();
    }

    /** Tries, and tells what came of it. */
    public static Attempt attempt(AllocationTask task, Watch watch) {
        return new Allocator(task, watch).attempt();
    }

    /** @return empty when it was stopped, no choice keeps all pins, or the time was too short for any */
    public static Optional<Allocation> solve(AllocationTask task, Watch watch) {
        return attempt(task, watch).made();
    }

    public static Optional<Allocation> solve(AllocationTask task) {
        return solve(task, Watch.NOBODY);
    }

    private Attempt attempt() {
        List<Together.Conflict> known = new ArrayList<>();
        Programme programme = new Programme(task, WorthAVariable.of(task));
        Together together = new Together(task);
        for (int round = 1; round <= MOST_ROUNDS; round++) {
            if (watch.wantsToStop()) {
                return new Attempt.Stopped();
            }
            watch.reached("choosing, round " + round);
            IntegerSolver.Answer answer = solver.solve(programme.rows(), task.limit());
            Optional<IntegerSolver.Solution> solution = answer.solution();
            if (solution.isEmpty()) {
                return answer.isImpossible() ? new Attempt.Impossible(forbidding(known)) : new Attempt.NotInTime();
            }
            List<HouseOption> chosen = programme.chosen(solution.get());
            List<Together.Conflict> conflicts = together.conflicts(chosen);
            if (conflicts.isEmpty()) {
                return new Attempt.Made(result(programme, solution.get(), chosen, round));
            }
            if (conflicts.stream().anyMatch(Together.Conflict::byScheme)
                    && known.stream().noneMatch(Together.Conflict::byScheme)) {
                // The scheme that is cheapest with a module may not pass beside others: from here on every one has its
                // variable.
                programme = new Programme(task, task.options());
                known.forEach(programme::forbid);
            }
            known.addAll(conflicts);
            conflicts.forEach(programme::forbid);
        }
        return new Attempt.NotInTime();
    }

    /** Rules without which there would be a choice, each by itself; all that have a part in it where no single one is enough. */
    private Set<Attempt.Rule> forbidding(List<Together.Conflict> known) {
        Set<Attempt.Rule> part = EnumSet.noneOf(Attempt.Rule.class);
        known.forEach(conflict -> part.add(conflict.rule()));
        part.addAll(EnumSet.of(Attempt.Rule.ONE_MAKER, Attempt.Rule.PINS, Attempt.Rule.MEMBERS));
        Set<Attempt.Rule> each = EnumSet.noneOf(Attempt.Rule.class);
        for (Attempt.Rule rule : part) {
            Programme relaxed = new Programme(task, task.options(), Set.of(rule));
            known.forEach(relaxed::forbid);
            if (solver.solve(relaxed.rows(), task.limit()).solution().isPresent()) {
                each.add(rule);
            }
        }
        if (!task.oneMaker()) {
            part.remove(Attempt.Rule.ONE_MAKER);
        }
        return each.isEmpty() ? part : each;
    }

    private Allocation result(
            Programme programme, IntegerSolver.Solution solution, List<HouseOption> chosen, int rounds) {
        Set<Unit> done = new LinkedHashSet<>();
        chosen.forEach(option -> done.addAll(option.units()));
        List<Unit> open =
                task.units().stream().filter(unit -> !done.contains(unit)).toList();
        long gap = solution.isOptimal() ? 0 : (long) Math.ceil(solution.cost() - solution.atLeast());
        return new Allocation(
                chosen,
                open,
                termsOf(chosen, open.size(), task),
                gap,
                solution.isOptimal(),
                Radio.judge(task, chosen),
                programme.brokenPins(),
                rounds);
    }

    /** What a choice costs, term by term: the objective said once more without a programme, which the tests compare with it. */
    static Map<Allocation.Term, Long> termsOf(List<HouseOption> chosen, int open, AllocationTask task) {
        Weights w = task.weights();
        Costs costs = new Costs(task);
        Map<Allocation.Term, Double> terms = new EnumMap<>(Allocation.Term.class);
        Map<String, Integer> used = new LinkedHashMap<>();
        Map<String, Double> prices = new LinkedHashMap<>();
        Set<String> makers = new LinkedHashSet<>();
        Set<String> boxes = new LinkedHashSet<>();
        for (HouseOption option : chosen) {
            terms.merge(Allocation.Term.PRICE, costs.price(option), Double::sum);
            terms.merge(Allocation.Term.WORK, costs.work(option), Double::sum);
            terms.merge(Allocation.Term.HOUSEHOLD, costs.household(option), Double::sum);
            terms.merge(Allocation.Term.WISHES, costs.wishes(option), Double::sum);
            option.fitted().forEach(f -> {
                used.merge(f.model().code(), 1, Integer::sum);
                prices.put(f.model().code(), costs.priceOf(f.model()));
                makers.add(f.model().maker());
            });
            boxes.addAll(option.opened());
        }
        double shelf = used.entrySet().stream()
                .mapToDouble(e -> Math.min(e.getValue(), task.onHand().getOrDefault(e.getKey(), 0))
                        * prices.get(e.getKey())
                        * w.stockPercent()
                        / 100.0)
                .sum();
        terms.put(Allocation.Term.SHELF, -shelf);
        terms.put(Allocation.Term.KINDS, (double) w.kind() * used.size());
        terms.put(Allocation.Term.MAKERS, (double) w.maker() * makers.size());
        terms.put(Allocation.Term.BOXES, (double) w.box() * boxes.size());
        terms.put(Allocation.Term.OPEN, (double) w.open() * open);
        Map<Allocation.Term, Long> rounded = new EnumMap<>(Allocation.Term.class);
        terms.forEach((term, cents) -> rounded.put(term, Math.round(cents)));
        return rounded;
    }

    /** Why a unit did not get a module that may be chosen for it: what the whole plan would cost more with it. */
    public static Optional<WhyNot> whyNot(AllocationTask task, Allocation best, String unit, String module) {
        return with(task, unit, module).made().map(other -> dearer(task, best, other));
    }

    /** What comes of choosing when a unit must get a module. */
    public static Attempt with(AllocationTask task, String unit, String module) {
        return attempt(task.pinned(new AllocationTask.Pin(unit, module)), Watch.NOBODY);
    }

    public static WhyNot dearer(AllocationTask task, Allocation best, Allocation other) {
        return new WhyNot(other.totalCents() - best.totalCents(), best.differenceTo(other, task.units()), other);
    }

    /**
     * @param moreCents   what the best plan with that module costs more
     * @param differences what it changes elsewhere too
     */
    public record WhyNot(long moreCents, List<Allocation.Difference> differences, Allocation plan) {
        public WhyNot {
            differences = List.copyOf(new ArrayList<>(differences));
        }
    }
}
