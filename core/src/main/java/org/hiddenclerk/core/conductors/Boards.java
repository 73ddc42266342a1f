package org.hiddenclerk.core.conductors;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is seen, in every way in which the cores of a wall box can be shared out to its gangs. All boards have the same boxes and
 * the same cores; they differ in the gang that a core in a joint is counted to.
 *
 * @param ways    at least one
 * @param between wires that nobody surveyed as cores, with their ends in two gangs: pieces of wire, and joints that gangs share
 */
record Boards(List<Board> ways, Set<Between> between) {
    /** Both ends of one wire, as cores of the boards that have it. */
    record Between(String one, String other) {}

    Boards {
        if (ways.isEmpty()) {
            throw new IllegalArgumentException("There must be at least one board.");
        }
        ways = List.copyOf(ways);
        between = Set.copyOf(between);
    }

    static Boards of(Board board) {
        return new Boards(List.of(board), Set.of());
    }

    /** The board by which cores and boxes are counted. */
    Board first() {
        return ways.get(0);
    }

    /** Cores of cables, in the order of the first board. */
    List<SeenCore> cores() {
        Set<String> ends =
                between.stream().flatMap(b -> Stream.of(b.one(), b.other())).collect(Collectors.toSet());
        return first().cores().stream()
                .filter(core -> !ends.contains(core.id()))
                .toList();
    }
}
