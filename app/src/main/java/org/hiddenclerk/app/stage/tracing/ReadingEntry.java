package org.hiddenclerk.app.stage.tracing;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.conductors.Board;
import org.hiddenclerk.core.conductors.OpenedBox;
import org.hiddenclerk.core.conductors.Reading;

/**
 * A reading as it is sent.
 *
 * @param core    of the board; for a lamp the box or gang whose lamp is meant, or absent where there is one only
 * @param farCore the other one, for continuity
 * @param with    positions by box, for everything that is not made dead
 */
record ReadingEntry(
        @NotNull Kind kind,
        @MayBeAbsent @Size(max = 100) String core,
        @MayBeAbsent @Size(max = 100) String farCore,
        @NotNull @Size(max = 12) Map<String, Integer> with,
        boolean value) {

    /** Kinds of readings. */
    enum Kind {
        LIVE,
        CONTINUOUS,
        RETURNS,
        LAMP,
        /** A pen beeps: weak. */
        PEN
    }

    static ReadingEntry of(Reading reading) {
        if (reading instanceof Reading.Continuous pair) {
            return new ReadingEntry(Kind.CONTINUOUS, pair.first(), pair.second(), Map.of(), false);
        }
        if (reading instanceof Reading.Live live) {
            return new ReadingEntry(Kind.LIVE, live.core(), null, live.with(), false);
        }
        if (reading instanceof Reading.Returns returns) {
            return new ReadingEntry(Kind.RETURNS, returns.core(), null, returns.with(), false);
        }
        Reading.Lamp lamp = (Reading.Lamp) reading;
        return new ReadingEntry(Kind.LAMP, lamp.box(), null, lamp.with(), false);
    }

    /**
     * The reading on a board.
     *
     * @throws ProblemException with the pointer of what is not on it
     */
    Reading on(Board board) {
        if (kind == Kind.CONTINUOUS) {
            return new Reading.Continuous(known(board, core, "/core"), known(board, farCore, "/farCore"));
        }
        for (OpenedBox box : board.boxes()) {
            Integer position = with.get(box.id());
            if (box.isOperable() && (position == null || position < 0 || position > 1)) {
                throw ProblemException.content(
                        "The reading cannot be kept",
                        new FieldProblem("/with", String.valueOf(position), "position 0 or 1 of every switch"));
            }
        }
        return switch (kind) {
            case LIVE, PEN -> new Reading.Live(known(board, core, "/core"), with);
            case RETURNS -> new Reading.Returns(known(board, core, "/core"), with);
            case LAMP, CONTINUOUS -> new Reading.Lamp(lampOf(board), with);
        };
    }

    /** Whether it is a note that orders, and excludes nothing. */
    boolean isWeak() {
        return kind == Kind.PEN;
    }

    private String lampOf(Board board) {
        String first = board.boxes().get(0).id();
        if (core == null || board.boxes().stream().anyMatch(box -> box.id().equals(core))) {
            return core == null ? first : core;
        }
        throw ProblemException.content(
                "The reading cannot be kept", new FieldProblem("/core", core, "a box or gang whose lamp is meant"));
    }

    private static String known(Board board, String core, String pointer) {
        if (core == null || board.numberOf(core).isEmpty()) {
            throw ProblemException.content(
                    "The reading cannot be kept",
                    new FieldProblem(pointer, String.valueOf(core), "a core of these boxes"));
        }
        return core;
    }
}
