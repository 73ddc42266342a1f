package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;

/** Surveyed boxes as a board to trace: what is seen of them, without what anybody took their cores to be. */
public final class SurveyedBoard {
    private final List<OpenedBox> boxes = new ArrayList<>();
    private final Map<String, Box> surveyed;
    private final List<String> obstacles = new ArrayList<>();

    private SurveyedBoard(Map<String, Box> surveyed) {
        this.surveyed = surveyed;
        surveyed.forEach(this::add);
    }

    /** @param boxes of one run, by identity; the order decides which is A and which is B */
    public static SurveyedBoard of(Map<String, Box> boxes) {
        return new SurveyedBoard(new LinkedHashMap<>(boxes));
    }

    /** Why these boxes cannot be traced, in words; empty when they can. */
    public List<String> obstacles() {
        return List.copyOf(obstacles);
    }

    public Board board() {
        return new Board(boxes);
    }

    /** Identity of a core on the board. */
    public static String coreId(String box, String coreKey) {
        return box + "/" + coreKey;
    }

    /** The surveyed core behind one of the board. */
    public Box.CableCore surveyedCore(SeenCore core) {
        int slash = core.id().indexOf('/');
        return surveyed.get(core.id().substring(0, slash)).cores().stream()
                .filter(c -> c.key().equals(core.id().substring(slash + 1))).findFirst().orElseThrow();
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
        boolean lampPlace = box.gangs().isEmpty() && box.kind() != BoxKind.JUNCTION
                && box.loads().stream().filter(load -> load.hangsHere()).count() == 1;
        if (!lampPlace && box.gangs().size() != 1) {
            obstacles.add(box.label() + " has " + box.gangs().size() + " gangs. Boxes with one switch, and one lamp place, are traced.");
            return;
        }
        if (lampPlace && boxes.stream().anyMatch(OpenedBox::isLampPlace)) {
            obstacles.add(box.label() + " is a second lamp place. One is traced at a time.");
            return;
        }
        Optional<Mechanism> mechanism = lampPlace ? Optional.empty() : mechanism(box);
        if (!lampPlace && mechanism.isEmpty()) {
            obstacles.add(box.label() + " has a " + box.gang(1).mechanism().label()
                    + " mechanism. One-way, two-way and intermediate switches and push buttons are traced.");
            return;
        }
        Map<End, At> places = places(box);
        List<SeenCore> cores = new ArrayList<>();
        for (Box.CableCore core : box.cores()) {
            cores.add(new SeenCore(coreId(id, core.key()), core.cable().name(), core.core().colour().words(),
                    places.getOrDefault(core.core().end(), new At(At.Kind.LOOSE, ""))));
        }
        boxes.add(new OpenedBox(id, mechanism, false, cores));
    }

    private static Optional<Mechanism> mechanism(Box box) {
        return switch (box.gang(1).mechanism()) {
            case ONE_WAY, PUSH_MAKE -> Optional.of(Mechanism.ONE_WAY);
            case TWO_WAY -> Optional.of(Mechanism.TWO_WAY);
            case INTERMEDIATE -> Optional.of(Mechanism.INTERMEDIATE);
            default -> Optional.empty();
        };
    }

    /** Where cores are seen to end; what a piece of wire joins is one place, and a joint of one core is capped. */
    private Map<End, At> places(Box box) {
        Map<End, Set<End>> joined = new LinkedHashMap<>();
        box.cores().forEach(core -> joined.computeIfAbsent(core.core().end(), e -> new LinkedHashSet<>(Set.of(e))));
        for (Jumper jumper : box.jumpers()) {
            Set<End> both = new LinkedHashSet<>(joined.getOrDefault(jumper.from(), Set.of(jumper.from())));
            both.addAll(joined.getOrDefault(jumper.to(), Set.of(jumper.to())));
            both.forEach(end -> joined.put(end, both));
        }
        Map<End, At> places = new HashMap<>();
        joined.forEach((end, all) -> places.put(end, place(box, end, all)));
        return places;
    }

    private static At place(Box box, End end, Set<End> joined) {
        if (end instanceof End.Capped) {
            return new At(At.Kind.CAPPED, "");
        }
        if (end instanceof End.Loose) {
            return new At(At.Kind.LOOSE, "");
        }
        for (End other : joined) {
            if (other instanceof End.AtMechanism pole) {
                return new At(At.Kind.TERMINAL, pole.terminal());
            }
            if (other instanceof End.AtLoad pole && !pole.terminal().equals("PE")) {
                return new At(At.Kind.TERMINAL, "lamp:" + pole.terminal());
            }
        }
        long cores = box.cores().stream().filter(core -> joined.contains(core.core().end())).count();
        return cores < 2 && !(end instanceof End.AtLoad) ? new At(At.Kind.CAPPED, "") : new At(At.Kind.JOINT, joined.iterator().next().key());
    }
}
