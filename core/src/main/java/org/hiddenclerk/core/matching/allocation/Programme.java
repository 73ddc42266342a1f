package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.radio.RadioPlan;

/** The choice as an integer programme. */
final class Programme {
    /** Between equal choices the earlier option wins: all together less than a cent. */
    private static final double TIE = 1e-3;

    private final AllocationTask task;
    private final List<HouseOption> options;
    private final IntegerProgramme rows = new IntegerProgramme();
    private final Set<Attempt.Rule> without;
    private final int[] variables;
    private final Map<Integer, Integer> variableOf = new HashMap<>();
    private final List<AllocationTask.Pin> brokenPins = new ArrayList<>();

    /** @param options those of the task that are worth a variable */
    Programme(AllocationTask task, List<HouseOption> options) {
        this(task, options, Set.of());
    }

    /** @param without rules that are given up, to see whether it is they that leave no choice */
    Programme(AllocationTask task, List<HouseOption> options, Set<Attempt.Rule> without) {
        this.task = task;
        this.options = options;
        this.without = without;
        variables = new int[options.size()];
        Costs costs = new Costs(task);
        for (int i = 0; i < options.size(); i++) {
            variables[i] = rows.choice("x" + i, costs.alone(options.get(i)) + TIE * i / Math.max(1, options.size()));
            variableOf.put(options.get(i).number(), variables[i]);
        }
        eachUnitOnce();
        kinds(costs);
        boxes();
        pins();
        members();
    }

    IntegerProgramme rows() {
        return rows;
    }

    List<AllocationTask.Pin> brokenPins() {
        return brokenPins;
    }

    List<HouseOption> chosen(IntegerSolver.Solution solution) {
        List<HouseOption> chosen = new ArrayList<>();
        for (int i = 0; i < variables.length; i++) {
            if (solution.isOn(variables[i])) {
                chosen.add(options.get(i));
            }
        }
        return chosen;
    }

    private void eachUnitOnce() {
        Map<Unit, IntegerProgramme.Sum> sums = new LinkedHashMap<>();
        for (Unit unit : task.units()) {
            int open = rows.choice("open " + unit.id(), task.weights().open());
            sums.put(unit, rows.sum().plus(1, open));
        }
        for (int i = 0; i < options.size(); i++) {
            for (Unit unit : options.get(i).units()) {
                sums.get(unit).plus(1, variables[i]);
            }
        }
        sums.values().forEach(sum -> sum.exactly(1));
    }

    /** A kind that is used anywhere is paid once, a maker too; what is on the shelf saves. */
    private void kinds(Costs costs) {
        Map<String, ModuleModel> models = new LinkedHashMap<>();
        options.forEach(o -> o.fitted().forEach(f -> models.put(f.model().code(), f.model())));
        Map<String, Integer> makers = new LinkedHashMap<>();
        IntegerProgramme.Sum allMakers = rows.sum();
        for (ModuleModel model : models.values()) {
            int used = rows.choice("kind " + model.code(), task.weights().kind());
            int maker = makers.computeIfAbsent(
                    model.maker(), m -> rows.choice("maker " + m, task.weights().maker()));
            rows.sum().plus(1, used).plus(-1, maker).atMost(0);
            Map<Unit, IntegerProgramme.Sum> byUnit = new LinkedHashMap<>();
            IntegerProgramme.Sum uses = rows.sum();
            int most = 0;
            for (int i = 0; i < options.size(); i++) {
                long count = options.get(i).fitted().stream()
                        .filter(f -> f.model().code().equals(model.code()))
                        .count();
                if (count > 0) {
                    most += (int) count;
                    uses.plus(-count, variables[i]);
                    int variable = variables[i];
                    options.get(i).units().forEach(unit -> byUnit.computeIfAbsent(unit, u -> rows.sum())
                            .plus(1, variable));
                }
            }
            byUnit.values().forEach(sum -> sum.plus(-1, used).atMost(0));
            int onHand = Math.min(most, task.onHand().getOrDefault(model.code(), 0));
            if (onHand > 0 && task.weights().stockPercent() > 0) {
                double price = costs.priceOf(model);
                uses.plus(
                                1,
                                rows.count(
                                        "shelf " + model.code(),
                                        -price * task.weights().stockPercent() / 100.0,
                                        onHand))
                        .atMost(0);
            }
        }
        if (task.oneMaker() && !without.contains(Attempt.Rule.ONE_MAKER) && !makers.isEmpty()) {
            makers.values().forEach(maker -> allMakers.plus(1, maker));
            allMakers.atMost(1);
        }
    }

    /** A box is opened once, whatever is done in it. */
    private void boxes() {
        Map<String, Map<Unit, IntegerProgramme.Sum>> byBox = new LinkedHashMap<>();
        for (int i = 0; i < options.size(); i++) {
            int variable = variables[i];
            HouseOption option = options.get(i);
            option.opened().forEach(box -> option.units()
                    .forEach(unit -> byBox.computeIfAbsent(box, b -> new LinkedHashMap<>())
                            .computeIfAbsent(unit, u -> rows.sum())
                            .plus(1, variable)));
        }
        byBox.forEach((box, sums) -> {
            int opened = rows.choice("box " + box, task.weights().box());
            sums.values().forEach(sum -> sum.plus(-1, opened).atMost(0));
        });
    }

    private void pins() {
        // What was pinned last is what is asked about.
        List<AllocationTask.Pin> pins = without.contains(Attempt.Rule.PINS)
                ? task.pins()
                        .subList(
                                Math.max(0, task.pins().size() - 1), task.pins().size())
                : task.pins();
        for (AllocationTask.Pin pin : pins) {
            IntegerProgramme.Sum sum = rows.sum();
            boolean any = false;
            for (int i = 0; i < options.size(); i++) {
                boolean fits = options.get(i).model().code().equals(pin.module())
                        && options.get(i).units().stream().anyMatch(u -> u.id().equals(pin.unit()));
                if (fits) {
                    sum.plus(1, variables[i]);
                    any = true;
                }
            }
            if (any) {
                sum.exactly(1);
            } else {
                brokenPins.add(pin);
            }
        }
    }

    /** No network gets more members than it takes. */
    private void members() {
        RadioPlan.networks().forEach(network -> task.radio().capacity(network).ifPresent(takes -> {
            IntegerProgramme.Sum sum = rows.sum();
            int most = 0;
            for (int i = 0; i < options.size(); i++) {
                long count = options.get(i).fitted().stream()
                        .filter(f -> f.model().protocol().sharesNetworkWith(network))
                        .count();
                most += (int) count;
                if (count > 0) {
                    sum.plus(count, variables[i]);
                }
            }
            if (most > takes && !without.contains(Attempt.Rule.MEMBERS)) {
                sum.atMost(takes);
            }
        }));
    }

    /** Adds what a solution showed to be impossible. */
    void forbid(Together.Conflict conflict) {
        if (without.contains(conflict.rule())) {
            return;
        }
        IntegerProgramme.Sum sum = rows.sum();
        Set<Integer> seen = new LinkedHashSet<>();
        int groups = 0;
        for (Set<HouseOption> group : conflict.notAllOf()) {
            groups++;
            group.forEach(option -> {
                if (variableOf.containsKey(option.number()) && seen.add(option.number())) {
                    sum.plus(1, variableOf.get(option.number()));
                }
            });
        }
        conflict.unlessOneOf().forEach(option -> {
            if (variableOf.containsKey(option.number()) && !seen.contains(option.number())) {
                sum.plus(-1, variableOf.get(option.number()));
            }
        });
        sum.atMost(groups - 1);
    }
}
