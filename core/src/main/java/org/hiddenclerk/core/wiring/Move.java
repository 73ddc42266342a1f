package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;

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
    public enum Kind { REMOVE_JUMPER, ADD_JUMPER, MOVE_OUTPUT, MOVE_OTHER, MOVE_NEUTRAL, MOVE_LIVE }

    /** The steps from one wiring to another, in the order of {@link Kind}; the way back is the same call reversed. */
    public static List<Move> between(BoxWiring from, BoxWiring to) {
        List<Move> moves = new ArrayList<>();
        for (Jumper jumper : from.jumpers()) {
            if (!to.jumpers().contains(jumper)) {
                moves.add(new Move(Kind.REMOVE_JUMPER, jumper.key(), jumper.colour(), "Take out the "
                        + jumper.colour().words() + " jumper from " + jumper.from().words() + " to "
                        + jumper.to().words() + "."));
            }
        }
        for (Jumper jumper : to.jumpers()) {
            if (!from.jumpers().contains(jumper)) {
                moves.add(new Move(Kind.ADD_JUMPER, jumper.key(), jumper.colour(), "Put in a "
                        + jumper.colour().words() + " jumper from " + jumper.from().words() + " to "
                        + jumper.to().words() + "."));
            }
        }
        for (Box.CableCore core : from.box().cores()) {
            End before = from.endOf(core);
            End after = to.endOf(core);
            if (!before.equals(after)) {
                moves.add(new Move(kindOf(core.core().role()), core.key(), core.core().colour(), "Move "
                        + core.words() + " (" + core.core().role().label() + ") from " + before.words() + " to "
                        + after.words() + "."));
            }
        }
        moves.sort(Comparator.comparing(Move::kind));
        return moves;
    }

    private static Kind kindOf(Role role) {
        return switch (role) {
            case SWITCHED_LIVE -> Kind.MOVE_OUTPUT;
            case NEUTRAL -> Kind.MOVE_NEUTRAL;
            case PERMANENT_LIVE -> Kind.MOVE_LIVE;
            case EARTH, SPARE -> Kind.MOVE_OTHER;
        };
    }
}
