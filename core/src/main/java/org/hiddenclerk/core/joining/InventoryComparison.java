package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Members that are in a network, against those that were there before.
 *
 * @param lost  were there and are not any more, by address
 * @param moved came back under another address, told by the name that they bear: new address by old
 * @param twice names that more than one device bears, with their addresses: two of one topic act as one
 * @param fresh not known yet
 */
public record InventoryComparison(
        List<String> lost, Map<String, String> moved, Map<String, List<String>> twice, List<Member> fresh) {

    /** @param known address by name, as the house was left */
    public static InventoryComparison of(Map<String, String> known, List<Member> now) {
        Map<String, List<String>> bearers = new LinkedHashMap<>();
        now.forEach(device ->
                bearers.computeIfAbsent(device.name(), n -> new ArrayList<>()).add(device.address()));
        Map<String, List<String>> twice = new LinkedHashMap<>(bearers);
        twice.values().removeIf(addresses -> addresses.size() < 2);
        Map<String, String> moved = new LinkedHashMap<>();
        List<String> lost = new ArrayList<>();
        known.forEach((name, address) -> {
            if (now.stream().noneMatch(device -> device.address().equals(address))) {
                List<String> others = bearers.getOrDefault(name, List.of()).stream()
                        .filter(a -> !known.containsValue(a))
                        .toList();
                if (others.size() == 1) {
                    moved.put(address, others.get(0));
                } else {
                    lost.add(address);
                }
            }
        });
        return new InventoryComparison(
                lost,
                moved,
                twice,
                now.stream()
                        .filter(device ->
                                !known.containsValue(device.address()) && !moved.containsValue(device.address()))
                        .toList());
    }
}
