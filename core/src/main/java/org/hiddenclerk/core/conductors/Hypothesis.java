package org.hiddenclerk.core.conductors;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.solving.Sets;
import org.jspecify.annotations.Nullable;

/**
 * One wiring of circuits that belong together: every core of their boxes with what it does and where it goes. It foretells
 * readings.
 */
final class Hypothesis {
    /** What a wiring says of a reading. */
    enum Answer {
        TRUE,
        FALSE,
        /** It depends on conductors that the wiring says nothing about. */
        EITHER;

        static Answer of(boolean value) {
            return value ? TRUE : FALSE;
        }

        boolean allows(boolean value) {
            return this == EITHER || this == of(value);
        }
    }

    private static final int NONE = -1;

    private final Board board;
    private final List<Topology> circuits;
    private final List<ClusterFit.PlacedWire> wires;
    private final Map<Integer, Integer> mates;
    /** Role by core; null for cores of other circuits. */
    private final @Nullable ConductorRole[] roles;
    /** Slot by core: twice the number of its conductor, and one more for its second end. */
    private final int[] slotOf;
    /** Node by slot. */
    private final int[] nodes;

    private final int live;
    private final int neutral;
    private final int nodeCount;
    private final boolean[] isLamp;
    /** Joined nodes by position bits; made when first asked for. */
    private final @Nullable Sets[] joined;

    Hypothesis(
            Board board,
            List<Topology> circuits,
            List<ClusterFit.PlacedWire> wires,
            int[] coreOf,
            Map<Integer, Integer> mates) {
        this.board = board;
        this.circuits = circuits;
        this.wires = wires;
        this.mates = mates;
        live = board.nodeCount();
        neutral = live + 1;
        nodes = new int[coreOf.length];
        isLamp = new boolean[coreOf.length];
        slotOf = new int[board.cores().size()];
        roles = new ConductorRole[board.cores().size()];
        joined = new Sets[1 << board.operable().size()];
        Arrays.fill(slotOf, NONE);
        Map<String, Integer> elsewhere = new HashMap<>();
        for (int slot = 0; slot < coreOf.length; slot++) {
            ClusterFit.PlacedWire wire = wires.get(slot / 2);
            EndRequirement spot = wire.end(slot % 2);
            isLamp[slot] =
                    spot.group().equals(EndRequirement.LAMP_L) || spot.group().equals(EndRequirement.LAMP_N);
            if (coreOf[slot] >= 0) {
                nodes[slot] = board.nodeOf(coreOf[slot]);
                slotOf[coreOf[slot]] = slot;
                roles[coreOf[slot]] = wire.role();
            } else if (spot.place() == EndRequirement.SUPPLY) {
                nodes[slot] = wire.role() == ConductorRole.NEUTRAL ? neutral : live;
            } else {
                nodes[slot] =
                        elsewhere.computeIfAbsent(wire.circuit() + spot.group(), g -> neutral + 1 + elsewhere.size());
            }
            if (spot.isBox()) {
                rest(spot.place());
            }
        }
        nodeCount = neutral + 1 + elsewhere.size();
    }

    /** What no conductor of the circuit is. */
    private void rest(int box) {
        for (int core : board.coresIn(box)) {
            if (roles[core] == null) {
                roles[core] = board.cores().get(core).isEarth() ? ConductorRole.EARTH : ConductorRole.SPARE;
            }
        }
    }

    List<Topology> circuits() {
        return circuits;
    }

    /** Role of a core; null when it is of another circuit. */
    @Nullable
    ConductorRole roleOf(int core) {
        return roles[core];
    }

    /** Whether two cores are the ends of one conductor, or neither is of these circuits. */
    boolean takesAsOne(int one, int other) {
        if (roles[one] == null && roles[other] == null) {
            return true;
        }
        return slotOf[one] != NONE && (slotOf[one] ^ 1) == slotOf[other];
    }

    Answer live(int core, int positions) {
        Sets sets = joined(positions);
        return Answer.of(sets.find(board.nodeOf(core)) == sets.find(live));
    }

    /** Whether the lamp of the circuit burns that a box is of. */
    Answer lamp(int box, int positions) {
        Sets sets = joined(positions);
        return Answer.of(sets.find(lampNode(box)) == sets.find(live));
    }

