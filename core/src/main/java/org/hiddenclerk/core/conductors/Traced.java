package org.hiddenclerk.core.conductors;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What follows from what is seen and read.
 *
 * @param possible       every pair of topology and roles that nothing contradicts, likeliest first by colours and notes
 * @param certain        role by core id where all of them agree
 * @param contradictions every smallest set of readings that cannot hold together, as indices
 * @param nearest        where nothing is possible: wirings that break the fewest readings, with what they break
 * @param nextTest       the reading to make next; empty when there is none that tells more
 * @param done           whether every role is certain
 */
public record Traced(
        List<Possibility> possible,
        Map<String, ConductorRole> certain,
        List<List<Integer>> contradictions,
        Optional<Nearest> nearest,
        Optional<NextTest> nextTest,
        boolean done) {
    public Traced {
        possible = List.copyOf(possible);
        contradictions = List.copyOf(contradictions);
    }

    /**
     * One thing it may be.
     *
     * @param support share of the cores whose colour speaks for it, 0 to 1; weak evidence
     */
    public record Possibility(String topology, Map<String, ConductorRole> roles, double support) {}

    /**
     * The wiring that comes nearest to the readings.
     *
     * @param broken readings it breaks, as indices
     */
    public record Nearest(Possibility possibility, List<Integer> broken) {}

    /** A reading to make, and how many possibilities each answer leaves. */
    public record NextTest(Reading reading, int leavesIfTrue, int leavesIfFalse, String why) {}
}
