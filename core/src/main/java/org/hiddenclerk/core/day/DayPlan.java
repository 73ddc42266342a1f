package org.hiddenclerk.core.day;

import java.util.List;
import java.util.Set;

/**
 * A planned day.
 *
 * @param visits   who does what, in the order of time
 * @param openings when which circuits are off
 * @param left     works that do not fit into this day
 * @param notes    what could not be kept, in words
 * @param optimal  whether nothing better exists
 */
public record DayPlan(
        List<Visit> visits, List<Opening> openings, List<String> left, List<String> notes, boolean optimal) {
    /** What somebody does. */
    public enum Kind {
        ISOLATE,
        WIRE,
        SET_UP,
        TRY_OUT
    }

    /**
     * Something that somebody does.
     *
     * @param work     id of the work; empty for isolating and trying out
     * @param circuits that it is about
     */
    public record Visit(Kind kind, String work, Set<String> circuits, String person, int from, int to) {}

    /** Circuits that are off together. */
    public record Opening(Set<String> circuits, int from, int to, List<String> works) {}

    /** The minute at which all is done. */
    public int end() {
        return visits.stream().mapToInt(Visit::to).max().orElse(0);
    }
}
