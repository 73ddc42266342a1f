package org.hiddenclerk.app.bench;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.core.naming.DeviceName;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the modules of a job's plans are called. */
@Component
public class DeviceNames {
    private final BenchPlaces places;
    private final Naming naming;

    DeviceNames(BenchPlaces places, Naming naming) {
        this.places = places;
        this.naming = naming;
    }

    /**
     * Handles of modules.
     *
     * @param modules ids of modules as plans number them, {@code box/K1}
     * @return by module; those that the bench does not know are left out
     */
    @Transactional(readOnly = true)
    public Map<String, String> handles(UUID job, List<String> modules) {
        List<BenchPlaces.ModulePlace> all = places.of(job);
        Map<String, DeviceName> names = naming.names(job, all);
        Map<String, String> handles = new HashMap<>();
        placesOf(all, modules).forEach((module, place) -> handles.put(module, names.get(place).handle()));
        return handles;
    }

    /** Places on the bench's list by module of the plans; those that the bench does not know are left out. */
    @Transactional(readOnly = true)
    public Map<String, String> placesOf(UUID job, List<String> modules) {
        return placesOf(places.of(job), modules);
    }

    /** Plans and bench count the modules of a box in the same order. */
    private static Map<String, String> placesOf(List<BenchPlaces.ModulePlace> all, List<String> modules) {
        Map<String, List<String>> byBox = new LinkedHashMap<>();
        modules.stream().filter(module -> module.contains("/K")).forEach(module -> byBox.computeIfAbsent(module.substring(0, module.indexOf('/')), b -> new java.util.ArrayList<>())
                .add(module));
        Map<String, String> found = new HashMap<>();
        byBox.forEach((box, own) -> {
            List<BenchPlaces.ModulePlace> waiting = all.stream().filter(place -> place.box().toString().equals(box)).toList();
            for (int i = 0; i < Math.min(own.size(), waiting.size()); i++) {
                found.put(own.get(i), waiting.get(i).id());
            }
        });
        return found;
    }
}
