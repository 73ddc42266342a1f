package org.hiddenclerk.core.electrical.operation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;

/**
 * What each hand and each remote command makes of each state, for a drawing that can be operated. The same steps prove
 * the intent; there is no second truth.
 */
public final class Operations {
    /** Names a short break of the whole supply, as by a switch on the board. */
    public static final String BLINK = "supply blink";
    /** Elements that hang together beyond which states are not listed one by one. */
    private static final int MOST_ELEMENTS = 12;

    private Operations() {}

    /**
     * The state that follows, by state and by what is operated: a switch id, "module/channel" for a remote command, or
     * {@link #BLINK}. Regions that command each other by radio are taken together. States with a short have no successors.
     */
    public static Map<Positions, Map<String, Positions>> of(Wiring wiring) {
        Map<Positions, Map<String, Positions>> all = new LinkedHashMap<>();
        for (List<Region> cluster : IntentProof.clusters(new Netlist(wiring))) {
            int elements = cluster.stream()
                    .mapToInt(region -> region.elements().length)
                    .sum();
            List<RegionTable> tables = cluster.stream()
                    .map(region -> RegionTable.of(region, List.of()))
                    .toList();
            if (elements > 0 && elements <= MOST_ELEMENTS && tables.stream().noneMatch(RegionTable::hasShorts)) {
                addCluster(tables, elements, all);
            }
        }
        return all;
    }

    private static void addCluster(List<RegionTable> tables, int elements, Map<Positions, Map<String, Positions>> all) {
        Steps steps = new Steps(tables);
        for (int state = 0; state < 1 << elements; state++) {
            if (steps.isUsable(state)) {
                all.put(new Positions(steps.positions(state)), successors(tables, steps, state));
            }
        }
    }

    private static Map<String, Positions> successors(List<RegionTable> tables, Steps steps, int state) {
        Map<String, Positions> successors = new LinkedHashMap<>();
        List<Steps.Place> places = new ArrayList<>();
        for (int r = 0; r < tables.size(); r++) {
            for (int e = 0; e < tables.get(r).region().elements().length; e++) {
                places.add(new Steps.Place(r, e));
            }
        }
        for (Steps.Place place : places) {
            Region.Element element = tables.get(place.region()).region().elements()[place.element()];
            int next = element.isSwitch()
                    ? steps.operate(state, place.region(), place.element())
                    : steps.command(state, place);
            successors.put(element.id(), new Positions(steps.positions(next)));
        }
        if (steps.hasBlinkInputs()) {
            successors.put(BLINK, new Positions(steps.positions(steps.supplyBlink(state))));
        }
        return successors;
    }

    /**
     * Positions of everything in a cluster.
     *
     * @param byElement 0 or 1 by switch id or "module/channel"
     */
    public record Positions(Map<String, Integer> byElement) {
        public Positions {
            byElement = Map.copyOf(byElement);
        }
    }
}
