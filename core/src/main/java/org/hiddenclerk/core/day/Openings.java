package org.hiddenclerk.core.day;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.day.DayTask.Work;

/**
 * Works put together so that each circuit is opened as few times as possible: what hangs together by circuits is done in one
 * opening, unless one of the circuits may not be off so long.
 */
final class Openings {
    private Openings() {
    }

    /**
     * Works of one opening.
     *
     * @param most minutes that it may take
     */
    record Group(Set<String> circuits, List<Work> works, int most, int isolation) {
    }

    static List<Group> of(DayTask task, List<Work> works, List<String> notes, List<String> left) {
        List<Group> groups = new ArrayList<>();
        for (List<Work> together : connected(works)) {
            Set<String> circuits = circuitsOf(together);
            int most = circuits.stream().mapToInt(c -> task.circuits().get(c).mostMinutesOff()).min().orElse(Integer.MAX_VALUE);
            int isolation = isolation(task, circuits);
            List<Work> small = new ArrayList<>();
            for (Work work : together) {
                // A short opening of its own may do for what does not fit together with others.
                int own = work.circuits().stream().mapToInt(c -> task.circuits().get(c).mostMinutesOff()).min().orElse(Integer.MAX_VALUE);
                int needed = isolation(task, work.circuits()) + work.wiring() + task.norms().closing();
                if (needed > own) {
                    left.add(work.id());
                    notes.add(work.words() + " takes " + needed + " min with isolating; its circuit may be off " + own + " min.");
                } else {
                    small.add(work);
                }
            }
            for (List<Work> part : split(task, small, most - isolation - task.norms().closing())) {
                Set<String> own = circuitsOf(part);
                groups.add(new Group(own, part, most, isolation(task, own)));
            }
        }
        return groups;
    }

    private static int isolation(DayTask task, Set<String> circuits) {
        return task.norms().isolation() + (int) circuits.stream().filter(c -> task.circuits().get(c).alternativeSupplies()).count() * task.norms().supply();
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

    /** First fit, longest first: as few parts as that finds, each of which everybody who may wire can do in time. */
    private static List<List<Work>> split(DayTask task, List<Work> works, int most) {
        int hands = (int) task.crew().stream().filter(DayTask.Person::mayWire).count();
        List<List<int[]>> loads = new ArrayList<>();
        List<List<Work>> parts = new ArrayList<>();
        for (Work work : works.stream().sorted(Comparator.comparingInt((Work w) -> -w.wiring()).thenComparing(Work::id)).toList()) {
            boolean placed = false;
            for (int i = 0; i < parts.size() && !placed; i++) {
                int[] freest = loads.get(i).stream().min(Comparator.comparingInt(load -> load[0])).orElseThrow();
                if (freest[0] + work.wiring() <= most) {
                    freest[0] += work.wiring();
                    parts.get(i).add(work);
                    placed = true;
                }
            }
            if (!placed) {
                List<int[]> hand = new ArrayList<>();
                for (int i = 0; i < hands; i++) {
                    hand.add(new int[] {i == 0 ? work.wiring() : 0});
                }
                loads.add(hand);
                parts.add(new ArrayList<>(List.of(work)));
            }
        }
        return parts;
    }
}
