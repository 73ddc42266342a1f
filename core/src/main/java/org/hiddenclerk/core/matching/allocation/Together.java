package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.radio.RadioPlan;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** What shows only when several options are chosen together. */
final class Together {
    private final AllocationTask task;
    private final Map<List<Object>, Boolean> rooms = new HashMap<>();
    private final Map<List<Integer>, Boolean> proofs = new HashMap<>();

    Together(AllocationTask task) {
        this.task = task;
    }

    /**
     * Options that cannot all be chosen.
     *
     * @param notAllOf    of these groups not one each
     * @param unlessOneOf unless one of these is chosen too
     * @param rule        that they break together
     */
    record Conflict(List<Set<HouseOption>> notAllOf, Set<HouseOption> unlessOneOf, Attempt.Rule rule) {
        /** Whether another scheme with the same modules might pass. */
        boolean byScheme() {
            return rule == Attempt.Rule.PROOF;
        }
    }

    List<Conflict> conflicts(List<HouseOption> chosen) {
        List<Conflict> conflicts = new ArrayList<>(crowdedBoxes(chosen));
        conflicts.addAll(withoutAWay(chosen));
        return conflicts.isEmpty() ? unproved(chosen) : conflicts;
    }

    /** Runs whose modules pass one by one but not together: their whole plan is judged as their boxes would judge it. */
    private List<Conflict> unproved(List<HouseOption> chosen) {
        Map<String, List<HouseOption>> byLead = new LinkedHashMap<>();
        chosen.forEach(option ->
                byLead.computeIfAbsent(option.lead(), l -> new ArrayList<>()).add(option));
        List<Conflict> conflicts = new ArrayList<>();
        Set<String> done = new LinkedHashSet<>();
        for (String lead : byLead.keySet()) {
            if (done.contains(lead)) {
                continue;
            }
            ConnectedBoxes run = ConnectedBoxes.of(
                    task.survey().boxes(), lead, task.survey().house().region());
            List<HouseOption> here = run.boxes().stream()
                    .flatMap(place -> byLead.getOrDefault(place.id(), List.of()).stream())
                    .toList();
            run.boxes().forEach(place -> done.add(place.id()));
            if (here.size() > 1
                    && !proofs.computeIfAbsent(
                            here.stream().map(HouseOption::number).toList(), k -> isProved(run, here))) {
                conflicts.add(new Conflict(here.stream().map(Set::of).toList(), Set.of(), Attempt.Rule.PROOF));
            }
        }
        return conflicts;
    }

    private boolean isProved(ConnectedBoxes run, List<HouseOption> here) {
        Map<ConnectedBoxes.Place, List<Assignment>> given = new LinkedHashMap<>();
        for (ConnectedBoxes.Place place : run.boxes()) {
            List<HouseOption> own =
                    here.stream().filter(o -> o.lead().equals(place.id())).toList();
            if (!own.isEmpty()) {
                ModuleMatch match = new ModuleMatch(
                        new Planner(
                                task.survey().house(),
                                ConnectedBoxes.of(
                                        task.survey().boxes(),
                                        place.id(),
                                        task.survey().house().region())),
                        task.terms());
                given.put(
                        place,
                        own.stream()
                                .map(o -> match.assign(o.scheme(), o.gangs(), o.loads(), o.model(), o.companion()))
                                .toList());
            }
        }
        Map<ConnectedBoxes.Place, List<Assignment>> others = new LinkedHashMap<>(given);
        List<Assignment> own = others.remove(run.lead());
        Set<String> ids = others.keySet().stream().map(ConnectedBoxes.Place::id).collect(Collectors.toSet());
        return PlanJudgement.of(new Planner(task.survey().house(), run, ids), own, others, task.terms())
                        .verdict()
                == Verdict.OK;
    }

    /** Boxes in which the modules of several options do not go in together. */
    private List<Conflict> crowdedBoxes(List<HouseOption> chosen) {
        Map<String, List<HouseOption>> byBox = new LinkedHashMap<>();
        chosen.forEach(o -> o.fitted().stream()
                .map(HouseOption.Fitting::box)
                .distinct()
                .filter(box -> !box.isEmpty())
                .forEach(box ->
                        byBox.computeIfAbsent(box, b -> new ArrayList<>()).add(o)));
        List<Conflict> conflicts = new ArrayList<>();
        byBox.forEach((box, here) -> {
            if (here.size() > 1 && !fits(box, here)) {
                conflicts.add(tooMuch(box, here));
            }
        });
        return conflicts;
    }

