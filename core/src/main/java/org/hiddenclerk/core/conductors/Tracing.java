package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.job.RegionProfile;

/**
 * Which conductor is what: every wiring that the cores allow is asked what it foretells, and those that a reading contradicts
 * are dropped. Exact: the true wiring is never among those dropped while the readings are true.
 */
public final class Tracing {
    /** More wirings than this are not told apart. */
    private static final int MOST_WIRINGS = 20_000;

    private final Boards boards;
    private final List<SeenCore> cores;
    private final RegionProfile region;
    private final List<Reading.Answered> readings;
    private final List<PenNote> notes;

    private Tracing(Boards boards, RegionProfile region, List<Reading.Answered> readings, List<PenNote> notes) {
        this.notes = notes;
        this.boards = boards;
        this.cores = boards.cores();
        this.region = region;
        this.readings = readings;
    }

    /** More wirings are possible than can be told apart; fewer boxes at a time are needed. */
    public static final class TooMany extends RuntimeException {
        private static final long serialVersionUID = 1;

        TooMany() {
            super("There are too many wirings to be told apart: trace fewer boxes at a time.");
        }
    }

    /**
     * What follows from a board and readings.
     *
     * @throws TooMany when the board is too large to be traced at once
     */
    public static Traced of(Board board, RegionProfile region, List<Reading.Answered> readings) {
        return new Tracing(Boards.of(board), region, readings, List.of()).traced();
    }

    /**
     * What follows from surveyed boxes and readings.
     *
     * @throws TooMany when they are too many to be traced at once
     */
    public static Traced of(SurveyedBoard surveyed, RegionProfile region, List<Reading.Answered> readings) {
        return of(surveyed, region, readings, List.of());
    }

    /**
     * What follows from surveyed boxes and readings, the likeliest first by colours and notes.
     *
     * @param notes weak: they order what is possible, and never exclude
     * @throws TooMany when they are too many to be traced at once
     */
    public static Traced of(
            SurveyedBoard surveyed, RegionProfile region, List<Reading.Answered> readings, List<PenNote> notes) {
        return new Tracing(surveyed.boards(), region, readings, List.copyOf(notes)).traced();
    }

    /** Every wiring that the cores alone allow. */
    static List<BoardWiring> wirings(Board board, RegionProfile region) {
        Tracing tracing = new Tracing(Boards.of(board), region, List.of(), List.of());
        return tracing.wholes(tracing.circuits(), true);
    }

    private List<Circuits> circuits() {
        return boards.ways().stream().map(Circuits::new).toList();
    }

    private Traced traced() {
        List<Circuits> circuits = circuits();
        List<BoardWiring> all = wholes(circuits, true);
        if (all.isEmpty()) {
            return nothingFits(circuits);
        }
        Map<Traced.Possibility, List<BoardWiring>> entries = entries(all);
        List<Traced.Possibility> possible = new ArrayList<>(entries.keySet());
        possible.sort(Comparator.comparingDouble(Traced.Possibility::support)
                .reversed()
                .thenComparing(Traced.Possibility::topology)
                .thenComparing(p -> p.roles().toString()));
        Map<String, ConductorRole> certain = certain(possible);
        boolean done = certain.size() == cores.size();
        return new Traced(
                possible,
                certain,
                List.of(),
                Optional.empty(),
                done ? Optional.empty() : new TestChoice(boards, readings, entries.values()).best(),
                done);
    }

    private Traced nothingFits(List<Circuits> circuits) {
        List<BoardWiring> all = wholes(circuits, false);
        if (all.isEmpty()) {
            return new Traced(List.of(), Map.of(), List.of(), Optional.empty(), Optional.empty(), false);
        }
        Set<BitSet> broken = new LinkedHashSet<>();
        BoardWiring nearest = all.get(0);
        for (BoardWiring whole : all) {
            broken.add(whole.broken(readings));
            nearest = whole.broken(readings).cardinality()
                            < nearest.broken(readings).cardinality()
                    ? whole
                    : nearest;
        }
        return new Traced(
                List.of(),
                Map.of(),
                Contradictions.smallest(readings.size(), broken),
                Optional.of(new Traced.Nearest(
                        entry(nearest),
                        nearest.broken(readings).stream().boxed().toList())),
                Optional.empty(),
                false);
    }

