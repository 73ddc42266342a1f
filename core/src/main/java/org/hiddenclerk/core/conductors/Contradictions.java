package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Set;

/** Smallest sets of readings that no wiring satisfies. */
final class Contradictions {
    private Contradictions() {}

    /**
     * A set cannot hold together when every wiring breaks one of it: the smallest hitting sets of what the wirings break.
     *
     * @param broken readings that each wiring breaks; none of them empty
     */
    static List<List<Integer>> smallest(int readings, Set<BitSet> broken) {
        List<List<Integer>> found = new ArrayList<>();
        for (int size = 1; size <= readings && found.isEmpty(); size++) {
            choose(readings, size, 0, new ArrayList<>(), broken, found);
        }
        return found;
    }

    private static void choose(
            int readings, int size, int from, List<Integer> so, Set<BitSet> broken, List<List<Integer>> found) {
        if (so.size() == size) {
            if (broken.stream().allMatch(b -> so.stream().anyMatch(b::get))) {
                found.add(List.copyOf(so));
            }
            return;
        }
        for (int reading = from; reading <= readings - (size - so.size()); reading++) {
            so.add(reading);
            choose(readings, size, reading + 1, so, broken, found);
            so.remove(so.size() - 1);
        }
    }
}
