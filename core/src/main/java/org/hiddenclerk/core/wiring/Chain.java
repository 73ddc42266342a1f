package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.wiring.Run.GangRef;

/** The orders in which switches can follow each other on one wire. */
final class Chain {
    private Chain() {
    }

    /** All orders, that of the survey first. A lamp has few switches; the caller bounds their number. */
    static List<List<GangRef>> orders(List<GangRef> gangs) {
        if (gangs.isEmpty()) {
            return List.of(List.of());
        }
        List<List<GangRef>> orders = new ArrayList<>();
        for (GangRef first : gangs) {
            List<GangRef> rest = new ArrayList<>(gangs);
            rest.remove(first);
            for (List<GangRef> tail : orders(rest)) {
                List<GangRef> order = new ArrayList<>(List.of(first));
                order.addAll(tail);
                orders.add(order);
            }
        }
        return orders;
    }
}
