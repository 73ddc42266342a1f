package org.hiddenclerk.core.firmware;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * In which order the modules of a house get their firmware: one of each kind first, then the rest in batches from near to far,
 * those that pass nothing on last, because others are reached through the rest. Common practice, no source.
 *
 * @param waves    one after the other; the first holds one module of each kind
 * @param releases what each kind gets
 * @param left     modules that stay as they are, with the reason
 */
public record RolloutPlan(
        List<List<Device>> waves, Map<String, Release> releases, Map<String, String> left, Policy policy) {
    private static final Comparator<Device> NEAR_FIRST =
            Comparator.comparing(Device::leaf).thenComparing(Device::hops).thenComparing(Device::id);

    public RolloutPlan {
        waves = waves.stream().map(List::copyOf).toList();
        releases = Map.copyOf(releases);
    }

    /** @param releases the version that each kind is to have; kinds without one stay as they are */
    public static RolloutPlan of(List<Device> devices, Map<String, Release> releases, Policy policy) {
        Map<String, String> left = new LinkedHashMap<>();
        List<Device> due = new ArrayList<>();
        for (Device device : devices) {
            Release release = releases.get(device.kind());
            int order = release == null
                    ? 0
                    : device.installed()
                            .map(now -> now.compareTo(release.version()))
                            .orElse(-1);
            if (release == null) {
                left.put(device.id(), "no version is known for " + device.kind());
            } else if (order == 0) {
                left.put(device.id(), "has " + release.version() + " already");
            } else if (order > 0 && policy.downgrade().isEmpty()) {
                left.put(
                        device.id(),
                        "has " + device.installed().orElseThrow() + ", which is newer; going back needs a reason");
            } else {
                due.add(device);
            }
        }
        due.sort(NEAR_FIRST);
        Map<String, Device> first = new LinkedHashMap<>();
        due.forEach(device -> first.putIfAbsent(device.kind(), device));
        List<List<Device>> waves = new ArrayList<>();
        if (!first.isEmpty()) {
            waves.add(List.copyOf(first.values()));
        }
        List<Device> rest = due.stream()
                .filter(device -> first.get(device.kind()) != device)
                .toList();
        List<Device> routers = rest.stream().filter(device -> !device.leaf()).toList();
        List<Device> leaves = rest.stream().filter(Device::leaf).toList();
        // A batch never holds both: a leaf is not updated while what it is reached through restarts.
        for (List<Device> part : List.of(routers, leaves)) {
            for (int at = 0; at < part.size(); at += policy.batch()) {
                waves.add(part.subList(at, Math.min(part.size(), at + policy.batch())));
            }
        }
        return new RolloutPlan(waves, releases, left, policy);
    }

    Release releaseFor(Device device) {
        return releases.get(device.kind());
    }
}
