package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Role;

/** Surveyed boxes as a board to trace: what is seen of them, without what anybody took their cores to be. */
public final class SurveyedBoard {
    /** Ways of sharing cores out to gangs that are looked at. */
    private static final int MOST_SHARES = 256;

    private final Map<String, Box> surveyed;
    private final Map<String, Entry> entries = new LinkedHashMap<>();
    private final List<String> obstacles = new ArrayList<>();
    private final Set<Boards.Between> between = new HashSet<>();
    private final Boards boards;
    private List<List<OpenedBox>> ways = new ArrayList<>(List.of(List.of()));

    /**
     * A gang of a surveyed box, or a lamp place.
     *
     * @param gang its number; 0 for a lamp place
     */
    public record Entry(String box, int gang) {}

    private SurveyedBoard(Map<String, Box> surveyed) {
        this.surveyed = surveyed;
        surveyed.forEach(this::add);
        boards = new Boards(ways.stream().map(Board::new).toList(), between);
    }

    /**
     * @param boxes of one run, by identity, which has no dot in it; the order decides which is A and which is B
     * @throws Tracing.TooMany when too many cores could belong to too many gangs
     */
    public static SurveyedBoard of(Map<String, Box> boxes) {
        return new SurveyedBoard(new LinkedHashMap<>(boxes));
    }

    /** Why these boxes cannot be traced, in words; empty when they can. */
    public List<String> obstacles() {
        return List.copyOf(obstacles);
    }

    /** The board by which cores and boxes are counted; with cores that only share gangs, see {@link #isSurveyed}. */
    public Board board() {
        return boards.first();
    }

    Boards boards() {
        return boards;
    }

    /** Cores of cables, in the order of the survey. */
    public List<SeenCore> cores() {
        return boards.cores();
    }

    /** The gang or lamp place behind an opened box of the board. */
    public Entry entry(String openedBox) {
        Entry entry = entries.get(openedBox);
        if (entry == null) {
            throw new IllegalArgumentException("There is no box " + openedBox + ".");
        }
        return entry;
    }

    /** Whether a core was surveyed, rather than put between gangs to show that they share something. */
    public boolean isSurveyed(SeenCore core) {
        return between.stream()
                .noneMatch(b -> b.one().equals(core.id()) || b.other().equals(core.id()));
    }

    /** Identity of a core on the board. */
    public static String coreId(String box, String coreKey) {
        return box + "/" + coreKey;
    }

    /** The surveyed core behind one of the board. */
    public Box.CableCore surveyedCore(SeenCore core) {
        int slash = core.id().indexOf('/');
        return surveyed.get(core.id().substring(0, slash)).cores().stream()
                .filter(c -> c.key().equals(core.id().substring(slash + 1)))
                .findFirst()
                .orElseThrow();
    }

    /** What a traced role is in a survey. */
    public static Role surveyRole(ConductorRole role) {
        return switch (role) {
            case PERMANENT_LIVE -> Role.PERMANENT_LIVE;
            case SWITCHED_LIVE -> Role.SWITCHED_LIVE;
            case NEUTRAL -> Role.NEUTRAL;
            case EARTH -> Role.EARTH;
            case TRAVELLER, STRAP -> Role.TRAVELLER;
            case SPARE -> Role.SPARE;
        };
    }

    private void add(String id, Box box) {
        boolean lampPlace = box.gangs().isEmpty()
                && box.kind() != BoxKind.JUNCTION
                && box.loads().stream().filter(load -> load.hangsHere()).count() == 1;
        if (lampPlace) {
            addLampPlace(id, box);
            return;
        }
        if (box.gangs().isEmpty()) {
            obstacles.add(
                    box.label() + " has no switch and no lamp. Boxes with switches, and one lamp place, are traced.");
            return;
        }
        Map<Integer, Optional<Mechanism>> mechanisms = new LinkedHashMap<>();
        for (Gang gang : box.gangs()) {
            Optional<Mechanism> mechanism = mechanism(gang);
            mechanisms.put(gang.number(), mechanism);
            entries.put(GangShares.entry(id, gang.number(), box.gangs().size()), new Entry(id, gang.number()));
            if (mechanism.isEmpty()) {
                obstacles.add(box.label() + " has a " + gang.mechanism().label()
                        + " mechanism. One-way, two-way and intermediate switches and push buttons are traced.");
            }
        }
        GangShares shares = new GangShares(id, box);
        List<List<OpenedBox>> own = shares.shares(mechanisms, MOST_SHARES);
        List<List<OpenedBox>> combined = new ArrayList<>();
        for (List<OpenedBox> before : ways) {
            for (List<OpenedBox> share : own) {
                combined.add(Stream.concat(before.stream(), share.stream()).toList());
            }
        }
        if (combined.size() > MOST_SHARES) {
            throw new Tracing.TooMany();
        }
        ways = combined;
        between.addAll(shares.between());
    }

    private void addLampPlace(String id, Box box) {
        if (entries.values().stream().anyMatch(entry -> entry.gang() == 0)) {
            obstacles.add(box.label() + " is a second lamp place. One is traced at a time.");
            return;
        }
        entries.put(id, new Entry(id, 0));
        Map<End, Set<End>> joined = GangShares.joinedPlaces(box);
        List<SeenCore> cores = box.cores().stream()
                .map(core -> new SeenCore(
                        coreId(id, core.key()),
                        core.cable().name(),
                        core.core().colour().words(),
                        atLamp(box, core.core().end(), joined.get(core.core().end()))))
                .toList();
        OpenedBox lamp = new OpenedBox(id, Optional.empty(), false, cores);
        ways = ways.stream()
                .map(before -> Stream.concat(before.stream(), Stream.of(lamp)).toList())
                .toList();
    }

    private static Optional<Mechanism> mechanism(Gang gang) {
        return switch (gang.mechanism()) {
            case ONE_WAY, PULL_CORD, PUSH_MAKE -> Optional.of(Mechanism.ONE_WAY);
            case TWO_WAY -> Optional.of(Mechanism.TWO_WAY);
            case INTERMEDIATE -> Optional.of(Mechanism.INTERMEDIATE);
            default -> Optional.empty();
        };
    }

    /** Where a core is seen to end at a lamp; a joint of one core is capped. */
    private static Termination atLamp(Box box, End end, Set<End> joined) {
        if (end instanceof End.Capped) {
            return new Termination(Termination.Kind.CAPPED, "");
        }
        if (end instanceof End.Loose) {
            return new Termination(Termination.Kind.LOOSE, "");
        }
        for (End other : joined) {
            if (other instanceof End.AtLoad pole && !pole.terminal().equals("PE")) {
                return new Termination(Termination.Kind.TERMINAL, "lamp:" + pole.terminal());
            }
        }
        long cores = box.cores().stream()
                .filter(core -> joined.contains(core.core().end()))
                .count();
        return cores < 2 && !(end instanceof End.AtLoad)
                ? new Termination(Termination.Kind.CAPPED, "")
                : new Termination(
                        Termination.Kind.JOINT, joined.iterator().next().key());
    }
}
