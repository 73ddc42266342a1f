package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;

/**
 * A surveyed wall box as one opened box for each of its gangs, in every way in which its cores can be shared out.
 *
 * <p>A core on a terminal belongs to that gang, and so do the other cores of its cable; a cable that touches no mechanism may
 * belong to any gang. What several gangs share, by a piece of wire or in a joint, is given a wire of its own between them.
 */
final class GangShares {
    private final String id;
    private final Box box;
    private final Map<End, Set<End>> joined;
    private final Set<Boards.Between> between = new HashSet<>();
    private final List<Integer> gangs;
    /** Pairs of gangs that pieces of wire join, each gang once as the second. */
    private final List<int[]> links = new ArrayList<>();

    GangShares(String id, Box box) {
        this.id = id;
        this.box = box;
        this.joined = joinedPlaces(box);
        this.gangs = box.gangs().stream().map(Gang::number).toList();
        link();
    }

    /** What a piece of wire joins is one place: every place of it, by each. */
    static Map<End, Set<End>> joinedPlaces(Box box) {
        Map<End, Set<End>> joined = new LinkedHashMap<>();
        box.cores().forEach(core -> joined.computeIfAbsent(core.core().end(), e -> new LinkedHashSet<>(Set.of(e))));
        for (Jumper jumper : box.jumpers()) {
            Set<End> both = new LinkedHashSet<>(joined.getOrDefault(jumper.from(), Set.of(jumper.from())));
            both.addAll(joined.getOrDefault(jumper.to(), Set.of(jumper.to())));
            both.forEach(end -> joined.put(end, both));
        }
        return joined;
    }

    /** Name of a gang among the opened boxes; that of the box where it is the only one. */
    static String entry(String box, int gang, int gangCount) {
        return gangCount == 1 ? box : box + "." + gang;
    }

    /** Wires between gangs. Complete once {@link #shares} was asked for. */
    Set<Boards.Between> between() {
        return between;
    }

    private void link() {
        Set<Integer> reached = new TreeSet<>();
        for (Jumper jumper : box.jumpers()) {
            if (jumper.from() instanceof End.AtMechanism from
                    && jumper.to() instanceof End.AtMechanism to
                    && from.gang() != to.gang()
                    && !(reached.contains(from.gang()) && reached.contains(to.gang()))) {
                links.add(new int[] {from.gang(), to.gang()});
                reached.add(from.gang());
                reached.add(to.gang());
            }
        }
    }

    /** The opened boxes of the gangs, for each way of sharing the cores out; at most {@code most} ways. */
    List<List<OpenedBox>> shares(Map<Integer, Optional<Mechanism>> mechanisms, int most) {
        List<Map<String, Integer>> ways = new ArrayList<>(List.of(Map.of()));
        for (Box.CableCore core : box.cores()) {
            Set<Integer> candidates = candidates(core);
            List<Map<String, Integer>> next = new ArrayList<>();
            for (Map<String, Integer> way : ways) {
                for (int gang : candidates) {
                    Map<String, Integer> more = new HashMap<>(way);
                    more.put(core.key(), gang);
                    next.add(more);
                }
            }
            if (next.size() > most) {
                throw new Tracing.TooMany();
            }
            ways = next;
        }
        return ways.stream().map(way -> opened(way, mechanisms)).toList();
    }

    private Set<Integer> candidates(Box.CableCore core) {
        Set<Integer> own = gangsAt(core.core().end());
        if (!own.isEmpty()) {
            return Set.of(own.iterator().next());
        }
        Set<Integer> beside = new TreeSet<>();
        core.cable()
                .cores()
                .forEach(other -> gangsAt(other.end()).stream().findFirst().ifPresent(beside::add));
        if (isEarth(core)) {
            return Set.of(beside.isEmpty() ? gangs.get(0) : beside.iterator().next());
        }
        return beside.isEmpty() ? new TreeSet<>(gangs) : beside;
    }

    private static boolean isEarth(Box.CableCore core) {
        return new SeenCore("", "", core.core().colour().words(), new Termination(Termination.Kind.LOOSE, ""))
                .isEarth();
    }

