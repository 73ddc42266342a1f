package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.List;

/**
 * One way a circuit can run: every conductor with what it does and where its ends must be.
 *
 * @param topology name of the kind
 * @param boxes    numbers of the boxes of the circuit, in the order of the board
 * @param feed     where the permanent live arrives from the supply
 * @param neutral  whether a neutral passes through its boxes
 */
record Topology(String topology, List<Integer> boxes, EndRequirement feed, boolean neutral, List<Wire> wires) {
    Topology {
        boxes = List.copyOf(boxes);
        wires = List.copyOf(wires);
    }

    /** A conductor. */
    record Wire(ConductorRole role, EndRequirement from, EndRequirement to) {
        EndRequirement end(int which) {
            return which == 0 ? from : to;
        }
    }

    Topology with(List<Wire> more) {
        List<Wire> all = new ArrayList<>(wires);
        all.addAll(more);
        return new Topology(topology, boxes, feed, neutral, all);
    }
}