    boolean fits(String id, List<HouseOption> here) {
        Box box = task.survey().boxes().get(id);
        List<ModuleModel> models = here.stream()
                .flatMap(o -> o.fitted().stream())
                .filter(f -> f.box().equals(id))
                .map(HouseOption.Fitting::model)
                .toList();
        List<Object> key = new ArrayList<>(List.of(id));
        models.stream().map(m -> m.body().toString()).sorted().forEach(key::add);
        return rooms.computeIfAbsent(
                key, k -> RoomInBox.of(box, models, task.survey().house().region(), List.of()).findings().stream()
                        .allMatch(f -> f.severity() == Severity.NOTE));
    }

    /** What does not go in with these does not go in with larger ones in their places either. */
    private Conflict tooMuch(String box, List<HouseOption> here) {
        List<Set<HouseOption>> groups = new ArrayList<>();
        for (HouseOption option : here) {
            groups.add(task.options().stream()
                    .filter(other -> other.units().equals(option.units())
                            && isAtLeastAsLarge(bodies(other, box), bodies(option, box)))
                    .collect(Collectors.toCollection(LinkedHashSet::new)));
        }
        return new Conflict(groups, Set.of(), Attempt.Rule.ROOM);
    }

    private static List<Body> bodies(HouseOption option, String box) {
        return option.fitted().stream()
                .filter(f -> f.box().equals(box))
                .flatMap(f -> f.model().body().stream())
                .toList();
    }

    private static boolean isAtLeastAsLarge(List<Body> one, List<Body> other) {
        if (one.size() < other.size()) {
            return false;
        }
        for (int i = 0; i < other.size(); i++) {
            Body a = one.get(i);
            Body b = other.get(i);
            boolean larger = a.length().compareTo(b.length()) >= 0
                    && a.width().compareTo(b.width()) >= 0
                    && a.thickness().compareTo(b.thickness()) >= 0
                    && a.cornerRadius().compareTo(b.cornerRadius()) <= 0;
            if (!larger) {
                return false;
            }
        }
        return true;
    }

    /**
     * Modules that have no way to their coordinator: of the part of the network that hangs together without one, one must go, or
     * something outside it that passes on must be chosen in reach.
     */
    private List<Conflict> withoutAWay(List<HouseOption> chosen) {
        Map<RadioPlan.Member, HouseOption> owners = new LinkedHashMap<>();
        chosen.forEach(option -> Radio.members(task, option).forEach(member -> owners.put(member, option)));
        List<RadioPlan.Member> members = List.copyOf(owners.keySet());
        Map<RadioPlan.Member, Integer> hops = task.radio().hops(members);
        List<Conflict> conflicts = new ArrayList<>();
        for (RadioPlan.Member member : members) {
            if (!hops.containsKey(member) && task.radio().canEstimate(member)) {
                Set<String> island = island(member, members, hops);
                conflicts.add(cutOff(owners.get(member), member, island));
            }
        }
        return conflicts;
    }

    /** Rooms that a stranded module reaches over others that are stranded too. */
    private Set<String> island(
            RadioPlan.Member start, List<RadioPlan.Member> members, Map<RadioPlan.Member, Integer> hops) {
        Set<String> rooms = new LinkedHashSet<>(Set.of(start.room()));
        boolean grown = true;
        while (grown) {
            grown = false;
            for (RadioPlan.Member other : members) {
                boolean joins = !hops.containsKey(other)
                        && other.protocol() == start.protocol()
                        && other.router()
                        && task.radio().canEstimate(other)
                        && !rooms.contains(other.room())
                        && rooms.stream()
                                .anyMatch(room -> task.radio().isExpected(room, other.room(), other.protocol()));
                if (joins) {
                    rooms.add(other.room());
                    grown = true;
                }
            }
        }
        return rooms;
    }

    /** The option goes, or one in a room outside that is in reach and passes on is chosen. */
    private Conflict cutOff(HouseOption option, RadioPlan.Member member, Set<String> island) {
        Set<HouseOption> stranded = task.options().stream()
                .filter(o -> o.units().equals(option.units())
                        && Radio.members(task, o).stream()
                                .anyMatch(m -> m.protocol() == member.protocol()
                                        && m.room().equals(member.room())
                                        && !m.inMetal()))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        Set<HouseOption> rescuers = task.options().stream()
                .filter(o -> Radio.members(task, o).stream()
                        .anyMatch(m -> m.router()
                                && m.protocol() == member.protocol()
                                && task.radio().canEstimate(m)
                                && !island.contains(m.room())
                                && island.stream()
                                        .anyMatch(room -> task.radio().isExpected(room, m.room(), m.protocol()))))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        rescuers.removeAll(stranded);
        return new Conflict(List.of(stranded), rescuers, Attempt.Rule.RADIO);
    }

    /** Whether a choice passes everything that is looked at here. */
    boolean passes(List<HouseOption> chosen) {
        return conflicts(chosen).isEmpty();
    }
}
