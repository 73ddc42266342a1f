package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.Unit;

/**
 * A choice for a whole house.
 *
 * @param chosen    the options chosen, in the order of the house
 * @param open      units that get no module
 * @param terms     what the objective is made of, in cents
 * @param gapCents  by how much a better choice could at most be cheaper; 0 when this one is proved the best
 * @param isOptimal whether that was proved
 * @param radio     what the radio of the choice shows
 * @param brokenPins pins that no option can keep
 * @param rounds    how often the programme was solved, with what two choices together rule out added in between
 */
public record Allocation(
        List<HouseOption> chosen,
        List<Unit> open,
        Map<Term, Long> terms,
        long gapCents,
        boolean isOptimal,
        List<Finding> radio,
        List<AllocationTask.Pin> brokenPins,
        int rounds) {
    public Allocation {
        chosen = List.copyOf(chosen);
        open = List.copyOf(open);
        terms = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(terms));
        radio = List.copyOf(radio);
        brokenPins = List.copyOf(brokenPins);
    }

    /** Parts of the objective. */
    public enum Term {
        PRICE("modules and bypasses"),
        SHELF("taken from the shelf"),
        KINDS("different modules"),
        MAKERS("different makers"),
        BOXES("boxes opened"),
        WORK("work"),
        HOUSEHOLD("what the household notices"),
        WISHES("wishes and reservations"),
        OPEN("left without a module");

        private final String label;

        Term(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public long totalCents() {
        return terms.values().stream().mapToLong(Long::longValue).sum();
    }

    public Optional<HouseOption> choiceFor(String unit) {
        return chosen.stream()
                .filter(o -> o.units().stream().anyMatch(u -> u.id().equals(unit)))
                .findFirst();
    }

    /** Modules by code, counted. */
    public Map<String, Integer> modules() {
        Map<String, Integer> counts = new TreeMap<>();
        chosen.forEach(o -> o.fitted().forEach(f -> counts.merge(f.model().code(), 1, Integer::sum)));
        return counts;
    }

    /** Boxes that are opened. */
    public Set<String> boxes() {
        Set<String> boxes = new LinkedHashSet<>();
        chosen.forEach(o -> boxes.addAll(o.opened()));
        return boxes;
    }

    /** What one unit gets in two plans. */
    public record Difference(Unit unit, Optional<HouseOption> before, Optional<HouseOption> after) {}

    /** Units for which another plan chooses otherwise. */
    public List<Difference> differenceTo(Allocation other, List<Unit> units) {
        List<Difference> differences = new ArrayList<>();
        for (Unit unit : units) {
            Optional<HouseOption> before = choiceFor(unit.id());
            Optional<HouseOption> after = other.choiceFor(unit.id());
            if (!before.map(Allocation::name).equals(after.map(Allocation::name))) {
                differences.add(new Difference(unit, before, after));
            }
        }
        return differences;
    }

    private static String name(HouseOption option) {
        return option.scheme() + " " + option.model().code() + " " + option.lead() + option.gangs() + option.loads();
    }
}
