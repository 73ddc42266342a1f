package org.hiddenclerk.core.electrical;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.finding.SwitchingState;

/**
 * What each hand and each remote command makes of each state, for a drawing that can be operated. The same steps prove
 * the intent; there is no second truth.
 */
public final class Operations {
    private Operations() {
    }

    /**
     * The state that follows, by state and by what is operated: a switch id, or "module/channel" for a remote command.
     * States with a short have no successors.
     */
    public static Map<SwitchingState, Map<String, SwitchingState>> of(Wiring wiring) {
        Map<SwitchingState, Map<String, SwitchingState>> all = new LinkedHashMap<>();
        for (Region region : new Netlist(wiring).regions()) {
            RegionTable table = RegionTable.of(region, List.of());
            if (region.elements().length == 0 || table.hasShorts()) {
                continue;
            }
            Steps steps = new Steps(List.of(table));
            for (int row = 0; row < region.rowCount(); row++) {
                if (table.isUsable(row)) {
                    all.put(region.state(row), successors(region, steps, row));
                }
            }
        }
        return all;
    }

    private static Map<String, SwitchingState> successors(Region region, Steps steps, int row) {
        Map<String, SwitchingState> successors = new LinkedHashMap<>();
        for (int e = 0; e < region.elements().length; e++) {
            int next = region.elements()[e].isSwitch() ? steps.operate(row, 0, e)
                    : steps.command(row, new Steps.Place(0, e));
            successors.put(region.elements()[e].id(), region.state(next));
        }
        return successors;
    }
}
