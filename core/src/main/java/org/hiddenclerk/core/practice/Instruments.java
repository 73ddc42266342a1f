package org.hiddenclerk.core.practice;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.FixedNets;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What a two-pole tester, a continuity tester, a pen and the eye show of a wiring; the electrical core answers. */
final class Instruments {
    /** What a two-pole tester lets through, in watts at nominal volts: some milliamperes; common practice, no source. */
    private static final double TESTER_WATTS = 0.5;

    private static final PartId TESTER = new PartId("tester");

    private final Wiring wiring;
    private final Map<String, Integer> positions;

    /**
     * @param on        labels of the circuits whose breaker is on
     * @param positions by part id of the switch; what is not named is at 0
     */
    Instruments(RunWiring run, HouseContext house, Set<String> on, Map<String, Integer> positions) {
        Wiring whole = run.netlist(house);
        Set<String> off = new HashSet<>();
        house.circuits().values().stream()
                .map(Circuit::label)
                .filter(label -> !on.contains(label))
                .forEach(off::add);
        this.wiring = whole.withoutLives(off);
        this.positions = Map.copyOf(positions);
    }

    /** Two-pole tester to earth. */
    boolean isLive(NodeId node) {
        return WiringCheck.liveNodes(wiring).entrySet().stream()
                .anyMatch(e -> isNow(e.getKey()) && e.getValue().contains(node));
    }

    /** Two-pole tester from a proved live: whether it lights, because the node leads back and is not live itself. */
    boolean lightsFromLive(NodeId node) {
        Optional<NodeId> live = wiring.parts().stream()
                .filter(part ->
                        part instanceof Part.Supply supply && supply.line().isLive())
                .map(part -> part.pins().get("out"))
                .findFirst();
        if (live.isEmpty() || isLive(node)) {
            return false;
        }
        List<Part> parts = new ArrayList<>(wiring.parts());
        parts.add(new Part.Load(
                TESTER,
                LoadKind.INCANDESCENT,
                TESTER_WATTS,
                1,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                Map.of("L", live.get(), "N", node)));
        return stateOf(TESTER, new Wiring(wiring.supply(), parts, List.of(), wiring.names())) != LoadState.OFF;
    }

    /** Whether two nodes are joined by conductors and joints alone. */
    boolean isJoined(NodeId one, NodeId other) {
        FixedNets nets = FixedNets.of(wiring);
        return nets.netOf(one).isPresent() && nets.netOf(one).equals(nets.netOf(other));
    }

    LoadState lamp(PartId load) {
        return stateOf(load, wiring);
    }

    private LoadState stateOf(PartId load, Wiring of) {
        for (TruthTable.Row row : WiringCheck.of(of).truthTable()) {
            TruthTable.LoadReading reading = row.loads().get(load.value());
            if (reading != null && isNow(row.state())) {
                return reading.state();
            }
        }
        return LoadState.OFF;
    }

    /** Whether a state of the table is the one that the wall is in; relays are open. */
    private boolean isNow(SwitchingState state) {
        return state.switches().entrySet().stream()
                        .allMatch(e -> positions.getOrDefault(e.getKey(), 0).equals(e.getValue()))
                && state.channels().values().stream().allMatch(closed -> closed == 0);
    }
}