    private List<BoardWiring> wholes(List<Circuits> circuits, boolean fittingOnly) {
        List<BoardWiring> all = new ArrayList<>();
        for (int way = 0; way < circuits.size(); way++) {
            Board board = boards.ways().get(way);
            circuits.get(way).eachSharing(clusters -> {
                List<List<Hypothesis>> sharing =
                        clusters.stream().map(c -> sharing(board, c)).toList();
                List<List<Hypothesis>> each = fittingOnly
                        ? sharing.stream().map(c -> fitting(board, c)).toList()
                        : sharing;
                combine(board, each, 0, new ArrayList<>(), all, fittingOnly);
            });
        }
        return all;
    }

    /** Those in which what gangs share is one conductor. */
    private List<Hypothesis> sharing(Board board, List<Hypothesis> cluster) {
        return boards.between().isEmpty()
                ? cluster
                : cluster.stream()
                        .filter(hypothesis -> boards.between().stream()
                                .filter(wire -> board.numberOf(wire.one()).isPresent()
                                        && board.numberOf(wire.other()).isPresent())
                                .allMatch(wire -> hypothesis.takesAsOne(
                                        board.numberOf(wire.one()).get(),
                                        board.numberOf(wire.other()).get())))
                        .toList();
    }

    private List<Hypothesis> fitting(Board board, List<Hypothesis> cluster) {
        return cluster.stream()
                .filter(hypothesis -> {
                    BoardWiring alone = new BoardWiring(board, List.of(hypothesis));
                    return readings.stream()
                            .allMatch(answered -> !alone.covers(answered.reading())
                                    || alone.foretells(answered.reading()).allows(answered.value()));
                })
                .toList();
    }

    private void combine(
            Board board,
            List<List<Hypothesis>> clusters,
            int at,
            List<Hypothesis> so,
            List<BoardWiring> all,
            boolean fittingOnly) {
        if (at == clusters.size()) {
            BoardWiring whole = new BoardWiring(board, List.copyOf(so));
            if (!fittingOnly || whole.broken(readings).isEmpty()) {
                if (all.size() == MOST_WIRINGS) {
                    throw new TooMany();
                }
                all.add(whole);
            }
            return;
        }
        for (Hypothesis hypothesis : clusters.get(at)) {
            so.add(hypothesis);
            combine(board, clusters, at + 1, so, all, fittingOnly);
            so.remove(so.size() - 1);
        }
    }

    private Map<Traced.Possibility, List<BoardWiring>> entries(Collection<BoardWiring> wholes) {
        Map<String, List<BoardWiring>> alike = new LinkedHashMap<>();
        for (BoardWiring whole : wholes) {
            StringBuilder key = new StringBuilder(whole.topology());
            cores.forEach(
                    core -> key.append((char) ('0' + whole.roleOf(core.id()).ordinal())));
            alike.computeIfAbsent(key.toString(), k -> new ArrayList<>()).add(whole);
        }
        Map<Traced.Possibility, List<BoardWiring>> entries = new LinkedHashMap<>();
        alike.values().forEach(same -> entries.put(entry(same.get(0)), same));
        return entries;
    }

    private Traced.Possibility entry(BoardWiring whole) {
        Map<String, ConductorRole> roles = new LinkedHashMap<>();
        int speaking = 0;
        int agreeing = 0;
        for (SeenCore core : cores) {
            ConductorRole role = whole.roleOf(core.id());
            roles.put(core.id(), role);
            if (role != ConductorRole.EARTH) {
                boolean neutral = core.colour().equals(region.neutralColour().words());
                speaking++;
                agreeing += neutral == (role == ConductorRole.NEUTRAL) ? 1 : 0;
            }
        }
        for (PenNote note : notes) {
            boolean live = whole.foretells(note.where()) == Hypothesis.Answer.TRUE;
            // A beep where nothing is live says nothing: a pen beeps at what floats, too.
            if (live || !note.beeped()) {
                speaking++;
                agreeing += live == note.beeped() ? 1 : 0;
            }
        }
        return new Traced.Possibility(
                whole.topology(), roles, speaking == 0 ? 1 : Math.round(1000.0 * agreeing / speaking) / 1000.0);
    }

    private static Map<String, ConductorRole> certain(List<Traced.Possibility> possible) {
        Map<String, ConductorRole> certain = new TreeMap<>(possible.get(0).roles());
        possible.forEach(p -> certain.entrySet().removeIf(e -> p.roles().get(e.getKey()) != e.getValue()));
        return certain;
    }
}