    /** Gangs that have a terminal in a place: that of the terminal itself first. */
    private Set<Integer> gangsAt(End end) {
        Set<Integer> at = new LinkedHashSet<>();
        if (end instanceof End.AtMechanism own) {
            at.add(own.gang());
        }
        joined.getOrDefault(end, Set.of()).forEach(other -> {
            if (other instanceof End.AtMechanism pole) {
                at.add(pole.gang());
            }
        });
        return at;
    }

    private List<OpenedBox> opened(Map<String, Integer> gangOf, Map<Integer, Optional<Mechanism>> mechanisms) {
        Map<Integer, List<SeenCore>> cores = new LinkedHashMap<>();
        gangs.forEach(gang -> cores.put(gang, new ArrayList<>()));
        for (Box.CableCore core : box.cores()) {
            int gang = gangOf.get(core.key());
            cores.get(gang)
                    .add(new SeenCore(
                            SurveyedBoard.coreId(id, core.key()),
                            core.cable().name(),
                            core.core().colour().words(),
                            place(core.core().end(), gang)));
        }
        shared(gangOf, cores);
        return gangs.stream()
                .map(gang -> new OpenedBox(entry(id, gang, gangs.size()), mechanisms.get(gang), false, cores.get(gang)))
                .toList();
    }

    /** Gives every place that several gangs have a part in a wire from one to the next. */
    private void shared(Map<String, Integer> gangOf, Map<Integer, List<SeenCore>> cores) {
        Set<Set<End>> places = new LinkedHashSet<>(joined.values());
        int number = 0;
        for (Set<End> place : places) {
            Set<Integer> members = new TreeSet<>();
            place.forEach(end -> members.addAll(end instanceof End.AtMechanism pole ? Set.of(pole.gang()) : Set.of()));
            boolean earth = false;
            for (Box.CableCore core : box.cores()) {
                if (place.contains(core.core().end())) {
                    members.add(gangOf.get(core.key()));
                    earth |= isEarth(core);
                }
            }
            End some = place.iterator().next();
            boolean alone = some instanceof End.Capped || some instanceof End.Loose;
            if (members.size() > 1 && !earth && !alone) {
                for (int[] pair : tree(members)) {
                    number++;
                    between.add(
                            new Boards.Between(wire(cores, pair[0], some, number), wire(cores, pair[1], some, number)));
                }
            }
        }
    }

    private String wire(Map<Integer, List<SeenCore>> cores, int gang, End at, int number) {
        String wire = id + "/between " + number + "." + gang;
        cores.get(gang).add(new SeenCore(wire, "between " + number, "", place(at, gang)));
        return wire;
    }

    /** Pairs that join the gangs: along the pieces of wire that were found, else one after the other. */
    private List<int[]> tree(Set<Integer> members) {
        List<int[]> found = links.stream()
                .filter(l -> members.contains(l[0]) && members.contains(l[1]))
                .toList();
        if (found.size() == members.size() - 1) {
            return found;
        }
        List<Integer> ordered = List.copyOf(members);
        List<int[]> chain = new ArrayList<>();
        for (int i = 1; i < ordered.size(); i++) {
            chain.add(new int[] {ordered.get(i - 1), ordered.get(i)});
        }
        return chain;
    }

    /** Where an end is seen from a gang; a joint of one core is capped. */
    private Termination place(End end, int gang) {
        if (end instanceof End.Capped) {
            return new Termination(Termination.Kind.CAPPED, "");
        }
        if (end instanceof End.Loose) {
            return new Termination(Termination.Kind.LOOSE, "");
        }
        Set<End> all = joined.getOrDefault(end, Set.of(end));
        for (End other : all) {
            if (other instanceof End.AtMechanism pole && pole.gang() == gang) {
                return new Termination(Termination.Kind.TERMINAL, pole.terminal());
            }
        }
        long cores = box.cores().stream()
                .filter(core -> all.contains(core.core().end()))
                .count();
        boolean elsewhere = all.stream().anyMatch(other -> other instanceof End.AtMechanism);
        return cores < 2 && !elsewhere
                ? new Termination(Termination.Kind.CAPPED, "")
                : new Termination(Termination.Kind.JOINT, all.iterator().next().key());
    }
}
