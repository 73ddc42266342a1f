package org.hiddenclerk.core.job;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Where a cable goes when it leaves the box. */
public sealed interface Leads {

    /** From the board or the last point of the circuit. */
    record FromSupply(CircuitId circuit) implements Leads {}

    /**
     * To another box of the house. Core by core it is the same cable there.
     *
     * @param box   identity of that box
     * @param cable name of this cable there
     */
    record ToBox(String box, String cable) implements Leads {}

    /** To a load, or to several that hang at one place: the directions of a motor, the groups of a chandelier. */
    sealed interface ToPlaceOfLoads extends Leads {
        /** The load that its cores belong to, but for those of {@link #branches}. */
        int load();

        List<Branch> branches();

        /** The load that a core belongs to, by the number of that core. Neutral and earth serve all of them. */
        default int loadOf(int core) {
            return branches().stream()
                    .filter(branch -> branch.core() == core)
                    .mapToInt(Branch::load)
                    .findFirst()
                    .orElse(load());
        }

        /** Every load that the cable leads to, the one that it is named after first. */
        default Set<Integer> loads() {
            Set<Integer> loads = new LinkedHashSet<>(List.of(load()));
            branches().forEach(branch -> loads.add(branch.load()));
            return loads;
        }
    }

    /** A core that belongs to another load than most of its cable. */
    record Branch(int core, int load) {}

    /** To loads whose neutral may come along or lie elsewhere. */
    record ToLoad(int load, List<Branch> branches) implements ToPlaceOfLoads {
        public ToLoad {
            branches = List.copyOf(branches);
        }

        /** To one load alone. */
        public ToLoad(int load) {
            this(load, List.of());
        }
    }

    /** To loads at which the circuit's feed also arrives: a switch loop. */
    record ToLoadWithFeed(int load, CircuitId circuit, List<Branch> branches) implements ToPlaceOfLoads {
        public ToLoadWithFeed {
            branches = List.copyOf(branches);
        }

        /** To one load alone. */
        public ToLoadWithFeed(int load, CircuitId circuit) {
            this(load, circuit, List.of());
        }
    }
}
