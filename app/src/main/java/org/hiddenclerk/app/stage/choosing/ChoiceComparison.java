package org.hiddenclerk.app.stage.choosing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.jspecify.annotations.Nullable;

/** Two choices of one house, unit by unit. */
final class ChoiceComparison {
    private ChoiceComparison() {}

    static List<WhyNotAnswer.Change> of(ChoiceDocument.@Nullable Outcome one, ChoiceDocument.@Nullable Outcome other) {
        if (one == null || other == null) {
            throw ProblemException.conflict("Only choices that are finished can be compared.");
        }
        Map<String, String> words = new LinkedHashMap<>();
        one.units().forEach(unit -> words.put(unit.unit(), unit.words()));
        other.units().forEach(unit -> words.putIfAbsent(unit.unit(), unit.words()));
        Map<String, String> before = byUnit(one);
        Map<String, String> after = byUnit(other);
        List<WhyNotAnswer.Change> changes = new ArrayList<>();
        words.forEach((unit, name) -> {
            if (!Objects.equals(before.get(unit), after.get(unit))) {
                changes.add(new WhyNotAnswer.Change(unit, name, before.get(unit), after.get(unit)));
            }
        });
        return changes;
    }

    private static Map<String, String> byUnit(ChoiceDocument.Outcome outcome) {
        Map<String, String> byUnit = new LinkedHashMap<>();
        outcome.chosen().forEach(c -> c.units().forEach(unit -> byUnit.put(unit, c.module() + ", " + c.schemeLabel())));
        return byUnit;
    }
}