    private int lampNode(int box) {
        int circuit = NONE;
        for (int slot = 0; slot < nodes.length && circuit == NONE; slot++) {
            circuit = wires.get(slot / 2).end(slot % 2).place() == box
                    ? wires.get(slot / 2).circuit()
                    : NONE;
        }
        for (int slot = 0; slot < nodes.length; slot++) {
            if (wires.get(slot / 2).circuit() == circuit
                    && wires.get(slot / 2).end(slot % 2).group().equals(EndRequirement.LAMP_L)) {
                return nodes[slot];
            }
        }
        throw new IllegalArgumentException("Box " + box + " is not of these circuits.");
    }

    Answer returns(int core, int positions) {
        int slot = slotOf[core];
        if (slot == NONE) {
            return board.cores().get(core).isEarth() ? Answer.EITHER : Answer.FALSE;
        }
        Sets sets = join(positions, slot / 2);
        int far = sets.find(nodes[slot ^ 1]);
        if (far == sets.find(live)) {
            return Answer.FALSE;
        }
        boolean reached = far == sets.find(neutral);
        for (int other = 0; other < nodes.length && !reached; other++) {
            reached = isLamp[other] && far == sets.find(nodes[other]);
        }
        return Answer.of(reached);
    }

    Answer continuous(int first, int second) {
        int one = slotOf[first];
        int other = slotOf[second];
        if (one == NONE || other == NONE) {
            return leftOver(first, second);
        }
        if ((one ^ 1) == other) {
            return Answer.TRUE;
        }
        if (isAtBoard(one ^ 1) || isAtBoard(other ^ 1)) {
            return Answer.FALSE;
        }
        Sets sets = new Sets(nodeCount);
        for (int wire = 0; wire < wires.size(); wire++) {
            if (wire != one / 2 && wire != other / 2 && !isAtBoard(2 * wire)) {
                sets.join(nodes[2 * wire], nodes[2 * wire + 1]);
            }
        }
        return Answer.of(sets.find(nodes[one ^ 1]) == sets.find(nodes[other ^ 1]));
    }

    private Sets joined(int positions) {
        Sets known = joined[positions];
        if (known == null) {
            known = join(positions, NONE);
            joined[positions] = known;
        }
        return known;
    }

    /** Conductors, joints and contacts, with one conductor left out. */
    private Sets join(int positions, int without) {
        Sets sets = new Sets(nodeCount);
        for (int wire = 0; wire < wires.size(); wire++) {
            if (wire != without) {
                sets.join(nodes[2 * wire], nodes[2 * wire + 1]);
            }
        }
        for (int slot = 0; slot < nodes.length; slot++) {
            if (nodes[slot] > neutral) {
                String group = wires.get(slot / 2).end(slot % 2).group();
                if (group.equals(EndRequirement.LAMP_LIVE)) {
                    sets.join(nodes[slot], live);
                } else if (group.equals(EndRequirement.LAMP_N)) {
                    sets.join(nodes[slot], neutral);
                }
            }
        }
        List<Integer> operable = board.operable();
        for (int i = 0; i < operable.size(); i++) {
            int box = operable.get(i);
            for (Mechanism.Contact contact :
                    board.boxes().get(box).mechanism().orElseThrow().contacts(positions >> i & 1)) {
                sets.join(board.terminal(box, contact.from()), board.terminal(box, contact.to()));
            }
        }
        return sets;
    }

    private boolean isAtBoard(int slot) {
        return wires.get(slot / 2).end(slot % 2).place() == EndRequirement.SUPPLY;
    }

    /** Earths and spares: which goes where is not told, but they never meet anything else. */
    private Answer leftOver(int first, int second) {
        boolean alike = slotOf[first] == slotOf[second]
                && board.cores().get(first).isEarth()
                        == board.cores().get(second).isEarth();
        if (!alike) {
            return Answer.FALSE;
        }
        if (board.cores().get(first).isEarth()) {
            return Answer.EITHER;
        }
        if (board.boxOf(first) == board.boxOf(second)) {
            return Answer.FALSE;
        }
        Integer mate = mates.get(board.cableOf(first));
        Integer back = mates.get(board.cableOf(second));
        boolean free = mate == null && back == null && !isTaken(first) && !isTaken(second);
        return free || mate != null && mate == board.cableOf(second) ? Answer.EITHER : Answer.FALSE;
    }

    /** Whether another core of the same cable says where it runs. */
    private boolean isTaken(int core) {
        for (int other = 0; other < slotOf.length; other++) {
            if (slotOf[other] != NONE && board.cableOf(other) == board.cableOf(core)) {
                return true;
            }
        }
        return false;
    }
}
