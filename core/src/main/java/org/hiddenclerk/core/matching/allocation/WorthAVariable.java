package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.matching.house.HouseOption;

/**
 * Options of which no better one does the same: the same modules in the same boxes for the same units, by a scheme that costs
 * less and opens no box more. What is left out changes no optimum, as far as each option stands for itself.
 */
final class WorthAVariable {
    private WorthAVariable() {}

    static List<HouseOption> of(AllocationTask task) {
        Costs costs = new Costs(task);
        Map<List<Object>, List<HouseOption>> alike = new LinkedHashMap<>();
        for (HouseOption option : task.options()) {
            List<Object> key = List.of(
                    option.units(), option.model().code(), option.companion().map(m -> m.code()), option.fitted());
            alike.computeIfAbsent(key, k -> new ArrayList<>()).add(option);
        }
        List<HouseOption> worth = new ArrayList<>();
        alike.values().forEach(same -> same.stream()
                .filter(option -> same.stream().noneMatch(other -> isBetter(other, option, costs)))
                .forEach(worth::add));
        worth.sort(java.util.Comparator.comparingInt(HouseOption::number));
        return worth;
    }

    private static boolean isBetter(HouseOption one, HouseOption other, Costs costs) {
        double less = costs.alone(other) - costs.alone(one);
        boolean cheaper = less > 0 || less == 0 && one.number() < other.number();
        return one != other && cheaper && new HashSet<>(other.opened()).containsAll(one.opened());
    }
}
