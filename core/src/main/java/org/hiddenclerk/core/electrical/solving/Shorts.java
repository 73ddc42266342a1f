package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.List;

/** The supplies that meet in one net although their potentials differ. */
final class Shorts {
    private Shorts() {}

    /** One entry a net: the sorted ids of its supplies. */
    static List<List<String>> of(Region region, RowSolver solver) {
        List<List<String>> shorts = new ArrayList<>();
        Region.Source[] sources = region.sources();
        for (int s = 0; s < sources.length; s++) {
            if (solver.firstSource(sources[s].node()) == s && isContested(sources, solver, s)) {
                List<String> ids = new ArrayList<>();
                for (int member = s; member >= 0; member = solver.nextSource(member)) {
                    ids.add(sources[member].supply().id().value());
                }
                ids.sort(null);
                shorts.add(List.copyOf(ids));
            }
        }
        shorts.sort((a, b) -> a.toString().compareTo(b.toString()));
        return List.copyOf(shorts);
    }

    private static boolean isContested(Region.Source[] sources, RowSolver solver, int first) {
        for (int member = first; member >= 0; member = solver.nextSource(member)) {
            if (!RowSolver.samePotential(sources[first], sources[member])) {
                return true;
            }
        }
        return false;
    }
}
