package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.jspecify.annotations.Nullable;

/**
 * One thing a hand does between two wirings of the same box.
 *
 * @param kind      what is done
 * @param conductor key of the core or jumper
 * @param colour    its colour
 * @param words     the whole step in words
 */
public record Move(Kind kind, String conductor, CoreColour colour, String words) {

    /** In the order in which a hand works: what goes away, jumpers, outputs, neutral, live last. */
    public enum Kind {
        CHANGE_MECHANISM,
        REMOVE_JUMPER,
        REMOVE_BYPASS,
        ADD_JUMPER,
        ADD_BYPASS,
        MOVE_OUTPUT,
        MOVE_OTHER,
        MOVE_NEUTRAL,
        MOVE_LIVE
    }

    /**
     * The steps from one wiring to another: in the order of {@link Kind} as far as terminals can hold what is on them on the way, see
     * {@link MoveOrder}. The way back is the same call reversed.
     */
    public static List<Move> between(BoxWiring from, BoxWiring to) {
        return between(from, to, new MoveOrder(from, to));
    }

    static List<Move> between(BoxWiring from, BoxWiring to, MoveOrder order) {
        List<Move> first = new ArrayList<>();
        for (Gang gang : to.box().gangs()) {
            Gang old = from.box().gang(gang.number());
            if (old.mechanism() != gang.mechanism()) {
                first.add(new Move(Kind.CHANGE_MECHANISM, "g" + gang.number(), CoreColour.BARE, change(old, gang)));
            }
        }
        bypasses(from, to, Kind.REMOVE_BYPASS, "Take the bypass of %s off %s.", first);
        List<Move> bypasses = new ArrayList<>();
        bypasses(
                to,
                from,
                Kind.ADD_BYPASS,
                "Put a bypass of %s across %s, live to neutral, insulated for itself.",
                bypasses);
        List<MoveOrder.Task> tasks = new ArrayList<>();
        for (Jumper jumper : from.jumpers()) {
            if (!to.jumpers().contains(jumper)) {
                tasks.add(order.removed(
                        jumper,
                        new Move(
                                Kind.REMOVE_JUMPER,
                                jumper.key(),
                                jumper.colour(),
                                "Take out the "
                                        + jumper.colour().words() + " jumper from " + from.words(jumper.from()) + " to "
                                        + from.words(jumper.to()) + ".")));
            }
        }
        for (Jumper jumper : to.jumpers()) {
            if (!from.jumpers().contains(jumper)) {
                tasks.add(order.added(
                        jumper,
                        new Move(
                                Kind.ADD_JUMPER,
                                jumper.key(),
                                jumper.colour(),
                                "Put in a "
                                        + jumper.colour().words() + " jumper from " + to.words(jumper.from()) + " to "
                                        + to.words(jumper.to()) + ".")));
            }
        }
        for (Box.CableCore core : from.box().cores()) {
            End before = from.endOf(core);
            End after = to.endOf(core);
            if (!before.equals(after)) {
                tasks.add(order.core(
                        core,
                        new Move(
                                kindOf(to.roleOf(core)),
                                core.key(),
                                core.core().colour(),
                                "Move "
                                        + core.words() + " (" + to.roleOf(core).label() + ") from " + from.words(before)
                                        + " to " + to.words(after) + ".")));
            }
        }
        tasks.sort(Comparator.comparing(task -> task.move().kind()));
        List<Move> moves = new ArrayList<>(first);
        moves.addAll(order.of(tasks));
        moves.addAll(bypasses);
        return moves;
    }

    /** The first half of a move, where the other has to wait. */
    static Move takenOff(Move move, String what, String where) {
        return new Move(
                move.kind,
                move.conductor,
                move.colour,
                "Take " + what + " off " + where + " and insulate its end for now.");
    }

    /** @param elv whether it carries extra-low voltage from now on, and did not before; null where nothing of that changes */
    static Move putOn(Move move, String what, String where, @Nullable Boolean elv) {
        String mark = elv == null ? "" : ", and re-mark it at both ends: " + (elv ? "extra-low voltage" : "mains");
        return new Move(move.kind, move.conductor, move.colour, "Put " + what + " on " + where + mark + ".");
    }

    private static void bypasses(BoxWiring here, BoxWiring other, Kind kind, String words, List<Move> moves) {
        here.bypasses().forEach((load, watts) -> {
            if (!watts.equals(other.bypasses().get(load))) {
                moves.add(new Move(
                        kind,
                        "b" + load,
                        CoreColour.BARE,
                        String.format(words, watts, here.box().load(load).name())));
            }
        });
    }

    private static String change(Gang from, Gang to) {
        if (to.mechanism() == Mechanism.FIXED_ON) {
            return "Take the mechanism of " + from.name() + " out and blank its plate.";
        }
        return "Put a " + to.mechanism().label() + " mechanism in for " + from.name() + ", in place of the "
                + (from.mechanism() == Mechanism.FIXED_ON
                        ? "blank plate"
                        : from.mechanism().label() + " one") + ".";
    }

    private static Kind kindOf(Role role) {
        return switch (role) {
            case SWITCHED_LIVE -> Kind.MOVE_OUTPUT;
            case NEUTRAL, ELV_MINUS -> Kind.MOVE_NEUTRAL;
            case PERMANENT_LIVE, ELV_PLUS -> Kind.MOVE_LIVE;
            case EARTH, TRAVELLER, CONTROL, SPARE -> Kind.MOVE_OTHER;
        };
    }
}
