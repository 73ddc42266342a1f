package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.List;

/** The orders in which switches, or boxes of them, can follow each other on one wire. */
final class Chain {
    private Chain() {}

    /** All orders, that of the survey first. They are few; the caller bounds their number. */
    static <T> List<List<T>> orders(List<T> items) {
        if (items.isEmpty()) {
            return List.of(List.of());
        }
        List<List<T>> orders = new ArrayList<>();
        for (T first : items) {
            List<T> rest = new ArrayList<>(items);
            rest.remove(first);
            for (List<T> tail : orders(rest)) {
                List<T> order = new ArrayList<>(List.of(first));
                order.addAll(tail);
                orders.add(order);
            }
        }
        return orders;
    }
}
