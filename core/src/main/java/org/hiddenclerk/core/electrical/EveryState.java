package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.operation.Currents;
import org.hiddenclerk.core.electrical.operation.Operations;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.SwitchingState;

/**
 * A wiring in every position of its switches and relays, as it is watched on a drawing.
 *
 * @param rows in the order of the truth table
 * @param next positions of all that hangs together, with those that follow each operation
 */
public record EveryState(List<Row> rows, Map<Operations.Positions, Map<String, Operations.Positions>> next) {
    public EveryState {
        rows = List.copyOf(rows);
    }

    /**
     * One state.
     *
     * @param live nodes that are live in it
     * @param amps of conductors that carry any, by conductor
     */
    public record Row(TruthTable.Row reading, List<NodeId> live, Map<String, Double> amps) {}

    /**
     * @param proved      truth table of the wiring, which is not worked out again for it
     * @param circuitsOff circuits whose lives are dead: then it is another wiring, and is looked at anew
     */
    public static EveryState of(Wiring wiring, TruthTable proved, Set<String> circuitsOff) {
        Wiring seen = wiring.withoutLives(circuitsOff);
        TruthTable table = circuitsOff.isEmpty() ? proved : WiringCheck.of(seen).truthTable();
        Map<SwitchingState, List<NodeId>> live = WiringCheck.liveNodes(seen);
        Map<SwitchingState, Map<String, Double>> amps = Currents.of(seen);
        List<Row> rows = new ArrayList<>();
        table.forEach(row -> rows.add(
                new Row(row, live.getOrDefault(row.state(), List.of()), amps.getOrDefault(row.state(), Map.of()))));
        return new EveryState(rows, Operations.of(seen));
    }
}
