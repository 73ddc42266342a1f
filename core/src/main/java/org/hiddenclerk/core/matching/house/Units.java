package org.hiddenclerk.core.matching.house;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.house.Unit.At;

/** Finds the units of a house: switches that change the same loads belong together, wherever they are. */
final class Units {
    private final HouseSurvey survey;
    private final List<String> mute;
    private final Map<At, Set<At>> together = new LinkedHashMap<>();
    private final Map<At, Set<At>> controlsOfLoad = new LinkedHashMap<>();
    private final Map<At, Unit> byGang = new LinkedHashMap<>();
    private final Map<At, Unit> byLoad = new LinkedHashMap<>();

    Units(HouseSurvey survey, List<String> mute) {
        this.survey = survey;
        this.mute = mute;
    }

    /** Gangs or loads of one box that one module could take together, with the units that it would do. */
    record Group(List<Integer> gangs, List<Integer> loads, List<Unit> units) {}

    /**
     * Adds what a box switches.
     *
     * @param boxes boxes of its run, in the run's order
     */
    void add(String id, Box box, EquivalenceClass.Facts facts, List<String> boxes) {
        for (Gang gang : box.gangs()) {
            Set<At> controls = facts.controlsOfGang().get(gang.number());
            if (controls == null) {
                mute.add(box.label() + ", " + gang.name());
                continue;
            }
            Set<At> joined = named(controls, boxes);
            joined.forEach(at -> joined(at).addAll(joined));
        }
        facts.controlsOfLoad()
                .forEach((load, controls) -> controlsOfLoad.put(new At(id, load), named(controls, boxes)));
    }

    private static Set<At> named(Set<At> controls, List<String> boxes) {
        Set<At> named = new LinkedHashSet<>();
        controls.forEach(at -> named.add(new At(boxes.get(Integer.parseInt(at.box())), at.number())));
        return named;
    }

    private Set<At> joined(At at) {
        return together.computeIfAbsent(at, a -> new LinkedHashSet<>());
    }

    List<Unit> all() {
        settle();
        Set<Unit> all = new LinkedHashSet<>(byGang.values());
        all.addAll(byLoad.values());
        return List.copyOf(all);
    }

    private void settle() {
        if (!byGang.isEmpty() || !byLoad.isEmpty()) {
            return;
        }
        for (At start : together.keySet()) {
            if (!byGang.containsKey(start)) {
                Set<At> members = new LinkedHashSet<>(Set.of(start));
                List<At> open = new ArrayList<>(members);
                while (!open.isEmpty()) {
                    together.getOrDefault(open.remove(open.size() - 1), Set.of()).stream()
                            .filter(members::add)
                            .forEach(open::add);
                }
                Unit unit =
                        new Unit(start.box() + "." + start.number(), words(members), List.copyOf(members), List.of());
                members.forEach(member -> byGang.put(member, unit));
            }
        }
        controlsOfLoad.forEach((load, controls) -> {
            if (controls.stream().noneMatch(byGang::containsKey)) {
                Box box = survey.boxes().get(load.box());
                byLoad.put(
                        load,
                        new Unit(
                                load.box() + "/" + load.number(),
                                box.label() + ", " + box.load(load.number()).name(),
                                List.of(),
                                List.of(load)));
            }
        });
    }

    private String words(Set<At> gangs) {
        List<String> words = gangs.stream()
                .map(at -> survey.boxes().get(at.box()).label() + ", "
                        + survey.boxes().get(at.box()).gang(at.number()).name())
                .toList();
        return String.join(" and ", words);
    }

    /** What one module could take together in a box: each gang or load alone, and gangs that share a circuit. */
    List<Group> groups(String id, int most) {
        settle();
        List<Group> groups = new ArrayList<>();
        Box box = survey.boxes().get(id);
        List<Gang> live = box.gangs().stream()
                .filter(gang -> byGang.containsKey(new At(id, gang.number())))
                .toList();
        for (int mask = 1; mask < 1 << Math.min(live.size(), 8); mask++) {
            if (Integer.bitCount(mask) <= most) {
                List<Gang> chosen = new ArrayList<>();
                for (int i = 0; i < live.size(); i++) {
                    if ((mask >> i & 1) == 1) {
                        chosen.add(live.get(i));
                    }
                }
                group(id, chosen, groups);
            }
        }
        for (SurveyedLoad load : box.loads()) {
            At at = new At(id, load.number());
            if (load.hangsHere()) {
                Unit unit = controlsOfLoad.get(at).stream()
                        .filter(byGang::containsKey)
                        .findFirst()
                        .map(byGang::get)
                        .orElseGet(() -> byLoad.get(at));
                groups.add(new Group(List.of(), List.of(load.number()), List.of(unit)));
            }
        }
        return groups;
    }

    private void group(String id, List<Gang> chosen, List<Group> groups) {
        boolean oneCircuit = chosen.stream().map(Gang::circuit).distinct().count() == 1;
        List<Unit> units = chosen.stream()
                .map(gang -> byGang.get(new At(id, gang.number())))
                .distinct()
                .toList();
        if (oneCircuit && units.size() == chosen.size()) {
            groups.add(new Group(chosen.stream().map(Gang::number).toList(), List.of(), units));
        }
    }
}
